import type { CallRecord } from '@/core/calls/exchange';

import type { InboxNews, Spoken } from '@/core/office';

import type { FaxTold, TextEvent } from '../carrier';
import type { Speech } from '../standins';
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

  /** Keeps of an update what others have to take in. */
  add({ at, events }: OfficeUpdate, news: InboxNews): void {
    const records = events.filter(({ type }) => type === 'recordWritten');
    if ([records, ...Object.values<string[]>({ ...news })].every(({ length }) => length === 0)) return;
    this.entries = [...this.entries, { at, events: records, ...news }];
  }

  /**
   * What earlier versions were told and had not taken in, which they kept elsewhere; it is owed in that form no more. Records that
   * are still owed may be of calls that left a message.
   */
  takeTold(): { texts: TextEvent[]; faxes: FaxTold[]; spoken: Spoken[]; records: CallRecord[] } {
    const told = {
      texts: this.entries.flatMap((owed) => owed.texts ?? []),
      faxes: this.entries.flatMap((owed) => owed.faxes ?? []),
      spoken: spokenOf(this.entries.flatMap((owed) => owed.speech ?? [])),
      records: this.entries.flatMap(({ events }) =>
        events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : [])),
      ),
    };
    this.entries = this.entries.map(({ texts: _, faxes: __, speech: ___, ...owed }) => owed);
    return told;
  }
}

/** What was said in each call. */
function spokenOf(speech: readonly Speech[]): Spoken[] {
  const logs = new Map<string, Spoken>();
  for (const { callId, at, clip } of speech) {
    const log = logs.get(callId) ?? { callId, heard: [] };
    log.heard.push({ kind: 'clip', at, clip });
    logs.set(callId, log);
  }
  return [...logs.values()];
}
