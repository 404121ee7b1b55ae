import { sampleCast, sampleOffice } from '@sample';

import type { CallRecord } from '@/core/calls/exchange';
import { describeRoute } from '@/core/calls/history';
import { OfficeIndex } from '@/core/setup';

import { Clock, SteadyTime } from '../clock';
import { officeStateSchema, type OfficeState } from '../link';
import { HostedOffice } from '.';

const start = Date.UTC(2026, 10, 26, 10, 40);
const second = 1_000;
const customer = { kind: 'outside', number: '+447700900333', name: null } as const;

/** An office on a device whose time is set by hand, as if hours passed with nobody there; its timer is one that is never late. */
function open(device: { now: number }, state?: OfficeState) {
  const clock = new Clock(
    { mode: 'real' },
    new SteadyTime(
      () => device.now,
      () => device.now,
    ),
  );
  let due: { run: () => void; at: number } | null = null;
  const beats: OfficeState[] = [];
  const office: HostedOffice = new HostedOffice({
    setup: sampleOffice,
    cast: sampleCast,
    clock,
    state,
    onBeat: () => beats.push(officeStateSchema.parse(JSON.parse(JSON.stringify(office.save())))),
    setTimer: (run, ms) => {
      due = { run, at: device.now + ms };
      return () => (due = null);
    },
  });
  const link = office.linkFor({
    id: 'maren-app',
    personId: 'maren',
    deviceId: 'maren-app',
    roles: ['member'],
  });
  const records: CallRecord[] = [];
  link.subscribe(({ events }) =>
    records.push(...events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []))),
  );
  office.start();
  return {
    office,
    link,
    beats,
    records,
    clock,
    /** Time goes on with the app there: each timer comes when it is due. */
    pass: (seconds: number) => {
      const until = device.now + seconds * second;
      while (due && due.at <= until) {
        const { run, at } = due;
        due = null;
        device.now = Math.max(device.now, at);
        run();
      }
      device.now = until;
    },
    /** Time goes on, and nothing runs; then the device wakes. */
    sleep: (seconds: number) => {
      device.now += seconds * second;
      due?.run();
    },
  };
}

/** The worker has answered a customer, and both talk. */
async function talking(device: { now: number }) {
  const app = open(device);
  await app.office.send({ type: 'make', from: customer, to: '+441314960214' });
  const leg = app.office
    .snapshot()
    .changedCalls[0]?.legs.find(
      ({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === 'maren-app',
    );
  await app.link.send({ type: 'answer', legId: leg?.id ?? '' });
  return app;
}

describe('a device that is away in the middle of a call', () => {
  it('asleep for nine hours has talked until the network gave it up, and pays no more', async () => {
    const device = { now: start };
    const app = await talking(device);
    app.pass(20);
    app.sleep(9 * 3600);
    const [record] = app.records;
    expect(record?.cause).toBe('recoveryOnTimerExpiry');
    const talked = ((record?.endedAt ?? 0) - (record?.answeredAt ?? 0)) / second;
    expect(talked).toBeGreaterThanOrEqual(90);
    expect(talked).toBeLessThanOrEqual(20 + 90);
    expect(app.office.snapshot().changedCalls).toEqual([]);
    const said = record && describeRoute(record, new OfficeIndex(sampleOffice)).at(-1);
    expect(said).toBe('The network ended it here: nothing was heard of this phone any more.');
  });

  it('there all the while talks as long as it likes, and notes that it is there', async () => {
    const device = { now: start };
    const app = await talking(device);
    app.pass(1800);
    expect(app.records).toEqual([]);
    expect(app.beats.length).toBeGreaterThan(50);
  });

  it('closed for a moment goes on with its call; closed for long finds it ended', async () => {
    const device = { now: start };
    const app = await talking(device);
    app.pass(600);
    const kept = app.beats.at(-1);
    app.office.close();
    const soon = open({ now: device.now + 20 * second }, kept);
    expect(soon.records).toEqual([]);
    expect(soon.office.snapshot().changedCalls).toHaveLength(1);
    const late = open({ now: device.now + 3600 * second }, kept);
    expect(late.records.map(({ cause }) => cause)).toEqual(['recoveryOnTimerExpiry']);
    expect(late.records[0]?.endedAt).toBeLessThan(device.now + 120 * second);
  });

  it('time that is moved on by hand has passed for nobody', async () => {
    const device = { now: start };
    const app = await talking(device);
    app.clock.moveOn(3600 * second);
    expect(app.records).toEqual([]);
    expect(app.office.snapshot().changedCalls).toHaveLength(1);
  });
});
