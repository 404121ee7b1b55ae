import fc from 'fast-check';

import type { CallRecord } from '@/core/calls/exchange';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { doneByHand, looseEndsOf, putOffUntil, waitingAfter, type Waiting } from '@/core/inbox/looseEnds';
import { roomNumber, type Message, type Room } from '@/core/inbox/messages';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { PeopleIndex } from '@/core/people/contacts';
import type { Voicemail } from '@/core/inbox/voicemail';
import { arrivalsOf, askWords, didWords, type Arrival, type WhatCame } from '.';

const now = Date.UTC(2026, 10, 26, 10, 40);
const minute = 60_000;
const colleague = (id: string, name: string, extension: string) => ({
  id,
  name,
  role: '',
  extension,
  presentedLineId: '',
});
const office = new OfficeIndex({
  ...emptyOffice,
  people: [
    colleague('maren', 'Maren Oyelaran', '214'),
    colleague('ilse', 'Ilse Varga', '201'),
    colleague('odile', 'Odile Marchetti', '203'),
  ],
});
const people = new PeopleIndex(office, [
  {
    id: 'cawder',
    name: 'Cawder Flood Watch',
    firm: null,
    numbers: [{ label: 'watch room', number: '+441914980162' }],
  },
]);
const seen = { before: now, myId: 'maren', office, people };
const nothing: WhatCame = {
  records: [],
  open: [],
  voicemails: [],
  messages: [],
  faxes: [],
  rooms: {},
  parked: [],
};
const cawder = '+441914980162';

const message = (at: number, more: Partial<Message> = {}): Message => ({
  id: `m${at}`,
  callId: null,
  at,
  direction: 'in',
  number: cawder,
  fromId: null,
  asks: null,
  lineId: 'text',
  text: 'The gauge reads 2.4 m.',
  picture: null,
  state: 'received',
  failure: null,
  tries: 0,
  notBefore: null,
  sentAt: null,
  deliveredAt: null,
  readAt: null,
  ...more,
});
const room = (memberIds: string[], isOpen = true): Room => ({
  id: 'pumps',
  name: 'Pumps',
  isOpen,
  memberIds,
  callId: null,
  createdAt: now,
  closedAt: null,
});
const inRoom = (text: string, more: Partial<Message> = {}) =>
  message(now + minute, { number: roomNumber('pumps'), fromId: 'ilse', text, ...more });
const voicemail = (at: number, more: Partial<Voicemail> = {}): Voicemail => ({
  id: `v${at}`,
  callId: `c${at}`,
  mailboxId: 'maren',
  lineId: 'flood',
  from: { number: cawder, name: null, personId: null },
  at,
  durationMs: 12_000,
  isUrgent: false,
  heardAt: null,
  deletedAt: null,
  transcript: null,
  forwarded: null,
  said: [],
  ...more,
});
/** Who waits after these calls, and what was done with it. */
const waitingAfterCalls = (records: readonly CallRecord[], done: (row: Waiting) => Waiting = (row) => row) =>
  looseEndsOf({
    rows: waitingAfter(records, 'maren', office).map(done),
    followUps: [],
    wordsOf: () => null,
    takenBy: () => null,
    office,
    people,
  }).open;

/** A missed call, with whoever waits for it. */
function missed(startedAt: number, done?: (row: Waiting) => Waiting): Pick<WhatCame, 'records' | 'open'> {
  const record = testRecord({ startedAt, personId: 'maren' });
  return { records: [record], open: waitingAfterCalls([record], done) };
}
const byHand = {
  done: (row: Waiting) => doneByHand(row, now + 2 * minute, []),
  snoozed: (row: Waiting) => putOffUntil(row, now + 60 * minute, now + 2 * minute),
};
const lines = (arrivals: Arrival[]) =>
  arrivals.map((each) => `${each.who.name} ${didWords(each)}: ${askWords[each.asks]}`);

