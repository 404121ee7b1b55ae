import type { CallRecord } from '@/core/calls/exchange';
import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { OfficeIndex, type OfficeSetup } from '@/core/setup';
import type { Waiting } from '@/core/inbox/looseEnds';

import { emptyInbox, Inbox, type InboxChange, type KeptInbox } from '../../Inbox';
import { inboxRequestSchema, type InboxRequest } from '../../requests';
import { member } from '../../tests/member';

export const at = Date.UTC(2026, 10, 26, 10, 40);
export const farm = '+447700900333';
export const people = ['ada', 'ben', 'cleo'] as const;
const extensions = { ada: '214', ben: '201', cleo: '211' } as const;
const [team] = testSetup.teams;
const cord = { hue: 4, stroke: 'double' } as const;
const textLine = { name: 'Texts', cord, urgent: false, texts: true } as const;

/** For the tests: Ada has a line for texts, and with Ben another one, as a team; Cleo is in none. */
const setup: OfficeSetup = {
  ...testSetup,
  teams: [{ ...team!, id: 'yard', memberIds: ['ada', 'ben'] }],
  lines: [
    ...testSetup.lines,
    { ...textLine, id: 'adas', number: '+447700900120', ownerId: 'ada' },
    { ...textLine, id: 'yards', number: '+447700900121', ownerId: 'yard', urgent: true },
  ],
};

/** All that is asked of the office beside calls, and the records of calls, as far as it says who waits. */
export function openWaiting(kept: KeptInbox = emptyInbox, from = at) {
  const index = new OfficeIndex(setup);
  const inbox = new Inbox(
    () => index,
    () => true,
    () => undefined,
  );
  const untaken = { records: [], messageIds: [], faxIds: [] };
  inbox.load(kept, { ownerId: 'ada', isLive: () => true, at: from, untaken });
  let now = from;
  let made = from;
  const changes: InboxChange[] = [];
  const take = () => void changes.push(...inbox.takeChanges());
  const ask = (personId: string, request: InboxRequest) => {
    const reply = inbox.request(member(personId), inboxRequestSchema.parse(request), ++now);
    take();
    return reply;
  };
  const record = (personId: string, given: Partial<CallRecord> = {}) => {
    const callId = given.callId ?? `c${++made}`;
    const startedAt = (now += 60_000);
    const times = { startedAt, endedAt: (now += 30_000) };
    const other = { number: farm, name: null, personId: null };
    inbox.recordWritten(
      testRecord({ id: `${callId}-${personId}`, callId, personId, ...times, other, ...given }),
    );
    take();
    return callId;
  };
  /** A call for the yard that nobody takes: each of its members has a record of it. */
  const missTeam = () => {
    const callId = `c${++made}`;
    const trace = { ownerId: 'yard' } as CallRecord['trace'];
    for (const personId of ['ada', 'ben']) record(personId, { callId, trace });
  };
  const talk = (personId: string, number = farm) =>
    record(personId, {
      ...{ direction: 'out', outcome: 'answered', answeredAt: now + 60_000 },
      other: { number, name: null, personId: null },
    });
  const textIn = (lineId: string, number = farm) => {
    const between = { kind: 'line', number, fromId: null } as const;
    const stages = { state: 'received', failure: null, tries: 0, notBefore: null, sentAt: null } as const;
    inbox.messaging.arrived({
      ...{ id: `in${++made}`, at: ++now, callId: null, asks: null, lineId, between, text: 'Gate?' },
      ...{ picture: null, deliveredAt: null, readBy: {}, ...stages },
    });
    take();
  };
  const write = (personId: string, number: string, text = 'Yes.', given: object = {}) => {
    const asked = { type: 'write', id: `w${++made}`, number, lineId: 'adas', text, ...given } as const;
    const reply = ask(personId, asked);
    const { messaging } = inbox;
    for (let next = messaging.nextToSend(now); next; next = messaging.nextToSend(now)) {
      messaging.answered(next.id, 'taken', ++now);
      messaging.delivered(next.id, ++now);
    }
    take();
    return reply;
  };
  /** By what is known who waits for somebody, and by how many tries. */
  const waits = (personId: string) =>
    inbox.whoWaits
      .of(personId)
      .filter(({ tries }) => tries.length > 0)
      .map(({ handle, tries }) => `${handle} ${tries.map(({ kind }) => kind).join(' ')}`);
  const rows = () => [...inbox.whoWaits.all.values()];
  return { inbox, ask, record, missTeam, talk, textIn, write, waits, rows, changes, now: () => now };
}

/** The rows that a host has written by then. */
export function keptOf(changes: readonly InboxChange[]): KeptInbox {
  const last = new Map(changes.map(({ table, id, now }) => [`${table} ${id}`, { table, now }] as const));
  const of = <Row>(table: InboxChange['table']) =>
    [...last.values()].flatMap((each) => (each.table === table && each.now ? [each.now as Row] : []));
  return { ...emptyInbox, messages: of('messages'), rooms: of('rooms'), waiting: of<Waiting>('waiting') };
}

export { extensions };
