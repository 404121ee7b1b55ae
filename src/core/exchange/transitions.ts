import type { LegState } from './call';

/** What can be asked of a leg, or told of it by the network. */
export type LegAct =
  'alert' | 'answer' | 'refuse' | 'fail' | 'hold' | 'retrieve' | 'mute' | 'unmute' | 'sendDigits' | 'clear';

/** Each act with the states it is allowed in (ECMA-269's service tables). All else is refused and changes nothing. */
export const allowedIn: Readonly<Record<LegAct, readonly LegState[]>> = {
  alert: ['initiated'],
  answer: ['initiated', 'alerting'],
  refuse: ['alerting'],
  fail: ['initiated', 'alerting'],
  hold: ['connected'],
  retrieve: ['held'],
  mute: ['connected'],
  unmute: ['connected'],
  sendDigits: ['connected'],
  clear: ['initiated', 'alerting', 'connected', 'held', 'failed'],
};
