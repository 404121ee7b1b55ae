import type { FollowUp } from '@/core/followUps';
import { formatDayAndClock } from '@/core/time';

/** "Follow-up, Fri 08:00, high, Field, done": what is said under its text. */
export function followUpWords(
  { dueAt, doneAt, priority, list, words }: FollowUp,
  now: number,
  zone: string,
): string {
  return [
    'Follow-up',
    ...(dueAt === null ? [] : [formatDayAndClock(dueAt, now, zone)]),
    ...(priority === 'usual' ? [] : [`${priority} priority`]),
    ...(list === '' ? [] : [list]),
    ...words,
    ...(doneAt === null ? [] : ['done']),
  ].join(', ');
}
