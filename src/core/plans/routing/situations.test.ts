import { emptyOffice, OfficeIndex, type OfficeSetup, type Person } from '@/core/setup';
import {
  allFree,
  chooseSituation,
  journeyOf,
  situationAt,
  situationEnds,
  standingOf,
  traceCall,
  weekOf,
} from '.';

/** A Thursday, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const hour = 3_600_000;
const working = [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }];

function office(person: Partial<Person>, more: Partial<OfficeSetup> = {}): OfficeIndex {
  const named = (id: string, extension: string) => ({
    id,
    name: id,
    role: '',
    extension,
    presentedLineId: '',
  });
  const desk = (personId: string) => ({
    id: `${personId}-desk`,
    personId,
    kind: 'desk' as const,
    name: 'desk',
    callLimit: 1,
  });
  return new OfficeIndex({
    ...emptyOffice,
    people: [
      {
        ...named('ada', '201'),
        situations: [
          { id: 'bench', name: 'At the bench', shows: 'free' },
          { id: 'off', name: 'Off duty', shows: 'off', leavesTeams: true },
        ],
        ...person,
      },
      named('ben', '202'),
    ],
    teams: [{ id: 'yard', name: 'Yard', extension: '250', memberIds: ['ada', 'ben'] }],
    devices: [desk('ada'), desk('ben')],
    ringPlans: [
      {
        personId: 'ada',
        workingHours: working,
        meetings: [{ from: now + hour, until: now + 2 * hour, name: 'Survey' }],
        rules: [
          {
            id: 'off',
            name: 'Off',
            lineIds: [],
            when: { situationIds: ['off'] },
            stages: [],
            finish: { kind: 'forward', to: '260' },
          },
          {
            id: 'any',
            name: 'Any',
            lineIds: [],
            stages: [{ targets: [{ teamId: 'yard', startSeconds: 0 }], length: { seconds: 20 } }],
            finish: { kind: 'busy' },
          },
        ],
      },
    ],
    menus: [
      {
        id: 'menu',
        name: 'Menu',
        extension: '260',
        text: 'Press one.',
        keys: [
          { key: '1', to: '202' },
          { key: '2', to: '201' },
        ],
        waitSeconds: 5,
        turns: 2,
        finish: { kind: 'forward', to: '202' },
        keeperId: 'ben',
      },
    ],
    ...more,
  });
}

const offAtNight = { by: 'workingHours', working: false, situationId: 'off' } as const;
const benchInMeetings = { by: 'meetings', situationId: 'bench' } as const;

describe('a situation that comes by itself', () => {
  it('holds in its hours and meetings, the first that fits', () => {
    const there = office({ follows: [benchInMeetings, offAtNight] });
    expect([0, 1, 2, 7].map((hours) => situationAt(there, 'ada', now + hours * hour))).toEqual([
      null,
      'bench',
      null,
      'off',
    ]);
  });

  it('gives way to one chosen by hand, until that ends', () => {
    const there = office({
      follows: [offAtNight],
      situation: { id: 'bench', word: 'late', until: now + 8 * hour },
    });
    expect([7, 8].map((hours) => situationAt(there, 'ada', now + hours * hour))).toEqual(['bench', 'off']);
  });

  it('says when it ends: with the next working day', () => {
    const there = office({ follows: [offAtNight] });
    const evening = Date.UTC(2026, 10, 27, 18);
    expect(situationEnds(there, 'ada', evening)).toBe(Date.UTC(2026, 10, 30, 8));
    expect(standingOf(there, 'ada', evening)).toMatchObject({ situation: { id: 'off' }, follows: true });
    expect(standingOf(office({}), 'ada', evening)).toMatchObject({ situation: null, follows: false });
  });

  it('splits the week at its edges', () => {
    const there = office({ follows: [offAtNight] });
    const from = Date.UTC(2026, 10, 23);
    const stretches = weekOf(
      there,
      { ownerId: 'ada', lineId: null, caller: null },
      { from, to: from + 48 * hour },
    );
    expect(stretches.map((each) => (each.from - from) / hour)).toEqual([0, 8, 17, 32, 41]);
  });

  it('signs its person out of their teams, where it says so', () => {
    const there = office({ situation: { id: 'off', word: '', until: null } });
    const called = { ownerId: 'ada', lineId: null, caller: null };
    const trace = traceCall(there, called, { ...allFree(now), calledSituation: null });
    expect(trace.legs.map(({ deviceId }) => deviceId)).toEqual(['ada-desk', 'ben-desk']);
    const gone = traceCall(
      office(
        {},
        {
          ringPlans: [{ ...there.ringPlans.get('ada')!, rules: there.ringPlans.get('ada')!.rules.slice(1) }],
        },
      ),
      called,
      {
        ...allFree(now),
        calledSituation: 'off',
      },
    );
    expect(gone.legs.map(({ deviceId }) => deviceId)).toEqual(['ben-desk']);
    expect(gone.steps).toContainEqual({
      kind: 'deviceSkipped',
      deviceId: 'ada-desk',
      number: null,
      stage: 0,
      reason: 'outOfTeam',
    });
  });
});

describe('the journey of a call', () => {
  const called = { ownerId: 'ada', lineId: null, caller: null };
  const world = { ...allFree(now), calledSituation: 'off' };

  it('goes through a menu by its key, from the end of its words', () => {
    const journey = journeyOf(office({}), called, world, ['1']);
    expect(journey.stops.map(({ trace, fromSeconds, key }) => [trace.ownerId, fromSeconds, key])).toEqual([
      ['ada', 0, null],
      ['menu', 0, '1'],
      ['ben', 1, null],
    ]);
    expect(journey.finish).toEqual({ kind: 'mailbox', personId: 'ben' });
  });

  it('ends, for who is not told of the next one’s plan, where it is handed on to them', () => {
    const there = office({}, { withheldPlansOf: ['ben'] });
    const journey = journeyOf(there, called, world, ['1']);
    expect(journey.stops.map(({ trace }) => trace.ownerId)).toEqual(['ada', 'menu']);
    expect(journey.finish).toMatchObject({ kind: 'forward' });
  });

  it('waits all of a menu’s turns where nothing is pressed; a key that leads nowhere ends one at once', () => {
    for (const [keys, finishSeconds] of [
      [[], 12],
      [['7'], 7],
    ] as const)
      expect(journeyOf(office({}), called, world, keys)).toMatchObject({
        finishSeconds,
        finish: { personId: 'ben' },
      });
  });

  it('that goes round in a circle has no finish', () => {
    const there = office({ situation: { id: 'off', word: '', until: null } });
    const circle = journeyOf(there, called, allFree(now), ['2', '2', '2', '2']);
    expect(circle.finish).toBeNull();
  });
});

describe('a situation chosen by hand', () => {
  const chosen = (person: Partial<Person>, id: string, until: number | null, at = now) => ({
    ...person,
    situation: chooseSituation({ ...office(person).people.get('ada')! }, { id, word: id, until }, at),
  });
  const at = (person: Partial<Person>, hours: number) =>
    standingOf(office(person), 'ada', now + hours * hour).word;

  it('with an end is chosen over what was on, which comes back then; one without an end is not', () => {
    const bench = chosen({}, 'bench', null);
    const off = chosen(bench, 'off', now + 2 * hour);
    expect([1, 2, 30].map((hours) => at(off, hours))).toEqual(['off', 'bench', 'bench']);
    expect(situationEnds(office(off), 'ada', now)).toBe(now + 2 * hour);
    const again = chosen(off, 'bench', now + hour);
    expect([0.5, 1, 2].map((hours) => at(again, hours))).toEqual(['bench', 'off', '']);
    expect(chosen(off, 'off', null).situation).toEqual({ id: 'off', word: 'off', until: null });
  });

  it('that was over before it would come back is left out', () => {
    const bench = chosen({}, 'bench', now + hour);
    const off = chosen(bench, 'off', now + 2 * hour);
    expect([0.5, 1.5, 3].map((hours) => at(off, hours))).toEqual(['off', 'off', '']);
  });
});
