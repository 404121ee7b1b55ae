import type { WeekWindow } from '@/core/shared/time';

const dayNames = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const weekFromMonday = [1, 2, 3, 4, 5, 6, 0];

/** The days after these: 0 Sunday to 6 Saturday. */
export const daysAfter = (days: readonly number[]) => days.map((day) => (day + 1) % 7).sort((a, b) => a - b);

/** As they are typed: an evening and the morning after it are one stretch past midnight. */
export function hoursWords(windows: readonly WeekWindow[]): string {
  const left = [...windows];
  const parts: string[] = [];
  for (let window = left.shift(); window; window = left.shift()) {
    const { days, from, to } = window;
    const after = daysAfter(days).join();
    const at =
      to === '24:00'
        ? left.findIndex((each) => each.from === '00:00' && [...each.days].join() === after)
        : -1;
    const [morning] = at < 0 ? [] : left.splice(at, 1);
    // Midnight to midnight is whole days, not a night.
    const isNight = morning !== undefined && morning.to < from;
    if (morning && !isNight) left.splice(at, 0, morning);
    // A comma would part the stretches.
    parts.push(`${daysWords(days).replaceAll(', ', '+')} ${from}–${isNight ? morning.to : to}`);
  }
  return parts.join(', ');
}

/** "Mon–Fri", "Sat, Sun", "every day". */
export function daysWords(days: readonly number[]): string {
  const inOrder = weekFromMonday.filter((day) => days.includes(day));
  if (inOrder.length === 7) return 'every day';
  const first = weekFromMonday.indexOf(inOrder[0] ?? 1);
  const isRun = inOrder.every((day, index) => day === weekFromMonday[first + index]);
  const names = inOrder.map((day) => dayNames[day] ?? '');
  return isRun && names.length > 2 ? `${names[0]}–${names.at(-1)}` : names.join(', ');
}
