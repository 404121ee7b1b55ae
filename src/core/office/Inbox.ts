import type { Room } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';

import { Faxing, faxingRequestSchema, type FaxChange, type KeptFax, type ReadFaxingRequest } from './faxing';
import { Messaging, type KeptMessage, type MessagingChange } from './messaging';
import type { InboxReply, ReadInboxRequest } from './requests';
import type { Session } from './session';

/** A row of the office's tables that was written or dropped: how it was, and how it is now; null where there is none. */
export type InboxChange = MessagingChange | FaxChange;

/** The rows of the tables as an earlier run has kept them. */
export interface KeptInbox {
  messages: readonly KeptMessage[];
  rooms: readonly Room[];
  faxes: readonly KeptFax[];
}

/** Which rows somebody else than the worker brought about, so that they have to be told of: what came in, arrived or fared. */
export interface InboxNews {
  messageIds: string[];
  faxIds: string[];
}

export const emptyInbox: KeptInbox = { messages: [], rooms: [], faxes: [] };

const faxingTypes: ReadonlySet<string> = new Set(
  faxingRequestSchema.options.map(({ shape }) => shape.type.value),
);
const isOfFaxes = (request: ReadInboxRequest): request is ReadFaxingRequest => faxingTypes.has(request.type);

/** What comes in for the office and goes out, other than calls: once, for all whom it concerns. */
export class Inbox {
  readonly messaging: Messaging;
  readonly faxing: Faxing;

  constructor(office: () => OfficeIndex, isInCall: (personId: string, callId: string) => boolean) {
    this.messaging = new Messaging(office, isInCall);
    this.faxing = new Faxing(office);
  }

  /** Takes in what was kept by an earlier run. What has come in meanwhile stays. */
  load({ messages, rooms, faxes }: KeptInbox, around: Parameters<Messaging['load']>[2]): void {
    this.messaging.load(messages, rooms, around);
    this.faxing.load(faxes, around.ownerId);
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice under one id, it is done once. */
  request(session: Session, request: ReadInboxRequest, at: number): InboxReply {
    return isOfFaxes(request)
      ? this.faxing.request(session, request, at)
      : this.messaging.request(session, request, at);
  }

  /** The rows that were changed since they were last taken, each table's in order. */
  takeChanges(): { rows: InboxChange[]; news: InboxNews } {
    const [messages, faxes] = [this.messaging.takeChanges(), this.faxing.takeChanges()];
    return {
      rows: [...messages.rows, ...faxes.rows],
      news: { messageIds: messages.news, faxIds: faxes.news },
    };
  }
}
