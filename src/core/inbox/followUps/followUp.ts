import { z } from 'zod';

export const priorities = ['high', 'usual', 'low'] as const;
export type Priority = (typeof priorities)[number];

export const followUpSchema = z.object({
  kind: z.literal('followUp'),
  id: z.string(),
  /** Epoch milliseconds, as all times here. */
  at: z.number(),
  /** The call it came from; null for one by itself. */
  callId: z.string().nullable(),
  /** Whom to reach; null for nobody, and for a withheld caller. */
  number: z.string().nullable(),
  /** Who that is; empty for nobody. */
  name: z.string(),
  text: z.string(),
  /** null: whenever there is time. */
  dueAt: z.number().nullable(),
  doneAt: z.number().nullable(),
  priority: z.enum(priorities),
  /** The worker's own list it stands in; empty for none. */
  list: z.string(),
  /** Words to filter by. */
  words: z.array(z.string()),
  /** They were told that they would be called: reaching them keeps the promise. Left out by earlier versions. */
  isPromise: z.boolean().optional(),
});
/** Something the worker still means to do. */
export type FollowUp = z.infer<typeof followUpSchema>;

/** What an earlier version left out. */
export const plainFollowUp = { priority: 'usual', list: '', words: [] as string[] } as const;

/** What is wanted of the follow-ups; each part left out, or empty, lets everything through. */
export interface FollowUpFilter {
  list?: string | null;
  /** All of them have to be there. */
  words?: readonly string[];
  isDoneToo?: boolean;
}

export function fitsFollowUp(followUp: FollowUp, { list, words = [], isDoneToo }: FollowUpFilter): boolean {
  if (!isDoneToo && followUp.doneAt !== null) return false;
  if (list !== null && list !== undefined && followUp.list !== list) return false;
  return words.every((word) => followUp.words.includes(word));
}

/** The filter without what no follow-up has any more, which could be chosen no longer, nor taken off. */
export function stillInUse(
  { list, words = [], ...filter }: FollowUpFilter,
  inUse: { lists: readonly string[]; words: readonly string[] },
): FollowUpFilter {
  const hasList = list !== null && list !== undefined && inUse.lists.includes(list);
  return {
    ...filter,
    list: hasList ? list : null,
    words: words.filter((word) => inUse.words.includes(word)),
  };
}

const weight: Record<Priority, number> = { high: 0, usual: 1, low: 2 };

/**
 * In the order to do them: what is overdue, oldest first; then by priority, and there what is due first; without a time
 * at the end of its priority; what is done last of all, the newest first.
 */
export function orderFollowUps(followUps: Iterable<FollowUp>, now: number): FollowUp[] {
  return [...followUps].sort((a, b) => compare(rankOf(a, now), rankOf(b, now)) || (a.id < b.id ? -1 : 1));
}

/** What is compared, the first difference decides. */
function rankOf(followUp: FollowUp, now: number): number[] {
  const { doneAt, dueAt, priority, at } = followUp;
  const due = dueAt ?? Number.MAX_VALUE;
  if (doneAt !== null) return [2, -doneAt, 0, at];
  return isOverdue(followUp, now) ? [0, due, weight[priority], at] : [1, weight[priority], due, at];
}

function compare(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((value, index) => value !== b[index]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}

export const isOverdue = ({ dueAt, doneAt }: Pick<FollowUp, 'dueAt' | 'doneAt'>, now: number): boolean =>
  doneAt === null && dueAt !== null && dueAt <= now;

/** The lists and the words in use, each once, in order. */
export function listsOf(followUps: Iterable<FollowUp>): { lists: string[]; words: string[] } {
  const lists = new Set<string>();
  const words = new Set<string>();
  for (const followUp of followUps) {
    if (followUp.list !== '') lists.add(followUp.list);
    for (const word of followUp.words) words.add(word);
  }
  return { lists: [...lists].sort(inOrder), words: [...words].sort(inOrder) };
}

const inOrder = (a: string, b: string) => a.localeCompare(b, 'en', { sensitivity: 'base' });

/** Words as they are typed, parted by commas: trimmed, in small letters, each once. */
export const readWords = (typed: string): string[] => [
  ...new Set(
    typed
      .split(',')
      .map((word) => word.trim().toLowerCase())
      .filter((word) => word !== ''),
  ),
];
