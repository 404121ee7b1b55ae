import type { OfficeIndex } from '@/core/setup';
import { formatDuration, formatSpan } from '@/core/shared/time';
import type { LooseWeights, Weight } from './order';
import { triesOf } from './order';
import { teamOf, type LooseEnd, type Reason } from './looseEnds';

const kindWords: Record<Exclude<Reason['kind'], 'call' | 'voicemail' | 'promised'>, string> = {
  leftMenu: 'left in the menu',
  text: 'text',
  fax: 'fax',
  message: 'message',
  callBackRequest: 'asks for a call',
  returnedTransfer: 'came back',
};

/** "3 tries, last 12 min ago, voicemail 0:41, flood desk": why somebody stands among the loose ends. */
export function whyWords(end: LooseEnd, office: OfficeIndex, now: number): string {
  const { reasons } = end;
  const tries = triesOf(end);
  const last = reasons.findLast(({ kind }) => kind !== 'promised');
  const parts: string[] = [];
  if (tries > 1) parts.push(`${tries} tries, last ${formatSpan(now - (last?.at ?? now))} ago`);
  else if (last) parts.push(`${last.kind === 'call' ? 'called ' : ''}${formatSpan(now - last.at)} ago`);
  const voicemails = reasons.filter(({ kind }) => kind === 'voicemail');
  const longest = voicemails.at(-1);
  if (longest) parts.push(`voicemail ${formatDuration(longest.lengthMs ?? 0)}`);
  for (const [kind, word] of Object.entries(kindWords)) {
    const count = reasons.filter((reason) => reason.kind === kind).length;
    if (count > 0) parts.push(count === 1 ? word : `${count} × ${word}`);
  }
  const team = office.ever.teams.get(teamOf(end) ?? '');
  if (team) parts.push(`for ${team.name}`);
  const lines = [
    ...new Set(reasons.flatMap(({ lineId }) => office.ever.lines.get(lineId ?? '')?.name ?? [])),
  ];
  if (lines.length > 0) parts.push(lines.join(', ').toLowerCase());
  return parts.join(', ');
}

/** The newest words of theirs, or of what was promised them. */
export function newestWords({ reasons }: LooseEnd): string | null {
  return reasons.findLast(({ words }) => words !== null && words !== '')?.words ?? null;
}

export const weightWords: Record<keyof LooseWeights, string> = {
  urgentLine: 'They called an urgent line',
  starredCaller: 'The caller is starred',
  furtherTry: 'Each try after the first',
  waitingHour: 'Each working hour they wait',
  promiseOverdue: 'A promise is overdue',
  promiseSoon: 'A promise is due within 15 minutes',
};

/** "urgent line, starred, third try": why somebody stands where they stand, the weightiest first. */
export function rankWords(weights: readonly Weight[]): string {
  return [...weights]
    .sort((a, b) => b.points - a.points)
    .map(({ weight, times }) => {
      switch (weight) {
        case 'urgentLine':
          return 'urgent line';
        case 'starredCaller':
          return 'starred';
        case 'furtherTry':
          return `${ordinals[times + 1] ?? `${times + 1}th`} try`;
        case 'waitingHour':
          return times === 1 ? 'waiting for an hour' : `waiting for ${times} hours`;
        case 'promiseOverdue':
          return 'promise overdue';
        case 'promiseSoon':
          return 'promise due soon';
      }
    })
    .join(', ');
}

const ordinals = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth'] as const;
