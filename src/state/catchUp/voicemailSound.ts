import type { Call, CallRecord, Endpoint } from '@/core/calls/exchange';
import { decodeWav, encodeWav, mixHeard, resample, type HeardEntry } from '@/core/shared/sound';
import type { SpokenWord, Transcript } from '@/core/inbox/voicemail';
import type { OfficeUpdate } from '@/office/link';
import type { Services } from '@/state/app';

import { toBase64, Vault } from '../storage';
import { catchUpKeys, spokenKind, type Spoken } from '../kept';

/** Telephone band, in which the clips are too. */
const sampleRate = 8000;

/** The stand-in transcriber: it knows the words of the sample's voices, and of nothing else. */
export type WordsOfClip = (clip: string) => readonly SpokenWord[] | null;

/** Keeps what callers say to the worker's mailbox, as it is said, and mixes it into one WAV when the call is over. */
export class VoicemailSound {
  private readonly spoken = new Map<string, Spoken>();

  constructor(
    private readonly vault: Pick<Vault, 'keys' | 'readMany' | 'write' | 'remove'>,
    private readonly isHeardHere: (endpoint: Endpoint) => boolean,
    private readonly keepSound: Services['keepSound'],
    private readonly fetchClip: (id: string) => Promise<Uint8Array>,
  ) {}

  /** Takes up what an earlier run heard of calls that go on. */
  async resume(): Promise<void> {
    const keys = await this.vault.keys(catchUpKeys.spoken);
    const found = await this.vault.readMany(keys, spokenKind);
    for (const [log] of found.values()) if (log) this.spoken.set(log.callId, log);
  }

  /** Notes what was said; `callOf` gives the calls as they are after the update. */
  follow(
    { speech, events }: Pick<OfficeUpdate, 'speech' | 'events'>,
    callOf: (id: string) => Call | undefined,
  ): void {
    const ended = new Set(events.flatMap((event) => (event.type === 'recordWritten' ? [event.callId] : [])));
    const changed = new Set<string>();
    for (const { at, callId, clip } of speech) {
      const call = callOf(callId);
      const isInMailbox = call?.legs.some(
        ({ endpoint, state }) => state === 'connected' && this.isHeardHere(endpoint),
      );
      if (!isInMailbox && !ended.has(callId)) continue;
      const log = this.spoken.get(callId) ?? { callId, heard: [] };
      log.heard.push({ kind: 'clip', at, clip });
      this.spoken.set(callId, log);
      changed.add(callId);
    }
    const entries = [...changed].flatMap((id) => this.spoken.get(id) ?? []);
    if (entries.length === 0) return;
    void this.vault.write(
      Object.fromEntries(
        entries.map((log) => [`${catchUpKeys.spoken}${log.callId}`, Vault.encode([log], spokenKind)]),
      ),
    );
  }

  /** Calls of which something was said that is not mixed yet. */
  unmixed(): string[] {
    return [...this.spoken.keys()];
  }

  /** Mixes and keeps the sound of a message that was left, under its record's id; gives its words, where they are known. */
  async finish(record: CallRecord, wordsOf: WordsOfClip): Promise<Transcript | null> {
    const { heard = [] } = this.spoken.get(record.callId) ?? {};
    const transcript = await this.keep(record, heard, wordsOf);
    this.spoken.delete(record.callId);
    await this.vault.remove([`${catchUpKeys.spoken}${record.callId}`]);
    return transcript;
  }

  /** The same for what is known to have been said, such as the sample's. */
  async keep(
    { id, callId, endedAt, messageMs }: Pick<CallRecord, 'id' | 'callId' | 'endedAt' | 'messageMs'>,
    heard: readonly HeardEntry[],
    wordsOf: WordsOfClip,
  ): Promise<Transcript | null> {
    const from = endedAt - messageMs;
    const said = heard.filter((entry) => entry.kind === 'clip' && entry.at >= from - 1000);
    const clips = new Map<string, Float32Array>();
    for (const entry of said) {
      if (entry.kind !== 'clip' || clips.has(entry.clip)) continue;
      const decoded = decodeWav(await this.fetchClip(entry.clip));
      if (decoded.ok) clips.set(entry.clip, resample(decoded.samples, decoded.sampleRate, sampleRate));
    }
    const { samples } = mixHeard({ pieces: [{ from, to: endedAt }], heard: said, clips }, sampleRate);
    await this.keepSound(id, {
      callId,
      durationMs: messageMs,
      wav: toBase64(encodeWav(samples, sampleRate)),
    });
    return wordsSaid(said, from, messageMs / 1000, wordsOf);
  }
}

function wordsSaid(
  said: readonly HeardEntry[],
  from: number,
  seconds: number,
  wordsOf: WordsOfClip,
): Transcript | null {
  const words = said.flatMap((entry) => {
    const own = entry.kind === 'clip' ? wordsOf(entry.clip) : null;
    const offset = (entry.at - from) / 1000;
    return (own ?? []).map(({ text, from: begin, to }) => ({
      text,
      from: Math.max(0, offset + begin),
      to: Math.min(seconds, offset + to),
    }));
  });
  const heard = words.filter((word) => word.from < seconds && word.to > word.from);
  return heard.length === 0 ? null : heard;
}
