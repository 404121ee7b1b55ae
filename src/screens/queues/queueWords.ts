import type { MemberNow, TeamNow } from '@/core/calls/exchange';
import type { Queue } from '@/core/setup';
import { formatDuration, formatSpan } from '@/core/shared/time';

/** "on a break: Lunch, 4 min": how a member stands to a queue, and since when. */
export function memberWords({ now, reason, at }: MemberNow, moment: number): string {
  const since = at === null ? '' : `, ${formatSpan(moment - at)}`;
  switch (now) {
    case 'free':
      return `free${since}`;
    case 'rung':
      return 'being called';
    case 'onCall':
      return `on a call${since}`;
    case 'wrapUp':
      return `works after a call, ${formatDuration(Math.max(0, (at ?? moment) - moment))} more`;
    case 'break':
      return `on a break${reason === '' ? '' : `: ${reason}`}${since}`;
    case 'away':
      return 'away by their situation';
    case 'noPhone':
      return 'no phone here rings';
    case 'signedOut':
      return `signed out${since}`;
  }
}

/** The same of the worker themselves, for what their calls do now. */
export function myWords(member: MemberNow, moment: number): string {
  switch (member.now) {
    case 'free':
    case 'rung':
    case 'onCall':
      return 'You are signed in';
    case 'wrapUp':
      return `After a call: ${formatDuration(Math.max(0, (member.at ?? moment) - moment))} without another`;
    case 'break':
      return `On a break${member.reason === '' ? '' : `: ${member.reason}`}`;
    case 'away':
      return 'Your situation keeps its calls away';
    case 'noPhone':
      return 'None of your phones rings for it';
    case 'signedOut':
      return 'You are signed out';
  }
}

/** "2 wait, the first for 1:20"; "nobody waits". */
export function waitingWords({ waiting }: TeamNow, moment: number): string {
  const [first] = waiting;
  if (!first?.queued) return 'nobody waits';
  const since = formatDuration(moment - first.queued.since);
  return waiting.length === 1 ? `one waits, for ${since}` : `${waiting.length} wait, the first for ${since}`;
}

/** "3 free, 1 on a call, 1 on a break". */
export function countWords({ members }: TeamNow): string {
  const count = (...states: MemberNow['now'][]) => members.filter(({ now }) => states.includes(now)).length;
  const parts = [
    [count('free'), 'free'],
    [count('rung', 'onCall', 'wrapUp'), 'at a call'],
    [count('break', 'away', 'noPhone'), 'away'],
    [count('signedOut'), 'signed out'],
  ] as const;
  return parts.flatMap(([number, word]) => (number === 0 ? [] : [`${number} ${word}`])).join(', ');
}

export const orderWords: Record<Queue['order'], { word: string; detail: string }> = {
  longestFree: { word: 'Whoever has been free longest', detail: 'everybody gets their share' },
  inTurn: { word: 'In turn', detail: 'the next after whoever was rung last' },
  fixedOrder: { word: 'In the order of the members', detail: 'the first who is free' },
  byLevel: { word: 'By level', detail: 'level 1 first, the others when those are taken' },
  allAtOnce: { word: 'All at once', detail: 'whoever lifts first' },
};
