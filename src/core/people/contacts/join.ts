import { plainly } from '@/core/shared/textSearch';
import { officeSource, type Card, type Changes, type Contact, type Fields, type Join } from './contact';

/** Somebody outside the office: all that every source tells of them, and over it what the worker changed. */
export interface JoinedContact extends Fields {
  id: string;
  /** In the order in which they count. */
  cards: readonly Card[];
}

export interface JoinedBy {
  changes: Readonly<Record<string, Changes>>;
  joins: Readonly<Record<string, Join>>;
}

/** Contacts whose cards nothing changes are made once, block by block. */
const plainContacts = new WeakMap<readonly Card[], JoinedContact[]>();

/**
 * One contact for each card, and one for those that are joined; nothing of any card is lost.
 *
 * @param blocks as they are kept: a block that is the same as before costs next to nothing
 */
export function joinContacts(
  blocks: Iterable<readonly Card[]>,
  { changes, joins }: JoinedBy,
): JoinedContact[] {
  const groups = groupsOf(Object.values(joins));
  const touched = new Set([...groups.keys(), ...Object.keys(changes)]);
  const gathered = new Map<readonly string[], Card[]>();
  const contacts: JoinedContact[] = [];
  for (const cards of blocks) {
    if (touched.size === 0 || !cards.some(({ id }) => touched.has(id))) {
      for (const contact of plainOf(cards)) contacts.push(contact);
      continue;
    }
    for (const card of cards) {
      const group = groups.get(card.id);
      if (!group) contacts.push(contactOf([card], changes[card.id]));
      else if (gathered.has(group)) gathered.get(group)?.push(card);
      else gathered.set(group, [card]);
    }
  }
  for (const [order, members] of gathered) {
    members.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
    contacts.push(contactOf(members, changes[members[0]?.id ?? '']));
  }
  return contacts;
}

function plainOf(cards: readonly Card[]): JoinedContact[] {
  const known = plainContacts.get(cards);
  if (known) return known;
  const contacts = cards.map((card) => contactOf([card], undefined));
  plainContacts.set(cards, contacts);
  return contacts;
}

/** Of each joined card the ids of all that are one with it, the first first: joins that share a card are one. */
function groupsOf(joins: readonly Join[]): Map<string, readonly string[]> {
  const groups = new Map<string, readonly string[]>();
  for (const { cardIds, isSame } of joins.toSorted((a, b) => (a.id < b.id ? -1 : 1))) {
    if (!isSame) continue;
    const all = [...new Set(cardIds.flatMap((id) => groups.get(id) ?? [id]))];
    for (const id of all) groups.set(id, all);
  }
  return groups;
}

function contactOf(cards: readonly Card[], changed: Changes | undefined): JoinedContact {
  const [first] = cards;
  if (!first) throw new Error('A contact needs a card');
  if (changed || cards.length > 1) return { id: first.id, ...unite(cards), ...changed?.fields, cards };
  const { sourceId, sourceKey, ...fields } = first;
  return { ...fields, cards };
}

/** Everything that several cards say: the first word for what there is one of, and each number, mail and place once. */
export function unite(cards: readonly Card[]): Fields {
  const first = <T>(pick: (card: Card) => T | null | ''): T | null => {
    for (const card of cards) {
      const value = pick(card);
      if (value !== null && value !== '') return value;
    }
    return null;
  };
  const each = <T>(pick: (card: Card) => readonly T[], keyOf: (value: T) => string): T[] => {
    const values = new Map<string, T>();
    for (const value of cards.flatMap(pick)) if (!values.has(keyOf(value))) values.set(keyOf(value), value);
    return [...values.values()];
  };
  const notes = each(
    ({ note }) => (note === '' ? [] : [note]),
    (note) => note,
  );
  return {
    name: first(({ name }) => name) ?? '',
    firm: first(({ firm }) => firm),
    numbers: each(
      ({ numbers }) => numbers,
      ({ number, tail }) => `${number}${tail ?? ''}`,
    ),
    mails: each(({ mails }) => mails, plainly),
    places: each(({ places }) => places, plainly),
    groups: each(({ groups }) => groups, plainly),
    note: notes.join('\n'),
    photo: first(({ photo }) => photo),
    kept: each(
      ({ kept }) => kept,
      (line) => line,
    ),
  };
}

/** A contact of the office's own list, as a card. */
export const officeCard = (contact: Contact): Card => ({
  ...contact,
  mails: [],
  places: [],
  groups: [],
  note: '',
  photo: null,
  kept: [],
  sourceId: officeSource,
  sourceKey: contact.id,
});
