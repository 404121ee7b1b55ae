import type { Call } from '@/core/calls/exchange';
import type { OfficeSeen, Session } from '@/core/office';
import { officeEnd, toOfficeSchema } from '@/office/forwarding';
import type { OfficeUpdate } from '@/office/link';
import type { AnswerOfVoices, AskedOfVoices, IceServers, ToldOfVoices } from '@/office/socket';

import type { Forwarding, ForwardingListener } from '../forwarding/startForwarding';
import { ForwardedCalls } from './ForwardedCalls';

/** One connection, as far as voices go by it. */
export interface Speaker {
  id: string;
  tell: (told: ToldOfVoices) => void;
}

/** As whom a connection speaks. */
export interface Speaking {
  sessions: readonly Session[];
  /** Ends of calls at which it is a guest. */
  legIds: readonly string[];
}

/** By which ways browsers reach each other. */
export interface Ways {
  iceServers: IceServers;
  relayOnly: boolean;
}

interface Place {
  speaker: Speaker;
  by: string;
  name: string;
  callId: string;
}

/** Nothing was done. */
export const refused: AnswerOfVoices = { done: false, speaks: null, iceServers: [], relayOnly: false };
const done: AnswerOfVoices = { ...refused, done: true };

/**
 * Where browsers that speak at the ends of calls find each other. At each end one browser speaks; what it says to another it says to one
 * that is in the same call, and in nobody else's name.
 */
export class Voices {
  /** By the ends at which they speak. */
  private readonly speakers = new Map<string, Place>();
  private readonly forwarded: ForwardedCalls | null;

  /** `forwardWith`: what forwards where there is too much to go from each to each; null: nothing does. */
  constructor(
    private readonly seen: () => OfficeSeen,
    private readonly ways: Ways,
    forwardWith: ((listener: ForwardingListener) => Forwarding) | null = null,
  ) {
    this.forwarded =
      forwardWith &&
      new ForwardedCalls(forwardWith, {
        signal: (to, signal) =>
          this.speakers.get(to)?.speaker.tell({ kind: 'signal', from: officeEnd, to, signal }),
        settled: (callId) => this.tell(callId),
      });
  }

  /** `who`: as whom the connection has joined the office, or at which ends of calls it is a guest. */
  ask(speaker: Speaker, who: Speaking, asked: AskedOfVoices): AnswerOfVoices {
    switch (asked.what) {
      case 'take':
        return this.take(speaker, who, asked);
      case 'drop':
        if (this.speakers.get(asked.legId)?.speaker.id !== speaker.id) return refused;
        this.drop(asked.legId);
        this.forwarded?.leave(asked.legId);
        return done;
      case 'servers':
        return who.sessions.length === 0 ? refused : { ...done, ...this.ways };
      case 'signal': {
        const { from, to, signal } = asked;
        const here = this.speakers.get(from);
        if (to === officeEnd) {
          const { data: said } = toOfficeSchema.safeParse(signal);
          if (here?.speaker.id !== speaker.id || !said || !this.forwarded) return refused;
          this.forwarded.hear(from, said);
          return done;
        }
        const there = this.speakers.get(to);
        if (here?.speaker.id !== speaker.id || here.callId !== there?.callId) return refused;
        there.speaker.tell({ kind: 'signal', from, to, signal });
        return done;
      }
    }
  }

  /** The connection is lost: whoever speaks by another one may take its places. */
  left(speaker: Speaker): void {
    for (const [legId, place] of [...this.speakers]) if (place.speaker.id === speaker.id) this.drop(legId);
  }

  /** Calls have changed: ends that are over are nobody's, and who is together with whom now is told. */
  changed({ changedCalls, endedCallIds }: Pick<OfficeUpdate, 'changedCalls' | 'endedCallIds'>): void {
    if (this.speakers.size === 0) return;
    for (const { id, legs } of changedCalls)
      for (const leg of legs) {
        if (leg.state === 'cleared') this.forwarded?.leave(leg.id);
        const place = this.speakers.get(leg.id);
        if (place && leg.state === 'cleared') this.drop(leg.id);
        // Two calls may have become one.
        else if (place) place.callId = id;
      }
    for (const callId of endedCallIds) {
      this.forwarded?.end(callId, changedCalls);
      for (const legId of this.together(callId)) this.drop(legId);
    }
    for (const { id } of changedCalls) this.tell(id);
  }

  private take(
    speaker: Speaker,
    { sessions, legIds }: Speaking,
    { legId, by, name, instead }: Extract<AskedOfVoices, { what: 'take' }>,
  ): AnswerOfVoices {
    const call = this.callAt(legId);
    const endpoint = call?.legs.find(({ id }) => id === legId)?.endpoint;
    const isTheirs =
      legIds.includes(legId) ||
      (endpoint?.kind === 'device' && sessions.some(({ deviceId }) => deviceId === endpoint.deviceId));
    const there = this.speakers.get(legId);
    if (!call || !isTheirs) return refused;
    if (there && there.by !== by) {
      if (!instead) return { ...refused, speaks: there.name };
      there.speaker.tell({ kind: 'instead', legId, name });
    }
    this.speakers.set(legId, { speaker, by, name, callId: call.id });
    this.tell(call.id);
    return { ...done, ...this.ways };
  }

  private drop(legId: string): void {
    const place = this.speakers.get(legId);
    this.speakers.delete(legId);
    if (place) this.tell(place.callId);
  }

  private tell(callId: string): void {
    const all = this.together(callId);
    const call = this.seen().calls.get(callId);
    const forwarded = (call && this.forwarded?.follow(call, all)) ?? undefined;
    for (const legId of all) {
      const others = forwarded === 'settled' ? [] : all.filter((id) => id !== legId);
      const peers = others.flatMap((id) => {
        const other = this.speakers.get(id);
        return other ? [{ legId: id, by: other.by }] : [];
      });
      this.speakers
        .get(legId)
        ?.speaker.tell({ kind: 'peers', legId, peers, ...(forwarded && { forwarded }) });
    }
  }

  /** The ends of a call at which a browser speaks. */
  private together(callId: string): string[] {
    return [...this.speakers].flatMap(([legId, place]) => (place.callId === callId ? [legId] : []));
  }

  /** The call at whose end somebody is: one that they have left is none. */
  private callAt(legId: string): Call | null {
    for (const call of this.seen().calls.values())
      if (call.legs.some(({ id, state }) => id === legId && state !== 'cleared')) return call;
    return null;
  }
}
