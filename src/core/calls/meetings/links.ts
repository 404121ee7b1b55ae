import { meetingLimits, type Meeting, type MeetingLink, type Waiting } from './meeting';

/** Why somebody does not come by a link. */
export type LinkDenial = 'unknownLink' | 'linkTooOld' | 'meetingLocked' | 'waitingFull';

/** A link is given: of those for one end, and of those for guests, the last one is good. */
export function linkGiven(
  meeting: Meeting,
  { token, forLegId, until }: Omit<MeetingLink, 'openAt'>,
): Meeting {
  const others = meeting.links.filter((each) => each.forLegId !== forLegId);
  const replaced = others.length < meeting.links.length && forLegId !== null;
  const without = replaced ? withoutBeside(meeting, forLegId) : meeting;
  return { ...without, links: [...others, { token, forLegId, until, openAt: null }] };
}

/** A link is good no more: a screen that was opened by it is closed, and guests who are in stay. */
export function linkEnded(meeting: Meeting, token: string): Meeting {
  const link = meeting.links.find((each) => each.token === token);
  if (!link) return meeting;
  const without =
    link.openAt === null || link.forLegId === null ? meeting : withoutBeside(meeting, link.forLegId);
  return { ...without, links: without.links.filter((each) => each.token !== token) };
}

/** Somebody comes by a link: as a guest they wait to be let in; to the screen beside a phone they are let at once. */
export function cameBy(
  meeting: Meeting,
  token: string,
  { guestId, name, at }: Waiting,
): { why: LinkDenial } | { meeting: Meeting } {
  const link = meeting.links.find((each) => each.token === token);
  if (!link) return { why: 'unknownLink' };
  if (link.openAt === guestId) return { meeting };
  if (link.until <= at) return { why: 'linkTooOld' };
  const { forLegId } = link;
  if (forLegId !== null) {
    // What was shown from the screen before is shown no more.
    const before = withoutBeside(meeting, forLegId);
    const openAt = (each: MeetingLink) => (each.token === token ? { ...each, openAt: guestId } : each);
    const besideLegIds = [...before.besideLegIds, forLegId];
    return { meeting: { ...before, besideLegIds, links: before.links.map(openAt) } };
  }
  if (meeting.isLocked) return { why: 'meetingLocked' };
  if (meeting.waiting.length >= meetingLimits.waiting) return { why: 'waitingFull' };
  return { meeting: { ...meeting, waiting: [...meeting.waiting, { guestId, name, at }] } };
}

/** The screen beside a phone is closed, and what was shown from it is shown no more. */
export const withoutBeside = (meeting: Meeting, gone: string): Meeting => ({
  ...meeting,
  besideLegIds: meeting.besideLegIds.filter((legId) => legId !== gone),
  pictures: meeting.pictures.filter(({ legId }) => legId !== gone),
  links: meeting.links.map((each) => (each.forLegId === gone ? { ...each, openAt: null } : each)),
});

/** Whoever waited is let in, is not, or has gone. */
export function withoutWaiting(meeting: Meeting, gone: string): Meeting {
  const waiting = meeting.waiting.filter(({ guestId }) => guestId !== gone);
  return waiting.length === meeting.waiting.length ? meeting : { ...meeting, waiting };
}
