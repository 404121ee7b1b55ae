import type { Settings } from '@/state/storage';

/** From so far over the noise on, speech is understood without effort; below the other, not well. In dB. */
export const clearFrom = 20;
export const poorBelow = 10;

/** What the last trial of the microphone has shown. */
export function soundTestWords({ name, overNoise }: NonNullable<Settings['soundTest']>): string {
  const reading = `${name}: speech ${overNoise} dB over the noise`;
  if (overNoise >= clearFrom) return `${reading}. That is clear.`;
  if (overNoise >= poorBelow) return `${reading}. It is understood; nearer to the microphone it is better.`;
  return `${reading}. Hardly anything stands out: speak nearer, or choose another microphone.`;
}
