import { createContext, useContext, useSyncExternalStore } from 'react';

import type { PictureKind } from '@/core/calls/meetings';
import { Clock, type ClockSetting } from '@/office/clock';
import type { ReachedServer } from '@/office/socket';
import type { OfficeLink, OutsideLink } from '@/office/link';
import type { SoundPlayer } from '@/office/sound';
import type { Coming } from '@/office/voices';
import type { Book } from '@/office/sources';

import type { StoredSound, Vault } from '../storage';
import type { OtherTabs, Who } from '../tabs';
import type { OwnRows } from './ownRows';
import { PeopleFinding } from './peopleFinding';

/** The pictures of meetings, as this device shows and sees them. */
export interface MeetingPicturesHere {
  /** What comes from that end of a call, or goes out from it; null: nothing yet. */
  streamOf: (legId: string, kind: PictureKind) => MediaStream | null;
  subscribe: (listener: () => void) => () => void;
  /** Shows what this device sees, which is closed with it. Gives whether it is shown. */
  show: (legId: string, kind: PictureKind, stream: MediaStream) => Promise<boolean>;
  stop: (legId: string, kind: PictureKind) => void;
  /** What of others an element shows from now on, in how many rows of the screen; null: nothing any more. */
  look: (
    element: object,
    at: { legId: string; kind: PictureKind; rows: number; isApart?: boolean } | null,
  ) => void;
  /** Whether it is not sent now, here or there, since a network bears no more than the voice. */
  rests: (legId: string, kind: PictureKind) => boolean;
}

/** What the app's acts work with besides the store. Filled by `boot`. */
export interface Services {
  clock: Clock;
  /** The office as the worker may use and see it. */
  link: OfficeLink | null;
  /** The same office as whoever plays the people and phones outside uses and sees it, joined when it is first asked for. */
  outside: () => Promise<OutsideLink>;
  player: SoundPlayer | null;
  /** The finished sound of a recording; null where there is none (yet). */
  readSound: (recordingId: string) => Promise<StoredSound | null>;
  keepSound: (id: string, sound: StoredSound) => Promise<void>;
  /** The server that hosts the office; null: this browser does. */
  server: ReachedServer | null;
  /** When this page last asked for something in a call, by `performance.now()`. */
  lastSentAt: number;
  /** How real voices come now; null: none does, or there is a stand-in network. */
  coming: () => Coming | null;
  /** Has this browser speak at that end of a call, where another one of the same person does. */
  speakHere: (legId: string) => void;
  /** null before the start. */
  pictures: MeetingPicturesHere | null;
  /** Makes the sound of what is not kept here, once that part of the app has been fetched; null where it can't be made now. */
  mixSound: (id: string) => Promise<StoredSound | null>;
  /** Plays a kept sound once. Gives whether it was found. */
  playSound: (id: string) => Promise<boolean>;
  /** Under which name it is kept on this device. */
  storage: string;
  /** All that is kept on this device; null before the start. */
  vault: Vault | null;
  finding: PeopleFinding;
  /** The address books elsewhere, by their ids; none before they have been fetched. */
  books: ReadonlyMap<string, Book>;
  /** The other tabs of this browser; null before the start. */
  others: OtherTabs | null;
  /** What the worker keeps for themselves, on its way to the office and back. */
  ownRows: OwnRows | null;
  /** Sets the office's clock, which all tabs follow. */
  setClock: (setting: ClockSetting) => void;
  /** Resolves once the office has written everything; with `end`, it has ended too. */
  finish: (end: boolean) => Promise<void>;
  /** Begins the office again that was ended for something that was not done after all. */
  reopen: () => void;
  /** All tabs begin anew from what is kept. */
  beginAnew: () => void;
  /** Comes to the office's door once more, and shows that. */
  arrive: (who: Who) => void;
  /** This device was signed in since it came to the office. */
  isSignedIn: (token: string) => void;
  /** What is kept can't be read: the office itself stops, since to go on without it would be to write over it. */
  giveUp: (error: unknown) => void;
}

export function createServices(): Services {
  return {
    clock: new Clock(),
    link: null,
    outside: () => new Promise(() => undefined),
    player: null,
    readSound: async () => null,
    keepSound: async () => undefined,
    server: null,
    lastSentAt: -Infinity,
    coming: () => null,
    speakHere: () => undefined,
    pictures: null,
    mixSound: async () => null,
    playSound: async () => false,
    storage: '',
    vault: null,
    finding: new PeopleFinding(),
    books: new Map(),
    others: null,
    ownRows: null,
    setClock: () => undefined,
    finish: async () => undefined,
    reopen: () => undefined,
    beginAnew: () => undefined,
    arrive: () => undefined,
    isSignedIn: () => undefined,
    giveUp: () => undefined,
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
