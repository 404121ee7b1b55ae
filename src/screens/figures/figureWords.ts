import type { FigureRow, Figures, Grouping, Span } from '@/core/calls/figures';
import type { OfficeIndex } from '@/core/setup';
import { formatDate, formatDuration } from '@/core/shared/time';

export const spanWords: Record<Span, { word: string; before: string }> = {
  today: { word: 'Today', before: 'yesterday' },
  week: { word: '7 days', before: 'the 7 days before' },
  month: { word: '30 days', before: 'the 30 days before' },
  lastMonth: { word: 'Last month', before: 'the month before' },
  quarter: { word: '13 weeks', before: 'the 13 weeks before' },
};

export const groupingWords: Record<Grouping, string> = {
  line: 'Line',
  team: 'Team',
  person: 'Person',
  key: 'Menu key',
  hour: 'Hour',
  weekday: 'Weekday',
  day: 'Day',
  week: 'Week',
  month: 'Month',
};

const weekdays = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const two = (hour: number) => `${String(hour).padStart(2, '0')}:00`;

/** What a row is of: "Field service", "09:00 to 10:00", "Week from 23 Nov". */
export function rowWord(by: Grouping, key: string, office: OfficeIndex): string {
  switch (by) {
    case 'line':
      return key === '' ? 'An extension' : (office.ever.lines.get(key)?.name ?? 'A line no longer here');
    case 'team':
      return key === '' ? 'No team' : (office.ever.teams.get(key)?.name ?? 'A team no longer here');
    case 'person':
      return key === '' ? 'Nobody' : (office.ever.people.get(key)?.name ?? 'Somebody no longer here');
    case 'key':
      return key === '' ? 'No key' : `Key ${key.split(' ').join(', then ')}`;
    case 'hour':
      return `${two(Number(key))} to ${two(Number(key) + 1)}`;
    case 'weekday':
      return weekdays[Number(key)] ?? key;
    case 'day':
      return dayWord(key);
    case 'week':
      return `Week from ${dayWord(key)}`;
    case 'month':
      return new Date(`${key}T00:00Z`).toLocaleDateString('en-GB', {
        ...{ month: 'long', year: 'numeric', timeZone: 'UTC' },
      });
  }
}

const dayWord = (key: string) => formatDate(Date.parse(`${key}T12:00Z`), 'UTC');

export const length = (ms: number | null) => (ms === null ? 'none' : formatDuration(ms));
export const percent = (share: number | null) => (share === null ? 'none' : `${Math.round(share * 100)} %`);

/** "9 taken, 2 gave up, 1 went on; half of them within 0:12". */
export function rowWords({ taken, abandoned, overflowed, medianWaitMs }: FigureRow): string {
  const parts = [
    `${taken} taken`,
    ...(abandoned === 0 ? [] : [`${abandoned} gave up`]),
    ...(overflowed === 0 ? [] : [`${overflowed} went on`]),
  ];
  return (
    parts.join(', ') + (medianWaitMs === null ? '' : `; half of them within ${formatDuration(medianWaitMs)}`)
  );
}

/** The figures of the whole, each with what it was in the span before. */
export function wholeFigures(
  all: Figures,
  before: Figures,
  withinSeconds: number,
): { word: string; now: string; before: string }[] {
  const of = (word: string, write: (figures: Figures) => string) => ({
    ...{ word, now: write(all), before: write(before) },
  });
  return [
    of('Calls that came in', ({ calls }) => String(calls)),
    of('Taken', ({ taken }) => String(taken)),
    of('Gave up', ({ abandoned }) => String(abandoned)),
    of('Went on to a mailbox, busy tone or elsewhere', ({ overflowed }) => String(overflowed)),
    of(`Taken within ${withinSeconds} s`, ({ serviceLevel }) => percent(serviceLevel)),
    of('Waited, half of them', ({ medianWaitMs }) => length(medianWaitMs)),
    of('Waited, on the mean', ({ meanWaitMs }) => length(meanWaitMs)),
    of('Waited, nine of ten', ({ ninetiethWaitMs }) => length(ninetiethWaitMs)),
    of('Waited longest', ({ longestWaitMs }) => length(longestWaitMs)),
    of('Talked, on the mean', ({ meanTalkMs }) => length(meanTalkMs)),
  ];
}
