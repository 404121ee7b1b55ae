import type { Message } from './message';

/** Words that end, and begin again, what a number wants to be texted; as a whole text (CTIA Messaging Principles §5.1.3). */
const stops = new Set(['stop', 'stopall', 'unsubscribe', 'cancel', 'end', 'quit']);
const starts = new Set(['start', 'unstop', 'yes']);

const wordOf = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[.!]+$/, '');

/** Whether the last such word of theirs was one that ends it. */
export function isOptedOut(thread: Iterable<Message>): boolean {
  const words = [...thread]
    .filter(({ direction }) => direction === 'in')
    .sort((a, b) => a.at - b.at)
    .map(({ text }) => wordOf(text))
    .filter((word) => stops.has(word) || starts.has(word));
  return stops.has(words.at(-1) ?? '');
}
