import type { CallRecord } from '@/core/calls/exchange';
import { isOver, type Fax } from '@/core/inbox/fax';
import type { Message } from '@/core/inbox/messages';
import type { Voicemail } from '@/core/inbox/voicemail';
import { changesBetween, type InboxSlice } from '@/state/app';

/** What has come in, or got to where it was sent, and has not been told yet. */
export interface News {
  texts: Message[];
  faxes: Fax[];
  voicemails: Voicemail[];
  records: CallRecord[];
}

type Kept = Pick<InboxSlice['kept'], 'messages' | 'faxes' | 'voicemails'>;

/** Nothing had been there. */
export const nothingKept: Kept = { messages: {}, faxes: {}, voicemails: {} };

/**
 * What is otherwise than it was before, as far as it is news. Of a room that somebody enters now the old lines are none.
 *
 * @param since up to when (epoch milliseconds) all has been told
 */
export function newsBetween(before: Kept, kept: Kept, since: number): Omit<News, 'records'> {
  return {
    texts: changesBetween(before.messages, kept.messages).put.filter((message) =>
      isNewsOf(momentOfText(message), momentOfText(before.messages[message.id]), since),
    ),
    faxes: changesBetween(before.faxes, kept.faxes).put.filter((fax) =>
      isNewsOf(momentOfFax(fax), momentOfFax(before.faxes[fax.id]), since),
    ),
    voicemails: changesBetween(before.voicemails, kept.voicemails).put.filter(
      ({ id, at, durationMs, forwarded }) =>
        !(id in before.voicemails) && (at + durationMs >= since || (forwarded !== null && hadAny(before))),
    ),
  };
}

export const hasNews = (news: News): boolean =>
  Object.values<unknown[]>({ ...news }).some(({ length }) => length > 0);

/** Of one that was passed on it is not known when, unless it came just now. */
const hadAny = (before: Kept) => before !== nothingKept;

const isNewsOf = (now: number | null, before: number | null, since: number) =>
  now !== null && before === null && now >= since;

/** When it was there, or got there; null: neither yet. */
const momentOfText = (message: Message | undefined): number | null =>
  message ? (message.direction === 'in' ? message.at : message.deliveredAt) : null;
const momentOfFax = (fax: Fax | undefined): number | null =>
  fax ? (fax.direction === 'in' ? fax.at : isOver(fax) ? fax.endedAt : null) : null;
