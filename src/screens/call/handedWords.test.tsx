import { sampleOffice } from '@sample';

import { type CallRecord } from '@/core/calls/exchange';
import { Exchange } from '@/core/calls/exchange/machine';
import { OfficeIndex } from '@/core/setup';

import { handedOutcome, handedWords } from './handedWords';

const at = Date.UTC(2026, 10, 26, 10, 40);
const handed = {
  callId: 'c1',
  legId: 'l1',
  name: 'Peg Anstey',
  toName: 'Tobias Quill',
  at,
  takeBackUntil: null,
};

it.each([
  ['waiting', at + 20_000, 'rings at Tobias Quill, comes back in 0:15'],
  ['taken', null, 'talks with Tobias Quill, 0:05'],
  ['mailbox', null, 'is in the mailbox of Tobias Quill'],
] as const)('whoever was handed over and is %s is said to be where they are', (state, backAt, words) => {
  expect(handedWords({ ...handed, state, backAt }, at + 5_000)).toBe(words);
});

/** Maren sends a caller to Tobias, who lifts his phone or does not; then the caller hangs up. */
function sentToTobias(isLifted: boolean): CallRecord {
  const exchange = new Exchange(sampleOffice);
  for (const { id } of sampleOffice.devices) exchange.send({ type: 'signIn', deviceId: id }, at);
  const from = { kind: 'outside', number: '+441914980162', name: null } as const;
  const { result } = exchange.send({ type: 'make', from, to: '+441314960214' }, at);
  if (!result.ok || !result.callId || !result.legId) throw new Error('Not made');
  const legOf = (deviceId: string) =>
    exchange.calls
      .get(result.callId ?? '')
      ?.legs.find(
        ({ endpoint, state }) =>
          state !== 'cleared' && endpoint.kind === 'device' && endpoint.deviceId === deviceId,
      )?.id ?? '';
  exchange.send({ type: 'answer', legId: legOf('maren-app') }, at + 2_000);
  const target = { kind: 'number', to: '207' } as const;
  exchange.send({ type: 'transfer', legId: legOf('maren-app'), target }, at + 5_000);
  if (isLifted) exchange.send({ type: 'answer', legId: legOf('tobias-desk') }, at + 9_000);
  const { events } = exchange.send({ type: 'clear', legId: result.legId }, at + 15_000);
  const record = events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
  const mine = record.find(({ personId }) => personId === 'maren');
  if (!mine) throw new Error('No record');
  return mine;
}

it('the last word of a call that was handed over is whether it was taken there', () => {
  const office = new OfficeIndex(sampleOffice);
  expect(handedOutcome(sentToTobias(true), office)).toBe('Handed to Tobias Quill, who took it');
  expect(handedOutcome(sentToTobias(false), office)).toBe('Handed to Tobias Quill, who did not take it');
});
