import { uint8ArrayToBase64 } from 'uint8array-extras';

import type { Voicemail } from '@/core/inbox/voicemail';
import { decodeWav, encodeWav, mixHeard, resample } from '@/core/shared/soundFiles';

import type { AppStore, Services } from '@/state/app';

import type { StoredSound } from '../storage';
import { fetchClip } from './clips';

/** Telephone band, in which the clips are too. */
const sampleRate = 8000;

type Said = Pick<Voicemail, 'callId' | 'at' | 'durationMs' | 'said'>;

/** The sound of what was said, as it is kept. Throws where a clip can't be fetched now. */
export async function mixSaid({ callId, at, durationMs, said }: Said): Promise<StoredSound> {
  const clips = new Map<string, Float32Array>();
  for (const entry of said) {
    if (entry.kind !== 'clip' || clips.has(entry.clip)) continue;
    const decoded = decodeWav(await fetchClip(entry.clip));
    if (decoded.ok) clips.set(entry.clip, resample(decoded.samples, decoded.sampleRate, sampleRate));
  }
  const pieces = [{ from: at, to: at + durationMs }];
  const { samples } = mixHeard({ pieces, heard: said, clips }, sampleRate);
  return { callId, durationMs, wav: uint8ArrayToBase64(encodeWav(samples, sampleRate)) };
}

/**
 * The sound of a voicemail which the office has and this device has not yet: mixed from what was said, and kept; null where that
 * can't be done now.
 */
export async function mixVoicemail(
  store: AppStore,
  { keepSound }: Services,
  id: string,
): Promise<StoredSound | null> {
  const voicemail = store.getState().inbox.kept.voicemails[id];
  if (!voicemail || voicemail.said.length === 0) return null;
  const mixed = await mixSaid(voicemail).catch(() => null);
  if (mixed) await keepSound(id, mixed);
  return mixed;
}
