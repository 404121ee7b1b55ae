import { useState } from 'react';

import { readWhen } from '@/core/shared/parseTime';
import { nextFirstHour } from '@/core/plans/routing';
import { formatDayAndClock } from '@/core/shared/time';
import { selectMyId, selectOffice, selectZone, useAppSelector, useNow } from '@/state/app';

export const ends = ['open', '30', '60', '120', 'firstHour', 'at'] as const;
export type End = (typeof ends)[number];

/** When something ends: by itself after a while, at a time that is typed, or not. */
export function useEnd(first: End) {
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const [end, setEnd] = useState<End>(first);
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const firstHour = nextFirstHour(office, myId, now);

  const options = [
    { value: 'open' as const, word: 'until I change it' },
    { value: '30' as const, word: '30 min' },
    { value: '60' as const, word: '1 h' },
    { value: '120' as const, word: '2 h' },
    ...(firstHour === null
      ? []
      : [{ value: 'firstHour' as const, word: `${formatDayAndClock(firstHour, now, zone)}, my first hour` }]),
    { value: 'at' as const, word: 'at a time' },
  ];

  /** The instant; null for none; undefined where what was typed is wrong, which is then said at the field. */
  const read = (at: number): number | null | undefined => {
    setError(null);
    if (end === 'open') return null;
    if (end === 'firstHour') return firstHour;
    if (end !== 'at') return at + Number(end) * 60_000;
    const found = readWhen(text, at, zone);
    if (!found.ok) setError(found.sentence);
    else if (found.at <= at) setError('That is in the past.');
    else return found.at;
    return undefined;
  };
  return { end, setEnd, text, setText, error, options, read };
}
