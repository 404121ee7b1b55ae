import { z } from 'zod';

import { placeSchema } from './destinations';
import { noticeSchema } from './notice';

const secondMs = 1000;
const minuteMs = 60 * secondMs;
const hourMs = 60 * minuteMs;
/** Pauses after each try that failed, growing; after the last it is given up. */
const pauses = [5 * secondMs, 30 * secondMs, 2 * minuteMs, 10 * minuteMs, hourMs, 6 * hourMs, 24 * hourMs];

export const deliverySchema = z.object({
  /** One notice to one place: handing it over twice tells it once. */
  id: z.string().min(1).max(400),
  notice: noticeSchema,
  place: placeSchema,
  /** Under which its sound is kept, where it is to be fetched when it is told; null or left out: it stands in the notice, or there is none. */
  soundId: z.string().max(200).nullable().optional(),
});
/** What the app hands to the server. */
export type Delivery = z.infer<typeof deliverySchema>;

export const progressSchema = z.object({
  id: z.string(),
  state: z.enum(['waiting', 'delivered', 'failed']),
  tries: z.number().int().min(0),
  /** Why the last try failed, as a sentence. */
  problem: z.string().nullable(),
  /** When it is tried next, in epoch milliseconds; null when it is over. */
  nextAt: z.number().nullable(),
});
/** How far a delivery has come. */
export type Progress = z.infer<typeof progressSchema>;

/** `at`: when it is first tried. */
export const begun = (id: string, at: number): Progress => ({
  id,
  state: 'waiting',
  tries: 0,
  problem: null,
  nextAt: at,
});

/** `forGood`: no later try would end otherwise. */
export type TryResult = { ok: true } | { ok: false; forGood: boolean; problem: string };

/** How a delivery stands after a try. */
export function afterTry(progress: Progress, result: TryResult, now: number): Progress {
  const tries = progress.tries + 1;
  if (result.ok) return { ...progress, state: 'delivered', tries, problem: null, nextAt: null };
  const pause = result.forGood ? undefined : pauses[tries - 1];
  const { problem } = result;
  return pause === undefined
    ? { ...progress, state: 'failed', tries, problem, nextAt: null }
    : { ...progress, tries, problem, nextAt: now + pause };
}

/** What a receiver's answer means: 2xx is taken, 410 wants no more, other 4xx but 408, 425 and 429 can't get better. */
export function resultOfStatus(status: number): TryResult {
  if (status >= 200 && status < 300) return { ok: true };
  const problem = `It answered ${status}.`;
  const mayPass = status >= 500 || [408, 425, 429].includes(status);
  return { ok: false, forGood: !mayPass, problem };
}

export const toldSchema = z.object({
  /** That of the delivery. */
  id: z.string(),
  /** Without its sound, which is kept under `soundId` until it is handed over. */
  notice: noticeSchema,
  place: placeSchema,
  soundId: z.string().nullable(),
  /** When it was put on its way; left out by earlier versions. */
  toldAt: z.number().optional(),
  /** null until the server has it. */
  progress: progressSchema.nullable(),
});
/** A delivery as the app remembers it. */
export type Told = z.infer<typeof toldSchema>;

/** In the order they were told, the newest first. */
export const newestTold = (told: Iterable<Told>): Told[] =>
  [...told].sort((a, b) => toldAtOf(b) - toldAtOf(a) || (a.id < b.id ? 1 : -1));

/** When it was told; of one of an earlier version, when what it tells of happened. */
export const toldAtOf = ({ toldAt, notice }: Told): number => toldAt ?? notice.at;
