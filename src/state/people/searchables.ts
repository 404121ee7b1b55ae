import type { Message } from '@/core/messages';
import type { OfficeIndex } from '@/core/office';
import type { JoinedContact, PeopleIndex } from '@/core/people';
import type { Searchable, SearchText } from '@/core/peopleSearch';
import { formatAny } from '@/state/app';

/** Of each number's texts the latest are looked through. */
const mostTexts = 40;

/** What anybody can be found by. */
export interface SearchSources {
  office: OfficeIndex;
  contacts: readonly JoinedContact[];
  people: PeopleIndex;
  messages: Readonly<Record<string, Message>>;
  /** Numbers one has had to do with, with the names that came along. */
  recent: ReadonlyMap<string, string | null>;
  favourites: readonly string[];
  myId: string | null;
}

/** Everybody, every team and every number one has had to do with, by their keys. */
export function searchablesOf(sources: SearchSources): Map<string, Searchable> {
  const { office, contacts, people, recent, favourites, myId } = sources;
  const texts = textsByNumber(sources.messages);
  const starred = new Set(favourites);
  const all = new Map<string, Searchable>();
  const add = (entry: Omit<Searchable, 'isFavourite'>) =>
    all.set(entry.key, { ...entry, isFavourite: starred.has(entry.key) });
  const saidBy = (numbers: readonly { number: string }[]) =>
    numbers.flatMap(({ number }) => texts.get(number) ?? []);
  for (const { id, name, role, extension } of office.setup.people) {
    if (id === myId) continue;
    const numbers = [{ label: 'extension', number: extension }];
    add({ key: `person:${id}`, kind: 'colleague', name, detail: role, numbers, texts: saidBy(numbers) });
  }
  for (const { id, name, extension, memberIds } of office.setup.teams)
    add({
      key: `team:${id}`,
      kind: 'team',
      name,
      detail: `team of ${memberIds.length}`,
      numbers: [{ label: 'extension', number: extension }],
      texts: [],
    });
  for (const { id, name, firm, numbers, mails, places, groups, note } of contacts)
    add({
      key: `contact:${id}`,
      kind: 'contact',
      name,
      detail: [firm ?? '', ...groups].filter(Boolean).join(' · '),
      numbers,
      texts: [
        ...mails.map((text): SearchText => ({ field: 'mail', text })),
        ...places.map((text): SearchText => ({ field: 'place', text })),
        ...(note === '' ? [] : [{ field: 'note' as const, text: note }]),
        ...saidBy(numbers),
      ],
    });
  const strangers = new Set([...recent.keys(), ...texts.keys()].filter((number) => !people.whoHas(number)));
  for (const number of strangers) {
    if (!number.startsWith('+') || office.linesByNumber.has(number)) continue;
    const numbers = [{ label: 'number', number }];
    const name = recent.get(number) ?? formatAny(number);
    add({ key: `number:${number}`, kind: 'number', name, detail: '', numbers, texts: saidBy(numbers) });
  }
  return all;
}

function textsByNumber(messages: Readonly<Record<string, Message>>): Map<string, SearchText[]> {
  const byNumber = new Map<string, Message[]>();
  for (const message of Object.values(messages)) {
    if (message.text === '') continue;
    const those = byNumber.get(message.number);
    if (those) those.push(message);
    else byNumber.set(message.number, [message]);
  }
  return new Map(
    [...byNumber].map(([number, those]) => [
      number,
      those
        .sort((a, b) => b.at - a.at)
        .slice(0, mostTexts)
        .map(({ text }): SearchText => ({ field: 'message', text })),
    ]),
  );
}

/** What is new or different now, and whose keys are gone. */
export function differenceOf(
  before: ReadonlyMap<string, Searchable>,
  now: ReadonlyMap<string, Searchable>,
): { changed: Searchable[]; gone: string[] } {
  const changed: Searchable[] = [];
  for (const [key, entry] of now) {
    const known = before.get(key);
    if (!known || !isSame(known, entry)) changed.push(entry);
  }
  return { changed, gone: [...before.keys()].filter((key) => !now.has(key)) };
}

function isSame(a: Searchable, b: Searchable): boolean {
  return (
    a.name === b.name &&
    a.detail === b.detail &&
    a.isFavourite === b.isFavourite &&
    isSameList(a.numbers, b.numbers, ({ label, number, tail }) => `${label} ${number}${tail ?? ''}`) &&
    isSameList(a.texts, b.texts, ({ field, text }) => `${field} ${text}`)
  );
}

const isSameList = <T>(a: readonly T[], b: readonly T[], of: (each: T) => string): boolean =>
  a.length === b.length && a.every((each, at) => of(each) === of(b[at] ?? each));
