import { plainQueue, type OfficeSetup, type Team } from '@/core/setup';
import { sampleOffice } from '@sample';

import { asTeamForm, teamEdits, teamFormSchema, type TeamForm } from './teamForm';

const setup: OfficeSetup = sampleOffice;
const [fieldTeam] = setup.teams;
if (!fieldTeam) throw new Error('The sample has no team');

const after = (team: Team | null, change: Partial<TeamForm> = {}) => {
  const form = teamFormSchema.parse({ ...asTeamForm(setup, team), ...change });
  return teamEdits(setup, team, form)[0]?.after;
};
const wrongOf = (change: Partial<TeamForm>) =>
  teamFormSchema
    .safeParse({ ...asTeamForm(setup, fieldTeam), ...change })
    .error?.issues.map(({ path, message }) => [path.join('.'), message]);

const whole: Team = {
  ...fieldTeam,
  hours: {
    open: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
    daysOff: [{ from: '2026-12-25', to: '2026-12-26', name: 'Christmas' }],
    closedFinish: { kind: 'mailbox', personId: 'kofi' },
  },
  queue: {
    ...plainQueue,
    order: 'byLevel',
    levels: [{ personId: 'maren', level: 2 }],
    longestWaitSeconds: 200,
    fullFinish: { kind: 'busy' },
    longFinish: { kind: 'forward', to: '201' },
  },
};

it.each([
  ['that rings together', fieldTeam],
  ['with hours and a queue', whole],
])('a team %s is written as it was read', (_, team) => {
  expect(after(team)).toEqual(team);
});

it('what is written in words becomes hours, days off and finishes', () => {
  const team = after(fieldTeam, {
    hours: 'Mon–Fri 8–17',
    daysOff: '2026-12-24 Closed',
    closedFinish: '201',
    calls: 'wait',
    nobodyFinish: '0131 496 0150',
    longestWaitMinutes: 3,
  });
  expect(team).toMatchObject({
    hours: {
      open: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
      daysOff: [{ from: '2026-12-24', to: '2026-12-24', name: 'Closed' }],
      closedFinish: { kind: 'forward', to: '201' },
    },
    queue: { longestWaitSeconds: 180, nobodyFinish: { kind: 'forward', to: '0131 496 0150' } },
  });
});

it('a queue that is taken away, and hours that are emptied, are gone', () => {
  const team = after(whole, { calls: 'ring', hours: '' });
  expect(team).not.toHaveProperty('queue');
  expect(team).not.toHaveProperty('hours');
});

it('levels are only of members', () => {
  const team = after(whole, { memberIds: ['bryn'] });
  expect(team).toMatchObject({ queue: { levels: [] } });
});

it('says at its field what can’t be read or held', () => {
  expect(wrongOf({ hours: 'Mon 25–26' })).toEqual([['hours', '“Mon 25–26”: hours go to 24, minutes to 59.']]);
  expect(wrongOf({ daysOff: 'tomorrow' })?.[0]?.[0]).toBe('daysOff');
  expect(wrongOf({ mostWaiting: 0 })?.[0]?.[0]).toBe('mostWaiting');
  expect(wrongOf({ memberIds: [] })).toEqual([['memberIds', 'Nobody would ring: a team needs somebody.']]);
});
