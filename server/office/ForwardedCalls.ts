import isEqual from 'fast-deep-equal';

import { needsForwarding } from '@/core/calls/forwarding';
import { picturePaths, voicePaths, type Call } from '@/core/calls/exchange';
import type { FromOffice, PictureOf, ToOffice } from '@/office/forwarding';

import type { Allowed, Forwarding, ForwardingListener } from '../forwarding/startForwarding';

/** Whoever is not connected to what forwards by then is waited for by nobody: the others would go on sending to each of them. */
const settleMs = 6_000;
/** So long voices go both ways once all are connected: by then what is forwarded has been heard by everybody. */
const bothMs = 1_500;

interface Forwarded {
  isSettled: boolean;
  /** All are connected. */
  isSettling: boolean;
  timer: ReturnType<typeof setTimeout> | null;
}

interface Listener {
  /** Something is said to the browser at that end. */
  signal: (legId: string, signal: FromOffice) => void;
  /** In this call nobody sends to another one any more. */
  settled: (callId: string) => void;
}

/** The calls of which the office forwards voices and pictures: those in which there were once too many of them. */
export class ForwardedCalls {
  private readonly calls = new Map<string, Forwarded>();
  /** What may go to each end, as it was said last. */
  private readonly allowed = new Map<string, Allowed>();
  private readonly connected = new Set<string>();
  private readonly forwarding: Forwarding;
  /** Who is in each call. */
  private readonly ends = new Map<string, readonly string[]>();

  constructor(
    forwardWith: (listener: ForwardingListener) => Forwarding,
    private readonly listener: Listener,
  ) {
    this.forwarding = forwardWith({
      signal: (legId, signal) => {
        // Its thread was started anew.
        if ('again' in signal) this.connected.delete(legId);
        listener.signal(legId, signal);
      },
      connected: (legId) => {
        this.connected.add(legId);
        for (const [callId, ends] of this.ends) if (ends.includes(legId)) this.settleWhereAllAre(callId);
      },
    });
  }

  /** A call is as it is now; `speaking`: the ends at which there is a browser. Whether it is forwarded; null: it is not. */
  follow(call: Call, speaking: readonly string[]): 'opening' | 'settled' | null {
    const { id, meeting } = call;
    const wasForwarded = call.legs.some((leg) => leg.state !== 'cleared' && this.allowed.has(leg.id));
    if (!this.calls.has(id)) {
      const pictures = meeting?.pictures.filter(({ legId }) => speaking.includes(legId)).length ?? 0;
      // Two calls may have become one, of which one was.
      if (!wasForwarded && !needsForwarding({ pictures, ends: speaking.length })) return null;
      this.calls.set(id, { isSettled: false, isSettling: false, timer: this.settleIn(id, settleMs) });
    }
    // Who has only lost the connection to the office speaks on.
    const ends = call.legs.flatMap(({ id: legId, state }) =>
      state !== 'cleared' && (speaking.includes(legId) || this.allowed.has(legId)) ? [legId] : [],
    );
    this.ends.set(id, ends);
    this.allow(call, ends);
    this.settleWhereAllAre(id, speaking);
    return this.calls.get(id)?.isSettled ? 'settled' : 'opening';
  }

  hear(legId: string, said: ToOffice): void {
    this.forwarding.hear(legId, said);
  }

  leave(legId: string): void {
    if (!this.allowed.delete(legId)) return;
    this.connected.delete(legId);
    this.forwarding.leave(legId);
  }

  /** A call is over; its ends are too, unless they are in one of these now. */
  end(callId: string, others: readonly Call[]): void {
    const goOn = new Set(others.flatMap(({ legs }) => legs.map(({ id }) => id)));
    for (const legId of this.ends.get(callId) ?? []) if (!goOn.has(legId)) this.leave(legId);
    this.ends.delete(callId);
    const forwarded = this.calls.get(callId);
    if (forwarded?.timer) clearTimeout(forwarded.timer);
    this.calls.delete(callId);
  }

  private allow(call: Call, ends: readonly string[]): void {
    const hear = new Map<string, string[]>(ends.map((legId) => [legId, []]));
    const see = new Map<string, PictureOf[]>(ends.map((legId) => [legId, []]));
    for (const { from, to } of voicePaths(call)) if (ends.includes(from)) hear.get(to)?.push(from);
    for (const { picture, to } of picturePaths(call))
      if (ends.includes(picture.legId)) see.get(to)?.push({ legId: picture.legId, kind: picture.kind });
    for (const legId of ends) {
      const may = { hear: hear.get(legId) ?? [], see: see.get(legId) ?? [] };
      if (isEqual(this.allowed.get(legId), may)) continue;
      this.allowed.set(legId, may);
      this.forwarding.allow(legId, may);
    }
  }

  private settleWhereAllAre(callId: string, speaking = this.ends.get(callId) ?? []): void {
    const forwarded = this.calls.get(callId);
    if (!forwarded || forwarded.isSettling || !speaking.every((legId) => this.connected.has(legId))) return;
    if (forwarded.timer) clearTimeout(forwarded.timer);
    Object.assign(forwarded, { isSettling: true, timer: this.settleIn(callId, bothMs) });
  }

  private settleIn(callId: string, ms: number): ReturnType<typeof setTimeout> {
    const timer = setTimeout(() => this.settle(callId), ms);
    timer.unref();
    return timer;
  }

  private settle(callId: string): void {
    const forwarded = this.calls.get(callId);
    if (!forwarded) return;
    Object.assign(forwarded, { isSettled: true, isSettling: true, timer: null });
    this.listener.settled(callId);
  }
}