describe('what came in while I was elsewhere', () => {
  it('is one stream in the order it came, each with what it asks for', () => {
    const fax = {
      id: 'f',
      at: now + 4 * minute,
      direction: 'in' as const,
      number: null,
      lineId: 'flood',
      title: 'Order',
      pages: 2,
      state: 'received' as const,
      sentPages: 0,
      failure: null,
      fromId: null,
      pagesUrl: null,
      tries: 0,
      notBefore: null,
      endedAt: null,
      readAt: null,
    };
    const peg = { key: 'contact:peg', name: 'Peg Anstey', number: '+441174960155' };
    const came: WhatCame = {
      ...missed(now + 3 * minute),
      voicemails: [voicemail(now + 2 * minute)],
      messages: [
        message(now + 6 * minute),
        message(now + minute, { number: '203', text: 'Keys are in the van.' }),
        { ...inRoom('Maren, is it the 230?'), id: 'r', at: now + 7 * minute },
        message(now + 8 * minute, { number: '203', asks: 'callBack' }),
      ],
      faxes: [fax],
      rooms: { pumps: room(['maren']) },
      parked: [{ callId: 'p', slot: '2', since: now + 5 * minute, who: peg }],
    };
    const names = { ilse: office.people.get('ilse')!.name, at203: office.peopleByExtension.get('203')!.name };
    expect(lines(arrivalsOf(came, seen))).toEqual([
      `${names.at203} wrote: Reply`,
      'Cawder Flood Watch left a voicemail: Listen',
      'Cawder Flood Watch called: Call',
      'Withheld number sent a fax: Open',
      'Peg Anstey is parked in slot 2: Take back',
      'Cawder Flood Watch sent a text: Reply',
      `${names.ilse} mentions you in Pumps: Reply`,
      `${names.at203} asks for a call: Call`,
    ]);
  });

  it('has nothing that was there when I last looked, but a caller who is parked still waits', () => {
    const came: WhatCame = {
      ...missed(now - 5 * minute),
      voicemails: [voicemail(now - minute)],
      messages: [message(now - 1)],
      faxes: [],
      rooms: {},
      parked: [
        {
          callId: 'p',
          slot: '2',
          since: now - minute,
          who: { key: 'contact:peg', name: 'Peg Anstey', number: null },
        },
      ],
    };
    expect(arrivalsOf(came, seen).map(({ kind }) => kind)).toEqual(['parked']);
  });

  it('counts a call and a voicemail from when they were over, not from when they began before I looked', () => {
    const came = { ...nothing, ...missed(now - 10_000), voicemails: [voicemail(now - 5_000)] };
    expect(arrivalsOf(came, seen).map(({ kind }) => kind)).toEqual(['voicemail', 'call']);
  });

  it('loses what was dealt with: read, heard, put away, done, put off, taken on by a colleague', () => {
    const call = missed(now + minute);
    const settled = [
      { messages: [message(now + minute, { readAt: now + 2 * minute })] },
      { voicemails: [voicemail(now + minute, { heardAt: now + 2 * minute })] },
      { voicemails: [voicemail(now + minute, { deletedAt: now + 2 * minute })] },
      missed(now + minute, byHand.done),
      missed(now + minute, byHand.snoozed),
      { ...call, open: call.open.map((end) => ({ ...end, takenById: 'ilse' })) },
    ];
    expect(arrivalsOf({ ...nothing, ...missed(now + minute) }, seen)).toHaveLength(1);
    for (const part of settled) expect(arrivalsOf({ ...nothing, ...part }, seen)).toEqual([]);
  });

  it('of rooms is for who is in them; who is spoken to hears of an open one', () => {
    const kinds = (text: string, rooms: Room) =>
      arrivalsOf({ ...nothing, messages: [inRoom(text)], rooms: { pumps: rooms } }, seen).map(
        ({ kind }) => kind,
      );
    expect(kinds('Six are left.', room(['maren', 'ilse']))).toEqual(['message']);
    expect(kinds('Six are left.', room(['ilse']))).toEqual([]);
    expect(kinds('Ask Maren.', room(['ilse']))).toEqual(['mention']);
    expect(kinds('Ask Maren.', room(['ilse'], false))).toEqual([]);
  });

  it('has no call that I have refused, since I know of it', () => {
    const refused = testRecord({ startedAt: now + minute, personId: 'maren', outcome: 'refused' });
    const open = waitingAfterCalls([refused]);
    expect(open).toHaveLength(1);
    expect(arrivalsOf({ ...nothing, records: [refused], open }, seen)).toEqual([]);
  });

  it('asks for no call of somebody who withholds their number', () => {
    const record = testRecord({
      startedAt: now + minute,
      personId: 'maren',
      other: { number: null, name: null, personId: null },
    });
    const open = waitingAfterCalls([record]);
    expect(arrivalsOf({ ...nothing, records: [record], open }, seen)[0]).toMatchObject({ asks: 'look' });
  });

  it('stands in the order it came, whatever the order in which it is kept', () => {
    const ats = fc.uniqueArray(fc.integer({ min: 1, max: 600 }), { maxLength: 20 });
    fc.assert(
      fc.property(ats, ats, (texts, voicemails) => {
        const came = {
          ...nothing,
          messages: texts.map((at) => message(now + at * 1000)),
          voicemails: voicemails.map((at) => voicemail(now + at * 1000)),
        };
        const times = arrivalsOf(came, seen).map(({ at }) => at);
        expect(times).toEqual([...times].sort((a, b) => a - b));
        expect(times).toHaveLength(texts.length + voicemails.length);
      }),
    );
  });
});
