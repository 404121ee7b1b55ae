import fc from 'fast-check';

import { allWaitingSeen, waitingSeen } from '..';
import { extensions, farm, keptOf, openWaiting, people } from './testWaiting';

type Open = ReturnType<typeof openWaiting>;
const lines = ['adas', 'yards'] as const;
const handles = [`number:${farm}`, ...people.map((id) => `person:${id}`)];

const acts: Record<string, (office: Open, personId: (typeof people)[number], number: number) => void> = {
  miss: ({ record }, personId) => void record(personId),
  missTeam: ({ missTeam }) => missTeam(),
  talk: ({ talk }, personId) => void talk(personId),
  textIn: ({ textIn }, _, number) => textIn(lines[number % 2] ?? 'adas'),
  answer: ({ write }, personId, number) =>
    void write(personId, farm, 'Yes.', { lineId: lines[number % 2] ?? 'adas' }),
  write: ({ write }, personId, number) =>
    void write(personId, extensions[people[number % 3] ?? 'ada'], 'Are you there?'),
  room: ({ ask }, personId) =>
    void ask(personId, { type: 'openRoom', id: 'r', name: 'R', isOpen: true, memberIds: ['ada', 'cleo'] }),
  speak: ({ write }, personId) => void write(personId, 'room:r', 'Ada, Ben, Cleo?'),
  close: ({ ask }, personId) => void ask(personId, { type: 'closeWaiting', handles }),
  putOff: ({ ask, now }, personId) =>
    void ask(personId, { type: 'putWaitingOff', handles, until: now() + 9e5 }),
  reopen: ({ ask }, personId) => void ask(personId, { type: 'reopenWaiting', handles }),
};
const own = new Set(['close', 'putOff', 'reopen']);

const step = fc.record({
  act: fc.constantFrom(...Object.keys(acts)),
  personId: fc.constantFrom(...people),
  number: fc.nat(5),
});
type Step = { act: string; personId: (typeof people)[number]; number: number };
const run = (office: Open, { act, personId, number }: Step) => acts[act]?.(office, personId, number);

describe('whatever three people and those outside do', () => {
  it('what one does by hand is theirs alone, and each is told of what they see, and of nothing else', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
        const office = openWaiting();
        const told = new Map(people.map((id) => [id, new Map<string, unknown>()]));
        for (const each of steps) {
          const from = office.changes.length;
          run(office, each);
          const rows = office.changes.slice(from).filter((change) => change.table === 'waiting');
          if (own.has(each.act)) for (const { now } of rows) expect(now?.personId).toBe(each.personId);
          for (const [id, mirror] of told)
            for (const change of waitingSeen(rows, id, office.inbox.whoWaits))
              if ('put' in change) mirror.set(change.put.id, change.put);
        }
        for (const [id, mirror] of told) {
          const seen = allWaitingSeen(id, office.inbox.whoWaits);
          expect(seen.every(({ personId }) => personId === id)).toBe(true);
          expect(mirror).toEqual(new Map(seen.map((row) => [row.id, row])));
        }
      }),
    );
  });

  it('a host that dies anywhere, and goes on with what it has kept, comes to the same', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 24 }), fc.nat(24), (steps, cut) => {
        const whole = openWaiting();
        const first = openWaiting();
        for (const each of steps) run(whole, each);
        for (const each of steps.slice(0, cut)) run(first, each);
        const again = openWaiting(keptOf(first.changes), first.now());
        expect(again.changes).toEqual([]);
        for (const each of steps.slice(cut)) run(again, each);
        const shapes = ({ rows }: Open) =>
          rows()
            .map(({ id, tries, closed, snoozedUntil }) => [
              id,
              tries.length,
              closed?.how,
              snoozedUntil !== null,
            ])
            .sort();
        expect(shapes(again)).toEqual(shapes(whole));
      }),
    );
  });
});
