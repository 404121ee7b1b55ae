import { sampleCast, sampleOffice } from '@sample';

import type { Session } from '@/core/office';
import { broadcastPort, ChannelHost, ChannelLink } from '@/office/channel';
import { Mirror } from '@/office/channel/tests/contract';
import { Clock } from '@/office/clock';
import { HostedOffice } from '@/office/hosted';

/** A page of its own: one office, and somebody at the other end of a channel for each name. For the browser test beside it. */
const clock = new Clock({ mode: 'fixed', at: Date.UTC(2026, 10, 26, 10, 40) });
/** The main line rings the team that both are of. */
const ringPlans = sampleOffice.ringPlans.map((plan) => {
  if (plan.personId !== 'ilse') return plan;
  const stages = [{ length: { seconds: 20 }, targets: [{ teamId: 'office-team', startSeconds: 0 }] }];
  return { ...plan, rules: plan.rules.map((rule) => (rule.id === 'ilse-main' ? { ...rule, stages } : rule)) };
});
const office = new HostedOffice({ setup: { ...sampleOffice, ringPlans }, cast: sampleCast, clock });
void office.openPersonal({ sorts: {}, rows: [] }, true);

async function join(name: string, session: Session) {
  new ChannelHost(office.linkFor(session), broadcastPort(name), { app: name });
  const link = new ChannelLink(broadcastPort(name));
  const mirror = new Mirror();
  link.subscribe((update) => mirror.hear(update));
  await mirror.readAll(link);
  return { link, mirror };
}

const member = (personId: string, deviceId: string): Session => ({
  ...{ id: deviceId, personId, deviceId },
  roles: ['member'],
});

async function open() {
  const maren = await join('maren', member('maren', 'maren-app'));
  const ilse = await join('ilse', member('ilse', 'ilse-desk'));
  const outside = office.linkFor({
    ...{ id: 'outside', personId: null, deviceId: null },
    roles: ['simulator', 'network'],
  });
  office.start();
  return { maren, ilse, outside, pass: (seconds: number) => clock.moveOn(seconds * 1_000) };
}

export type TwoLinks = Awaited<ReturnType<typeof open>>;
Object.assign(window, { opened: open() });
