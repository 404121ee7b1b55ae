import { emptyOffice, OfficeIndex, plainQueue, type Queue, type RingPlan } from '@/core/setup';

import { usualRings } from '../storage';
import type { CallView } from './callViews';
import { continuousOf, selectMySound } from './mySound';

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

describe('in a meeting', () => {
  const at = Date.UTC(2026, 10, 26, 10, 40);
  const caller = { role: 'caller', endpoint: { kind: 'outside', number: '+441174960155' } };
  const ringing = (line: { urgent: boolean } | null) =>
    ({
      ...{ id: 'c1', phase: 'incoming', line, me: { state: 'ringing' } },
      call: { id: 'c1', startedAt: at, lineId: null, legs: [caller] },
    }) as unknown as CallView;
  const meeting = { meetings: [{ from: at - 60_000, until: at + 60_000 }] } as RingPlan;
  const office = new OfficeIndex(emptyOffice);
  const sound = (line: { urgent: boolean } | null, isQuiet: boolean, plan: RingPlan) =>
    selectMySound.resultFunc([ringing(line)], office, [], usualRings, isQuiet, plan);

  it('what rings is seen and not heard, for who likes that; an urgent line is heard', () => {
    expect(sound(null, true, meeting)).toBeNull();
    expect(sound({ urgent: true }, true, meeting)).toMatch(/^ring /);
    expect(sound(null, false, meeting)).toMatch(/^ring /);
    expect(sound(null, true, { meetings: [{ from: at + 1, until: at + 60_000 }] } as RingPlan)).toMatch(
      /^ring /,
    );
  });
});
