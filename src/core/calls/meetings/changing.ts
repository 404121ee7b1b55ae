import { meetingLimits, type Meeting } from './meeting';

/** A meeting that has just begun, at whose end of the call. */
export const begunMeeting = (legId: string, at: number): Meeting => ({
  ...{ begunAt: at, hostLegIds: [legId], isLocked: false, besideLegIds: [] },
  ...{ pictures: [], hands: [], reactions: [], links: [], waiting: [] },
});

/** Without all that was somebody's who is at that end no more: who leaves takes their pictures along. */
export const withoutEnd = (meeting: Meeting, gone: string): Meeting => ({
  ...meeting,
  hostLegIds: meeting.hostLegIds.filter((legId) => legId !== gone),
  besideLegIds: meeting.besideLegIds.filter((legId) => legId !== gone),
  pictures: meeting.pictures.filter(({ legId }) => legId !== gone),
  hands: meeting.hands.filter(({ legId }) => legId !== gone),
  reactions: meeting.reactions.filter(({ legId }) => legId !== gone),
  links: meeting.links.filter(({ forLegId }) => forLegId !== gone),
});

/** Whoever was at one end is at another now, with another device: its camera shows nothing yet, all else is theirs as it was. */
export function movedEnd(meeting: Meeting, from: string, to: string): Meeting {
  const moved = <T extends { legId: string }>(each: T): T =>
    each.legId === from ? { ...each, legId: to } : each;
  return {
    ...meeting,
    hostLegIds: meeting.hostLegIds.map((legId) => (legId === from ? to : legId)),
    besideLegIds: meeting.besideLegIds.filter((legId) => legId !== from),
    pictures: meeting.pictures.filter(({ legId }) => legId !== from),
    hands: meeting.hands.map(moved),
    reactions: meeting.reactions.map(moved),
  };
}

/** Two calls become one, of which either is a meeting or both are; `into` is the call that stays. Pictures beyond the limit are not shown. */
export function joinedMeetings(into: Meeting | null, from: Meeting | null): Meeting | null {
  if (!into || !from) return into ?? from;
  return {
    begunAt: Math.min(into.begunAt, from.begunAt),
    hostLegIds: [...new Set([...into.hostLegIds, ...from.hostLegIds])],
    isLocked: into.isLocked,
    besideLegIds: [...new Set([...into.besideLegIds, ...from.besideLegIds])],
    pictures: [...into.pictures, ...from.pictures].slice(0, meetingLimits.pictures),
    hands: firstOfEach([...into.hands, ...from.hands].sort((one, other) => one.at - other.at)),
    reactions: [...into.reactions, ...from.reactions],
    links: [...into.links, ...from.links],
    waiting: [
      ...into.waiting,
      ...from.waiting.filter(({ guestId }) => !into.waiting.some((each) => each.guestId === guestId)),
    ],
  };
}

/** Whoever is in both has raised one hand. */
const firstOfEach = (hands: Meeting['hands']): Meeting['hands'] =>
  hands.filter(({ legId }, at) => hands.findIndex((each) => each.legId === legId) === at);
