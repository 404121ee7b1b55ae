import { ukNumbering } from '@/core/numbers/numbering';
import type { OfficeSetup } from '@/core/setup';

import { sampleRates } from './rates';

/** Orrin Vale Gauging: who works there, on which lines and devices, and who rings when. All of it is invented. */
const person = (id: string, name: string, role: string, extension: string, presentedLineId = 'main') => ({
  id,
  name,
  role,
  extension,
  presentedLineId,
});

const yard = 'Orrin Vale Gauging, Weir Lane yard, ground floor';
const hut = 'Cawder Weir gauge hut, left bank';

const device = (
  id: string,
  personId: string,
  kind: 'app' | 'desk' | 'mobile',
  name: string,
  callLimit: number,
  location = yard,
) => ({
  id,
  personId,
  kind,
  name,
  callLimit,
  location,
});

const colleagues = ['ilse', 'tobias', 'nadia', 'hugh', 'sunniva', 'kofi', 'bryn', 'odile'];

/** A plan with one rule for any call: the desk phone, then the mailbox. */
const deskThenMailbox = (personId: string) => ({
  personId,
  rules: [
    {
      id: `${personId}-any`,
      name: 'Any call',
      lineIds: [],
      stages: [{ length: { seconds: 25 }, targets: [{ deviceId: `${personId}-desk`, startSeconds: 0 }] }],
      finish: { kind: 'mailbox' as const, personId },
    },
  ],
});

const marensDevices = [
  { deviceId: 'maren-app', startSeconds: 0 },
  { deviceId: 'maren-desk', startSeconds: 0 },
  // A key takes the call there, so that the van phone's own mailbox never does.
  { deviceId: 'maren-mobile', startSeconds: 5, acceptKey: true },
];

