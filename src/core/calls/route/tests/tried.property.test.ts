import fc from 'fast-check';

import { callsOf, keyOf } from '@/core/calls/figures';
import type { CallRecord, ExchangeEvent } from '@/core/calls/exchange';
import { openOffice, start } from '@/core/calls/exchange/tests/testOffice';
import { randomSetup } from '@/core/calls/exchange/tests/randomOffice';
import { allFree, journeyOf } from '@/core/plans/routing';
import { OfficeIndex, type OfficeSetup } from '@/core/setup';
import { placesOfJourney, wayOf } from '..';

const plain = randomSetup('never');
const setups = {
  plain,
  /** Its menu lets extensions be dialled. */
  dialling: { ...plain, menus: plain.menus.map((menu) => ({ ...menu, dialsExtensions: true })) },
};
const number = '+441914980162';

/** A call that nobody takes, whose caller presses those keys where menus ask; the way its records tell. */
function wayGone(setup: OfficeSetup, lineId: string, keys: readonly string[]): string[] {
  const office = new OfficeIndex(setup);
  const { exchange, send } = openOffice(setup);
  const line = office.lines.get(lineId);
  const records: CallRecord[] = [];
  const take = (events: readonly ExchangeEvent[]) => {
    for (const event of events) if (event.type === 'recordWritten') records.push(event.record);
  };
  const left = [...keys];
  const made = send(
    { type: 'make', from: { kind: 'outside', number, name: null }, to: line?.number ?? '' },
    0,
  );
  take(made.events);
  for (let seconds = 1; exchange.calls.size > 0 && seconds < 600; seconds++) {
    take(exchange.advance(start + seconds * 1000));
    for (const { legs, finish } of exchange.calls.values()) {
      const legId = legs.find(({ role }) => role === 'caller')?.id ?? '';
      const isIn = (kind: string) =>
        legs.some(({ endpoint, state }) => endpoint.kind === kind && state === 'connected');
      const isDialling = legs.some(({ menuEntry }) => menuEntry);
      const digits = isIn('menu') && !isDialling ? left.shift() : undefined;
      if (digits !== undefined) take(send({ type: 'sendDigits', legId, digits }, seconds).events);
      // Whoever hears a mailbox hangs up.
      else if (finish?.kind === 'mailbox' && isIn('mailbox'))
        take(send({ type: 'clear', legId }, seconds).events);
    }
  }
  const [call] = callsOf(records);
  return call ? wayOf({ ...call, lineId }, office).map(keyOf) : [];
}

it('a tried call goes by what a placed one goes by, where nobody takes it', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<keyof typeof setups>('plain', 'dialling'),
      fc.constantFrom('line', 'menu-line'),
      fc.array(fc.constantFrom('1', '2', '3', '4', '5', '8'), { maxLength: 3 }),
      fc.constantFrom('204', '298', '270'),
      (which, lineId, pressed, dialled) => {
        const setup = setups[which];
        const office = new OfficeIndex(setup);
        const keys = which === 'plain' ? pressed : [...pressed.slice(0, 1), dialled, ...pressed.slice(1)];
        const called = {
          ...{ ownerId: office.lines.get(lineId)?.ownerId ?? '', lineId },
          caller: { number, personId: null },
        };
        const journey = journeyOf(office, called, allFree(start), keys);
        const tried = placesOfJourney(journey, lineId, office).map(keyOf);
        const gone = wayGone(setup, lineId, keys);
        // What a number outside does is not the office's: nobody lifts it, and the caller gives up.
        const atLast = (key: string | undefined) => key?.replace(/>(gaveUp|elsewhere)$/, '>elsewhere');
        expect([...gone.slice(0, -1), atLast(gone.at(-1))]).toEqual([
          ...tried.slice(0, -1),
          atLast(tried.at(-1)),
        ]);
      },
    ),
    { numRuns: 100 },
  );
});
