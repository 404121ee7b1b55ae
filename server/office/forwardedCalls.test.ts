import type { Call, Leg } from '@/core/calls/exchange';
import type { Picture } from '@/core/calls/meetings';

import type { Allowed, Forwarding, ForwardingListener } from '../forwarding/startForwarding';
import { ForwardedCalls } from './ForwardedCalls';

const leg = (id: string, change: Partial<Leg> = {}) =>
  ({
    ...{ id, state: 'connected', endpoint: { kind: 'device', deviceId: `${id}-app` }, personId: id },
    ...{
      role: 'party',
      heldBy: null,
      muted: false,
      silencedBy: null,
      room: 'main',
      leaves: false,
      ...change,
    },
  }) as unknown as Leg;
const camera = (legId: string): Picture => ({ id: `${legId}-camera`, legId, kind: 'camera', at: 0 });
const call = (id: string, legs: Leg[], pictures: Picture[] = []) =>
  ({ id, legs, answeredAt: 1, meeting: { pictures } }) as unknown as Call;

function set() {
  const allowed = new Map<string, Allowed>();
  const settled: string[] = [];
  const told: string[] = [];
  const left: string[] = [];
  let listener: ForwardingListener | null = null;
  const calls = new ForwardedCalls(
    (given): Forwarding => {
      listener = given;
      return {
        hear: (legId) => void told.push(legId),
        allow: (legId, may) => void allowed.set(legId, may),
        leave: (legId) => void left.push(legId),
      };
    },
    { signal: () => undefined, settled: (callId) => void settled.push(callId) },
  );
  return { calls, allowed, settled, left, connect: (legId: string) => listener?.connected(legId) };
}

const nine = Array.from({ length: 9 }, (_, at) => `leg${at}`);

describe('which calls the office forwards', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('are those with more pictures or more browsers than go from each to each', () => {
    const { calls } = set();
    const four = nine.slice(0, 4).map((id) => leg(id));
    const ids = four.map(({ id }) => id);
    expect(calls.follow(call('small', four, ids.map(camera)), ids)).toBeNull();
    // What stand-ins and phones show or say comes from no browser.
    expect(
      calls.follow(
        call(
          'phones',
          nine.map((id) => leg(id)),
          nine.map(camera),
        ),
        ids,
      ),
    ).toBeNull();
    expect(
      calls.follow(
        call(
          'many',
          nine.map((id) => leg(id)),
        ),
        nine,
      ),
    ).toBe('opening');
  });

  it('says who may be heard and seen, and again where that has changed', () => {
    const { calls, allowed } = set();
    const legs = nine.map((id) => leg(id));
    calls.follow(call('c', legs, [camera('leg0')]), nine);
    expect(allowed.get('leg1')?.hear).toHaveLength(8);
    expect(allowed.get('leg1')?.see).toEqual([{ legId: 'leg0', kind: 'camera' }]);
    expect(allowed.get('leg0')?.see).toEqual([]);
    const held = legs.map((each) =>
      each.id === 'leg1' ? leg('leg1', { state: 'held' } as Partial<Leg>) : each,
    );
    calls.follow(call('c', held, [camera('leg0')]), nine);
    expect(allowed.get('leg1')).toEqual({ hear: [], see: [] });
    expect(allowed.get('leg2')?.hear).not.toContain('leg1');
  });

  it('go both ways until all are connected and a moment after; whoever never is keeps nobody waiting', () => {
    const { calls, settled, connect } = set();
    const large = call(
      'c',
      nine.map((id) => leg(id)),
    );
    calls.follow(large, nine);
    for (const id of nine.slice(1)) connect(id);
    expect(calls.follow(large, nine)).toBe('opening');
    connect('leg0');
    expect(settled).toEqual([]);
    jest.advanceTimersByTime(2_000);
    expect(settled).toEqual(['c']);
    expect(calls.follow(large, nine)).toBe('settled');
    calls.follow(
      call(
        'd',
        nine.map((id) => leg(`${id}d`)),
      ),
      nine.map((id) => `${id}d`),
    );
    jest.advanceTimersByTime(10_000);
    expect(settled).toEqual(['c', 'd']);
  });

  it('stay so when people leave; who has left is let go, and who has only lost the office is not', () => {
    const { calls, left } = set();
    const legs = nine.map((id) => leg(id));
    calls.follow(call('c', legs), nine);
    expect(calls.follow(call('c', legs.slice(0, 3)), ['leg0'])).not.toBeNull();
    expect(left).toEqual([]);
    calls.leave('leg8');
    calls.leave('leg8');
    calls.leave('nobody');
    expect(left).toEqual(['leg8']);
  });

  it('take along who is forwarded where two become one, and let all go when they end', () => {
    const { calls, left } = set();
    calls.follow(
      call(
        'c',
        nine.map((id) => leg(id)),
      ),
      nine,
    );
    const into = call('d', [leg('x'), leg('leg0')]);
    calls.end('c', [into]);
    expect(left).toEqual(nine.slice(1));
    expect(calls.follow(into, ['x', 'leg0'])).toBe('opening');
    calls.end('d', []);
    expect(left).toEqual([...nine.slice(1), 'x', 'leg0']);
  });
});
