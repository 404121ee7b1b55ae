import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';

import { dialledAs, numbersInOrder, type ContactNumber } from '@/core/people/contacts';
import type { Hit } from '@/core/people/search';
import { selectLastUsed, selectWrite, type Write, useAppSelector, useServices } from '@/state/app';

/** A number as it is read, and as it is dialled with what follows it. */
export interface WrittenNumber {
  label: string;
  number: string;
  written: string;
  dial: string;
}

/** Somebody who was found, with their numbers as they are offered. */
export interface FoundPerson {
  key: string;
  kind: Hit['kind'];
  name: string;
  detail: string;
  /** Set for a colleague. */
  personId: string | null;
  numbers: WrittenNumber[];
  /** By what they were found where their name does not tell: "note: … the dog is called Moss". */
  foundBy: string | null;
}

export interface Finding {
  found: FoundPerson[];
  /** `away`: the part of the app that finds people is not there yet. */
  state: 'idle' | 'finding' | 'found' | 'away';
  /**
   * Whoever is meant by what is typed now, for a key that is faster than the search. `changed`: something else has
   * been typed meanwhile, or nobody is there any more who asked; `away`: the part that finds them did not come in time.
   */
  ask: () => Promise<FoundPerson[] | 'changed' | 'away'>;
}

/** So long a key waits for the part of the app that finds people. */
const patienceMs = 5_000;

/** As it is said where names can't be looked up. */
export const namesAreAway = 'Names can’t be looked up yet. A number can be typed.';

const nobody: FoundPerson[] = [];

/** Whoever is meant by what is typed, best first; while it looks, whoever was found before. */
export function useFound(text: string, most = 20): Finding {
  const { finding } = useServices();
  const finder = useSyncExternalStore(finding.subscribe, () => finding.finder);
  const lastUsed = useAppSelector(selectLastUsed);
  const write = useAppSelector(selectWrite);
  const [answer, setAnswer] = useState<{ text: string; hits: readonly Hit[] } | null>(null);
  const sought = text.trim();
  const typed = useRef<string | null>(null);
  useEffect(() => {
    typed.current = sought;
    return () => {
      typed.current = null;
    };
  }, [sought]);
  useEffect(() => {
    if (sought === '' || !finder) return;
    let isOver = false;
    const look = () =>
      void finder.find(sought, most).then((hits) => {
        if (!isOver) setAnswer({ text: sought, hits });
      });
    look();
    const stop = finder.subscribe(look);
    return () => {
      isOver = true;
      stop();
    };
  }, [sought, most, finder]);
  const hits = sought === '' ? null : (answer?.hits ?? null);
  const found = useMemo(
    () => hits?.map((hit) => asFound(hit, lastUsed, write)) ?? nobody,
    [hits, lastUsed, write],
  );
  const state = sought === '' ? 'idle' : !finder ? 'away' : answer?.text === sought ? 'found' : 'finding';
  const ask = async () => {
    if (sought === '') return [];
    const meant = await finding.find(sought, most, patienceMs);
    if (typed.current !== sought) return 'changed';
    return meant?.map((hit) => asFound(hit, lastUsed, write)) ?? 'away';
  };
  return { found, state, ask };
}

/** "0131 496 0142 ext 42" */
export function writtenNumber(
  { number, tail }: Pick<ContactNumber, 'number' | 'tail'>,
  write: Write,
): string {
  const extension = /;ext=(\d+)/.exec(tail ?? '')?.[1];
  const more = extension === undefined ? (tail ? ', then digits' : '') : ` ext ${extension}`;
  return `${write(number)}${more}`;
}

export const writeNumbers = (numbers: readonly ContactNumber[], write: Write): WrittenNumber[] =>
  numbers.map((each) => ({
    label: each.label,
    number: each.number,
    written: writtenNumber(each, write),
    dial: dialledAs(each),
  }));

function asFound(hit: Hit, lastUsed: ReadonlyMap<string, number>, write: Write): FoundPerson {
  const { key, kind, name, detail, numbers, by, excerpt, numberAt } = hit;
  return {
    key,
    kind,
    name,
    detail,
    personId: kind === 'colleague' ? key.slice(key.indexOf(':') + 1) : null,
    numbers: writeNumbers(numbersInOrder(numbers, lastUsed, numberAt), write),
    foundBy: excerpt === null ? null : `${by}: ${excerpt}`,
  };
}
