import {
  selectCallBacks,
  selectFailedFaxes,
  selectIsPlanChanged,
  selectParked,
  selectRingingAtColleagues,
  selectUnreadFaxes,
  selectWaitingCount,
  useAppSelector,
  useNow,
} from '@/state/app';

import type { Place } from './places';

const minuteMs = 60_000;

/**
 * What waits in each place: people for an answer; calls to numbers that are busy; a changed ring plan that is not in
 * force; what rings at colleagues; callers that are parked, faxes not read, and
 * those that did not go out.
 */
export function usePlaceCounts(): Record<Place['path'], number> {
  const now = useNow(minuteMs);
  const waiting = useAppSelector((state) => selectWaitingCount(state, now));
  const callBacks = useAppSelector(selectCallBacks).length;
  const isPlanChanged = useAppSelector(selectIsPlanChanged);
  const ringing = useAppSelector(selectRingingAtColleagues).length;
  const parked = useAppSelector(selectParked).length;
  const unreadFaxes = useAppSelector(selectUnreadFaxes);
  const failedFaxes = useAppSelector(selectFailedFaxes);
  return {
    '/': waiting,
    '/dial': callBacks,
    '/plan': isPlanChanged ? 1 : 0,
    '/directory': ringing,
    '/office': parked + unreadFaxes + failedFaxes,
  };
}
