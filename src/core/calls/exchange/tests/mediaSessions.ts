import type { ExchangeEvent } from '../events';

/** One end's media session with the exchange, as its offers and answers leave it (RFC 3264). */
interface Session {
  legId: string;
  /** Re-INVITE with `inactive` or `sendonly`: it put the other side on hold (RFC 5359 §2.1 F8). */
  isHolding: boolean;
  /** It sends nothing. */
  isMuted: boolean;
}

/**
 * For the tests: who has media with whom, written from the flows of RFC 5359 (§2.1 to §2.11, §2.15 to §2.17) and by what was told
 * alone: it looks at no call, and so knows nothing of how the exchange works it out.
 *
 * - An answered INVITE is media both ways; a BYE ends it (§2.1 F3 to F5, F17).
 * - Who holds has none, and hears none, until the re-INVITE that retrieves (§2.1 F8 to F16); who is held has none with the holder (music, §2.3).
 * - All in one conference have it with each other, through its focus (§2.10 F9 to F14, §2.11); calls that are joined become one.
 * - A transferred or retrieved call goes on with whoever answered (§2.4 F17, §2.5 F13 to F20); whoever sent it has gone (BYE).
 * - Who is parked has none until somebody takes the call (§2.15 F12); who picks up takes the place of the phone that rang (§2.16).
 */
export class MediaSessions {
  private readonly calls = new Map<string, Map<string, Session>>();
  /** Of a call that has ended, those who got no BYE. */
  private leftOver: { sessions: Map<string, Session>; isBeyond: boolean } | null = null;
  /** Calls in which something happened that the RFC has no flow for: private words, others silenced, what was handed over taken back,
   *  and moves between phones of one ear. */
  private readonly beyond = new Set<string>();

  hear(events: readonly ExchangeEvent[]): void {
    for (const event of events) this.take(event);
  }

  isCovered(callId: string): boolean {
    return !this.beyond.has(callId);
  }

  /** With whom an end has media that it hears. */
  heardBy(callId: string, legId: string): string[] {
    const sessions = this.calls.get(callId);
    const own = sessions?.get(legId);
    if (!sessions || !own || own.isHolding) return [];
    return [...sessions.values()]
      .filter((other) => other !== own && !other.isHolding && !other.isMuted)
      .map((other) => other.legId)
      .sort();
  }

  private take(event: ExchangeEvent): void {
    switch (event.type) {
      case 'originated':
      case 'established':
      case 'joined':
      case 'unparked':
      case 'pickedUp':
        return this.begin(event.callId, event.legId);
      case 'held':
        return this.change(event, { isHolding: true });
      case 'retrieved':
        return this.change(event, { isHolding: false });
      case 'muted':
        return this.change(event, { isMuted: true });
      case 'unmuted':
        return this.change(event, { isMuted: false });
      case 'connectionCleared':
        return void this.sessionsOf(event.callId).delete(event.legId);
      case 'transferred':
      case 'conferenced':
        return this.goOnIn(event.callId);
      case 'putAside':
      case 'broughtBack':
      case 'talkedAside':
      case 'moved':
      case 'silenced':
      case 'tookBack':
        return void this.beyond.add(event.callId);
      case 'callCleared': {
        const [sessions, isBeyond] = [this.sessionsOf(event.callId), this.beyond.has(event.callId)];
        this.calls.delete(event.callId);
        // What the RFC has no flow for may have brought in somebody unheard of.
        if (sessions.size > 0 || isBeyond) this.leftOver = { sessions, isBeyond };
        return;
      }
    }
  }

  /** Those who got no BYE go on with the others: INVITE with Replaces (§2.5 F13), or the focus takes them in (§2.10 F9). */
  private goOnIn(callId: string): void {
    const { leftOver } = this;
    this.leftOver = null;
    if (!leftOver) return;
    for (const [legId, session] of leftOver.sessions) this.sessionsOf(callId).set(legId, session);
    if (leftOver.isBeyond) this.beyond.add(callId);
  }

  private begin(callId: string, legId: string): void {
    const sessions = this.sessionsOf(callId);
    if (!sessions.has(legId)) sessions.set(legId, { legId, isHolding: false, isMuted: false });
  }

  private change({ callId, legId }: { callId: string; legId: string }, now: Partial<Session>): void {
    const session = this.sessionsOf(callId).get(legId);
    if (session) Object.assign(session, now);
  }

  private sessionsOf(callId: string): Map<string, Session> {
    const known = this.calls.get(callId);
    if (known) return known;
    const sessions = new Map<string, Session>();
    this.calls.set(callId, sessions);
    return sessions;
  }
}
