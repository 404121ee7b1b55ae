import { emptyOffice, OfficeIndex, plainQueue, type Queue } from '@/core/setup';

import { continuousOf } from './mySound';

const officeWith = (music: Pick<Queue, 'music'>) =>
  new OfficeIndex({
    ...emptyOffice,
    teams: [{ id: 't', name: 'Team', extension: '250', memberIds: [], queue: { ...plainQueue, ...music } }],
  });
const inQueue = { kind: 'queue', teamId: 't' } as const;

it.each([
  [{}, 'music'],
  [{ music: 'rain' }, 'rain'],
  [{ music: 'none' }, null],
] as const)('who waits in a queue with %j hears %s between what is said', (music, loop) => {
  expect(continuousOf(inQueue, officeWith(music))).toBe(loop);
  // Whoever is held hears the office’s own.
  expect(continuousOf({ kind: 'music' }, officeWith(music))).toBe('music');
});
