import { base64ToUint8Array, uint8ArrayToBase64 } from 'uint8array-extras';

import { whatIsHeard, type Call, type Recording } from '@/core/calls/exchange';
import { heardLoops, type HeardEntry, type HeardLoop } from '@/core/shared/sound';
import { decodeWav, encodeWav, mixHeard, resample } from '@/core/shared/soundFiles';
import type { OfficeIndex } from '@/core/setup';
import type { OfficeUpdate } from '@/office/link';
import { continuousOf } from '@/state/app';

import { heardKind, soundKind, storageKeys, Vault, type HeardLog, type StoredSound } from '../storage';

/** Telephone band, in which the clips are too. */
const sampleRate = 8000;
const announcement = 'recording-announcement';

interface RecordingSoundOptions {
  vault: Pick<Vault, 'keys' | 'read' | 'readMany' | 'write' | 'remove'>;
  /** Whose recordings. */
  personId: string;
  fetchClip: (id: string) => Promise<Uint8Array>;
  office: () => OfficeIndex;
  /** Who is at an end of a call, as the worker knows them. */
  nameOf: (call: Call, legId: string) => string;
}

/**
 * Keeps the sound of the worker's recordings. While one is there, all that its owner hears is noted as it is played
 * (loops, clips, digits), so that closing the page loses nothing; when the call is over, it is mixed into one WAV.
 */
export class RecordingSound {
  private readonly logs = new Map<string, HeardLog>();

  constructor(private readonly options: RecordingSoundOptions) {}

  /** Takes up what an earlier run left unmixed. Call before the office starts. */
  async resume(): Promise<void> {
    const keys = await this.options.vault.keys(storageKeys.heard);
    const found = await this.options.vault.readMany(keys, heardKind);
    for (const [log] of found.values()) if (log) this.logs.set(log.recording.id, log);
  }

  /** Takes in what just happened. `callOf` gives the calls as they are after it. */
  async follow(update: OfficeUpdate, callOf: (id: string) => Call | undefined): Promise<void> {
    const changed = new Set<string>();
    for (const event of update.events) {
      if (event.type === 'recordingChanged' && event.recording.personId === this.options.personId) {
        this.take(event.callId, event.recording);
        changed.add(event.recording.id);
        if (event.recording.state === 'on')
          this.add(event.recording.id, { kind: 'clip', at: event.at, clip: announcement });
      }
      if (event.type === 'digitsSent') {
        for (const log of this.hearing(event.callId, event.legId, callOf)) {
          for (const digit of event.digits) log.heard.push({ kind: 'digit', at: event.at, digit });
          changed.add(log.recording.id);
        }
      }
      // Two calls became one: what was recorded in the one goes on in the other.
      if (event.type === 'conferenced') {
        for (const log of this.logs.values()) if (log.callId === event.otherCallId) log.callId = event.callId;
      }
    }
    for (const { at, callId, legId, clip } of update.speech) {
      for (const log of this.hearing(callId, legId, callOf)) {
        const call = callOf(callId);
        // Of a meeting each who speaks is a chapter.
        const by = call?.meeting ? this.options.nameOf(call, legId) : undefined;
        log.heard.push({ kind: 'clip', at, clip, ...(by !== undefined && { by }) });
        changed.add(log.recording.id);
      }
    }
    for (const log of this.logs.values()) {
      const call = callOf(log.callId);
      if (call && this.noteLoop(log, call, update.at)) changed.add(log.recording.id);
    }
    const entries = [...changed].flatMap((id) => this.logs.get(id) ?? []);
    if (entries.length > 0)
      await this.options.vault.write(
        Object.fromEntries(entries.map((log) => [keyOf(log), Vault.encode([log], heardKind)])),
      );
    await this.mixEnded(callOf);
  }

  /** Mixes the recordings of calls that are over. One whose clips can't be had now is kept for the next time. */
  async mixEnded(callOf: (id: string) => Call | undefined): Promise<void> {
    for (const log of [...this.logs.values()]) {
      if (callOf(log.callId) || log.recording.state !== 'ended') continue;
      this.logs.delete(log.recording.id);
      try {
        const sound = await this.mix(log);
        await this.options.vault.write({
          [`${storageKeys.sound}${log.recording.id}`]: Vault.encode([sound], soundKind),
        });
        await this.options.vault.remove([keyOf(log)]);
      } catch {
        // Its log stays where it is.
      }
    }
  }

  private async mix({ callId, recording, heard }: HeardLog): Promise<StoredSound> {
    const pieces = recording.pieces.flatMap(({ from, to }) => (to === null ? [] : [{ from, to }]));
    const ids = new Set(heard.flatMap((entry) => (entry.kind === 'clip' ? [entry.clip] : [])));
    const clips = new Map<string, Float32Array>();
    for (const id of ids) {
      const decoded = decodeWav(await this.options.fetchClip(id));
      if (decoded.ok) clips.set(id, resample(decoded.samples, decoded.sampleRate, sampleRate));
    }
    const { samples, marks } = mixHeard({ pieces, heard, clips }, sampleRate);
    const wav = uint8ArrayToBase64(encodeWav(samples, sampleRate, marks));
    return { callId, durationMs: (samples.length / sampleRate) * 1000, wav };
  }

  private take(callId: string, recording: Recording): void {
    const known = this.logs.get(recording.id);
    if (known) Object.assign(known, { callId, recording });
    else this.logs.set(recording.id, { callId, recording, heard: [] });
  }

  private add(id: string, entry: HeardEntry): void {
    this.logs.get(id)?.heard.push(entry);
  }

  /** The recordings whose owner hears that leg. */
  private hearing(callId: string, legId: string, callOf: (id: string) => Call | undefined): HeardLog[] {
    const call = callOf(callId);
    if (!call) return [];
    const heard = whatIsHeard(call);
    return [...this.logs.values()].filter((log) => {
      const own = log.callId === callId ? heard[log.recording.legId] : undefined;
      return own?.kind === 'voices' && own.legIds.includes(legId);
    });
  }

  private noteLoop(log: HeardLog, call: Call, at: number): boolean {
    const now = asLoop(continuousOf(whatIsHeard(call)[log.recording.legId], this.options.office()));
    const last = log.heard.findLast((entry) => entry.kind === 'loop');
    if ((last?.loop ?? null) === now) return false;
    log.heard.push({ kind: 'loop', at, loop: now });
    return true;
  }
}

/** A kept sound as a file the browser can play. */
export const soundOf = ({ wav }: StoredSound): Blob =>
  new Blob([base64ToUint8Array(wav) as BlobPart], { type: 'audio/wav' });

const keyOf = ({ recording }: HeardLog) => `${storageKeys.heard}${recording.id}`;

const asLoop = (sound: string | null): HeardLoop | null => heardLoops.find((loop) => loop === sound) ?? null;
