import type { OfficeSetup } from '@/core/setup';
import type { CallRecord } from '../record';
import { openStory } from './story';
import { customer, start, testSetup } from './testOffice';

const line = {
  ...{ id: 'ben-line', name: 'Ben', number: '+441314960201', ownerId: 'ben', urgent: false },
  cord: { hue: 3, stroke: 'double' as const },
  isKeptToOwner: true,
};

/** Ben is answered for by Cleo, who may show his number, and by Dot, who may not. */
function officeOfBen(change: (setup: OfficeSetup) => OfficeSetup = (setup) => setup): OfficeSetup {
  const answeredBy = [
    { personId: 'cleo', showsMine: true },
    { personId: 'dot', showsMine: false },
  ];
  return change({
    ...testSetup,
    lines: [...testSetup.lines, line],
    people: testSetup.people.map((person) => (person.id === 'ben' ? { ...person, answeredBy } : person)),
  });
}

const withPlan = (more: Partial<OfficeSetup['ringPlans'][number]>) => (setup: OfficeSetup) => ({
  ...setup,
  ringPlans: setup.ringPlans.map((plan) => (plan.personId === 'ben' ? { ...plan, ...more } : plan)),
});

const toBen = { type: 'make', from: customer, to: line.number } as const;
const failureOf = ({ exchange }: ReturnType<typeof openStory>) => [...exchange.calls.values()][0]?.failure;
const ringsAt = (events: readonly string[]) =>
  events.filter((event) => event.startsWith('delivered ')).map((event) => event.slice(10));

describe('whoever answers for somebody', () => {
  it('is rung with them at their desk phone and app, and never at their mobile', () => {
    const story = openStory(officeOfBen());
    expect(ringsAt(story.does(toBen, 0))).toEqual(['ben-desk', 'cleo-desk', 'dot-desk']);
  });

  it('takes the call: all others stop, and it is in both histories with whose it was', () => {
    const story = openStory(officeOfBen());
    story.does(toBen, 0);
    story.does({ type: 'answer', legId: story.at('cleo-desk') }, 4);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 20);
    const records = events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
    const of = (id: string) => records.find(({ personId }) => personId === id);
    expect(of('ben')).toMatchObject({ outcome: 'answeredByOther', answeredById: 'cleo' });
    expect(of('ben')?.forId).toBeUndefined();
    expect(of('cleo')).toMatchObject({ outcome: 'answered', forId: 'ben' });
    expect(of('dot')).toMatchObject({ outcome: 'answeredByOther', forId: 'ben' });
  });

  it('is rung for twenty seconds while they are not to be disturbed, or on their only phone', () => {
    const quiet = openStory(
      officeOfBen(withPlan({ doNotDisturb: { mode: 'quiet', until: null, passes: [], passLineIds: [] } })),
    );
    expect(ringsAt(quiet.does(toBen, 0))).toEqual(['cleo-desk', 'dot-desk']);
    expect(quiet.lets(19)).toEqual([]);
    quiet.lets(20.1);
    expect(failureOf(quiet)).toBe('userBusy');

    const busy = openStory(officeOfBen());
    busy.does({ type: 'make', from: { kind: 'device', deviceId: 'ben-desk' }, to: '209' }, 0);
    expect(ringsAt(busy.does(toBen, 1))).toEqual(['cleo-desk', 'dot-desk']);
  });

  it('is not rung where a rule goes straight to its finish, and where they refuse every call', () => {
    const [rule] = testSetup.ringPlans.find(({ personId }) => personId === 'ben')?.rules ?? [];
    if (!rule) throw new Error('no rule');
    const night = openStory(officeOfBen(withPlan({ rules: [{ ...rule, stages: [] }] })));
    expect(ringsAt(night.does(toBen, 0))).toEqual([]);
    const refusing = openStory(
      officeOfBen(withPlan({ doNotDisturb: { mode: 'refuse', until: null, passes: [], passLineIds: [] } })),
    );
    expect(ringsAt(refusing.does(toBen, 0))).toEqual([]);
  });

  it('is not rung by their own call, nor by one that they hand over', () => {
    const story = openStory(officeOfBen());
    const own = { type: 'make', from: { kind: 'device', deviceId: 'cleo-desk' }, to: '201' } as const;
    expect(ringsAt(story.does(own, 0))).toEqual(['ben-desk', 'dot-desk']);

    const asked = openStory(officeOfBen());
    asked.does({ type: 'make', from: { kind: 'device', deviceId: 'dot-mobile' }, to: '07700 900555' }, 0);
    asked.does({ type: 'answer', legId: asked.at('+447700900555') }, 2);
    expect(
      ringsAt(
        asked.does(
          { type: 'transfer', legId: asked.at('dot-mobile'), target: { kind: 'number', to: '201' } },
          5,
        ),
      ),
    ).toEqual(['ben-desk', 'cleo-desk']);
  });

  it('refusing it lets the others ring on, and is no refusal of theirs', () => {
    const [rule] = testSetup.ringPlans.find(({ personId }) => personId === 'ben')?.rules ?? [];
    if (!rule) throw new Error('no rule');
    const refusedFinish = { kind: 'mailbox', personId: 'ben' } as const;
    const story = openStory(officeOfBen(withPlan({ rules: [{ ...rule, refusedFinish }] })));
    story.does(toBen, 0);
    story.does({ type: 'refuse', legId: story.at('cleo-desk') }, 1);
    story.does({ type: 'refuse', legId: story.at('dot-desk') }, 2);
    // Nobody of theirs took it: busy tone, as the rule ends.
    story.lets(25);
    expect(failureOf(story)).toBe('userBusy');
  });
});

describe('a number that is kept to its owner', () => {
  const out = (deviceId: string) =>
    ({
      type: 'make',
      from: { kind: 'device', deviceId },
      to: '07700 900555',
      present: { lineId: 'ben-line' },
    }) as const;

  it('is shown by its owner and whom they let, and by nobody else', () => {
    const story = openStory(officeOfBen());
    expect(story.refuses(out('ada-desk'), 0)).toBe('keptLine');
    expect(story.refuses(out('dot-desk'), 1)).toBe('keptLine');
    expect(story.refuses(out('ben-desk'), 2)).toBe('allowed');
    expect(story.refuses(out('cleo-desk'), 3)).toBe('allowed');
  });

  it('shown by another is a call in the owner’s name, which is in both histories and paid by who placed it', () => {
    const story = openStory(officeOfBen());
    story.does(out('cleo-desk'), 0);
    story.does({ type: 'answer', legId: story.at('+447700900555') }, 3);
    const { events } = story.send({ type: 'clear', legId: story.at('cleo-desk') }, 63);
    const records = events.flatMap((event): CallRecord[] =>
      event.type === 'recordWritten' ? [event.record] : [],
    );
    expect(records.map(({ personId }) => personId).sort()).toEqual(['ben', 'cleo']);
    const [bens, cleos] = ['ben', 'cleo'].map((id) => records.find(({ personId }) => personId === id));
    expect(cleos).toMatchObject({ direction: 'out', outcome: 'answered', forId: 'ben', costMicros: 9_000 });
    expect(bens).toMatchObject({
      ...{ direction: 'out', outcome: 'answered', byId: 'cleo', lineId: 'ben-line', costMicros: 0 },
      other: { number: '+447700900555' },
      answeredAt: start + 3000,
    });
  });
});
