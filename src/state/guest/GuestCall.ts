import { Speaking, type PictureKind } from '@/core/calls/meetings';
import type { GuestAct, GuestIn, GuestSeen } from '@/core/guests';
import type { OutgoingVoice } from '@/office/microphone';
import type { GuestRefusal } from '@/office/guests';
import { rtcServersOf } from '@/office/ice';
import type { ReachedServer } from '@/office/socket';
import { PictureLooks, type Look } from '@/office/looks';
import type { CallVoices, PictureSent, Together } from '@/office/voices';

import type { MeetingPicturesHere } from '../app';
import type { GuestLink } from './guestLink';

/** Before it is asked again what was not heard. */
const againMs = 2_000;
const measureMs = 1_000;
const listenMs = 200;

/** How it stands with somebody who has come by a link. */
export interface GuestNow {
  /** null: they have not asked to come yet, or it was refused. */
  seen: GuestSeen | null;
  /** Why they could not come, or what they asked for last was not done. */
  refused: GuestRefusal | 'notReached' | null;
  /** They are on their way: asked, and not answered yet. */
  isAsking: boolean;
  isReached: boolean;
  /** Whether this browser gives a microphone; null: it was not asked yet, or none is needed. */
  isHeard: boolean | null;
  /** What this browser shows of its own ended by itself. */
  ended: PictureKind | null;
  /** Who speaks of those who are heard, the loudest first; and who is at the front. */
  speaking: { legIds: readonly string[]; front: string | null };
}

const nothing: GuestNow = {
  ...{ seen: null, refused: null, isAsking: false, isReached: true, isHeard: null, ended: null },
  speaking: { legIds: [], front: null },
};

interface Own {
  stream: MediaStream;
  /** The office has said that it is shown. */
  isShown: boolean;
}

type Server = Pick<
  ReachedServer,
  'askOfGuests' | 'hearOfGuests' | 'askOfVoices' | 'hearOfVoices' | 'follow' | 'reachedWithin'
>;

interface GuestCallOptions {
  link: GuestLink;
  server: Server;
  openMicrophone: () => Promise<OutgoingVoice>;
}

/**
 * A meeting as somebody takes part in it who has come by a link: asks to be let in, speaks, shows and sees, from browser to browser, as the office says
 * who hears and sees whom.
 */
