import type { Room } from '@/core/inbox/messages';
import type { Voicemail } from '@/core/inbox/voicemail';
import type { OfficeIndex } from '@/core/setup';

import {
  assignmentRequestSchema,
  Assignments,
  type Assignment,
  type AssignmentChange,
  type ReadAssignmentRequest,
} from './assignments';
import { Faxing, faxingRequestSchema, type FaxChange, type KeptFax, type ReadFaxingRequest } from './faxing';
import {
  Mailboxes,
  mailboxRequestSchema,
  type MailboxChange,
  type ReadMailboxRequest,
  type Spoken,
} from './mailboxes';
import { Messaging, type KeptMessage, type MessagingChange } from './messaging';
import { Personal, personalRequestSchema, type PersonalChange, type ReadPersonalRequest } from './personal';
import type { InboxReply, ReadInboxRequest } from './requests';
import type { Session } from './session';

/** A row of the office's tables that was written or dropped: how it was, and how it is now; null where there is none. */
export type InboxChange = MessagingChange | FaxChange | MailboxChange | AssignmentChange | PersonalChange;

/** The rows of the tables as an earlier run has kept them. */
export interface KeptInbox {
  messages: readonly KeptMessage[];
  rooms: readonly Room[];
  faxes: readonly KeptFax[];
  voicemails: readonly Voicemail[];
  spoken: readonly Spoken[];
  assignments: readonly Assignment[];
}

/** Which rows somebody else than the worker brought about, so that they have to be told of: what came in, arrived or fared. */
export interface InboxNews {
  messageIds: string[];
  faxIds: string[];
  voicemailIds: string[];
}

export const emptyInbox: KeptInbox = {
  messages: [],
  rooms: [],
  faxes: [],
  voicemails: [],
  spoken: [],
  assignments: [],
};

const typesOf = (schema: { options: readonly { shape: { type: { value: string } } }[] }) =>
  new Set(schema.options.map(({ shape }) => shape.type.value));
const faxingTypes = typesOf(faxingRequestSchema);
const mailboxTypes = typesOf(mailboxRequestSchema);
const assignmentTypes = typesOf(assignmentRequestSchema);
const personalTypes = typesOf(personalRequestSchema);
const isOfFaxes = (request: ReadInboxRequest): request is ReadFaxingRequest => faxingTypes.has(request.type);
const isOfMailboxes = (request: ReadInboxRequest): request is ReadMailboxRequest =>
  mailboxTypes.has(request.type);
const isOfAssignments = (request: ReadInboxRequest): request is ReadAssignmentRequest =>
  assignmentTypes.has(request.type);
export const isOfPersonal = (request: ReadInboxRequest): request is ReadPersonalRequest =>
  personalTypes.has(request.type);

type Around = Parameters<Messaging['load']>[2] & Parameters<Mailboxes['load']>[2];

/**
 * What comes in for the office and goes out, other than calls: once, for all whom it concerns; and what each keeps for themselves,
 * which is opened by itself (`personal.open`).
 */
export class Inbox {
  readonly messaging: Messaging;
  readonly faxing: Faxing;
  readonly mailboxes: Mailboxes;
  readonly assignments: Assignments;
  readonly personal = new Personal();

  constructor(office: () => OfficeIndex, isInCall: (personId: string, callId: string) => boolean) {
    this.messaging = new Messaging(office, isInCall);
    this.faxing = new Faxing(office);
    this.mailboxes = new Mailboxes(office);
    this.assignments = new Assignments(office);
  }

  /** Takes in what was kept by an earlier run. What has come in meanwhile stays. */
  load({ messages, rooms, faxes, voicemails, spoken, assignments }: KeptInbox, around: Around): void {
    this.messaging.load(messages, rooms, around);
    this.faxing.load(faxes, around.ownerId);
    this.mailboxes.load(voicemails, spoken, around);
    this.assignments.load(assignments);
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice under one id, it is done once. */
  request(session: Session, request: ReadInboxRequest, at: number): InboxReply {
    if (isOfFaxes(request)) return this.faxing.request(session, request, at);
    if (isOfAssignments(request)) return this.assignments.request(session, request, at);
    if (isOfMailboxes(request)) return this.mailboxes.request(session, request, at);
    if (isOfPersonal(request)) return this.personal.request(session, request, at);
    return this.messaging.request(session, request, at);
  }

  /** A call is over: its chat ends with it, and what was said in it is with the message that it left. */
  callEnded(callId: string, at: number): void {
    this.messaging.callEnded(callId, at);
    this.mailboxes.callEnded(callId);
  }

  /** The rows that were changed since they were last taken, each table's in order. */
  takeChanges(): { rows: InboxChange[]; news: InboxNews } {
    const messages = this.messaging.takeChanges();
    const faxes = this.faxing.takeChanges();
    const mailboxes = this.mailboxes.takeChanges();
    return {
      rows: [
        ...messages.rows,
        ...faxes.rows,
        ...mailboxes.rows,
        ...this.assignments.takeChanges(),
        ...this.personal.takeChanges(),
      ],
      news: { messageIds: messages.news, faxIds: faxes.news, voicemailIds: mailboxes.news },
    };
  }
}
