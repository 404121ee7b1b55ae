import type { Greeting } from './ringPlan';

/** The stand-in voice says about 165 words in a minute. */
const secondsPerWord = 60 / 165;
/** The plain greeting of a mailbox whose owner has none, and the beep after any. */
const plainGreetingSeconds = 5;
const beepSeconds = 1;

/** Whole seconds in which a text is spoken; at least one. */
export function spokenSeconds(text: string): number {
  const words = text.split(/\s+/).filter((word) => word !== '').length;
  return Math.max(1, Math.ceil(words * secondsPerWord));
}

/** How long a mailbox's greeting lasts with its closing beep: as recorded, or as its text is spoken. */
export function greetingSeconds(greeting: Pick<Greeting, 'text' | 'recorded'> | null): number {
  if (!greeting) return plainGreetingSeconds + beepSeconds;
  return (greeting.recorded?.seconds ?? spokenSeconds(greeting.text)) + beepSeconds;
}
