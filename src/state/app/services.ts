import { createContext, useContext, useSyncExternalStore } from 'react';

import { Clock } from '@/office/clock';
import type { OfficeLink, OutsideLink } from '@/office/link';
import type { SoundPlayer } from '@/office/sound';
import type { Book } from '@/office/sources';

import type { ReadBelongings, StoredSound, Vault } from '../storage';
import type { OwnRows } from './ownRows';
import { PeopleFinding } from './peopleFinding';

/** What the app's acts work with besides the store. Filled by `boot`. */
export interface Services {
  clock: Clock;
  /** The office as the worker may use and see it. */
  link: OfficeLink | null;
  /** The same office as whoever plays the people and phones outside uses and sees it. */
  outside: OutsideLink | null;
  player: SoundPlayer | null;
  /** The finished sound of a recording; null where there is none (yet). */
  readSound: (recordingId: string) => Promise<StoredSound | null>;
  keepSound: (id: string, sound: StoredSound) => Promise<void>;
  /** All that is kept on this device; null while another tab runs the office. */
  vault: Vault | null;
  finding: PeopleFinding;
  /** The address books elsewhere, by their ids; none before they have been fetched. */
  books: ReadonlyMap<string, Book>;
  /** Brings the office rows that each keeps for themselves, and with the last sorts of them `isLast`. Resolves once what that changed is kept. */
  openBelongings: (read: ReadBelongings, isLast: boolean) => Promise<void>;
  /** What the worker keeps for themselves, on its way to the office and back. */
  ownRows: OwnRows | null;
  /** What is kept can't be read: the office itself stops, since to go on without it would be to write over it. */
  giveUp: (error: unknown) => void;
  /** Moves the office from another tab into this one. */
  takeOver: () => Promise<void>;
}

export function createServices(): Services {
  return {
    clock: new Clock(),
    link: null,
    outside: null,
    player: null,
    readSound: async () => null,
    keepSound: async () => undefined,
    vault: null,
    finding: new PeopleFinding(),
    books: new Map(),
    openBelongings: async () => undefined,
    ownRows: null,
    giveUp: () => undefined,
    takeOver: async () => undefined,
  };
}

export const ServicesContext = createContext<Services>(createServices());
export const useServices = () => useContext(ServicesContext);

/** The clock's time in whole steps (1 s unless said otherwise); who uses it is drawn anew at each step. */
export function useNow(stepMs = 1000): number {
  const { clock } = useServices();
  return useSyncExternalStore(
    (changed) => {
      const stop = clock.subscribe(changed);
      const timer = setInterval(changed, Math.min(stepMs, 1000));
      return () => {
        stop();
        clearInterval(timer);
      };
    },
    () => Math.floor(clock.now() / stepMs) * stepMs,
  );
}
