import {
  answered,
  cannotText,
  cannotWrite,
  delivered,
  entered,
  isInside,
  left,
  mayRead,
  nextSendAt,
  nextToSend,
  returned,
  roomIdOf,
  roomNameProblem,
  tryAgain,
  type CarrierAnswer,
  type Message,
  type Queued,
  type Room,
} from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';

import { done, handle, refused, type Handlers } from '../handling';
import { usesLine } from '../lines';
import type { RowChange } from '../rows';
import { hasRole, type Session } from '../session';
import { addresseeOf, authorOf, writtenOfficeMessage, type KeptMessage, type OfficeMessage } from './entity';
import { fromOnePerson } from './ofOnePerson';
import type { MessagingRefusal, MessagingReply, ReadMessagingRequest } from './requests';
import { viewOfMessage, type MessagingSeen } from './view';

export type MessagingChange = RowChange<'messages', OfficeMessage> | RowChange<'rooms', Room>;

const notYours = (what: Extract<MessagingRefusal, { code: 'notYours' }>['what']) =>
  refused({ code: 'notYours', what } as const);

/**
 * The office's messages and rooms: each is there once, for all whom it concerns. Deterministic; time comes with what is asked. All
 * that it changes is noted until it is taken (`takeChanges`), so that a host can keep it before anybody is told.
 */
export class Messaging implements MessagingSeen {
  private readonly messagesById = new Map<string, OfficeMessage>();
  private readonly roomsById = new Map<string, Room>();
  /** Which messages go to the same number, colleague or room: a log costs what is in it, however much else there is. */
  private readonly idsOf = new Map<string, Set<string>>();
  /** When the newest with each was written or came, so that of two in one instant the first stands first, everywhere. */
  private readonly newestAt = new Map<string, number>();
  private readonly queued = new Map<string, Queued>();
  private rows: MessagingChange[] = [];

  constructor(
    private readonly officeNow: () => OfficeIndex,
    /** Whether somebody has part in a call that goes on, whose chat is theirs to open. */
    private readonly isInCall: (personId: string, callId: string) => boolean,
  ) {}

  get office(): OfficeIndex {
    return this.officeNow();
  }

  get rooms(): ReadonlyMap<string, Room> {
    return this.roomsById;
  }

  get all(): ReadonlyMap<string, OfficeMessage> {
    return this.messagesById;
  }

  /** All that was written in a room, in no order. */
  inRoom(roomId: string): OfficeMessage[] {
    return this.withAddressee(`room:${roomId}`);
  }

