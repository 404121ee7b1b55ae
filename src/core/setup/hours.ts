import type { z } from 'zod';

import type { weekWindowSchema } from './when';

export type WeekWindow = z.infer<typeof weekWindowSchema>;

const daysOfWeek = [0, 1, 2, 3, 4, 5, 6] as const;

/** What is open on one day, earliest first. */
const spansOn = (day: number, windows: readonly WeekWindow[]) =>
  windows
    .filter(({ days }) => days.includes(day))
    .map(({ from, to }) => ({ from, to }))
    .sort((a, b) => (a.from < b.from ? -1 : 1));

/** The first day of the week (0: Sunday) on which two windows overlap; null where none do. */
export function overlapOf(windows: readonly WeekWindow[]): number | null {
  const isOverlapping = (day: number) =>
    spansOn(day, windows).some(({ from }, at, spans) => at > 0 && from < (spans[at - 1]?.to ?? ''));
  return daysOfWeek.find(isOverlapping) ?? null;
}

/** The same hours in windows of which no two overlap or touch; days that are alike share theirs. */
export function joinWindows(windows: readonly WeekWindow[]): WeekWindow[] {
  const joined: WeekWindow[] = [];
  for (const day of daysOfWeek) {
    const merged: { from: string; to: string }[] = [];
    for (const span of spansOn(day, windows)) {
      const last = merged.at(-1);
      if (last && span.from <= last.to) last.to = span.to > last.to ? span.to : last.to;
      else merged.push({ ...span });
    }
    for (const { from, to } of merged) {
      const alike = joined.find((window) => window.from === from && window.to === to);
      if (alike) alike.days.push(day);
      else joined.push({ days: [day], from, to });
    }
  }
  return joined;
}
