import { localClock, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';

/** The spans that figures are asked for, up to now or whole. */
export const spans = ['today', 'week', 'month', 'lastMonth', 'quarter'] as const;
export type Span = (typeof spans)[number];

/** From an instant, before another: whole local days; those before today up to the end of it. */
export function spanOf(span: Span, now: number, zone: string): { from: number; until: number } {
  const today = startOfLocalDay(now, zone);
  const until = shiftLocalDays(today, 1, zone);
  const dayOfMonth = Number(localClock(now, zone).day.slice(8));
  const thisMonth = shiftLocalDays(today, 1 - dayOfMonth, zone);
  switch (span) {
    case 'today':
      return { from: today, until };
    case 'week':
      return { from: shiftLocalDays(today, -6, zone), until };
    case 'month':
      return { from: shiftLocalDays(today, -29, zone), until };
    case 'quarter':
      return { from: shiftLocalDays(today, -90, zone), until };
    case 'lastMonth': {
      const lastDay = Number(localClock(shiftLocalDays(thisMonth, -1, zone), zone).day.slice(8));
      return { from: shiftLocalDays(thisMonth, -lastDay, zone), until: thisMonth };
    }
  }
}
