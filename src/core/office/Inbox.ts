import type { Room } from '@/core/inbox/messages';
import type { CallRecord } from '@/core/calls/exchange';
import type { Waiting } from '@/core/inbox/looseEnds';
import type { Voicemail } from '@/core/inbox/voicemail';
import type { OfficeIndex } from '@/core/setup';
import type { SetupEntry } from '@/core/setup/edits';

import { assignmentRequestSchema, type Assignment, type ReadAssignmentRequest } from './assignments';
import { Assignments, type AssignmentChange } from './assignments/Assignments';
import { configurationRequestSchema, type ReadConfigurationRequest } from './configuration';
import { Configuration, type Reconfigure, type SetupLogChange } from './configuration/Configuration';
import { faxingRequestSchema, type KeptFax, type ReadFaxingRequest } from './faxing';
import { Faxing, type FaxChange } from './faxing/Faxing';
import { mailboxRequestSchema, type ReadMailboxRequest, type Spoken } from './mailboxes';
import { Mailboxes, type MailboxChange } from './mailboxes/Mailboxes';
import type { KeptMessage } from './messaging';
import { Messaging, type MessagingChange } from './messaging/Messaging';
import { personalRequestSchema, type ReadPersonalRequest } from './personal';
import { Personal, type PersonalChange } from './personal/Personal';
import type { InboxReply, ReadInboxRequest } from './requests';
import type { Revision } from './Revisions';
import type { Session } from './session';
import { waitingRequestSchema, type ReadWaitingRequest } from './waiting';
import { WhoWaits, type WaitingChange } from './waiting/WhoWaits';

/** A row of the office's tables that was written or dropped: how it was, and how it is now; null where there is none. */
export type InboxChange =
  | MessagingChange
  | FaxChange
  | MailboxChange
  | AssignmentChange
  | WaitingChange
  | PersonalChange
  | SetupLogChange;

/** The rows of the tables as an earlier run has kept them. */
export interface KeptInbox {
  messages: readonly KeptMessage[];
  rooms: readonly Room[];
  faxes: readonly KeptFax[];
  voicemails: readonly Voicemail[];
  spoken: readonly Spoken[];
  assignments: readonly Assignment[];
  waiting: readonly Waiting[];
  setupLog: readonly SetupEntry[];
  /** Which rows were changed when; left out where that is not kept. */
  revisions?: readonly Revision[];
}

export const emptyInbox: KeptInbox = {
  messages: [],
  rooms: [],
  faxes: [],
  voicemails: [],
  spoken: [],
  assignments: [],
  waiting: [],
  setupLog: [],
};

const typesOf = (schema: { options: readonly { shape: { type: { value: string } } }[] }) =>
  new Set(schema.options.map(({ shape }) => shape.type.value));
const faxingTypes = typesOf(faxingRequestSchema);
const mailboxTypes = typesOf(mailboxRequestSchema);
const assignmentTypes = typesOf(assignmentRequestSchema);
const waitingTypes = typesOf(waitingRequestSchema);
const personalTypes = typesOf(personalRequestSchema);
const configurationTypes = typesOf(configurationRequestSchema);
const isOfFaxes = (request: ReadInboxRequest): request is ReadFaxingRequest => faxingTypes.has(request.type);
const isOfMailboxes = (request: ReadInboxRequest): request is ReadMailboxRequest =>
  mailboxTypes.has(request.type);
const isOfAssignments = (request: ReadInboxRequest): request is ReadAssignmentRequest =>
  assignmentTypes.has(request.type);
const isOfWaiting = (request: ReadInboxRequest): request is ReadWaitingRequest =>
  waitingTypes.has(request.type);
const isOfConfiguration = (request: ReadInboxRequest): request is ReadConfigurationRequest =>
  configurationTypes.has(request.type);
export const isOfPersonal = (request: ReadInboxRequest): request is ReadPersonalRequest =>
  personalTypes.has(request.type);

type Around = Parameters<Messaging['load']>[2] &
  Omit<Parameters<Mailboxes['load']>[2], 'records'> & {
    /** What an earlier version had told and not counted. */
    untaken: { records: readonly CallRecord[]; messageIds: readonly string[]; faxIds: readonly string[] };
  };

