import type { CallRecord, Recording } from '@/core/calls/exchange';
import type { Fax } from '@/core/inbox/fax';
import type { Message, Room } from '@/core/inbox/messages';
import type { SpokenWord } from '@/core/inbox/voicemail';
import type { Contact } from '@/core/people/contacts';
import type { ReachedServer } from '@/office/socket';
import type { Book } from '@/office/sources';

import type { Begin } from '../tabs';

/**
 * An office as an app sees it before anything of it was kept on this device; its host has a beginning of its own. The composition root
 * brings both: docs/decisions/035.
 */
export interface Beginning {
  which: Begin['office'];
  /** The name under which all of it is kept on this device. */
  storage: string;
  /** Opens the worker that can host it; left out where a server does. */
  openWorker?: () => Worker;
  /** Connects to the server that hosts it; left out where this browser does. */
  reach?: () => Promise<ReachedServer>;
  /** The office's own list of people outside. */
  contacts: Contact[];
  /** Whom Outside plays. */
  outsiders: Contact[];
  /** Records of calls before the first start, at that instant (epoch milliseconds), oldest first. */
  makeHistory: (now: number) => Promise<readonly CallRecord[]>;
}

/** What else had come in before the first start. */
export interface CameBefore {
  voicemails: { record: CallRecord; clip: string }[];
  /** What is heard in recordings of calls, from its beginning. */
  recordings: { record: CallRecord; recording: Recording; clip: string }[];
  messages: Message[];
  rooms: Room[];
  faxes: Fax[];
  /** Who had tried by then (epoch milliseconds) has been answered. */
  doneBefore: number | null;
}

/** What of a beginning is fetched after the start. */
export interface LaterBeginning {
  /** Of the records before the first start, at that instant; null: nothing had come in. */
  cameBefore: ((records: readonly CallRecord[], now: number) => CameBefore) | null;
  /** Whose calls those were; null: nobody's. */
  cameFor: string | null;
  /** What stand-ins say in their clips, as a transcriber would write it. */
  words: Readonly<Record<string, readonly SpokenWord[]>>;
  /** Stand-ins for the address books elsewhere. */
  books: readonly Book[];
}
