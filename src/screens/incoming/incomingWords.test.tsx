import { sampleOffice } from '@sample';

import { Exchange } from '@/core/calls/exchange/machine';
import { OfficeIndex } from '@/core/setup';
import { PeopleIndex } from '@/core/people/contacts';

import { pressedWords, refusalWords, returnedWords, triesWords } from './incomingWords';

const thursday = Date.UTC(2026, 10, 26, 10, 40);
const thursdayNight = Date.UTC(2026, 10, 26, 22, 40);
const office = new OfficeIndex(sampleOffice);
const names = { office, people: new PeopleIndex(office, []) };

function ringing(to: string, at: number) {
  const exchange = new Exchange(sampleOffice);
  for (const { id } of sampleOffice.devices) exchange.send({ type: 'signIn', deviceId: id }, at);
  const from = { kind: 'outside', number: '+441914980162', name: null } as const;
  const { result } = exchange.send({ type: 'make', from, to }, at);
  if (!result.ok || !result.callId || !result.legId) throw new Error('Not made');
  const call = () => exchange.calls.get(result.callId ?? '')!;
  const legAt = (deviceId: string) =>
    call().legs.find(
      ({ endpoint, state }) =>
        state === 'alerting' && endpoint.kind === 'device' && endpoint.deviceId === deviceId,
    )!;
  return { exchange, call, legAt, callerLegId: result.legId };
}

it('counts tries in vain, with the one that rings', () => {
  expect(triesWords({ count: 2, lastAt: thursday - 12 * 60_000 }, thursday)).toBe(
    '3rd try today, last 12 min ago',
  );
  expect(triesWords({ count: 0, lastAt: null }, thursday)).toBeNull();
});

it('says which key led here, and in which menu', () => {
  const { exchange, call, callerLegId } = ringing('+441314960100', thursdayNight);
  exchange.send({ type: 'sendDigits', legId: callerLegId, digits: '1' }, thursdayNight + 2_000);
  expect(pressedWords(call(), office)).toBe('Pressed 1 in the Night menu');
  expect(pressedWords(ringing('+441314960214', thursday).call(), office)).toBeNull();
});

it('says where a caller goes who is refused', () => {
  const field = ringing('+441314960120', thursday);
  expect(refusalWords(field.call(), field.legAt('maren-app'), thursday, office)).toBe(
    'to Ilse for 15 s, then your mailbox',
  );
  const direct = ringing('+441314960214', thursday);
  expect(refusalWords(direct.call(), direct.legAt('maren-app'), thursday, office)).toBe('to your mailbox');
});

it('says who did not take what comes back', () => {
  const { exchange, call, legAt } = ringing('+441314960214', thursday);
  exchange.send({ type: 'answer', legId: legAt('maren-app').id }, thursday + 2_000);
  const mine = call().legs.find(({ state, personId }) => state === 'connected' && personId === 'maren')!;
  const target = { kind: 'number', to: '207' } as const;
  exchange.send({ type: 'transfer', legId: mine.id, target }, thursday + 5_000);
  exchange.advance(thursday + 26_000);
  expect(returnedWords(call(), false, 'Cawder Flood Watch', names)).toBe(
    'Comes back: Tobias Quill did not take the call.',
  );
});
