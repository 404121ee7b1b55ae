import fc from 'fast-check';

import { emptyOffice } from '../emptyOffice';
import { editOf, rowOf, type Edit, type SetupEntry, type SetupRow } from '../edits';
import type { OfficeSetup } from '../setup';
import { backBefore, changeSetup, undoEntry, type SetupOutcome } from '.';

const at = Date.parse('2026-11-26T10:40:00Z');
const person = (id: string, given: object = {}) => ({
  ...{ id, name: id, role: 'Technician', extension: '201', presentedLineId: 'main' },
  ...given,
});

/** An office with its log. */
function open() {
  let setup: OfficeSetup = emptyOffice;
  const log: SetupEntry[] = [];
  const asked = () => ({ id: String(log.length + 1), byId: 'ada', at });
  const take = (outcome: SetupOutcome) => {
    if (!outcome.ok) return outcome.reason;
    setup = outcome.setup;
    log.push(outcome.entry);
    return null;
  };
  const row = (id: string) => rowOf(setup, 'people', id);
  return {
    log,
    setup: () => setup,
    row,
    change: (...edits: Edit[]) => take(changeSetup(setup, edits, asked())),
    put: (id: string, given: object = {}, seen: SetupRow | null = row(id)) =>
      take(
        changeSetup(
          setup,
          [{ table: 'people', id, before: seen, after: person(id, { ...seen, ...given }) }],
          asked(),
        ),
      ),
    retire: (id: string, seen: SetupRow | null = row(id)) =>
      take(changeSetup(setup, [{ table: 'people', id, before: seen, after: null }], asked())),
    undo: (number: number) => {
      const entry = log[number - 1];
      if (!entry) throw new Error('There is no such entry.');
      return take(undoEntry(setup, entry, asked()));
    },
    backBefore: (number: number) => backBefore(setup, log.slice(number), asked()),
  };
}

