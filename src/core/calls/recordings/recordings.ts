import { z } from 'zod';

import type { CallRecord, Recording } from '@/core/calls/exchange';
import { formatIso, localDayKey } from '@/core/shared/time';

/**
 * What was deleted of a recording. That there was one stays in the record of its call, which is never changed; `id` is the
 * recording's own.
 */
export const deletedRecordingSchema = z.object({
  id: z.string(),
  callId: z.string(),
  /** Epoch milliseconds. */
  deletedAt: z.number(),
  /** By the worker, or because it had been kept as long as was chosen. */
  why: z.enum(['byHand', 'byAge']),
  /** Its sound is gone for good; until then it can be had back. */
  isGone: z.boolean(),
});
export type DeletedRecording = z.infer<typeof deletedRecordingSchema>;

/** By the ids of the recordings. */
export type DeletedRecordings = Readonly<Record<string, DeletedRecording>>;

/** Whether a call has a recording that was not deleted. */
export const isRecorded = ({ recordings }: Pick<CallRecord, 'recordings'>, deleted: DeletedRecordings) =>
  recordings.some(({ id }) => !(id in deleted));

/** Milliseconds that were recorded; of a stretch that is still open, up to `now`. */
export const recordedMs = ({ pieces }: Pick<Recording, 'pieces'>, now: number): number =>
  pieces.reduce((sum, { from, to }) => sum + (to ?? now) - from, 0);

const longestName = 60;

/**
 * What the file of a sound is called: with or from whom, and day and time in the office's zone, without signs that file
 * systems refuse: "Peg Anstey 2026-11-26 10.04.wav".
 */
export function soundFileName(name: string, at: number, zone: string): string {
  const plain = name
    .replace(/[\p{Cc}\p{Cf}<>:"/\\|?*]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[. ]+|[. ]+$/g, '');
  const short = [...plain].slice(0, longestName).join('').trimEnd();
  return `${short === '' ? 'Recording' : short} ${localDayKey(at, zone)} ${clockInName(at, zone)}.wav`;
}

/** "10.40": no file name takes a colon, and files in order of their names are in order of time. */
const clockInName = (at: number, zone: string) => formatIso(at, zone).slice(11, 16).replace(':', '.');
