import type { CallRecord } from '@/core/calls/exchange';
import type { Spoken } from '@/core/office';

import type { FaxTold, TextEvent } from '../carrier';
import type { Speech } from '../standins';
import type { ToldBefore } from '../link';

/** What an earlier version's app had been told and had not taken in; some of it was kept elsewhere then. */
interface Untaken {
  records: CallRecord[];
  messageIds: string[];
  faxIds: string[];
  texts: TextEvent[];
  faxes: FaxTold[];
  spoken: Spoken[];
}

export const untakenOf = (entries: readonly ToldBefore[]): Untaken => ({
  records: entries.flatMap(({ events }) =>
    events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : [])),
  ),
  messageIds: entries.flatMap(({ messageIds }) => messageIds),
  faxIds: entries.flatMap(({ faxIds }) => faxIds),
  texts: entries.flatMap(({ texts }) => texts ?? []),
  faxes: entries.flatMap(({ faxes }) => faxes ?? []),
  spoken: spokenOf(entries.flatMap(({ speech }) => speech ?? [])),
});

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
