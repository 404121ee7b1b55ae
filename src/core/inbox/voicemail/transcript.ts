import { z } from 'zod';

/** A word with the seconds of the sound in which it is spoken. */
export const spokenWordSchema = z.object({
  text: z.string(),
  from: z.number().min(0),
  to: z.number().min(0),
});
export type SpokenWord = z.infer<typeof spokenWordSchema>;

export const transcriptSchema = z.array(spokenWordSchema);
/** What was said, in order. */
export type Transcript = z.infer<typeof transcriptSchema>;

export const textOf = (transcript: Transcript): string => transcript.map(({ text }) => text).join(' ');

/** The position of the word that is spoken at a second, or was spoken last; -1 before the first. */
export function wordAt(transcript: Transcript, seconds: number): number {
  let [low, high] = [0, transcript.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((transcript[middle]?.from ?? 0) <= seconds) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}