describe('an office that is changed', () => {
  it('notes who changed what, when, and how it was', () => {
    const { put, log, row } = open();
    expect(put('maren')).toBeNull();
    expect(put('maren', { role: 'Engineer' })).toBeNull();
    expect(row('maren')).toEqual(person('maren', { role: 'Engineer' }));
    expect(log.map(({ id, byId, at: when }) => [id, byId, when])).toEqual([
      ['1', 'ada', at],
      ['2', 'ada', at],
    ]);
    expect(log[1]?.rows).toEqual([
      { table: 'people', id: 'maren', before: person('maren'), after: person('maren', { role: 'Engineer' }) },
    ]);
    expect(put('maren', { role: 'Engineer' })).toEqual({ code: 'nothingToChange' });
  });

  it('says in which field it can’t be read, and has not changed then', () => {
    const { change, setup } = open();
    const bad = { table: 'people' as const, before: null };
    expect(
      change(
        { ...bad, id: 'maren', after: person('maren') },
        { ...bad, id: 'ilse', after: person('ilse', { name: 7 }) },
      ),
    ).toMatchObject({ code: 'rowNotReadable', table: 'people', id: 'ilse', field: 'name' });
    expect(setup()).toBe(emptyOffice);
  });

  it('by two at once has both changes where they are of other fields', () => {
    const { put, row } = open();
    put('maren');
    const seen = row('maren');
    expect(put('maren', { role: 'Engineer' }, seen)).toBeNull();
    expect(put('maren', { extension: '214' }, seen)).toBeNull();
    expect(row('maren')).toEqual(person('maren', { role: 'Engineer', extension: '214' }));
  });

  it('by two at once in the same field says so to the second, and keeps what is there', () => {
    const { put, retire, row } = open();
    put('maren');
    const seen = row('maren');
    put('maren', { role: 'Engineer' }, seen);
    const refused = { code: 'changedMeanwhile', table: 'people', id: 'maren' };
    expect(put('maren', { role: 'Fitter' }, seen)).toEqual({ ...refused, fields: ['role'] });
    expect(row('maren')).toMatchObject({ role: 'Engineer' });
    // Both mean the same.
    expect(put('maren', { role: 'Engineer' }, seen)).toEqual({ code: 'nothingToChange' });
    expect(retire('maren', seen)).toEqual({ ...refused, fields: [] });
    retire('maren');
    expect(put('maren', { role: 'Fitter' }, person('maren', { role: 'Engineer' }))).toEqual({
      ...refused,
      fields: [],
    });
  });

  it('knows the names of those who were retired, until they are back', () => {
    const { put, retire, undo, setup, row } = open();
    put('maren');
    put('ilse');
    retire('maren');
    expect(setup().retired?.people).toEqual([{ id: 'maren', name: 'maren' }]);
    put('ilse', { role: 'Dispatch' });
    expect(undo(3)).toBeNull();
    expect(row('maren')).toEqual(person('maren'));
    expect(setup().retired?.people).toEqual([]);
    // What was changed since stays.
    expect(row('ilse')).toMatchObject({ role: 'Dispatch' });
  });

  it('is not taken back where the same was changed since', () => {
    const { put, undo, log } = open();
    put('maren');
    put('maren', { role: 'Engineer' });
    put('maren', { role: 'Fitter' });
    expect(undo(2)).toMatchObject({ code: 'changedMeanwhile', fields: ['role'] });
    expect(undo(3)).toBeNull();
    expect(log.at(-1)?.undoes).toBe('3');
  });

  const ids = ['ada', 'ben', 'cleo'];
  type Step = { behind: number; edits: ((setup: OfficeSetup) => Edit)[] };
  const edit: fc.Arbitrary<(setup: OfficeSetup) => Edit> = fc.oneof(
    fc.constantFrom(...ids).map((id) => (setup: OfficeSetup) => editOf(setup, 'people', id, null)),
    fc.tuple(fc.constantFrom(...ids), fc.constantFrom('A', 'B'), fc.constantFrom('201', '202')).map(
      ([id, role, extension]) =>
        (setup: OfficeSetup) =>
          editOf(setup, 'people', id, person(id, { role, extension })),
    ),
    fc
      .constantFrom('North', 'South')
      .map((value) => (setup: OfficeSetup) => editOf(setup, 'office', 'name', { id: 'name', value })),
  );
  const steps: fc.Arbitrary<Step[]> = fc.array(
    fc.record({ behind: fc.nat(3), edits: fc.array(edit, { minLength: 1, maxLength: 3 }) }),
    { maxLength: 20 },
  );
  const asSets = ({ retired: _, ...setup }: OfficeSetup) => ({
    ...setup,
    people: [...setup.people].sort((a, b) => (a.id < b.id ? -1 : 1)),
  });

  it('can go back to every moment, its log says how it came to be, and nothing that was asked is lost without a word', () => {
    fc.assert(
      fc.property(steps, (asked) => {
        const office = open();
        const moments = [office.setup()];
        for (const { behind, edits } of asked) {
          const before = office.setup();
          // As whoever asks has seen it.
          const seen = moments[Math.max(0, moments.length - 1 - behind)] ?? emptyOffice;
          const reason = office.change(...edits.map((make) => make(seen)));
          if (reason) expect(office.setup()).toBe(before);
          else moments.push(office.setup());
        }
        const { log } = office;
        let setup: OfficeSetup = emptyOffice;
        for (const { rows } of log)
          for (const row of rows) {
            expect(rowOf(setup, row.table, row.id)).toEqual(row.before);
            const one = changeSetup(setup, [row], { id: 'x', byId: 'ada', at });
            if (one.ok) ({ setup } = one);
          }
        expect(asSets(setup)).toEqual(asSets(office.setup()));
        moments.forEach((then, number) => {
          const back = office.backBefore(number);
          expect(asSets(back.ok ? back.setup : office.setup())).toEqual(asSets(then));
        });
      }),
    );
  });
});