  /**
   * Takes in what was kept by an earlier run. What has come in meanwhile stays. Messages of a version in which an office was one
   * person's are `ownerId`'s; a chat whose call is over ends now.
   */
  load(
    messages: Iterable<KeptMessage>,
    rooms: Iterable<Room>,
    { ownerId, isLive, at }: { ownerId: string; isLive: (callId: string) => boolean; at: number },
  ): void {
    for (const room of rooms) if (!this.roomsById.has(room.id)) this.roomsById.set(room.id, room);
    for (const kept of messages) {
      const isOld = 'ofOnePerson' in kept;
      const message = isOld ? fromOnePerson(kept.ofOnePerson, ownerId, this.office) : kept;
      if (this.messagesById.has(message.id)) continue;
      if (isOld) this.put(message);
      else this.place(message);
    }
    for (const room of this.roomsById.values())
      if (room.callId !== null && room.closedAt === null && !isLive(room.callId))
        this.putRoom({ ...room, closedAt: at });
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice under one id, it is done once. */
  request(session: Session, request: ReadMessagingRequest, at: number): MessagingReply {
    return handle(this.handlers, { session, request, at }, { code: 'notYours', what: 'message' });
  }

  /** The message the carrier is to be given now; null where none waits whose time has come. */
  nextToSend(now: number): OfficeMessage | null {
    const next = nextToSend(this.queued.values(), now);
    return next && (this.messagesById.get(next.id) ?? null);
  }

  /** When (epoch milliseconds) one that waits for its time may go; null where none does. */
  nextSendAt(now: number): number | null {
    return nextSendAt(this.queued.values(), now);
  }

  /** What the carrier said to one that it was given. */
  answered(id: string, answer: CarrierAnswer, at: number): void {
    const message = this.messagesById.get(id);
    if (message?.state === 'queued') this.put(answered(message, answer, at));
  }

  /** Their phone has it. */
  delivered(id: string, at: number): void {
    const message = this.messagesById.get(id);
    if (!message || message.deliveredAt !== null) return;
    this.put(delivered(message, at));
  }

  /** One that came in from outside, or that a colleague wrote over there, and is here now. */
  arrived(message: OfficeMessage): void {
    if (this.messagesById.has(message.id)) return;
    this.put(message);
  }

  /** What a ring plan lets be texted to a caller whom nobody answered. */
  owed(text: {
    callId: string;
    personId: string;
    lineId: string;
    to: string;
    text: string;
    at: number;
  }): void {
    const { callId, personId, lineId, to, at } = text;
    const between = { kind: 'line', number: to, fromId: personId } as const;
    this.put(writtenOfficeMessage({ id: `text-${callId}`, at, callId, lineId, between, text: text.text }));
  }

  /** A call's chat ends with it; what was written stays with its record. */
  callEnded(callId: string, at: number): void {
    const room = this.roomsById.get(callId);
    if (room?.closedAt === null) this.putRoom({ ...room, closedAt: at });
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): MessagingChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private readonly handlers: Handlers<ReadMessagingRequest, MessagingRefusal> = {
    write: ({ personId }, { type: _, number, ...given }, at) => {
      const before = this.messagesById.get(given.id);
      if (before) return authorOf(before) === personId ? done : refused({ code: 'idTaken' });
      const roomId = roomIdOf(number);
      const colleague = this.office.peopleByExtension.get(number);
      if (roomId !== null) {
        const room = this.roomsById.get(roomId);
        if (!room) return refused({ code: 'unknownRoom' });
        const why = cannotWrite(room, personId);
        if (why !== null) return refused({ code: why === 'ended' ? 'roomEnded' : 'notInRoom' });
        const between = { kind: 'room', roomId, fromId: personId } as const;
        return this.write({ ...given, at, between });
      }
      if (colleague) {
        const between = { kind: 'colleagues', fromId: personId, toId: colleague.id } as const;
        return this.write({ ...given, at, between });
      }
      if (!usesLine(personId, given.lineId, this.office)) return notYours('line');
      const failure = isInside(number) ? 'unknownNumber' : cannotText(number, this.textsWith(number));
      if (failure !== null) return refused({ code: 'cannotText', failure });
      return this.write({ ...given, at, between: { kind: 'line', number, fromId: personId } });
    },

    sendAgain: ({ personId }, { id }) =>
      this.ofTheirs(id, personId, (message) => {
        if (message.state === 'failed') this.put(tryAgain(message));
        return done;
      }),

    takeBack: ({ personId }, { id }) =>
      this.ofTheirs(id, personId, (message) => {
        if (message.state !== 'queued' && message.state !== 'failed') return refused({ code: 'alreadySent' });
        this.drop(id);
        return done;
      }),

    markRead: ({ personId }, { ids }, at) => {
      for (const id of ids) {
        const message = this.messagesById.get(id);
        const seen = message && viewOfMessage(message, personId, this);
        if (!message || seen?.direction !== 'in' || seen.readAt !== null) continue;
        this.put({ ...message, readBy: { ...message.readBy, [personId]: at } });
      }
      return done;
    },

    forget: (session, { ids }) => {
      if (!hasRole(session, 'administrator')) return notYours('office');
      for (const id of ids) if (this.messagesById.has(id)) this.drop(id);
      return done;
    },

    openRoom: ({ personId }, { id, name, isOpen, memberIds }, at) => {
      const before = this.roomsById.get(id);
      if (before) return before.memberIds.includes(personId) ? done : refused({ code: 'idTaken' });
      const seen = [...this.roomsById.values()].filter((room) => mayRead(room, personId));
      const problem = roomNameProblem(name, seen);
      if (problem !== null) return refused({ code: 'badRoomName', problem });
      const members = [...new Set([personId, ...this.known(memberIds)])];
      this.putRoom({
        ...{ id, name: name.trim(), isOpen, memberIds: members, callId: null },
        ...{ createdAt: at, closedAt: null },
      });
      return done;
    },

    openChat: ({ personId }, { callId, memberIds }, at) => {
      const known = this.roomsById.get(callId);
      if (!known && !this.isInCall(personId, callId)) return notYours('room');
      if (known && !known.memberIds.includes(personId)) return notYours('room');
      const room = known ?? {
        ...{ id: callId, name: 'Chat of the call', isOpen: false, memberIds: [personId], callId },
        ...{ createdAt: at, closedAt: null },
      };
      const now = this.known(memberIds).reduce(entered, room);
      if (now !== known) this.putRoom(now);
      return done;
    },

    enter: ({ personId }, { roomId, personId: whoId }) => {
      const room = this.roomsById.get(roomId);
      if (!room || !mayRead(room, personId)) return refused({ code: 'unknownRoom' });
      const isAsked = room.memberIds.includes(personId) && this.office.people.has(whoId);
      if (whoId !== personId && !isAsked) return notYours('room');
      if (room.closedAt !== null) return refused({ code: 'roomEnded' });
      this.putRoom(entered(room, whoId));
      return done;
    },

    leave: ({ personId }, { roomId }, at) => {
      const room = this.roomsById.get(roomId);
      if (!room || !mayRead(room, personId)) return refused({ code: 'unknownRoom' });
      if (room.memberIds.includes(personId)) this.putRoom(left(room, personId, at));
      return done;
    },

    comeBack: ({ personId }, { roomId }, at) => {
      const room = this.roomsById.get(roomId);
      const before = room && returned(room, personId, at);
      if (!before) return room?.memberIds.includes(personId) ? done : refused({ code: 'unknownRoom' });
      this.putRoom(before);
      return done;
    },

    bring: (session, { messages, rooms }) => {
      if (!hasRole(session, 'administrator')) return notYours('office');
      for (const room of rooms) if (!this.roomsById.has(room.id)) this.putRoom(room);
      for (const message of messages)
        if (!this.messagesById.has(message.id))
          this.put(fromOnePerson(message, session.personId, this.office));
      return done;
    },
  };

  private write(given: Parameters<typeof writtenOfficeMessage>[0]): MessagingReply {
    const newest = this.newestAt.get(addresseeOf(given)) ?? 0;
    this.put(writtenOfficeMessage({ ...given, at: Math.max(given.at, newest + 1) }));
    return done;
  }

  /** What somebody may send again or take back: what they wrote. */
  private ofTheirs(
    id: string,
    personId: string,
    act: (message: OfficeMessage) => MessagingReply,
  ): MessagingReply {
    const message = this.messagesById.get(id);
    if (!message || !viewOfMessage(message, personId, this)) return refused({ code: 'unknownMessage' });
    return authorOf(message) === personId ? act(message) : notYours('message');
  }

  private known(personIds: readonly string[]): string[] {
    return personIds.filter((id) => this.office.people.has(id));
  }

  private withAddressee(addressee: string): OfficeMessage[] {
    return [...(this.idsOf.get(addressee) ?? [])].flatMap((id) => this.messagesById.get(id) ?? []);
  }

  /** What was texted with a number outside, as far as it says whether they still want to be. */
  private textsWith(number: string): Message[] {
    return this.withAddressee(number).map(({ between, readBy: _, ...rest }) => ({
      ...rest,
      ...{ number, direction: between.fromId === null ? 'in' : 'out', fromId: null, readAt: null },
    }));
  }

  private put(message: OfficeMessage): void {
    const before = this.messagesById.get(message.id) ?? null;
    this.place(message);
    this.rows.push({ table: 'messages', id: message.id, before, now: message });
  }

  private place(message: OfficeMessage): void {
    const { id, at, state, tries, notBefore } = message;
    const addressee = addresseeOf(message);
    this.messagesById.set(id, message);
    this.newestAt.set(addressee, Math.max(at, this.newestAt.get(addressee) ?? 0));
    const ids = this.idsOf.get(addressee);
    if (ids) ids.add(id);
    else this.idsOf.set(addressee, new Set([id]));
    if (state === 'queued') this.queued.set(id, { id, at, state, tries, notBefore, number: addressee });
    else this.queued.delete(id);
  }

  private drop(id: string): void {
    const before = this.messagesById.get(id);
    if (!before) return;
    this.messagesById.delete(id);
    this.idsOf.get(addresseeOf(before))?.delete(id);
    this.queued.delete(id);
    this.rows.push({ table: 'messages', id, before, now: null });
  }

  private putRoom(room: Room): void {
    const before = this.roomsById.get(room.id) ?? null;
    this.roomsById.set(room.id, room);
    this.rows.push({ table: 'rooms', id: room.id, before, now: room });
  }
}
