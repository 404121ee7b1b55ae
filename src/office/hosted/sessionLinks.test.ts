import { sampleCast, sampleOffice } from '@sample';

import type { Session } from '@/core/office';

import { Clock } from '../clock';
import { type OfficeUpdate } from '../link';
import { HostedOffice } from '.';

const member = (personId: string, deviceId: string): Session => ({
  ...{ id: deviceId, personId, deviceId, roles: ['member'] },
});
const outside: Session = { id: 'outside', personId: null, deviceId: null, roles: ['simulator', 'network'] };

function open() {
  const timers: { run: () => void; ms: number }[] = [];
  const office = new HostedOffice({
    ...{ setup: sampleOffice, cast: sampleCast, clock: new Clock({ mode: 'fixed', at: 1_795_700_000_000 }) },
    gatherMs: 1_000,
    setTimer: (run, ms) => {
      const timer = { run, ms };
      timers.push(timer);
      return () => void timers.splice(timers.indexOf(timer), 1);
    },
  });
  void office.openPersonal({ sorts: {}, rows: [] }, true);
  office.start();
  // What belongs to the beginning has been told.
  const passTime = () => timers.splice(0).forEach(({ run }) => run());
  passTime();
  const join = (session: Session) => {
    const link = office.linkFor(session);
    const told: OfficeUpdate[] = [];
    link.subscribe((update) => told.push(update));
    return { link, told };
  };
  const call = async ({ link }: ReturnType<typeof join>, from: string, to: string) => {
    const made = await link.send({ type: 'make', from: { kind: 'device', deviceId: from }, to });
    if (!made.ok) throw new Error('Not made.');
    return { callId: made.callId ?? '', legId: made.legId ?? '' };
  };
  return { office, join, call, passTime };
}

describe('who is told of a step', () => {
  it('is at once whom it concerns, and all others together some time later', async () => {
    const { join, call, passTime } = open();
    const [maren, other] = [join(member('maren', 'maren-app')), join(member('ilse', 'ilse-desk'))];
    const { callId } = await call(maren, 'maren-app', '+441632960777');
    expect(maren.told.flatMap(({ changedCalls }) => changedCalls).map(({ id }) => id)).toContain(callId);
    expect(other.told).toEqual([]);
    await call(maren, 'maren-app', '+441632960778');
    passTime();
    expect(other.told).toHaveLength(1);
    const [{ changedCalls, events } = { changedCalls: [], events: [] }] = other.told;
    expect(changedCalls.map(({ id }) => id)).toContain(callId);
    expect(changedCalls.every(({ dialled }) => dialled === '')).toBe(true);
    expect(events.filter((event) => 'callId' in event)).toEqual([]);
  });

  it('is told nothing but its end of a call that was over before they could be: they may have come meanwhile, and read it', async () => {
    const { join, call, passTime } = open();
    const [maren, other] = [join(member('maren', 'maren-app')), join(member('ilse', 'ilse-desk'))];
    const { callId, legId } = await call(maren, 'maren-app', '+441632960777');
    const late = join(member('kofi', 'kofi-desk'));
    expect((await late.link.snapshot()).changedCalls.map(({ id }) => id)).toContain(callId);
    await maren.link.send({ type: 'clear', legId });
    passTime();
    for (const { told } of [other, late]) {
      expect(told.flatMap(({ changedCalls }) => changedCalls).map(({ id }) => id)).not.toContain(callId);
      expect(told.flatMap(({ endedCallIds }) => endedCallIds)).toEqual([callId]);
    }
    // Who was told at once is not told again.
    expect(maren.told.flatMap(({ endedCallIds }) => endedCallIds)).toEqual([callId]);
  });

  it('hears that a call has ended of which they had been told', async () => {
    const { join, call, passTime } = open();
    const [maren, other] = [join(member('maren', 'maren-app')), join(member('ilse', 'ilse-desk'))];
    const { callId, legId } = await call(maren, 'maren-app', '+441632960777');
    passTime();
    await maren.link.send({ type: 'clear', legId });
    passTime();
    expect(other.told.at(-1)?.endedCallIds).toEqual([callId]);
  });

  it('is told nothing of who hears whom in a call of others, and of a hold, which they see, also where it was short', async () => {
    const { join, call, passTime } = open();
    const [maren, other] = [join(member('maren', 'maren-app')), join(member('ilse', 'ilse-desk'))];
    const { legId } = await call(maren, 'maren-app', '+441632960777');
    passTime();
    const before = other.told.length;
    await maren.link.send({ type: 'mute', legId });
    passTime();
    expect(other.told).toHaveLength(before);
    expect(maren.told.at(-1)?.changedCalls[0]?.legs.find(({ id }) => id === legId)?.muted).toBe(true);
    // Whoever has read the call meanwhile has read that it was held.
    await maren.link.send({ type: 'hold', legId });
    await maren.link.send({ type: 'retrieve', legId });
    passTime();
    expect(other.told).toHaveLength(before + 1);
    expect(other.told.at(-1)?.changedCalls).toMatchObject([{ legs: [{ muted: false }, {}] }]);
  });

  it('is not told again, as others see it, of what they see whole by then', async () => {
    const { office, join, call, passTime } = open();
    const [maren, hugh] = [join(member('maren', 'maren-app')), join(member('hugh', 'hugh-desk'))];
    const { extension = '' } = office.seen().office.people.get('hugh') ?? {};
    const { callId } = await call(maren, 'maren-app', '+441632960777');
    expect(hugh.told).toEqual([]);
    await call(maren, 'maren-app', extension);
    const rung = hugh.told.flatMap(({ changedCalls }) => changedCalls);
    expect(rung.map(({ dialled }) => dialled)).toContain(extension);
    passTime();
    const later = hugh.told.flatMap(({ changedCalls }) => changedCalls).slice(rung.length);
    expect(later.map(({ id }) => id)).toContain(callId);
    expect(later.map(({ id }) => id)).not.toContain(rung.at(-1)?.id);
  });

  it('is whoever plays those outside, of all and at once', async () => {
    const { join, call } = open();
    const [maren, player] = [join(member('maren', 'maren-app')), join(outside)];
    const { callId } = await call(maren, 'maren-app', '+441632960777');
    const seen = player.told.flatMap(({ changedCalls }) => changedCalls).find(({ id }) => id === callId);
    expect(seen?.dialled).toBe('+441632960777');
  });
});
