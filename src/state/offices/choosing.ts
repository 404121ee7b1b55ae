import { newOffice, type NewOffice } from '@/core/setup';

import { setupKind, storageKeys, Vault } from '../storage';

/** Under which names the offices of this device are kept. */
export const sampleStorage = 'cendro';
export const ownStorage = 'cendro-own';

export const servedStorage = 'cendro-served';

const chosenKey = 'cendro/office';
const chairKey = 'cendro/chair';
const tokenKey = () => `${isServed() ? servedStorage : ownStorage}/token`;
const ownNameKey = 'cendro/ownOffice';

/** What a server that hosts an office has put into the page it gives (`server/office`). */
const ofThePage = (what = 'office'): string | undefined => globalThis.document?.documentElement.dataset[what];

/** Whether the office is hosted by the server that this page came from; else this browser hosts it. */
export const isServed = (): boolean => ofThePage() !== undefined;

/** Whether those outside are stand-ins, whom one can play; on a server they may be real. */
export const isOutsidePlayed = (): boolean => !isServed() || ofThePage('outside') !== undefined;

/** Which office this device opens. Where a browser lets nothing be kept, the sample. */
export function chosenOffice(): 'sample' | 'own' {
  const served = ofThePage();
  if (served !== undefined) return served === 'sample' ? 'sample' : 'own';
  return read(chosenKey) === 'own' ? 'own' : 'sample';
}

/** What the office that was begun on this device is called; null where none was. */
export const ownOfficeName = (): string | null => read(ownNameKey);

/** From the next start on. Gives whether this device can keep in mind which it is. */
export function chooseOffice(which: 'sample' | 'own'): boolean {
  return write(chosenKey, which);
}

/** As whom of the sample this device is used; null: as the worker it is about. */
export const chosenChair = (): string | null => read(chairKey);

/** What shows the office of one's own that this device is signed in; null: it is not. */
export const ownToken = (): string | null => read(tokenKey());

/** Gives whether this device can keep it. */
export const keepOwnToken = (token: string | null): boolean => write(tokenKey(), token ?? '');

/** The code of an invitation by whose link this page was opened. */
export function askedToJoin(): string | null {
  const { pathname, search } = window.location;
  return pathname === '/join' ? new URLSearchParams(search).get('code') : null;
}

/** Whether this page was opened by a link to a meeting: it is no app of the office then. */
export const isGuestPage = (): boolean => globalThis.window?.location.pathname === '/guest';

/** From the next start on. Gives whether this device can keep in mind who it is. */
export function chooseChair(personId: string | null): boolean {
  return write(chairKey, personId ?? '');
}

/** There is no office of one's own here (any more): the next start opens the sample. */
export function forgetOwnOffice(): void {
  write(chosenKey, 'sample');
  write(ownNameKey, '');
}

/**
 * Keeps a new office beside the sample, to be opened at the next start. One that is here all the same, though the browser has forgotten
 * which is opened, is found again, and nothing of it changed.
 */
export async function beginOffice(asked: NewOffice): Promise<'begun' | 'wasHere' | 'noRoom'> {
  const setup = newOffice(asked);
  let isKept = true;
  const vault = Vault.named(
    ownStorage,
    (status) => (isKept = status === 'ok'),
    () => undefined,
  );
  const [here] = (await vault.read(storageKeys.setup, setupKind)) ?? [];
  if (!here) await vault.write({ [storageKeys.setup]: Vault.encode([setup], setupKind) });
  await vault.close();
  if (here) write(ownNameKey, here.name);
  if (here) return 'wasHere';
  return isKept && write(ownNameKey, setup.name) && chooseOffice('own') ? 'begun' : 'noRoom';
}

function read(key: string): string | null {
  try {
    return localStorage.getItem(key) || null;
  } catch {
    return null;
  }
}

function write(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text);
    return true;
  } catch {
    return false;
  }
}
