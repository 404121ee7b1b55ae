import type { Call } from './call';
import type { Switchboard } from './Switchboard';

type Needed = 'kind' | 'dialled' | 'lineId' | 'withheld';

/** A call in which nobody is yet. */
export function newCall(board: Switchboard, given: Pick<Call, Needed> & Partial<Call>): Call {
  return board.addCall({
    forId: null,
    language: null,
    postDial: null,
    startedAt: board.now,
    answeredAt: null,
    legs: [],
    ringing: null,
    earlierTraces: [],
    finish: null,
    failure: null,
    messageMs: 0,
    timers: [],
    emergency: null,
    consultationFor: null,
    comesBackTo: null,
    returned: null,
    handedOver: null,
    parked: null,
    invitation: null,
    calledAfterwards: null,
    waitsFor: null,
    queued: null,
    waits: [],
    course: [],
    servedBy: null,
    meeting: null,
    recordings: [],
    acts: [],
    ...given,
  });
}
