import type { LegState } from './call';

/** What can be asked of a leg, or told of it by the network. */
export type LegAct = keyof typeof allowedIn;

const talking = ['connected', 'held'] as const;

/** Each act with the states it is allowed in (ECMA-269's service tables). All else is refused and changes nothing. */
export const allowedIn = {
  alert: ['initiated'],
  answer: ['initiated', 'alerting'],
  refuse: ['alerting'],
  deflect: ['alerting'],
  fail: ['initiated', 'alerting'],
  hold: ['connected'],
  retrieve: ['held'],
  mute: ['connected'],
  unmute: ['connected'],
  // A lifted phone that waits for the accept key is still alerting.
  sendDigits: ['connected', 'alerting'],
  clear: ['initiated', 'alerting', 'connected', 'held', 'queued', 'failed'],
  transfer: talking,
  connectCalls: talking,
  add: talking,
  mergeCalls: talking,
  silence: talking,
  unsilence: talking,
  putAside: talking,
  bringBack: talking,
  talkAside: ['connected'],
  drop: talking,
  invite: talking,
  withdrawInvitation: talking,
  park: talking,
  move: talking,
  speaks: talking,
  record: talking,
  meet: talking,
  inMeeting: talking,
  callBackWhenFree: ['connected'],
} as const satisfies Record<string, readonly LegState[]>;

export function isAllowed(act: LegAct, state: LegState): boolean {
  const states: readonly LegState[] = allowedIn[act];
  return states.includes(state);
}
