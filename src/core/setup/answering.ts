import { z } from 'zod';

import type { Line, OfficeSetup, Person } from './setup';

/** Who answers for somebody beside themselves (a delegate, as the trade calls it). */
export const answeredBySchema = z.object({
  personId: z.string(),
  /** Whether they may call out with the number of whom they answer for. */
  showsMine: z.boolean(),
});
export type AnsweredBy = z.infer<typeof answeredBySchema>;

/** The people for whom somebody answers, in the office's order. */
export const answersFor = ({ people }: Pick<OfficeSetup, 'people'>, personId: string): Person[] =>
  people.filter(({ answeredBy = [] }) => answeredBy.some((each) => each.personId === personId));

/** In whose name somebody calls who shows the number of that line: whose it is, if they let them; null: their own, or the office's. */
export function calledFor(
  { people }: Pick<OfficeSetup, 'people'>,
  personId: string,
  { ownerId }: Pick<Line, 'ownerId'>,
): Person | null {
  const isLet = ({ answeredBy = [] }: Person) =>
    answeredBy.some((each) => each.personId === personId && each.showsMine);
  return people.find((person) => person.id === ownerId && isLet(person)) ?? null;
}

/** Whether somebody may show the number of a line: any of the office's, and of those kept to their owners only what is or was made theirs. */
export function mayShow(
  { people, teams }: Pick<OfficeSetup, 'people' | 'teams'>,
  personId: string,
  line: Pick<Line, 'id' | 'ownerId' | 'isKeptToOwner'>,
): boolean {
  const { id, ownerId, isKeptToOwner = false } = line;
  return (
    !isKeptToOwner ||
    ownerId === personId ||
    people.some((person) => person.id === personId && person.presentedLineId === id) ||
    teams.some((team) => team.id === ownerId && team.memberIds.includes(personId)) ||
    calledFor({ people }, personId, line) !== null
  );
}
