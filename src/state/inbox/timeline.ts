import { createSelector } from '@reduxjs/toolkit';

import type { CallRecord } from '@/core/calls/exchange';
import type { FollowUp, Work } from '@/core/inbox/followUps';
import type { Fax } from '@/core/inbox/fax';
import type { Message } from '@/core/inbox/messages';
import type { ContactNumber, JoinedContact } from '@/core/people/contacts';
import { voicemailOfRecord, type Voicemail } from '@/core/inbox/voicemail';
import {
  identifyNumber,
  selectContacts,
  selectOffice,
  selectPeople,
  selectWork,
  type RootState,
} from '@/state/app';

export type TimelineItem =
  /** `voicemail` also where it was put away, to be had back. */
  | { kind: 'call'; at: number; id: string; record: CallRecord; voicemail: Voicemail | null }
  | { kind: 'message'; at: number; id: string; message: Message }
  | { kind: 'voicemail'; at: number; id: string; voicemail: Voicemail }
  | { kind: 'fax'; at: number; id: string; fax: Fax }
  | { kind: 'note'; at: number; id: string; text: string }
  | { kind: 'followUp'; at: number; id: string; followUp: FollowUp };

/** One way to reach somebody. */
export type Way = ContactNumber;

export interface Person {
  key: string;
  name: string;
  detail: string;
  /** Set for a contact. */
  contact: JoinedContact | null;
  ways: Way[];
  /** Whom a withheld call was from, nobody knows. */
  isWithheld: boolean;
}

/** Who stands behind a key: a contact with all numbers, a colleague, a bare number, or a withheld caller. */
export const selectPerson = createSelector(
  selectOffice,
  selectPeople,
  selectContacts,
  (state: RootState) => state.history.records,
  (_: RootState, key: string) => key,
  (office, people, contacts, records, key): Person => {
    const [kind = '', id = ''] = splitOnce(key);
    const colleague = kind === 'person' ? office.people.get(id) : undefined;
    if (colleague)
      return {
        key,
        name: colleague.name,
        detail: colleague.role,
        ways: [{ label: 'extension', number: colleague.extension }],
        contact: null,
        isWithheld: false,
      };
    const contact =
      kind === 'contact' ? contacts.find(({ cards }) => cards.some((card) => card.id === id)) : undefined;
    if (contact)
      return {
        key,
        name: contact.name,
        detail: contact.firm ?? '',
        ways: contact.numbers,
        contact,
        isWithheld: false,
      };
    if (kind === 'number')
      return {
        key,
        ...identifyNumber(
          id,
          records.find(({ other }) => other.number === id && other.name)?.other.name ?? null,
          people,
        ),
        ways: [{ label: 'number', number: id }],
        contact: null,
        isWithheld: false,
      };
    if (kind === 'contact')
      return {
        key,
        name: 'Not in the directory any more',
        detail: '',
        ways: [],
        contact: null,
        isWithheld: false,
      };
    return {
      key,
      name: 'Withheld number',
      detail: 'caller not shown',
      ways: [],
      contact: null,
      isWithheld: true,
    };
  },
);

function splitOnce(key: string): [string, string] {
  const at = key.indexOf(':');
  return [key.slice(0, at), key.slice(at + 1)];
}

/** Everything with one person, oldest first: calls with their voicemails, texts, notes and follow-ups. */
export const selectTimeline = createSelector(
  selectPerson,
  (state: RootState) => state.history.records,
  (state: RootState) => state.inbox.kept.voicemails,
  (state: RootState) => state.inbox.kept.messages,
  (state: RootState) => state.inbox.kept.faxes,
  selectWork,
  (person, records, voicemails, messages, faxes, work): TimelineItem[] => {
    const numbers = new Set(person.ways.map(({ number }) => number));
    const [kind, id] = splitOnce(person.key);
    const isTheirs = (record: CallRecord) =>
      kind === 'withheld'
        ? record.callId === id
        : kind === 'person'
          ? record.other.personId === id
          : record.other.number !== null && numbers.has(record.other.number);
    const calls = records.filter(isTheirs);
    const callIds = new Set(calls.map(({ callId }) => callId));
    const items: TimelineItem[] = [
      ...calls.map((record) => ({
        kind: 'call' as const,
        at: record.startedAt,
        id: record.id,
        record,
        voicemail: voicemailOfRecord(record, voicemails),
      })),
      ...Object.values(messages)
        .filter(({ number }) => numbers.has(number))
        .map((message) => ({ kind: 'message' as const, at: standsAt(message), id: message.id, message })),
      ...Object.values(voicemails)
        .filter(({ mailboxId, deletedAt }) => kind === 'person' && mailboxId === id && deletedAt === null)
        .map((voicemail) => ({ kind: 'voicemail' as const, at: voicemail.at, id: voicemail.id, voicemail })),
      ...Object.values(faxes)
        .filter(({ number }) => number !== null && numbers.has(number))
        .map((fax) => ({ kind: 'fax' as const, at: fax.at, id: fax.id, fax })),
      ...work.flatMap((item) => ofWork(item, callIds, numbers)),
    ];
    return items.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  },
);

/** A text stands where it went, or is to go, and not where it was written. */
const standsAt = ({ at, direction, sentAt, notBefore }: Message) =>
  direction === 'in' ? at : Math.max(at, sentAt ?? notBefore ?? at);

function ofWork(item: Work, callIds: ReadonlySet<string>, numbers: ReadonlySet<string>): TimelineItem[] {
  const { at, id, kind } = item;
  if (kind === 'note') return callIds.has(item.callId ?? '') ? [{ kind, at, id, text: item.text }] : [];
  if (kind !== 'followUp') return [];
  const isTheirs = callIds.has(item.callId ?? '') || (item.number !== null && numbers.has(item.number));
  return isTheirs ? [{ kind, at, id, followUp: item }] : [];
}