/**
 * What comes in for the office and goes out, other than calls: once, for all whom it concerns; what each keeps for themselves, which is
 * opened by itself (`personal.open`); and what whoever runs the office changes of it.
 */
export class Inbox {
  readonly messaging: Messaging;
  readonly faxing: Faxing;
  readonly mailboxes: Mailboxes;
  readonly assignments: Assignments;
  readonly whoWaits: WhoWaits;
  readonly personal = new Personal();
  readonly configuration: Configuration;
  /** What taking in what was kept has changed: it was counted when it happened. */
  private loaded: InboxChange[] = [];

  constructor(
    office: () => OfficeIndex,
    isInCall: (personId: string, callId: string) => boolean,
    reconfigure: Reconfigure,
  ) {
    this.configuration = new Configuration(office, reconfigure);
    this.messaging = new Messaging(office, isInCall);
    this.faxing = new Faxing(office);
    this.mailboxes = new Mailboxes(office);
    this.whoWaits = new WhoWaits(office);
    this.assignments = new Assignments(office, (teamId, handle) => this.whoWaits.lastTriedAt(teamId, handle));
  }

  /** Takes in what was kept by an earlier run. What has come in meanwhile stays. */
  load(
    { messages, rooms, faxes, voicemails, spoken, assignments, waiting, setupLog }: KeptInbox,
    around: Around,
  ): void {
    const before = this.takeChanges();
    this.messaging.load(messages, rooms, around);
    this.faxing.load(faxes, around.ownerId);
    this.mailboxes.load(voicemails, spoken, { ...around, records: around.untaken.records });
    this.assignments.load(assignments);
    this.whoWaits.load(waiting);
    this.configuration.load(setupLog);
    this.loaded = [...before, ...this.messaging.takeChanges(), ...this.faxing.takeChanges()];
    this.count(around.untaken);
  }

  /** What an earlier version's app had to count, and had not. */
  private count({ records, messageIds, faxIds }: Around['untaken']): void {
    const { messaging, faxing, whoWaits } = this;
    for (const record of records) whoWaits.recordWritten(record);
    const messages = messageIds.flatMap((id) => {
      const now = messaging.all.get(id);
      return now ? [{ table: 'messages' as const, id, before: null, now }] : [];
    });
    const faxes = faxIds.flatMap((id) => {
      const now = faxing.all.get(id);
      return now ? [{ table: 'faxes' as const, id, before: null, now }] : [];
    });
    whoWaits.follow({ messages, faxes }, messaging);
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice under one id, it is done once. */
  request(session: Session, request: ReadInboxRequest, at: number): InboxReply {
    if (isOfFaxes(request)) return this.faxing.request(session, request, at);
    if (isOfAssignments(request)) return this.assignments.request(session, request, at);
    if (isOfMailboxes(request)) return this.mailboxes.request(session, request, at);
    if (isOfWaiting(request)) return this.whoWaits.request(session, request, at);
    if (isOfConfiguration(request)) return this.configuration.request(session, request, at);
    if (isOfPersonal(request)) return this.personal.request(session, request, at);
    return this.messaging.request(session, request, at);
  }

  /** A call is over: its chat ends with it, and what was said in it is with the message that it left. */
  callEnded(callId: string, at: number): void {
    this.messaging.callEnded(callId, at);
    this.mailboxes.callEnded(callId);
  }

  /** A call is over for one of those who were in it, or were called: it may have left a message, and whoever called waits. */
  recordWritten(record: CallRecord): void {
    this.mailboxes.recordWritten(record);
    this.whoWaits.recordWritten(record);
  }

  /** The rows that were changed since they were last taken, each table's in order. */
  takeChanges(): InboxChange[] {
    const { loaded } = this;
    this.loaded = [];
    const messages = this.messaging.takeChanges();
    const faxes = this.faxing.takeChanges();
    this.whoWaits.follow({ messages, faxes }, this.messaging);
    return [
      ...loaded,
      ...messages,
      ...faxes,
      ...this.mailboxes.takeChanges(),
      ...this.assignments.takeChanges(),
      ...this.whoWaits.takeChanges(),
      ...this.personal.takeChanges(),
      ...this.configuration.takeChanges(),
    ];
  }
}
