import { emptyOffice, type OfficeSetup } from '@/core/setup';
import type { Command } from '../commands';
import { Exchange } from '../Exchange';

/**
 * A small office for tests: Ada with three devices, Ben behind her on her line, Cleo and Dot with a desk phone each,
 * a team of Ben and Cleo, and a phone in a room.
 */
export const testSetup: OfficeSetup = {
  ...emptyOffice,
  name: 'Test office',
  parkSlots: ['01', '02'],
  policies: {
    recording: 'onDemand',
    barred: [{ prefix: '+4490', why: 'premium numbers are barred' }],
    transferReturnSeconds: 18,
    parkSeconds: 60,
  },
  rates: {
    currency: 'GBP',
    rates: [
      { prefix: '+44', name: 'UK', perMinuteMicros: 9_000, connectionFeeMicros: 0, incrementSeconds: 1 },
      {
        prefix: '+1',
        name: 'USA',
        perMinuteMicros: 60_000,
        connectionFeeMicros: 50_000,
        incrementSeconds: 60,
      },
    ],
  },
  teams: [{ id: 'yard', name: 'Yard', extension: '250', memberIds: ['ben', 'cleo'] }],
  people: [
    {
      ...{ id: 'ada', name: 'Ada', role: 'field', extension: '214', presentedLineId: 'field' },
      administers: true,
    },
    { id: 'ben', name: 'Ben', role: 'dispatch', extension: '201', presentedLineId: 'field' },
    { id: 'cleo', name: 'Cleo', role: 'stores', extension: '211', presentedLineId: 'field' },
    {
      id: 'dot',
      name: 'Dot',
      role: 'data',
      extension: '209',
      presentedLineId: 'field',
      screening: { numbers: ['+447700900999'], withheld: true },
    },
  ],
  lines: [
    {
      id: 'field',
      name: 'Field service',
      number: '+441314960120',
      cord: { hue: 1, stroke: 'dashed' },
      urgent: false,
      ownerId: 'ada',
    },
  ],
  devices: [
    { id: 'ada-app', personId: 'ada', kind: 'app', name: 'App', callLimit: 4 },
    { id: 'ada-desk', personId: 'ada', kind: 'desk', name: 'Desk', callLimit: 2 },
    { id: 'ada-mobile', personId: 'ada', kind: 'mobile', name: 'Mobile', callLimit: 2 },
    { id: 'ben-desk', personId: 'ben', kind: 'desk', name: 'Desk', callLimit: 1 },
    { id: 'cleo-desk', personId: 'cleo', kind: 'desk', name: 'Desk', callLimit: 1 },
    { id: 'dot-desk', personId: 'dot', kind: 'desk', name: 'Desk', callLimit: 2, location: 'Vale House' },
    { id: 'dot-mobile', personId: 'dot', kind: 'mobile', name: 'Mobile', callLimit: 2 },
    { id: 'room', personId: null, kind: 'room', name: 'Meeting room', callLimit: 1, roomCode: '41' },
  ],
  ringPlans: [
    { personId: 'dot', rules: [], findMe: [{ deviceId: 'dot-desk' }, { deviceId: 'dot-mobile' }] },
    {
      personId: 'ada',
      rules: [
        {
          id: 'field',
          name: 'Field service',
          lineIds: ['field'],
          stages: [
            {
              length: { seconds: 20 },
              targets: [
                { deviceId: 'ada-app', startSeconds: 0 },
                { deviceId: 'ada-desk', startSeconds: 0 },
                { deviceId: 'ada-mobile', startSeconds: 5 },
              ],
            },
            { length: { seconds: 15 }, targets: [{ deviceId: 'ben-desk', startSeconds: 0 }] },
          ],
          finish: { kind: 'mailbox', personId: 'ada' },
        },
        {
          id: 'any',
          name: 'Any call',
          lineIds: [],
          stages: [{ length: { seconds: 25 }, targets: [{ deviceId: 'ada-app', startSeconds: 0 }] }],
          finish: { kind: 'mailbox', personId: 'ada' },
        },
      ],
    },
    {
      personId: 'ben',
      rules: [
        {
          id: 'any',
          name: 'Any call',
          lineIds: [],
          stages: [{ length: { seconds: 20 }, targets: [{ deviceId: 'ben-desk', startSeconds: 0 }] }],
          finish: { kind: 'busy' },
        },
      ],
    },
  ],
};

export const customer = { kind: 'outside', number: '+441914980162', name: 'Cawder Flood Watch' } as const;
export const adaApp = { kind: 'device', deviceId: 'ada-app' } as const;
/** Any instant will do; this one reads well in failures. */
export const start = Date.UTC(2026, 10, 26, 10, 40);

/** An exchange with everybody signed in, and short ways to drive it in seconds after `start`. */
export function openOffice(setup: OfficeSetup = testSetup) {
  const exchange = new Exchange(setup);
  for (const device of setup.devices) exchange.send({ type: 'signIn', deviceId: device.id }, start);

  const at = (seconds: number) => start + seconds * 1000;
  const send = (command: Command, seconds: number) => exchange.send(command, at(seconds));
  const made = (command: Command, seconds: number) => {
    const { result, events } = send(command, seconds);
    if (!result.ok || !result.callId || !result.legId) throw new Error(JSON.stringify(result));
    return { callId: result.callId, legId: result.legId, events };
  };
  return {
    exchange,
    send,
    advance: (seconds: number) => exchange.advance(at(seconds)),
    fromCustomer: (seconds: number) => made({ type: 'make', from: customer, to: '+441314960120' }, seconds),
    fromAda: (to: string, seconds: number, rest: Partial<Extract<Command, { type: 'make' }>> = {}) =>
      made({ type: 'make', from: adaApp, to, ...rest }, seconds),
    /** The leg of a device in any call, or of the outside party of the one call. */
    leg: (where: string) => {
      for (const call of exchange.calls.values()) {
        for (const leg of call.legs) {
          const { endpoint } = leg;
          if (leg.state === 'cleared') continue;
          if (endpoint.kind === 'device' ? endpoint.deviceId === where : endpoint.kind === where) return leg;
        }
      }
      throw new Error(`No leg at ${where}`);
    },
    call: (callId: string) => {
      const call = exchange.calls.get(callId);
      if (!call) throw new Error(`No call ${callId}`);
      return call;
    },
  };
}
