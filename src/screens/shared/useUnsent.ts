import { useCallback, useState } from 'react';

import { selectMyId, useAppSelector } from '@/state/app';
import { chosenOffice } from '@/state/offices';

/** A text of so many letters no network carries; more of a paste is not kept over a reload. */
const longest = 20_000;

const addressOf = (myId: string, where: string) => `cendro/unsent/${chosenOffice()}/${myId}/${where}`;

/**
 * What is being written to somebody, which stays on this device until it is sent: neither a reload nor a tab that closes takes it.
 * `where`: whom or what it goes to.
 */
export function useUnsent(
  where: string,
): readonly [string, (change: string | ((typed: string) => string)) => void] {
  const myId = useAppSelector(selectMyId);
  const address = addressOf(myId, where);
  const [text, setText] = useState(() => read(address));
  const change = useCallback(
    (to: string | ((typed: string) => string)) =>
      setText((typed) => {
        const next = typeof to === 'string' ? to : to(typed);
        keep(address, next);
        return next;
      }),
    [address],
  );
  return [text, change];
}

/** Puts words where they will be found when somebody is written to. */
export const leaveUnsent = (myId: string, where: string, text: string): void =>
  keep(addressOf(myId, where), text);

function read(address: string): string {
  try {
    return localStorage.getItem(address) ?? '';
  } catch {
    return '';
  }
}

/** Where nothing can be kept, the words are on the screen still. */
function keep(address: string, text: string): void {
  try {
    if (text === '') localStorage.removeItem(address);
    else localStorage.setItem(address, text.slice(0, longest));
  } catch {
    return;
  }
}
