import { useEffect, useMemo, useState } from 'react';

import { dialledAs, numbersInOrder, type ContactNumber } from '@/core/people/contacts';
import type { Hit } from '@/core/people/search';
import { formatAny, selectLastUsed, useAppSelector, useServices } from '@/state/app';

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
  /** Whoever is meant by what is typed now, for a key that is faster than the search. */
  ask: () => Promise<FoundPerson[]>;
}

const nobody: FoundPerson[] = [];

/** Whoever is meant by what is typed, best first; while it looks, whoever was found before. */
export function useFound(text: string, most = 20): Finding {
  const services = useServices();
  // That part of the app comes after the start; drawn anew, it is seen.
  useAppSelector((state) => state.catchUp.isRead);
  const lastUsed = useAppSelector(selectLastUsed);
  const [answer, setAnswer] = useState<{ text: string; hits: readonly Hit[] } | null>(null);
  const sought = text.trim();
  const { search } = services;
  useEffect(() => {
    if (sought === '' || !search) return;
    let isOver = false;
    const look = () =>
      void search.find(sought, most).then((hits) => {
        if (!isOver) setAnswer({ text: sought, hits });
      });
    look();
    const stop = search.subscribe(look);
    return () => {
      isOver = true;
      stop();
    };
  }, [sought, most, search]);
  const hits = sought === '' ? null : (answer?.hits ?? null);
  const found = useMemo(() => hits?.map((hit) => asFound(hit, lastUsed)) ?? nobody, [hits, lastUsed]);
  const state = sought === '' ? 'idle' : !search ? 'away' : answer?.text === sought ? 'found' : 'finding';
  const ask = async () =>
    sought === '' || !search ? [] : (await search.find(sought, most)).map((hit) => asFound(hit, lastUsed));
  return { found, state, ask };
}

/** "0131 496 0142 ext 42" */
export function writtenNumber({ number, tail }: Pick<ContactNumber, 'number' | 'tail'>): string {
  const extension = /;ext=(\d+)/.exec(tail ?? '')?.[1];
  const more = extension === undefined ? (tail ? ', then digits' : '') : ` ext ${extension}`;
  return `${formatAny(number)}${more}`;
}

export const writeNumbers = (numbers: readonly ContactNumber[]): WrittenNumber[] =>
  numbers.map((each) => ({
    label: each.label,
    number: each.number,
    written: writtenNumber(each),
    dial: dialledAs(each),
  }));

function asFound(hit: Hit, lastUsed: ReadonlyMap<string, number>): FoundPerson {
  const { key, kind, name, detail, numbers, by, excerpt, numberAt } = hit;
  return {
    key,
    kind,
    name,
    detail,
    personId: kind === 'colleague' ? key.slice(key.indexOf(':') + 1) : null,
    numbers: writeNumbers(numbersInOrder(numbers, lastUsed, numberAt)),
    foundBy: excerpt === null ? null : `${by}: ${excerpt}`,
  };
}
