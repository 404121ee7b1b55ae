import { createHash } from 'node:crypto';

import type { Call, Command, CommandResult } from '@/core/calls/exchange';
import { guestsAt, placeOfGuest, seenByGuest, type GuestAct, type GuestSeen } from '@/core/guests';
import type { OfficeSeen } from '@/core/office';
import type { OfficeUpdate } from '@/office/link';
import type { AnswerOfGuests, AskedOfGuests, GuestRefusal } from '@/office/guests';

/** One connection, as far as somebody comes by it as a guest. */
export interface GuestVisitor {
  id: string;
  tell: (seen: GuestSeen) => void;
}

interface Guest {
  visitor: GuestVisitor;
  /** The call at which they are; null: none any more. */
  callId: string | null;
  /** What they were told last. */
  seen: GuestSeen;
}

interface GuestsOptions {
  seen: () => OfficeSeen;
  send: (command: Command) => Promise<CommandResult>;
}

/** Whoever has lost their connection is waited for so long; who does not come again by then has gone. */
const goneAfterMs = 30_000;

/**
 * Where those come who have a link to a meeting, and nothing else of the office: each is let do what a guest may, at their own end of the call,
 * and told what those who are in it see.
 */
export class Guests {
  /** By the name under which the office knows them. */
  private readonly guests = new Map<string, Guest>();
  /** Since when (epoch milliseconds) nobody has been there for a guest of a call. */
  private readonly missing = new Map<string, number>();

  constructor(private readonly options: GuestsOptions) {}

  async ask(visitor: GuestVisitor, asked: AskedOfGuests): Promise<AnswerOfGuests> {
    return asked.what === 'knock' ? this.knock(visitor, asked) : this.act(visitor, asked.act);
  }

  /** The connection is lost: they may come again by another one. */
  left(visitor: GuestVisitor): void {
    for (const [guestId, guest] of this.guests)
      if (guest.visitor.id === visitor.id) this.guests.delete(guestId);
  }

  /** The ends of calls at which a connection may speak, or show what its camera sees. */
  legsOf(visitor: Pick<GuestVisitor, 'id'>): string[] {
    return [...this.guests.values()].flatMap(({ visitor: { id }, seen }) =>
      id === visitor.id && seen.state === 'in' ? seen.legId : [],
    );
  }

  /** Calls have changed: who is at one of them is told how they are now. */
  changed({ changedCalls, endedCallIds }: Pick<OfficeUpdate, 'changedCalls' | 'endedCallIds'>): void {
    if (this.guests.size === 0) return;
    const ids = new Set([...endedCallIds, ...changedCalls.map(({ id }) => id)]);
    for (const [guestId, guest] of this.guests) {
      // Two calls may have become one.
      const call = changedCalls.find((each) => placeOfGuest(each, guestId) !== null);
      if (call) this.tell(guest, this.seenAt(call, guestId), call.id);
      else if (guest.callId !== null && ids.has(guest.callId)) this.tell(guest, this.over(guest), null);
    }
  }

  /** Guests for whom nobody has been there for long leave. `now`: epoch milliseconds. */
  async dropWhoIsGone(now: number): Promise<void> {
    const there = new Set<string>();
    const gone: Command[] = [];
    for (const call of this.options.seen().calls.values())
      for (const guestId of call.meeting ? guestsAt(call) : []) {
        if (this.guests.has(guestId)) continue;
        there.add(guestId);
        const since = this.missing.get(guestId) ?? now;
        this.missing.set(guestId, since);
        if (now - since < goneAfterMs) continue;
        const place = placeOfGuest(call, guestId);
        gone.push(
          place?.legId != null && !place.isBeside
            ? { type: 'clear', legId: place.legId }
            : { type: 'goAway', guestId },
        );
      }
    for (const guestId of this.missing.keys()) if (!there.has(guestId)) this.missing.delete(guestId);
    for (const command of gone) await this.options.send(command);
  }

  private async knock(
    visitor: GuestVisitor,
    { token, secret, name }: Extract<AskedOfGuests, { what: 'knock' }>,
  ): Promise<AnswerOfGuests> {
    const guestId = idOf(secret);
    const result = await this.options.send({ type: 'knock', token, guestId, name });
    if (!result.ok) return refusedBy(result);
    const call = this.options.seen().calls.get(result.callId ?? '');
    if (!call || !placeOfGuest(call, guestId)) return { refused: 'unknownLink' };
    const before = this.guests.get(guestId);
    if (before && before.visitor.id !== visitor.id) before.visitor.tell({ state: 'over', why: 'elsewhere' });
    // By one connection somebody is one guest.
    this.left(visitor);
    const seen = this.seenAt(call, guestId);
    this.guests.set(guestId, { visitor, callId: call.id, seen });
    return { seen };
  }

  private async act(visitor: GuestVisitor, act: GuestAct): Promise<AnswerOfGuests> {
    const mine = [...this.guests].find(([, guest]) => guest.visitor.id === visitor.id);
    if (!mine) return { refused: 'notNow' };
    const [guestId, { seen }] = mine;
    const command = commandFor(act, guestId, seen);
    if (!command) return { refused: 'notNow' };
    const result = await this.options.send(command);
    return result.ok ? { done: true } : refusedBy(result);
  }

  private seenAt(call: Call, guestId: string): GuestSeen {
    const place = placeOfGuest(call, guestId) ?? { legId: null, isBeside: false };
    return seenByGuest(call, place, this.options.seen().office);
  }

  /** Why somebody is at their call no more. */
  private over({ seen, callId }: Guest): GuestSeen {
    if (seen.state === 'over') return seen;
    const goesOn = this.options.seen().calls.has(callId ?? '');
    if (seen.state === 'waiting') return { state: 'over', why: goesOn ? 'turnedAway' : 'ended' };
    const isOpenElsewhere =
      seen.isBeside &&
      [...this.options.seen().calls.values()].some(({ meeting }) =>
        meeting?.links.some(({ forLegId, openAt }) => forLegId === seen.legId && openAt !== null),
      );
    return { state: 'over', why: isOpenElsewhere ? 'elsewhere' : 'ended' };
  }

  private tell(guest: Guest, seen: GuestSeen, callId: string | null): void {
    Object.assign(guest, { seen, callId });
    guest.visitor.tell(seen);
  }
}

/** What the office knows of whoever has that secret, and can't be turned into it. */
const idOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url').slice(0, 22);

function commandFor(act: GuestAct, guestId: string, seen: GuestSeen): Command | null {
  if (act.do === 'leave')
    return seen.state === 'in' && !seen.isBeside
      ? { type: 'clear', legId: seen.legId }
      : { type: 'goAway', guestId };
  if (seen.state !== 'in') return null;
  const { legId, isBeside } = seen;
  // Beside a phone that is muted at the phone.
  if (act.do === 'mute') return isBeside ? null : { type: act.on ? 'mute' : 'unmute', legId };
  return { type: 'inMeeting', legId, act: act.act };
}

const said: readonly GuestRefusal[] = [
  ...(['unknownLink', 'linkTooOld', 'meetingLocked', 'waitingFull', 'picturesFull'] as const),
];

function refusedBy({ reason: { code } }: Extract<CommandResult, { ok: false }>): AnswerOfGuests {
  return { refused: said.find((each) => each === code) ?? 'notNow' };
}
