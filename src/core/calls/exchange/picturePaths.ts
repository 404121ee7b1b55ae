import type { Picture } from '../meetings';
import { isTalking, type Call, type Leg } from './call';

/** A picture that is seen: by whom, at their leg. */
export interface PicturePath {
  picture: Picture;
  to: string;
}

/**
 * Which pictures of a meeting are seen by whom: a pure function of the call. They go where a voice would: not to or from whoever holds, is put
 * aside or has a private word with others; muted or silenced, one is seen all the same. Whether there is a screen at that end is not asked.
 */
export function picturePaths({ legs, meeting }: Call): PicturePath[] {
  if (!meeting) return [];
  const there = legs.filter((leg) => leg.state === 'connected' && isTalking(leg) && leg.room !== 'aside');
  const byId = new Map(there.map((leg) => [leg.id, leg]));
  const isSeenBy = (from: Leg | undefined, to: Leg) =>
    from !== undefined && from !== to && from.room === to.room;
  return meeting.pictures.flatMap((picture) =>
    there.flatMap((to) => (isSeenBy(byId.get(picture.legId), to) ? [{ picture, to: to.id }] : [])),
  );
}
