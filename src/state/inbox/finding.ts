import { createSelector } from '@reduxjs/toolkit';

import type { CallRecord } from '@/core/calls/exchange';
import type { Fax } from '@/core/inbox/fax';
import type { Work } from '@/core/inbox/followUps';
import { findWords, type Findable } from '@/core/shared/textSearch';
import type { PeopleIndex } from '@/core/people/contacts';
import { groupByDay } from '@/core/calls/history';
import { fitsFilter, isFiltering, sumsOf } from '@/core/calls/historyTable';
import type { Message } from '@/core/inbox/messages';
import { textOf, type Voicemail } from '@/core/inbox/voicemail';
import { formatAny, identifyNumber, selectPeople, selectWork, selectZone, type RootState } from '@/state/app';

/** Something found by its words, newest first. */
export type Found =
  | { kind: 'call'; at: number; id: string; record: CallRecord }
  | { kind: 'voicemail'; at: number; id: string; voicemail: Voicemail; text: string }
  | { kind: 'text'; at: number; id: string; message: Message }
  | { kind: 'fax'; at: number; id: string; fax: Fax }
  | { kind: 'work'; at: number; id: string; text: string; isFollowUp: boolean };

const mostFound = 60;

/** The records that pass the filter, newest first; all of them where none is set. */
const selectFiltered = createSelector(
  (state: RootState) => state.history.records,
  (state: RootState) => state.inbox.sought.filter,
  (state: RootState) => state.inbox.kept.deletedRecordings,
  (records, filter, deleted): readonly CallRecord[] =>
    isFiltering(filter) ? records.filter((record) => fitsFilter(record, filter, deleted)) : records,
);

/** The filtered history under its days, and what it comes to. */
export const selectFilteredRows = createSelector(selectFiltered, selectZone, groupByDay);
export const selectFilteredSums = createSelector(selectFiltered, sumsOf);
export const selectFilteredRecords = selectFiltered;
export const selectIsFiltered = (state: RootState) => isFiltering(state.inbox.sought.filter);

/** What was said or written with those words; null where there are none. */
export const selectFound = createSelector(
  (_: RootState, words: string) => words,
  (state: RootState) => state.history.records,
  (state: RootState) => state.inbox.kept.voicemails,
  (state: RootState) => state.inbox.kept.messages,
  selectWork,
  (state: RootState) => state.inbox.kept.faxes,
  selectPeople,
  (words, records, voicemails, messages, work, faxes, people): Found[] | null => {
    if (words.trim() === '') return null;
    const nameOf = (number: string | null, name: string | null) => identifyNumber(number, name, people).name;
    const said = findWords(
      words,
      [
        ...ofVoicemails(voicemails),
        ...ofMessages(messages, nameOf),
        ...ofFaxes(faxes, nameOf),
        ...ofWork(work),
      ],
      mostFound,
    );
    const calls = findWords(words, ofRecords(records, nameOf, people), mostFound);
    return [...said, ...calls].sort((a, b) => b.at - a.at).slice(0, mostFound);
  },
);

type NameOf = (number: string | null, name: string | null) => string;

/** Made as they are asked for, so that a search that has enough goes no further back. */
function* ofRecords(
  records: readonly CallRecord[],
  nameOf: NameOf,
  { plan }: PeopleIndex,
): Generator<Findable<Found>> {
  for (const record of records) {
    const { number, name } = record.other;
    const text = `${nameOf(number, name)} ${number === null ? 'withheld' : formatAny(number, plan)} ${number ?? ''}`;
    yield { item: { kind: 'call', at: record.startedAt, id: record.id, record }, text };
  }
}

function ofVoicemails(voicemails: Record<string, Voicemail>): Findable<Found>[] {
  return Object.values(voicemails).flatMap((voicemail) => {
    const { id, at, transcript, deletedAt } = voicemail;
    if (transcript === null || deletedAt !== null) return [];
    const text = textOf(transcript);
    return [{ item: { kind: 'voicemail' as const, at, id, voicemail, text }, text }];
  });
}

function ofMessages(messages: Record<string, Message>, nameOf: NameOf): Findable<Found>[] {
  return Object.values(messages).map((message) => ({
    item: { kind: 'text' as const, at: message.at, id: message.id, message },
    text: `${message.text} ${message.picture?.alt ?? ''} ${nameOf(message.number, null)}`,
  }));
}

const ofFaxes = (faxes: Record<string, Fax>, nameOf: NameOf): Findable<Found>[] =>
  Object.values(faxes).map((fax) => ({
    item: { kind: 'fax', at: fax.at, id: fax.id, fax },
    text: `${fax.title} ${nameOf(fax.number, null)}`,
  }));

const ofWork = (items: readonly Work[]): Findable<Found>[] =>
  items.map((item) => {
    const text = item.kind === 'followUp' ? [item.text, item.name, ...item.words].join(' ') : item.text;
    const isFollowUp = item.kind === 'followUp';
    return { item: { kind: 'work', at: item.at, id: item.id, text: item.text, isFollowUp }, text };
  });
