import fc from 'fast-check';
import { sampleCast, sampleOffice } from '@sample';

import type { Call, Leg } from '@/core/calls/exchange';
import { seeded } from '@/core/shared/random';

import { Clock } from '../../clock';
import { HostedOffice } from '../../hosted';
import type { OfficeUpdate, OutsideLink } from '../../link';
import { ChannelHost, ChannelLink } from '..';
import { CallsHeard, CallsTold } from '../callParts';
import { againMs } from '../ChannelLink';
import { member } from './contract';
import { faultless, wire } from './wire';

const clock = new Clock({ mode: 'fixed', at: Date.UTC(2026, 10, 26, 10, 40) });
const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock });
const nothing = office.snapshot();
let call: Call;
let leg: Leg;

beforeAll(async () => {
  office.start();
  await office.send({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to: '211' });
  const [made] = office.snapshot().changedCalls;
  const [first] = made?.legs ?? [];
  if (!made || !first) throw new Error('Nobody is in it.');
  [call, leg] = [made, first];
});

/** Ends by their numbers, and which of them are muted. */
const callOf = (legs: readonly (readonly [number, boolean])[], id = call.id): Call => ({
  ...call,
  id,
  legs: legs.map(([number, muted]) => ({ ...leg, id: `leg-${number}`, muted })),
});
const update = (changedCalls: Call[], endedCallIds: string[] = []): OfficeUpdate => ({
  ...nothing,
  isWhole: false,
  changedCalls,
  endedCallIds,
});
const hundred = Array.from({ length: 100 }, (_, number) => [number, false] as const);

describe('a call of many', () => {
  it('is told by the ends that have changed, and is heard whole, whatever happens to it', () => {
    const ends = fc.uniqueArray(fc.tuple(fc.nat(20), fc.boolean()), { selector: ([number]) => number });
    const step = fc.record({ id: fc.constantFrom('a', 'b'), legs: ends, isOver: fc.boolean() });
    fc.assert(
      fc.property(fc.array(step), (steps) => {
        const [told, heard] = [new CallsTold(), new CallsHeard()];
        for (const { id, legs, isOver } of steps) {
          const said = isOver ? update([], [id]) : update([callOf(legs, id)]);
          const arrived = JSON.parse(JSON.stringify(told.inParts(said)));
          expect(heard.whole(arrived)).toEqual(said);
        }
      }),
    );
  });

  it('costs what has changed: one of a hundred is muted', () => {
    const told = new CallsTold();
    told.inParts(update([callOf(hundred)]));
    const { update: said } = told.inParts(update([callOf([...hundred.slice(0, 99), [99, true]])]));
    expect(said.changedCalls[0]?.legs).toMatchObject([{ id: 'leg-99', muted: true }]);
  });

  it('whose ends were never told is not guessed', () => {
    const told = new CallsTold();
    told.inParts(update([callOf(hundred)]));
    const parts = told.inParts(update([callOf(hundred)]));
    expect(new CallsHeard().whole(parts)).toBeNull();
  });
});

describe('through a channel', () => {
  beforeEach(() => jest.useFakeTimers({ doNotFake: ['performance'] }));
  afterEach(() => jest.useRealTimers());

  /** One link, whatever is told on it, and what is heard at the other end; what is said there may be lost. */
  function opened(mostKept: number) {
    let tell: (update: OfficeUpdate) => void = () => undefined;
    let isCut = false;
    const [here, there] = wire(faultless, seeded(1)).ends;
    const link: OutsideLink = Object.assign(office.linkFor(member('maren', 'maren-app')), {
      subscribe: (listener: typeof tell) => ((tell = listener), () => undefined),
    });
    const say = (message: unknown) => void (isCut || there.say(message));
    const host = new ChannelHost(link, { ...there, say }, { mostKept });
    const app = new ChannelLink(here);
    const heard: OfficeUpdate[] = [];
    app.subscribe((each) => heard.push(each));
    const close = () => (app.close(), host.close());
    return { heard, tell: (each: OfficeUpdate) => tell(each), cut: (is: boolean) => (isCut = is), close };
  }

  it.each([
    ['what was missed is told again', 100],
    ['what was missed is not kept any more', 1],
  ])('it is whole also after it was cut: %s', async (_how, mostKept) => {
    const { heard, tell, cut, close } = opened(mostKept);
    tell(update([callOf(hundred)]));
    await jest.advanceTimersByTimeAsync(10);
    cut(true);
    for (const muted of [1, 2, 3])
      tell(update([callOf(hundred.map(([number]) => [number, number <= muted]))]));
    await jest.advanceTimersByTimeAsync(3 * againMs);
    cut(false);
    await jest.advanceTimersByTimeAsync(3 * againMs);
    const last = callOf(hundred.map(([number]) => [number, number < 50]));
    tell(update([last]));
    await jest.advanceTimersByTimeAsync(3 * againMs);
    expect(heard.at(-1)?.changedCalls).toEqual([last]);
    close();
  });
});