export const sampleOffice: OfficeSetup = {
  name: 'Orrin Vale Gauging',
  zone: 'Europe/London',
  numbering: ukNumbering,
  people: [
    {
      ...person('maren', 'Maren Oyelaran', 'Field technician', '214', 'field'),
      // She sees to the phones beside her work.
      administers: true,
      situations: [
        { id: 'site', name: 'On site', shows: 'away' },
        { id: 'van', name: 'In the van', shows: 'free' },
        { id: 'bench', name: 'At the bench', shows: 'free' },
        { id: 'off', name: 'Off duty', shows: 'off', leavesTeams: true },
      ],
      follows: [{ by: 'workingHours', working: false, situationId: 'off' }],
      situation: { id: 'site', word: 'Cawder Weir', until: null },
    },
    person('ilse', 'Ilse Varga', 'Dispatch', '201'),
    person('tobias', 'Tobias Quill', 'Workshop', '207'),
    person('nadia', 'Nadia Feroz', 'Data desk', '209'),
    person('hugh', 'Hugh Pellow', 'Stores', '211'),
    person('sunniva', 'Sunniva Dahl', 'Field technician', '216', 'field'),
    person('kofi', 'Kofi Renner', 'Owner', '200'),
    person('bryn', 'Bryn Castellan', 'Apprentice', '218', 'field'),
    person('odile', 'Odile Marchetti', 'Accounts', '203'),
  ],
  teams: [
    {
      id: 'field-team',
      name: 'Field team',
      extension: '250',
      memberIds: ['maren', 'sunniva', 'bryn'],
      mailbox: {
        text: 'This is the field team of Orrin Vale Gauging. We are all at a gauge. Say where and what, and one of us calls back.',
      },
    },
    { id: 'office-team', name: 'Office', extension: '251', memberIds: ['maren', 'ilse', 'odile', 'kofi'] },
  ],
  lines: [
    {
      id: 'field',
      name: 'Field service',
      number: '+441314960120',
      cord: { hue: 1, stroke: 'dashed' },
      urgent: false,
      ownerId: 'maren',
      faxes: true,
    },
    {
      id: 'direct',
      name: 'Direct',
      number: '+441314960214',
      cord: { hue: 0, stroke: 'solid' },
      urgent: false,
      ownerId: 'maren',
    },
    {
      id: 'flood',
      name: 'Flood desk',
      number: '+441314960199',
      cord: { hue: 2, stroke: 'dotted' },
      urgent: true,
      ownerId: 'maren',
    },
    {
      id: 'main',
      name: 'Main',
      number: '+441314960100',
      cord: { hue: 3, stroke: 'thinPair' },
      urgent: false,
      ownerId: 'ilse',
    },
    {
      id: 'text',
      name: 'Field texts',
      number: '+447700900120',
      cord: { hue: 4, stroke: 'double' },
      urgent: false,
      ownerId: 'maren',
      texts: true,
    },
  ],
  devices: [
    device('maren-app', 'maren', 'app', 'Cendro', 6, hut),
    device('maren-desk', 'maren', 'desk', 'desk phone', 2),
    { ...device('maren-mobile', 'maren', 'mobile', 'van phone', 2, hut), ownMailboxSeconds: 18 },
    ...colleagues.map((id) => device(`${id}-desk`, id, 'desk', 'desk phone', 2)),
    device('nadia-mobile', 'nadia', 'mobile', 'mobile', 2),
    {
      id: 'drawing-room',
      personId: null,
      kind: 'room',
      name: 'Drawing room phone',
      callLimit: 1,
      location: 'Orrin Vale Gauging, Weir Lane yard, first floor',
      roomCode: '4120',
    },
  ],
  ringPlans: [
    {
      personId: 'maren',
      workingHours: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
      greetings: [
        {
          id: 'maren-away',
          name: 'Outside working hours',
          text: 'This is Maren Oyelaran of Orrin Vale Gauging. I am back at eight on the next working day. For floods call the flood desk, which is always open.',
          workingHours: false,
        },
        {
          id: 'maren-greeting',
          name: 'Any other time',
          text: 'This is Maren Oyelaran of Orrin Vale Gauging. I am at a gauge and call back today. Please say where and what.',
        },
      ],
      rules: [
        {
          id: 'maren-flood',
          name: 'Flood desk, any time',
          lineIds: ['flood'],
          stages: [
            {
              length: { seconds: 30 },
              targets: [...marensDevices, { deviceId: 'ilse-desk', startSeconds: 10 }],
            },
            { length: { seconds: 15 }, targets: [{ deviceId: 'kofi-desk', startSeconds: 0 }] },
          ],
          finish: { kind: 'mailbox', personId: 'maren' },
        },
        {
          id: 'maren-off',
          name: 'Off duty',
          lineIds: [],
          when: { situationIds: ['off'] },
          stages: [],
          finish: { kind: 'mailbox', personId: 'maren' },
        },
        {
          id: 'maren-van',
          name: 'In the van',
          lineIds: [],
          when: { situationIds: ['van'] },
          stages: [
            {
              length: { seconds: 25 },
              targets: [
                { deviceId: 'maren-mobile', startSeconds: 0, acceptKey: true },
                { deviceId: 'maren-app', startSeconds: 5 },
              ],
            },
            { length: { seconds: 15 }, targets: [{ deviceId: 'ilse-desk', startSeconds: 0 }] },
          ],
          finish: { kind: 'mailbox', personId: 'maren' },
        },
        {
          id: 'maren-bench',
          name: 'At the bench',
          lineIds: [],
          when: { situationIds: ['bench'] },
          stages: [
            { length: { seconds: 15 }, targets: [{ deviceId: 'maren-desk', startSeconds: 0 }] },
            { length: { seconds: 15 }, targets: marensDevices },
          ],
          finish: { kind: 'mailbox', personId: 'maren' },
        },
        {
          id: 'maren-field',
          name: 'Field service',
          lineIds: ['field', 'text'],
          stages: [
            { length: { seconds: 25 }, targets: marensDevices },
            { length: { seconds: 15 }, targets: [{ deviceId: 'ilse-desk', startSeconds: 0 }] },
          ],
          finish: { kind: 'mailbox', personId: 'maren' },
        },
        {
          id: 'maren-any',
          name: 'Any other call',
          lineIds: [],
          stages: [{ length: { seconds: 25 }, targets: marensDevices }],
          finish: { kind: 'mailbox', personId: 'maren' },
        },
      ],
    },
    {
      personId: 'ilse',
      workingHours: [{ days: [1, 2, 3, 4, 5], from: '07:30', to: '18:30' }],
      rules: [
        {
          id: 'ilse-night',
          name: 'Main line, nobody in',
          lineIds: ['main'],
          when: { workingHours: false },
          stages: [],
          finish: { kind: 'forward', to: '260' },
        },
        {
          id: 'ilse-main',
          name: 'Main line',
          lineIds: ['main'],
          stages: [
            { length: { seconds: 20 }, targets: [{ deviceId: 'ilse-desk', startSeconds: 0 }] },
            {
              length: { seconds: 20 },
              targets: [
                { deviceId: 'odile-desk', startSeconds: 0 },
                { deviceId: 'hugh-desk', startSeconds: 0 },
              ],
            },
          ],
          finish: { kind: 'mailbox', personId: 'ilse' },
        },
        ...deskThenMailbox('ilse').rules,
      ],
    },
    { ...deskThenMailbox('nadia'), findMe: [{ deviceId: 'nadia-desk' }, { deviceId: 'nadia-mobile' }] },
    ...colleagues.filter((id) => id !== 'ilse' && id !== 'nadia').map(deskThenMailbox),
  ],
  menus: [
    {
      id: 'night',
      name: 'Night menu',
      extension: '260',
      text: 'You have reached Orrin Vale Gauging. Nobody is in. If a river is rising, press 1 for the flood desk. For anything else press 2 and leave a message.',
      keys: [
        { key: '1', to: '+441314960199' },
        { key: '2', to: '201' },
      ],
      waitSeconds: 8,
      turns: 2,
      finish: { kind: 'mailbox', personId: 'ilse' },
      keeperId: 'ilse',
    },
  ],
  conferences: [],
  callerGroups: [
    {
      id: 'keepers',
      name: 'Reservoir and harbour keepers',
      starred: false,
      numbers: ['+441314960142', '+441914980117'],
    },
    { id: 'flood-watch', name: 'Flood watch', starred: true, numbers: ['+441914980162'] },
  ],
  parkSlots: ['01', '02', '03', '04'],
  policies: {
    recording: 'onDemand',
    barred: [{ prefix: '+449', why: 'premium numbers' }],
    transferReturnSeconds: 20,
    parkSeconds: 180,
  },
  rates: sampleRates,
};
