import { sampleCast, sampleContacts, sampleOffice } from '@sample';

import type { Command } from '@/core/calls/exchange';
import { Clock } from '@/office/clock';
import { HostedOffice } from '@/office/hosted';

import { send } from '../acts';
import { selectMyCalls } from '../callViews';
import { selectMySound } from '../mySound';
import { joined, updated } from '../slices';
import { createAppStore } from '../store';

/** For the tests: the sample's time, Thursday morning in London. */
export const start = Date.UTC(2026, 10, 26, 10, 40);
export const me = { personId: 'maren', deviceId: 'maren-app' };
const customer = { kind: 'outside', number: '+441914980162', name: 'CAWDER FW' } as const;

/** For the tests: the app in the sample's office, without a browser. */
export function openApp() {
  const { store, services } = createAppStore();
  const clock = new Clock({ mode: 'fixed', at: start });
  const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock });
  services.clock = clock;
  services.link = office.linkFor({ id: me.deviceId, ...me, roles: ['member', 'administrator'] });
  store.dispatch(joined({ setup: sampleOffice, contacts: sampleContacts, outsiders: sampleContacts, me }));
  services.link.subscribe((update) => store.dispatch(updated(update)));
  office.start();
  const calls = () => selectMyCalls(store.getState());
  return {
    store,
    office,
    calls,
    sound: () => selectMySound(store.getState()),
    act: (command: Command) => store.dispatch(send(command)),
    /** What somebody else does. */
    play: (command: Command) => office.send(command),
    callIn: (to = '+441314960120') => office.send({ type: 'make', from: customer, to }),
    callOut: (to: string) =>
      store.dispatch(send({ type: 'make', from: { kind: 'device', deviceId: me.deviceId }, to })),
    pass: (seconds: number) => clock.moveOn(seconds * 1000),
  };
}
