import { formatClock, formatDate, formatDuration } from '@/core/shared/time';

/** Somebody's time in a meeting, in epoch milliseconds; one person may have had several. */
export interface Stay {
  /** By which stays are of one person. */
  who: string;
  name: string;
  /** They were sound only. */
  byPhone: boolean;
  from: number;
  to: number;
}

export interface MinutesLine {
  at: number;
  name: string;
  text: string;
}

/** What is kept of a meeting in writing: when it was, who was there how long, and what was written in it. */
export function minutesText(
  stays: readonly Stay[],
  lines: readonly MinutesLine[],
  { from, to, zone }: { from: number; to: number; zone: string },
): string {
  const people = new Map<string, Stay[]>();
  for (const stay of stays) people.set(stay.who, [...(people.get(stay.who) ?? []), stay]);
  const attended = [...people.values()].map((all) => {
    const [first] = all;
    const where = all.every(({ byPhone }) => byPhone) ? ', by phone' : '';
    return `${first?.name ?? ''} ${formatDuration(coveredMs(all))}${where}`;
  });
  return [
    `Meeting on ${formatDate(from, zone)}, ${formatClock(from, zone)} to ${formatClock(to, zone)}`,
    `There: ${attended.join('; ')}`,
    ...lines.map(({ at, name, text }) => `${formatClock(at, zone)} ${name}: ${text}`),
  ].join('\n');
}

/** How long at least one of them lasted: somebody at two devices was there once. */
function coveredMs(stays: readonly Stay[]): number {
  let [sum, until] = [0, -Infinity];
  for (const { from, to } of [...stays].sort((one, other) => one.from - other.from)) {
    sum += Math.max(0, to - Math.max(from, until));
    until = Math.max(until, to);
  }
  return sum;
}
