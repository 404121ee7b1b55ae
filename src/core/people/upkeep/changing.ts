import { unite, type Changes, type Field, type Fields, type JoinedContact } from '@/core/people/contacts';

/** Where a field comes from: the worker's own change, or the sources that say just that. */
export interface Origin {
  isChanged: boolean;
  sourceIds: string[];
}

export function originOf({ cards }: JoinedContact, field: Field, changed: Changes | undefined): Origin {
  const isChanged = changed?.fields[field] !== undefined;
  const says = (value: Fields[Field]) =>
    Array.isArray(value) ? value.length > 0 : value !== null && value !== '';
  const saying = cards.filter((card) => says(card[field]));
  // Of lists and notes all that say something are shown together; of the rest, the first one's word.
  const isList = field === 'note' || Array.isArray(cards[0]?.[field]);
  const shown = isList ? saying : saying.slice(0, 1);
  return { isChanged, sourceIds: [...new Set(shown.map(({ sourceId }) => sourceId))] };
}

/** The changes of a contact after an edit: what is as the sources say is no change of the worker's. */
export function changesAfter(
  { id, cards }: JoinedContact,
  before: Changes | undefined,
  edited: Omit<Fields, 'kept'>,
): Changes | null {
  const told = unite(cards);
  const fields: Record<string, unknown> = {};
  for (const field of Object.keys(edited) as Field[]) {
    const isAsTold = JSON.stringify(edited[field]) === JSON.stringify(told[field]);
    // A change that now agrees with the source was given back.
    if (!isAsTold) fields[field] = edited[field];
  }
  if (Object.keys(fields).length === 0) return null;
  return { ...before, id, fields: fields as Changes['fields'] };
}

/** The changes without those of one field; null where none is left. */
export function givenBack({ id, fields }: Changes, field: Field): Changes | null {
  const { [field]: _, ...left } = fields;
  return Object.keys(left).length === 0 ? null : { id, fields: left };
}
