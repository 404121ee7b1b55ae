import { useMemo, useState } from 'react';

import { barredWhy } from '@/core/calls/exchange';
import {
  formatAsTyped,
  interpretDialled,
  isDialable,
  isExternal,
  takesTexts,
  type Dialled,
} from '@/core/numbers/numbering';
import type { OfficeIndex, Person } from '@/core/setup';
import { numbersInOrder, type PeopleIndex } from '@/core/people/contacts';
import {
  dialTextChanged,
  explainNotDialable,
  explainRefusal,
  formatAny,
  selectWrite,
  identifyDialled,
  identifyNumber,
  selectContacts,
  selectLastUsed,
  selectMyDeviceId,
  selectMyId,
  selectOffice,
  selectPeople,
  useAppDispatch,
  useAppSelector,
  useNow,
  useServices,
  selectFavourites,
} from '@/state/app';

import { isName, whyNobody } from '../shared/numbers';
import { namesAreAway, useFound, writeNumbers, type FoundPerson } from '../shared/useFound';
import { usePlaceCall } from '../shared/usePlaceCall';

const mostRecent = 12;

/** What the one field means so far, who it may mean, and the acts around it. */
export function useDial() {
  const dispatch = useAppDispatch();
  const { player } = useServices();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const text = useAppSelector((state) => state.dial.text);
  const place = usePlaceCall();

  const dialled = useMemo(() => interpretDialled(text, office.plan), [text, office]);
  const { found, state, ask } = useFound(text);
  const favourites = useFavourites();
  const recent = useRecent();

  const isOnline = useAppSelector((state) => state.office.isOnline);
  const [refused, setRefused] = useState<string | null>(null);
  const isEmpty = dialled.kind === 'empty';
  const personId = useAppSelector(selectMyId);
  const deviceId = useAppSelector(selectMyDeviceId);
  const at = useNow(60_000);
  const barred = isDialable(dialled) ? barredWhy(office, text, { personId, at }) : null;
  const target =
    barred === null ? targetOf(text, dialled, state === 'found' ? found : [], { office, people }) : null;
  // Only what is added at the end is grouped: a change further in must not carry the caret away.
  const change = (next: string) => {
    setRefused(null);
    dispatch(dialTextChanged(next.startsWith(text) ? formatAsTyped(next, office.plan) : next));
  };
  const callNow = (to: string) => void place(to, { isDialled: true });

  return {
    text,
    /** What the line and the price are shown for: the number typed, else whoever stands first. */
    goesTo: isDialable(dialled) ? text : (found[0]?.numbers[0]?.dial ?? text),
    meaning: meaningOf(dialled, office, {
      knownAs: people.whoHas(isExternal(dialled) ? dialled.e164 : null)?.name ?? null,
      location: office.devices.get(deviceId)?.location,
    }),
    error: refused ?? errorOf(dialled, barred, state === 'found' && found.length === 0),
    favourites,
    recent,
    found,
    state,
    isEmpty,
    /** Whom the button calls, by name and number; null while it is nobody, or not one alone. */
    target,
    /** There is no network for an emergency call from here: the phone itself has to make it. */
    isOwnPhoneNeeded: dialled.kind === 'emergency' && !isOnline,
    /** Key of whoever can be written to: the number typed, else whoever stands first. */
    writesTo: isDialable(dialled) ? writableKey(dialled, office, people) : (found[0]?.key ?? null),
    change,
    press: (key: string) => {
      player?.digit(key);
      change(text + key);
    },
    erase: () => change(text.trimEnd().slice(0, -1)),
    call: async () => {
      if (target) return callNow(target.to);
      // Who types a name and Enter at once means the only one of that name, also before it stands there.
      const answer = isName(dialled) ? await ask() : [];
      if (answer === 'changed') return;
      if (answer === 'away') return setRefused(namesAreAway);
      const [only, ...others] = answer;
      const isMeant = only !== undefined && others.length === 0 && beginsWith(only.name, text);
      if (isMeant && only.numbers[0]) callNow(only.numbers[0].dial);
      else setRefused(whyNobody(dialled, others.length > 0));
    },
    callThis: callNow,
  };
}

/** Whom a call would reach: as it is said on the button, and as it is dialled. */
interface DialTarget {
  name: string;
  to: string;
}

const beginsWith = (name: string, typed: string) => {
  const sought = typed.trim().toLowerCase();
  const whole = name.toLowerCase();
  return whole.startsWith(sought) || whole.split(/\s+/).some((word) => word.startsWith(sought));
};

/** Exactly who is called: the number typed, by whose it is; else the only one found by name. */
function targetOf(
  text: string,
  dialled: Dialled,
  found: readonly FoundPerson[],
  names: { office: OfficeIndex; people: PeopleIndex },
): DialTarget | null {
  if (isDialable(dialled)) return { name: nameOf(text, dialled, names), to: text };
  if (!isName(dialled)) return null;
  const [only, ...others] = found;
  const number = others.length === 0 ? only?.numbers[0] : undefined;
  return only && number ? { name: `${only.name}, ${number.written}`, to: number.dial } : null;
}

function nameOf(text: string, dialled: Dialled, names: { office: OfficeIndex; people: PeopleIndex }): string {
  if (dialled.kind === 'extension') {
    const { name, number } = identifyDialled(dialled.extension, names);
    return name === number ? number : `${name}, ${number}`;
  }
  if (!isExternal(dialled)) return text;
  const { name } = identifyDialled(dialled.e164, names);
  const written = formatAny(dialled.e164, names.office.plan);
  const digits = dialled.postDial?.replace(/[pw]/g, '');
  const tail = dialled.extension ? ` ext ${dialled.extension}` : digits ? `, then ${digits}` : '';
  return name === written ? `${written}${tail}` : `${name}, ${written}${tail}`;
}

