import { entryOf } from '@/core/people/upkeep';
import type { Message } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';
import type { JoinedContact, PeopleIndex } from '@/core/people/contacts';
import type { Searchable, SearchText } from '@/core/people/search';
import { textOf, type Voicemail } from '@/core/inbox/voicemail';
import { formatAny } from '@/state/app';

/** Of each number's texts and voicemails the latest are looked through. */
const mostTexts = 40;

/** What anybody can be found by. */
export interface SearchSources {
  office: OfficeIndex;
  contacts: readonly JoinedContact[];
  people: PeopleIndex;
  messages: Readonly<Record<string, Message>>;
  voicemails: Readonly<Record<string, Voicemail>>;
  /** Numbers one has had to do with, with the names that came along. */
  recent: ReadonlyMap<string, string | null>;
  favourites: readonly string[];
  myId: string | null;
}

/** Somebody who can be found, made only when they are new or different. */
export interface Listed {
  key: string;
  /** While it and the rest are the same, so is the entry. */
  of: unknown;
  isFavourite: boolean;
  /** All that was texted with them, or said to a mailbox, lately, in one. */
  said: string;
  make: () => Searchable;
}

/** Everybody, every team, every conference and every number one has had to do with. */
export function* listAll(sources: SearchSources): Generator<Listed> {
  const { office, contacts, favourites, myId } = sources;
  const texts = textsByNumber(sources);
  const starred = new Set(favourites);
  const list = (key: string, of: unknown, numbers: Numbers, make: Make): Listed => {
    const said = texts.size === 0 ? [] : numbers.flatMap(({ number }) => texts.get(number) ?? []);
    const isFavourite = starred.has(key);
    return {
      key,
      of,
      isFavourite,
      said: said.map(({ text }) => text).join('\n'),
      make: () => ({ key, isFavourite, ...make(said) }),
    };
  };
  for (const person of office.setup.people) {
    const { id, name, role, extension } = person;
    if (id === myId) continue;
    const numbers = [{ label: 'extension', number: extension }];
    yield list(`person:${id}`, person, numbers, (said) => ({
      kind: 'colleague',
      name,
      detail: role,
      numbers,
      texts: said,
    }));
  }
  for (const team of office.setup.teams) {
    const { id, name, extension, memberIds } = team;
    yield list(`team:${id}`, team, [], () => ({
      kind: 'team',
      name,
      detail: `team of ${memberIds.length}`,
      numbers: [{ label: 'extension', number: extension }],
      texts: [],
    }));
  }
  for (const conference of office.setup.conferences) {
    const { id, name, extension, opensForOffice } = conference;
    yield list(`conference:${id}`, conference, [], () => ({
      kind: 'conference',
      name,
      detail: opensForOffice ? 'meeting room' : 'conference, asks for its PIN',
      numbers: [{ label: 'extension', number: extension }],
      texts: [],
    }));
  }
  for (const contact of contacts) {
    // What the directory needs of them is made on the way, in the same stretches.
    entryOf(contact);
    yield list(`contact:${contact.id}`, contact, contact.numbers, (said) => ofContact(contact, said));
  }
  for (const [number, name] of strangersOf(sources, texts)) {
    const numbers = [{ label: 'number', number }];
    yield list(`number:${number}`, name, numbers, (said) => ({
      kind: 'number',
      name,
      detail: '',
      numbers,
      texts: said,
    }));
  }
}

type Numbers = readonly { number: string }[];
/** Of what was texted with them. */
type Make = (said: SearchText[]) => Omit<Searchable, 'key' | 'isFavourite'>;

function ofContact(
  { name, firm, numbers, mails, places, groups, note }: JoinedContact,
  said: readonly SearchText[],
): Omit<Searchable, 'key' | 'isFavourite'> {
  return {
    kind: 'contact',
    name,
    detail: [firm ?? '', ...groups].filter(Boolean).join(' · '),
    numbers,
    texts: [
      ...mails.map((text): SearchText => ({ field: 'mail', text })),
      ...places.map((text): SearchText => ({ field: 'place', text })),
      ...(note === '' ? [] : [{ field: 'note' as const, text: note }]),
      ...said,
    ],
  };
}

/** Numbers that nobody has a name for, with how they are shown. */
function* strangersOf(
  { office, people, recent }: SearchSources,
  texts: ReadonlyMap<string, unknown>,
): Generator<[number: string, name: string]> {
  for (const number of new Set([...recent.keys(), ...texts.keys()])) {
    if (!number.startsWith('+') || office.linesByNumber.has(number) || people.whoHas(number)) continue;
    yield [number, recent.get(number) ?? formatAny(number, office.plan)];
  }
}

interface Words {
  number: string;
  at: number;
  text: string;
}

function* wordsOf({
  messages,
  voicemails,
}: Pick<SearchSources, 'messages' | 'voicemails'>): Generator<Words> {
  yield* Object.values(messages);
  for (const { from, at, transcript, deletedAt } of Object.values(voicemails))
    if (from.number !== null && transcript !== null && deletedAt === null)
      yield { number: from.number, at, text: textOf(transcript) };
}

function textsByNumber(sources: Pick<SearchSources, 'messages' | 'voicemails'>): Map<string, SearchText[]> {
  const byNumber = new Map<string, Words[]>();
  for (const words of wordsOf(sources)) {
    if (words.text === '') continue;
    const those = byNumber.get(words.number);
    if (those) those.push(words);
    else byNumber.set(words.number, [words]);
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

/** Whether somebody is new, or can be found by other things than before. */
export const isDifferent = (before: Listed | undefined, now: Listed): boolean =>
  before === undefined ||
  before.of !== now.of ||
  before.isFavourite !== now.isFavourite ||
  before.said !== now.said;
