import { z } from 'zod';

import { formatNumber, type NumberingPlan } from '@/core/numbers/numbering';
import type { PeopleIndex } from '@/core/people/contacts';
import type { OfficeIndex } from '@/core/setup';

/** Somebody who may wait for an answer; all numbers of one contact are one, and withheld callers are never the same. */
export const whoSchema = z.object({
  /** The same for all that is about this person. */
  key: z.string(),
  name: z.string(),
  /** The number to reach them at: the one they used last; null for a withheld one. */
  number: z.string().nullable(),
});
export type Who = z.infer<typeof whoSchema>;

/** Somebody as a call, a text or a fax names them. */
export interface Other {
  number: string | null;
  name: string | null;
  personId: string | null;
}

const taskPrefix = 'task:';
/** The key of something to do that is about nobody: its follow-up's id, under a name of its own. */
export const taskKey = (followUpId: string): string => `${taskPrefix}${followUpId}`;
export const isTask = ({ key }: Pick<Who, 'key'>): boolean => key.startsWith(taskPrefix);

/**
 * By what the office knows somebody, whatever each of its people calls them: a colleague by who they are, anybody else by the number
 * they use; whoever withholds theirs is somebody else each time.
 *
 * @param id of the call, the message or the fax
 */
export function handleOf({ number, personId }: Pick<Other, 'number' | 'personId'>, id: string): string {
  if (personId !== null) return `person:${personId}`;
  return number === null ? `withheld:${id}` : `number:${number}`;
}

/** The same for all that is about one person, to whoever has these contacts: a contact with all their numbers is one. */
export function keyOf(other: Pick<Other, 'number' | 'personId'>, id: string, people: PeopleIndex): string {
  const { number, personId } = other;
  const known = personId === null && number !== null ? people.whoHas(number) : null;
  if (!known) return handleOf(other, id);
  return `${known.kind === 'contact' ? 'contact' : 'person'}:${known.id}`;
}

/** Who that is to whoever has these contacts: a contact, a colleague, a bare number. */
export function whoOf(other: Other, id: string, office: OfficeIndex, people: PeopleIndex): Who {
  const { number, name, personId } = other;
  const key = keyOf(other, id, people);
  if (personId !== null)
    return { key, name: office.ever.people.get(personId)?.name ?? name ?? personId, number };
  if (number === null) return { key, name: 'Withheld number', number };
  return { key, name: people.whoHas(number)?.name ?? name ?? written(number, office.plan), number };
}

const mostWritten = 2_000;
const writtenBefore = new WeakMap<NumberingPlan, Map<string, string>>();

/** As it is written here. It costs more than all else of a name, and the same few numbers are asked for again and again. */
function written(number: string, plan: NumberingPlan): string {
  const known = writtenBefore.get(plan) ?? new Map<string, string>();
  const before = known.get(number);
  if (before !== undefined) return before;
  if (known.size >= mostWritten) known.clear();
  const text = formatNumber(number, plan);
  writtenBefore.set(plan, known.set(number, text));
  return text;
}
