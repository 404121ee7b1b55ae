import fc from 'fast-check';
import isEqual from 'fast-deep-equal';

import { must } from '@/core/calls/exchange/tests/invariants';
import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { OfficeIndex } from '@/core/setup';

import { member } from '../../tests/member';
import {
  allAssignmentsSeen,
  assignmentIdOf,
  assignmentsSeen,
  type Assignment,
  type ReadAssignmentRequest,
} from '..';
import { Assignments } from '../Assignments';

const [team] = testSetup.teams;
/** For the tests: Ada and Ben are the yard, Ben and Cleo the shop. */
const index = new OfficeIndex({
  ...testSetup,
  teams: [
    { ...team!, id: 'yard', memberIds: ['ada', 'ben'] },
    { ...team!, id: 'shop', memberIds: ['ben', 'cleo'] },
  ],
});
const key = 'contact:peg';
const takeOn = (since: number, insteadOf: string | null = null) =>
  ({ type: 'takeOn', key, teamId: 'yard', since, insteadOf }) as const;
const letGo = { type: 'letGo', key, teamId: 'yard' } as const;
const id = assignmentIdOf('yard', key);
const open = (triedAt: number | null = null) =>
  new Assignments(
    () => index,
    () => triedAt,
  );

describe('somebody who waits for a team', () => {
  it('is taken on by one of it, and the next hears by whom', () => {
    const assignments = open();
    expect(assignments.request(member('ada'), takeOn(100), 200)).toEqual({ ok: true });
    expect(assignments.request(member('ada'), takeOn(100), 201)).toEqual({ ok: true });
    expect(assignments.request(member('ben'), takeOn(100), 202)).toEqual({
      ok: false,
      reason: { code: 'takenBy', byId: 'ada' },
    });
    expect(assignments.all.get(id)).toEqual({ id, key, teamId: 'yard', byId: 'ada', at: 200 });
    expect(assignments.takeChanges()).toHaveLength(1);
  });

  it('is for everybody again once they have tried anew, whatever the asker says of it', () => {
    const again = open(300);
    again.request(member('ada'), takeOn(100), 200);
    expect(again.request(member('ben'), takeOn(100), 400)).toEqual({ ok: true });
    // Nor is somebody taken away from who has them by a try that there never was.
    const kept = open(100);
    kept.request(member('ada'), takeOn(100), 200);
    expect(kept.request(member('ben'), takeOn(999), 400).ok).toBe(false);
  });

  it('is taken over only from whom one knows to have them, and let go of only by whoever has them', () => {
    const assignments = open();
    assignments.request(member('ada'), takeOn(100), 200);
    expect(assignments.request(member('ben'), letGo, 201)).toEqual({
      ok: false,
      reason: { code: 'notYours', what: 'assignment' },
    });
    expect(assignments.request(member('ben'), takeOn(100, 'cleo'), 202).ok).toBe(false);
    expect(assignments.request(member('ben'), takeOn(100, 'ada'), 203)).toEqual({ ok: true });
    expect(assignments.request(member('ben'), letGo, 204)).toEqual({ ok: true });
    expect(assignments.request(member('ben'), letGo, 205)).toEqual({ ok: true });
    expect(assignments.all.size).toBe(0);
  });

  it('is everybody’s again once they have tried again', () => {
    const assignments = open();
    assignments.request(member('ada'), takeOn(100), 200);
    expect(assignments.request(member('ben'), takeOn(300), 400)).toEqual({ ok: true });
    // Whoever does not know of the try yet hears who has them now.
    expect(assignments.request(member('ada'), takeOn(100), 500).ok).toBe(false);
  });

  it('for two teams is taken on by one of each', () => {
    const assignments = open();
    assignments.request(member('ada'), takeOn(100), 200);
    expect(assignments.request(member('cleo'), { ...takeOn(100), teamId: 'shop' }, 201)).toEqual({
      ok: true,
    });
    expect(allAssignmentsSeen('ada', assignments).map(({ byId }) => byId)).toEqual(['ada']);
    expect(allAssignmentsSeen('ben', assignments).map(({ byId }) => byId)).toEqual(['ada', 'cleo']);
  });

  it('is nobody’s to take on who is not of that team', () => {
    const assignments = open();
    const notOfIt = { ok: false, reason: { code: 'notYours', what: 'team' } };
    expect(assignments.request(member('cleo'), takeOn(100), 200)).toEqual(notOfIt);
    expect(assignments.request(member('ada', ['simulator']), takeOn(100), 200)).toEqual(notOfIt);
    assignments.request(member('ada'), takeOn(100), 200);
    expect(allAssignmentsSeen('cleo', assignments)).toEqual([]);
    expect(allAssignmentsSeen('ben', assignments)).toHaveLength(1);
  });
});

const people = ['ada', 'ben', 'cleo'] as const;
const aKey = fc.constantFrom('contact:peg', 'number:+441174960155');
const request: fc.Arbitrary<ReadAssignmentRequest> = fc.oneof(
  fc.record({
    type: fc.constant('takeOn' as const),
    key: aKey,
    teamId: fc.constantFrom('yard', 'shop', 'none'),
    since: fc.integer({ min: 0, max: 40 }),
    insteadOf: fc.constantFrom(null, ...people),
  }),
  fc.record({ type: fc.constant('letGo' as const), key: aKey, teamId: fc.constantFrom('yard', 'shop') }),
);

it('three who take on anybody in any order hear of exactly what they see, and nobody loses what is theirs unawares', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ by: fc.constantFrom(...people), request }), {
        minLength: 10,
        maxLength: 40,
        size: 'max',
      }),
      (asked) => {
        const assignments = open();
        const mirrors = new Map(people.map((personId) => [personId, new Map<string, Assignment>()]));
        asked.forEach(({ by, request: each }, at) => {
          const row = assignmentIdOf(each.teamId, each.key);
          const others = [...assignments.all.values()].filter((one) => one.id !== row);
          const before = assignments.all.get(row);
          const reply = assignments.request(member(by), each, at);
          const now = assignments.all.get(row);
          must(
            others.every((one) => assignments.all.get(one.id) === one),
            'another team’s, and anybody else’s, stays as it is',
          );
          if (before && before.byId !== by && now !== before)
            must(
              each.type === 'takeOn' && (each.insteadOf === before.byId || before.at < each.since),
              'it was taken over knowingly, or after another try',
            );
          if (!reply.ok) must(now === before, 'what is refused changes nothing');
          const rows = assignments.takeChanges();
          for (const [personId, mirror] of mirrors) {
            for (const change of assignmentsSeen(rows, personId, assignments)) {
              if ('put' in change) mirror.set(change.put.id, change.put);
              else must(mirror.delete(change.gone), 'what is told to be gone was there');
            }
            const seen = allAssignmentsSeen(personId, assignments);
            must(
              isEqual(new Map(seen.map((row) => [row.id, row])), mirror),
              `${personId} has heard of what they see`,
            );
          }
        });
      },
    ),
    { numRuns: 200 },
  );
});
