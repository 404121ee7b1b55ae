import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { startOfDay } from 'date-fns/startOfDay';

/** First instant of the local day that `at` lies in. Epoch milliseconds in and out; `zone` is an IANA name. */
export function startOfLocalDay(at: number, zone: string): number {
  return startOfDay(new TZDate(at, zone)).getTime();
}

/** First instant of the local day `days` later (or earlier), also across the nights when clocks change. */
export function shiftLocalDays(at: number, days: number, zone: string): number {
  return startOfDay(addDays(new TZDate(at, zone), days)).getTime();
}

/** The local calendar day as "2026-11-26". */
export function localDayKey(at: number, zone: string): string {
  const date = new TZDate(at, zone);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

/** Instant of a wall-clock time on the local day of `at`. */
export function atLocalTime(at: number, hours: number, minutes: number, zone: string): number {
  const day = new TZDate(at, zone);
  return new TZDate(day.getFullYear(), day.getMonth(), day.getDate(), hours, minutes, zone).getTime();
}

/** 0 for Sunday to 6 for Saturday. */
export function localWeekday(at: number, zone: string): number {
  return new TZDate(at, zone).getDay();
}
