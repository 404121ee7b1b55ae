import { useEffect, useState } from 'react';

import { openLayers } from '@/ui/layer';

/** A sheet that has not come by then does not come. */
const longestMs = 5_000;

/** When (milliseconds since the page's start) a sheet was asked for by a key; null: none is on its way. */
let askedAt: number | null = null;
let letters = '';

/** A sheet to write in was asked for by a key: what is typed until it is there is meant for it, and is no shortcut. */
export function beginTypingAhead(): void {
  askedAt = performance.now();
  letters = '';
}

const isOnItsWay = () => askedAt !== null && performance.now() - askedAt <= longestMs;

/** Takes a key that is pressed while a sheet is on its way; gives whether one is. */
export function typeAhead(key: string): boolean {
  const isThere = openLayers().some(({ isAside }) => !isAside);
  if (isThere || !isOnItsWay()) {
    askedAt = null;
    return false;
  }
  if (key === 'Backspace') letters = letters.slice(0, -1);
  else if (key.length === 1) letters += key;
  return key !== 'Escape';
}

/** What was typed before the sheet was there; for the sheet that is, whose field takes the keys from now on. */
export function useTypedAhead(): string {
  const [typed] = useState(() => (isOnItsWay() ? letters : ''));
  useEffect(() => {
    askedAt = null;
    letters = '';
  }, []);
  return typed;
}