/** Whose page takes what is written to a number: a colleague's, a contact's, or the number's own where it takes texts. */
function writableKey(dialled: Dialled, office: OfficeIndex, people: PeopleIndex): string | null {
  if (dialled.kind === 'extension') {
    const person = office.peopleByExtension.get(dialled.extension);
    return person ? `person:${person.id}` : null;
  }
  if (!isExternal(dialled)) return null;
  const known = people.whoHas(dialled.e164);
  if (known) return `${known.kind}:${known.id}`;
  return takesTexts(dialled.e164) ? `number:${dialled.e164}` : null;
}

/** The favourites in the worker's order; whoever is there no more is left out. */
function useFavourites(): FoundPerson[] {
  const write = useAppSelector(selectWrite);
  const keys = useAppSelector(selectFavourites);
  const office = useAppSelector(selectOffice);
  const contacts = useAppSelector(selectContacts);
  const lastUsed = useAppSelector(selectLastUsed);
  return useMemo(
    () =>
      keys.flatMap((key): FoundPerson[] => {
        const id = key.slice(key.indexOf(':') + 1);
        const person = key.startsWith('person:') ? office.people.get(id) : undefined;
        if (person) return [asPerson(person)];
        const contact = key.startsWith('contact:') ? contacts.find((each) => each.id === id) : undefined;
        if (!contact) return [];
        const numbers = writeNumbers(numbersInOrder(contact.numbers, lastUsed), write);
        const { name, firm } = contact;
        return [{ key, kind: 'contact', name, detail: firm ?? '', personId: null, numbers, foundBy: null }];
      }),
    [keys, office, contacts, lastUsed, write],
  );
}

const asPerson = ({ id, name, role, extension }: Person): FoundPerson => ({
  key: `person:${id}`,
  kind: 'colleague',
  name,
  detail: role,
  personId: id,
  numbers: [{ label: 'extension', number: extension, written: extension, dial: extension }],
  foundBy: null,
});

/** Who called or was called lately, each number once. */
function useRecent(): FoundPerson[] {
  const write = useAppSelector(selectWrite);
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const lastUsed = useAppSelector(selectLastUsed);
  return useMemo(
    () =>
      [...lastUsed.keys()].slice(0, mostRecent).map((number): FoundPerson => {
        const colleague = office.peopleByExtension.get(number);
        if (colleague) return asPerson(colleague);
        const known = people.whoHas(number);
        const label = known?.label ?? 'recent';
        return {
          key: known ? `${known.kind}:${known.id}` : `number:${number}`,
          kind: known?.kind ?? 'number',
          name: known?.name ?? identifyNumber(number, null, people).name,
          detail: known?.detail ?? '',
          personId: null,
          numbers: [{ label, number, written: write(number), dial: number }],
          foundBy: null,
        };
      }),
    [office, people, lastUsed, write],
  );
}

/** Named for what it is: "Extension: Ilse Varga", "National number", "Emergency". */
function meaningOf(
  dialled: Dialled,
  office: OfficeIndex,
  { knownAs, location }: { knownAs: string | null; location: string | undefined },
): string {
  switch (dialled.kind) {
    case 'empty':
      return 'Hold 0 for +';
    case 'extension': {
      const { extension } = dialled;
      const person = office.peopleByExtension.get(extension);
      if (person) return [person.name, person.role.toLowerCase()].filter(Boolean).join(', ');
      const team = office.teamsByExtension.get(extension);
      if (team) return `${team.name}, ${team.queue ? 'a team whose callers wait' : 'a team'}`;
      const menu = office.menusByExtension.get(extension);
      const conference = office.conferencesByExtension.get(extension);
      if (conference)
        return `${conference.name}, ${conference.opensForOffice ? 'a meeting you come into' : 'a conference that asks for its PIN'}`;
      return menu ? `${menu.name}, a menu` : `No extension ${extension} in this office`;
    }
    case 'national':
    case 'international': {
      const line = office.linesByNumber.get(dialled.e164);
      const what = line ? `our own line ${line.name}` : (knownAs ?? `${dialled.kind} number`);
      const tail = dialled.extension
        ? `, then extension ${dialled.extension}`
        : dialled.postDial
          ? ', then digits'
          : '';
      const withheld = dialled.withhold ? ', your number withheld' : '';
      return `${what.charAt(0).toUpperCase()}${what.slice(1)}${tail}${withheld}`;
    }
    case 'service':
      if (dialled.scope === 'office' && dialled.code === `*${office.plan.services.mailbox}`)
        return 'Your mailbox, by its PIN';
      return dialled.scope === 'office' ? 'Service code of the office' : 'Short number of the network';
    case 'emergency':
      return location === undefined ? 'Emergency' : `Emergency: help is sent to ${location}`;
    case 'withheld':
      return 'Withheld';
    case 'invalid':
      return dialled.reason.code === 'letters' ? 'Name' : 'Not a number';
  }
}

/** Said only when it is surely wrong: not while a number is still too short, nor while somebody may be meant. */
function errorOf(dialled: Dialled, barred: string | null, isNobody: boolean): string | null {
  if (dialled.kind === 'withheld') return explainNotDialable({ code: 'withheld' });
  if (barred !== null) return explainRefusal({ code: 'barred', why: barred });
  if (dialled.kind !== 'invalid' || !isNobody || dialled.reason.code === 'tooShort') return null;
  return explainNotDialable(dialled.reason);
}
