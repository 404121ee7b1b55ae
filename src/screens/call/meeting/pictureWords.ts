import { meetingLimits, type PictureKind } from '@/core/calls/meetings';
import type { CallView, MeetingView } from '@/state/app';

/** “Ilse Varga’s camera”. */
export const pictureName = (name: string, kind: PictureKind): string =>
  `${name}’s ${kind === 'camera' ? 'camera' : 'screen'}`;

/**
 * Which picture is seen large: the one that was chosen, as long as it is there; else the screen that was shown last, and without one
 * whoever speaks, or spoke last, else the first camera. null: nobody else shows anything.
 */
export function largeOf(
  { pictures }: Pick<MeetingView, 'pictures'>,
  chosenId: string | null,
  front: string | null = null,
): string | null {
  const others = pictures.filter(({ isMine }) => !isMine);
  const chosen = others.find(({ id }) => id === chosenId);
  const screen = others.findLast(({ kind }) => kind === 'screen');
  const speaker = others.find(({ legId }) => legId === front);
  return (chosen ?? screen ?? speaker ?? others[0])?.id ?? null;
}

/** What marks somebody in a meeting: “host”, “hand 2”, “sound only”, and how they react. */
export function marksOf(meeting: MeetingView, { call }: CallView, legId: string, now: number): string[] {
  const hand = meeting.hands.indexOf(legId);
  const reaction = meeting.reactions.find(
    (each) => each.legId === legId && now - each.at < meetingLimits.reactionMs,
  );
  return [
    ...(reaction ? [`“${reaction.reaction}”`] : []),
    ...(hand < 0 ? [] : [`hand ${hand + 1}`]),
    ...(meeting.hostLegIds.includes(legId) ? ['host'] : []),
    ...(isSoundOnly(call, legId) ? ['sound only'] : []),
    ...(isGuest(call, legId) ? ['guest'] : []),
  ];
}

/** Whoever has come by a link. */
function isGuest({ legs }: Pick<CallView['call'], 'legs'>, legId: string): boolean {
  const endpoint = legs.find(({ id }) => id === legId)?.endpoint;
  return endpoint?.kind === 'outside' && endpoint.guestId !== undefined;
}

/** Whoever is outside, and has no screen beside their phone. */
export function isSoundOnly({ legs, meeting }: CallView['call'], legId: string): boolean {
  const isOutside = legs.find(({ id }) => id === legId)?.endpoint.kind === 'outside';
  return isOutside && !isGuest({ legs }, legId) && !(meeting?.besideLegIds.includes(legId) ?? false);
}
