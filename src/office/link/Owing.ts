import type { Call } from '@/core/calls/exchange';

import type { InboxNews } from '@/core/office';

import type { FaxTold, TextEvent } from '../carrier';
import type { OfficeUpdate, Owed } from './link';

/** What the office has told and nobody has taken in yet, oldest first, also of earlier runs. */
export class Owing {
  constructor(private entries: readonly Owed[]) {}

  get all(): readonly Owed[] {
    return this.entries;
  }

  /** Gives whether there was anything. */
  settle(): boolean {
    const { length } = this.entries;
    this.entries = [];
    return length > 0;
  }

  /** Keeps of an update what others have to take in, with the calls in which something was said as they are now. */
  add(
    { at, events, endedCallIds, speech, taken }: OfficeUpdate,
    { messageIds, faxIds }: InboxNews,
    calls: ReadonlyMap<string, Call>,
  ): void {
    const kept = events.filter(({ type }) => type === 'recordWritten');
    if ([kept, speech, messageIds, faxIds, taken].every(({ length }) => length === 0)) return;
    const spokenIn = new Set(speech.map(({ callId }) => callId));
    const changedCalls = [...spokenIn].flatMap((id) => calls.get(id) ?? []);
    const one = { at, events: kept, changedCalls, endedCallIds, speech, messageIds, faxIds, taken };
    this.entries = [...this.entries, one];
  }

  /** What a carrier told an earlier version, which owed that itself; it is owed no more. */
  takeTold(): { texts: TextEvent[]; faxes: FaxTold[] } {
    const texts = this.entries.flatMap((owed) => owed.texts ?? []);
    const faxes = this.entries.flatMap((owed) => owed.faxes ?? []);
    this.entries = this.entries.map(({ texts: _, faxes: __, ...owed }) => owed);
    return { texts, faxes };
  }
}
