import { useMemo } from 'react';

import { interpretDialled, isDialable, type Dialled } from '@/core/numbers/numbering';
import {
  explainNotDialable,
  selectWrite,
  identifyDialled,
  identifyNumber,
  selectMyId,
  selectOffice,
  selectPeople,
  useAppSelector,
  type CallView,
} from '@/state/app';

import { isName, whyNobody } from '../../shared/numbers';
import { namesAreAway, useFound, type FoundPerson } from '../../shared/useFound';

/** Somebody a call can be sent to. */
export interface TargetChoice {
  to: string;
  name: string;
  detail: string;
  personId: string | null;
}

const mostRecent = 8;
const mostFound = 14;

/** Whom a call can go to: those who are found, or while nothing is typed colleagues and the latest numbers. */
export function useTargets(text: string, view: CallView) {
  const write = useAppSelector(selectWrite);
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const records = useAppSelector((state) => state.history.records);
  const myId = useAppSelector(selectMyId);
  const numbersHere = useMemo(() => new Set(view.others.map(({ number }) => number)), [view]);

  const { found: matches, state, ask } = useFound(text, mostFound);
  const found = useMemo(() => {
    if (text.trim() !== '') return asTargets(matches);
    const colleagues = office.setup.people
      .filter(({ id, extension }) => id !== myId && !numbersHere.has(extension))
      .map(({ id, name, role, extension }) => ({
        to: extension,
        name,
        detail: `${extension} · ${role}`,
        personId: id,
      }));
    const latest = new Set<string>();
    for (const { other } of records) {
      if (latest.size === mostRecent) break;
      if (other.number?.startsWith('+') && !numbersHere.has(other.number)) latest.add(other.number);
    }
    const outside = [...latest].map((number) => ({
      to: number,
      name: identifyNumber(number, null, people).name,
      detail: write(number),
      personId: null,
    }));
    return [...colleagues, ...outside];
  }, [text, matches, people, office, records, myId, numbersHere, write]);

  const dialled = interpretDialled(text, office.plan);
  const typed: TargetChoice | null =
    isDialable(dialled) && !found.some(({ to }) => to === text.trim())
      ? { to: text, ...typedAs(dialled, text, { office, people }) }
      : null;
  const isWrong =
    dialled.kind === 'invalid' &&
    state === 'found' &&
    found.length === 0 &&
    dialled.reason.code !== 'tooShort';
  /** Whom Enter means: the number typed, else whoever stands first by name, also before they stand there. */
  const first = async (): Promise<TargetChoice | { nobody: string } | 'changed'> => {
    if (typed) return typed;
    const answer = isName(dialled) ? await ask() : [];
    if (answer === 'changed') return answer;
    if (answer === 'away') return { nobody: namesAreAway };
    return asTargets(answer)[0] ?? { nobody: whyNobody(dialled, false) };
  };
  return {
    found,
    typed,
    first,
    state,
    error: isWrong ? explainNotDialable(dialled.reason) : null,
  };
}

const asTargets = (people: readonly FoundPerson[]): TargetChoice[] =>
  people.flatMap(({ kind, name, detail, personId, numbers }) =>
    numbers.map(({ label, number, written, dial }): TargetChoice => {
      const isInside = kind === 'colleague' || kind === 'team' || kind === 'conference';
      return {
        to: dial,
        name,
        detail: isInside ? `${number} · ${detail}` : `${written} · ${label}`,
        personId,
      };
    }),
  );

function typedAs(
  dialled: Dialled,
  text: string,
  names: Parameters<typeof identifyDialled>[1],
): Pick<TargetChoice, 'name' | 'detail' | 'personId'> {
  const number =
    dialled.kind === 'extension'
      ? dialled.extension
      : dialled.kind === 'national' || dialled.kind === 'international'
        ? dialled.e164
        : text;
  return identifyDialled(number, names);
}
