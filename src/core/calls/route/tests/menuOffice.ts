import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { plainQueue, type OfficeSetup } from '@/core/setup';

const [line] = testSetup.lines;
const [yard] = testSetup.teams;
if (!line || !yard) throw new Error('The test office has a line and a team.');

/** For the tests: a line into a menu, from which keys lead to a team with hours and a queue, and nowhere; nothing pressed, to Ada. */
export const menuOffice: OfficeSetup = {
  ...testSetup,
  lines: [
    { ...line, id: 'main', number: '+441314960100', ownerId: 'desk' },
    { ...line, id: 'other', number: '+441314960101', ownerId: 'ada' },
  ],
  teams: [
    {
      ...yard,
      mailbox: { text: 'The yard is out.' },
      hours: {
        open: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
        daysOff: [],
        closedFinish: { kind: 'forward', to: '+441314960150' },
      },
      queue: { ...plainQueue, fullFinish: { kind: 'busy' } },
    },
  ],
  menus: [
    {
      id: 'desk',
      name: 'Desk menu',
      extension: '260',
      text: 'Press one for the yard.',
      keys: [
        { key: '1', to: '250' },
        { key: '3', to: '250' },
        { key: '9', to: '298' },
      ],
      waitSeconds: 6,
      turns: 2,
      finish: { kind: 'forward', to: '214' },
      keeperId: 'ada',
    },
  ],
  ringPlans: [
    {
      personId: 'ada',
      rules: [
        {
          ...{ id: 'any', name: 'Any', lineIds: [] },
          stages: [{ length: { seconds: 20 }, targets: [{ deviceId: 'ada-app', startSeconds: 0 }] }],
          finish: { kind: 'textBack', lineId: 'main', text: 'Later' },
        },
      ],
    },
  ],
};
