import { testSetup } from '@/core/calls/exchange/tests/testOffice';

import { editOf, rowOf, type Edit } from '../edits';
import { OfficeIndex } from '../OfficeIndex';
import { changeSetup, entryWords, retiring } from '.';

/** What the log says of these edits. */
function words(...edits: Edit[]): string {
  const outcome = changeSetup(testSetup, edits, { id: '1', byId: 'ada', at: 1 });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
  return entryWords(outcome.entry, new OfficeIndex(outcome.setup));
}
const changed = (id: string, given: object) =>
  editOf(testSetup, 'people', id, { ...rowOf(testSetup, 'people', id), ...given });

it('the log says what was changed', () => {
  expect(words(changed('ben', { extension: '205', role: 'Owner' }))).toBe(
    'Ben: role dispatch is Owner now, extension 201 is 205 now',
  );
  expect(words(changed('ben', { administers: true }))).toBe('Ben: who runs the office changed');
  expect(
    words(
      editOf(testSetup, 'office', 'policies', {
        id: 'policies',
        value: { ...testSetup.policies, recording: 'always' },
      }),
    ),
  ).toBe('The rules of the house changed');
});

it('of somebody who is retired it says that, and not all that follows', () => {
  expect(words(...retiring(testSetup, 'people', 'ada', { table: 'people', id: 'ben' }))).toBe(
    'Ada is retired',
  );
  expect(words(...retiring(testSetup, 'teams', 'yard', { table: 'people', id: 'ben' }))).toBe(
    'The team Yard is retired',
  );
  expect(words(...retiring(testSetup, 'devices', 'ben-desk', null))).toBe('The phone Desk of Ben is retired');
});

it('somebody new comes with their phones', () => {
  expect(
    words(
      editOf(testSetup, 'people', 'eve', {
        ...{ id: 'eve', name: 'Eve', role: '', extension: '220', presentedLineId: 'field' },
      }),
      editOf(testSetup, 'devices', 'eve-desk', {
        ...{ id: 'eve-desk', personId: 'eve', kind: 'desk', name: 'desk phone', callLimit: 2 },
      }),
    ),
  ).toBe('Eve is new');
});