export class GuestCall implements MeetingPicturesHere {
  now: GuestNow = nothing;
  private readonly listeners = new Set<() => void>();
  private readonly own = new Map<PictureKind, Own>();
  private readonly come = new Map<string, MediaStream>();
  private readonly looks = new PictureLooks();
  private readonly resting = new Map<string, readonly PictureKind[]>();
  private measuring: ReturnType<typeof setInterval> | null = null;
  private listening: ReturnType<typeof setInterval> | null = null;
  private speaking = new Speaking();
  /** Pictures of which the office has been told that they are shown no more. */
  private readonly stopped = new Set<string>();
  private readonly page = crypto.randomUUID();
  private name: string | null = null;
  private voices: { legId: string; voices: CallVoices } | null = null;
  private together: Together = { peers: [] };
  private microphone: Promise<OutgoingVoice | null> | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(private readonly options: GuestCallOptions) {
    const { server } = options;
    server.hearOfGuests((seen) => this.see(seen));
    server.hearOfVoices((told) => {
      if (told.kind === 'peers' && told.legId === this.legId) {
        this.together = told;
        this.voices?.voices.together(told);
      } else if (told.kind === 'signal' && told.to === this.legId)
        void this.voices?.voices.hear(told.from, told.signal).catch((error: unknown) => {
          console.error('A voice could not be met:', error);
        });
    });
    // The server has forgotten who was here; those who hear each other go on.
    server.follow((isReached) => {
      this.become({ isReached });
      if (isReached && this.isThere) void this.knock();
      if (isReached) return;
      this.together = { ...this.together, peers: [] };
      this.voices?.voices.officeLost();
    });
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Asks to come in, or to see the meeting beside one's phone. The microphone is asked for first, so that nobody is let in who can't speak and does not know. */
  async ask(name: string): Promise<void> {
    if (this.now.isAsking) return;
    this.name = name;
    this.become({ isAsking: true, refused: null, ended: null });
    if (!this.options.link.isBeside) {
      this.microphone ??= this.openMicrophone();
      this.become({ isHeard: (await this.microphone) !== null });
    }
    await this.knock();
    this.become({ isAsking: false });
  }

  async act(act: GuestAct): Promise<boolean> {
    const answer = await this.options.server.askOfGuests({ what: 'act', act });
    const refused = answer === null ? 'notReached' : 'refused' in answer ? answer.refused : null;
    this.become({ refused });
    return refused === null;
  }

  leave(): void {
    void this.act({ do: 'leave' });
    this.see({ state: 'over', why: 'ended' });
  }

  streamOf(legId: string, kind: PictureKind): MediaStream | null {
    if (legId === this.legId) return this.own.get(kind)?.stream ?? null;
    return this.come.get(keyOf(legId, kind)) ?? null;
  }

  async show(_: string, kind: PictureKind, stream: MediaStream): Promise<boolean> {
    this.close(kind);
    const own = { stream, isShown: false };
    this.own.set(kind, own);
    this.become({ ended: null });
    for (const track of stream.getVideoTracks())
      track.addEventListener('ended', () => {
        if (this.own.get(kind) !== own) return;
        this.stop('', kind);
        this.become({ ended: kind });
      });
    const isShown = await this.act({ do: 'inMeeting', act: { act: 'show', kind } });
    if (!isShown && this.own.get(kind) === own) this.close(kind);
    this.follow();
    return isShown;
  }

  stop(_: string, kind: PictureKind): void {
    this.close(kind);
    this.follow();
  }

  look(element: object, at: Look | null): void {
    this.looks.set(element, at);
    this.sayLooks();
  }

  rests(legId: string, kind: PictureKind): boolean {
    const isMine = legId === this.legId;
    return isMine
      ? (this.voices?.voices.resting.has(kind) ?? false)
      : (this.resting.get(legId)?.includes(kind) ?? false);
  }

  /** Lets go of everything. */
  end(): void {
    if (this.measuring !== null) clearInterval(this.measuring);
    if (this.listening !== null) clearInterval(this.listening);
    this.measuring = this.listening = null;
    this.speaking = new Speaking();
    globalThis.document?.removeEventListener('visibilitychange', this.sayLooks);
    if (this.timer !== null) clearTimeout(this.timer);
    for (const kind of this.own.keys()) this.close(kind);
    this.voices?.voices.close();
    this.voices = null;
    this.together = { peers: [] };
    this.come.clear();
    void this.microphone?.then((voice) => voice?.close());
    this.microphone = null;
  }

  private get in(): GuestIn | null {
    return this.now.seen?.state === 'in' ? this.now.seen : null;
  }

  /** Waiting, or in it. */
  private get isThere(): boolean {
    const { seen } = this.now;
    return seen !== null && seen.state !== 'over';
  }

  private get legId(): string | null {
    return this.in?.legId ?? null;
  }

  private async knock(): Promise<void> {
    const { server, link } = this.options;
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    const { token, secret } = link;
    const asked = { what: 'knock', token, secret, name: this.name ?? 'Guest' } as const;
    const isThere = await server.reachedWithin(againMs);
    const answer = isThere ? await server.askOfGuests(asked) : null;
    if (answer === null || ('refused' in answer && answer.refused === 'tooMany')) {
      this.become({ refused: answer === null ? 'notReached' : 'tooMany' });
      // Who was in it, or waited, comes again by itself.
      if (this.isThere) this.timer = setTimeout(() => void this.knock(), againMs);
      return;
    }
    if ('seen' in answer) {
      this.become({ refused: null });
      this.see(answer.seen);
      if (this.in) await this.take();
    } else if ('refused' in answer) {
      // The meeting has ended while nobody was reached.
      if (this.isThere) this.see({ state: 'over', why: 'ended' });
      else this.become({ refused: answer.refused });
    }
  }

  private see(seen: GuestSeen): void {
    const wasAt = this.legId;
    this.become({ seen });
    if (seen.state === 'over') this.end();
    else if (this.legId !== null && this.legId !== wasAt) void this.take();
    this.follow();
  }

  /** This browser is the one that speaks there, or shows and sees. */
  private async take(): Promise<void> {
    const { server, link } = this.options;
    const { legId } = this;
    if (legId === null) return;
    const [answer, fetched] = await Promise.all([
      server.askOfVoices({ ...{ what: 'take', legId, by: this.page, name: 'Guest', instead: true } }),
      import('@/office/voices').catch(() => null),
    ]);
    if (this.legId !== legId) return;
    if (!answer?.done || !fetched) {
      this.timer ??= setTimeout(() => {
        this.timer = null;
        void this.take();
      }, againMs);
      return;
    }
    if (this.voices?.legId !== legId) {
      this.voices?.voices.close();
      const voices = new fetched.CallVoices({
        legId,
        iceServers: rtcServersOf(answer.iceServers),
        relayOnly: answer.relayOnly,
        signal: (to, signal) => void server.askOfVoices({ what: 'signal', from: legId, to, signal }),
        voice: async () => (await this.microphone)?.track ?? null,
        show: (from, kind, stream) => {
          if (stream) this.come.set(keyOf(from, kind), stream);
          else this.come.delete(keyOf(from, kind));
          this.changed();
        },
        restsThere: (from, kinds) => {
          this.resting.set(from, kinds);
          this.changed();
        },
        // Beside a phone the phone is heard.
        play: (_, stream) =>
          link.isBeside ? { mute: () => undefined, stop: () => undefined } : fetched.playVoice(stream, null),
      });
      this.voices = { legId, voices };
      this.measuring ??= setInterval(() => {
        void this.voices?.voices.measure().then(() => this.changed());
      }, measureMs);
      this.listening ??= setInterval(() => this.listen(), listenMs);
      globalThis.document?.addEventListener('visibilitychange', this.sayLooks);
    }
    this.voices.voices.together(this.together);
    this.follow();
  }

  /** What is sent and heard is as the office says now. */
  private follow(): void {
    const seen = this.in;
    const { isBeside } = this.options.link;
    if (!seen) return this.changed();
    for (const { id, legId, kind } of seen.pictures) {
      // Also what a page showed that is gone: nobody is to be thought to be seen who is not.
      if (legId !== seen.legId || this.own.has(kind) || this.stopped.has(id)) continue;
      this.stopped.add(id);
      void this.act({ do: 'inMeeting', act: { act: 'stopShowing', pictureId: id } });
    }
    for (const [kind, own] of this.own) {
      const isShown = seen.pictures.some((each) => each.legId === seen.legId && each.kind === kind);
      if (isShown) own.isShown = true;
      // A host has taken it away.
      else if (own.isShown) this.close(kind);
    }
    const voices = this.voices?.legId === seen.legId ? this.voices.voices : null;
    voices?.setEnds([seen.legId, ...seen.others.map(({ legId }) => legId)]);
    voices?.setPaths(isBeside ? [] : seen.voices);
    voices?.setPictures(
      seen.sentTo.flatMap(({ kind, to }): PictureSent[] => {
        const [track] = this.own.get(kind)?.stream.getVideoTracks() ?? [];
        return track ? [{ kind, track, to }] : [];
      }),
    );
    const shown = [...this.own.values()].map(({ stream }) => stream);
    void this.microphone?.then((voice) => voice?.mix(shown));
    this.sayLooks();
    this.changed();
  }

  private listen(): void {
    const seen = this.in;
    if (!seen) return;
    const levels = this.voices?.voices.levels() ?? new Map<string, number>();
    const heard = seen.voices.flatMap(({ from, to }) => (to === seen.legId ? [from] : []));
    const there = seen.others.map(({ legId }) => legId);
    const speaking = this.speaking.hear(levels, { heard, there }, performance.now());
    const before = this.now.speaking;
    if (before.front !== speaking.front || before.legIds.join() !== speaking.legIds.join())
      this.become({ speaking });
  }

  private readonly sayLooks = (): void => {
    const seen = this.in;
    if (!seen) return;
    const others = seen.pictures.filter(({ legId }) => legId !== seen.legId);
    this.voices?.voices.setLooks(this.looks.at(others));
  };

  private openMicrophone(): Promise<OutgoingVoice | null> {
    return this.options.openMicrophone().catch(() => null);
  }

  private close(kind: PictureKind): void {
    const own = this.own.get(kind);
    this.own.delete(kind);
    for (const track of own?.stream.getTracks() ?? []) track.stop();
  }

  private become(change: Partial<GuestNow>): void {
    this.now = { ...this.now, ...change };
    this.changed();
  }

  private changed(): void {
    for (const listener of this.listeners) listener();
  }
}

const keyOf = (legId: string, kind: PictureKind) => `${legId}/${kind}`;
