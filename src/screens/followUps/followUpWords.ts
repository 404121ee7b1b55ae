import { isOverdue, type FollowUp } from '@/core/inbox/followUps';
import { formatDayAndClock } from '@/core/shared/time';

/** "Follow-up, Fri 08:00, high, Field, done": what is said under its text. */
export function followUpWords(
  { dueAt, doneAt, priority, list, words }: FollowUp,
  now: number,
  zone: string,
): string {
  return [
    'Follow-up',
    ...(dueAt === null ? [] : [dueWords(formatDayAndClock(dueAt, now, zone), dueAt, doneAt, now)]),
    ...(priority === 'usual' ? [] : [`${priority} priority`]),
    ...(list === '' ? [] : [list]),
    ...words,
    ...(doneAt === null ? [] : ['done']),
  ].join(', ');
}

const dueWords = (time: string, dueAt: number, doneAt: number | null, now: number) =>
  isOverdue({ dueAt, doneAt }, now) ? `overdue since ${time}` : time;
