import { useMemo } from 'react';

import {
  formatAsTyped,
  interpretDialled,
  isDialable,
  isExternal,
  ukOfficePlan,
  type Dialled,
} from '@/core/numbering';
import type { OfficeIndex } from '@/core/office';
import type { Reachable } from '@/core/people';
import {
  dialTextChanged,
  explainNotDialable,
  formatAny,
  identifyNumber,
  selectOffice,
  selectPeople,
  useAppDispatch,
  useAppSelector,
  useServices,
} from '@/state/app';

import { usePlaceCall } from '../shared/usePlaceCall';

/** Somebody the field may mean. */
export interface Suggestion extends Reachable {
  /** E.164 or extension, as it is read. */
  written: string;
}

const mostRecent = 12;

/** What the one field means so far, who it may mean, and the acts around it. */
export function useDial() {
  const dispatch = useAppDispatch();
  const { player } = useServices();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const text = useAppSelector((state) => state.dial.text);
  const records = useAppSelector((state) => state.history.records);
  const place = usePlaceCall();

  const dialled = useMemo(() => interpretDialled(text, ukOfficePlan), [text]);
  const found = useMemo(() => people.find(text).map(withWriting), [people, text]);
  const recent = useMemo(() => {
    const numbers = new Set<string>();
    for (const { other } of records) {
      if (other.number !== null) numbers.add(other.number);
      if (numbers.size === mostRecent) break;
    }
    return [...numbers].map((number): Suggestion => {
      const known = people.whoHas(number);
      if (known) return withWriting(known);
      const { name } = identifyNumber(number, null, people);
      return withWriting({ kind: 'contact', id: number, name, detail: null, label: 'recent', number });
    });
  }, [people, records]);

  const isEmpty = dialled.kind === 'empty';
  const suggestions = isEmpty ? recent : found;
  const onlyMatch = !isDialable(dialled) && found.length === 1 ? found[0] : undefined;
  // Only what is added at the end is grouped: a change further in must not carry the caret away.
  const change = (next: string) =>
    dispatch(dialTextChanged(next.startsWith(text) ? formatAsTyped(next, ukOfficePlan) : next));

  return {
    text,
    meaning: meaningOf(
      dialled,
      office,
      people.whoHas(isExternal(dialled) ? dialled.e164 : null)?.name ?? null,
    ),
    error: errorOf(dialled, found.length),
    suggestions,
    suggestionsAre: isEmpty ? ('recent' as const) : ('found' as const),
    canCall: isDialable(dialled) || onlyMatch !== undefined,
    change,
    press: (key: string) => {
      player?.digit(key);
      change(text + key);
    },
    erase: () => change(text.trimEnd().slice(0, -1)),
    clear: () => change(''),
    call: () => void place(onlyMatch?.number ?? text),
    callThis: (number: string) => void place(number),
  };
}

const withWriting = (reachable: Reachable): Suggestion => ({
  ...reachable,
  written: formatAny(reachable.number),
});

/** Named for what it is: "Extension: Ilse Varga", "National number", "Emergency". */
function meaningOf(dialled: Dialled, office: OfficeIndex, knownAs: string | null): string {
  switch (dialled.kind) {
    case 'empty':
      return 'Hold 0 for +';
    case 'extension': {
      const person = office.peopleByExtension.get(dialled.extension);
      return person
        ? `${person.name}, ${person.role.toLowerCase()}`
        : `No extension ${dialled.extension} in this office`;
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
      return dialled.scope === 'office' ? 'Service code of the office' : 'Short number of the network';
    case 'emergency':
      return 'Emergency';
    case 'withheld':
      return 'Withheld';
    case 'invalid':
      return dialled.reason.code === 'letters' ? 'Name' : 'Not a number';
  }
}

/** Said only when it is surely wrong: not while a number is still too short. */
function errorOf(dialled: Dialled, matches: number): string | null {
  if (dialled.kind === 'withheld') return explainNotDialable({ code: 'withheld' });
  if (dialled.kind !== 'invalid' || matches > 0 || dialled.reason.code === 'tooShort') return null;
  return explainNotDialable(dialled.reason);
}
