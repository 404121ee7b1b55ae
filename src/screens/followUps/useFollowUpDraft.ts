import { useState } from 'react';

import { readWords, type FollowUp, type Priority } from '@/core/inbox/followUps';
import { readWhen } from '@/core/shared/parseTime';
import { callBackTimes } from '@/core/inbox/replies';
import { formatDayAndClock } from '@/core/shared/time';
import { selectZone, useAppSelector, useServices } from '@/state/app';

/** By when, besides the times that are offered. */
export const noFollowUp = 'no';
const someTime = 'none';
const asItWas = 'kept';
export const typedTime = 'typed';

type Due = { ok: true; at: number | null } | { ok: false; sentence: string };

/** What is being chosen of a follow-up besides its words and whom it is for. */
export interface FollowUpDraft {
  /** A time that is offered, or one of the above. */
  when: string;
  whens: readonly { value: string; word: string }[];
  /** The time as it is typed, where it is. */
  typed: string;
  priority: Priority;
  list: string;
  words: string;
  /** What is wrong with the time, once it was asked for. */
  error: string | undefined;
  change: (part: Partial<Pick<FollowUpDraft, 'when' | 'typed' | 'priority' | 'list' | 'words'>>) => void;
  /** As it would be kept; null, with the error shown, where the time can't be. */
  read: () => Pick<FollowUp, 'dueAt' | 'priority' | 'list' | 'words'> | null;
  /** Empty again, for another one. */
  empty: () => void;
}

const emptyOf = (followUp: FollowUp | null, when: string) => ({
  when,
  typed: '',
  priority: followUp?.priority ?? ('usual' as Priority),
  list: followUp?.list ?? '',
  words: (followUp?.words ?? []).join(', '),
});

/** For a new follow-up (null) or one that is changed; `mayBeNone` where there need not be one at all. */
export function useFollowUpDraft(followUp: FollowUp | null, mayBeNone = false): FollowUpDraft {
  const { clock } = useServices();
  const zone = useAppSelector(selectZone);
  const [now] = useState(() => clock.now());
  const dueBefore = followUp?.dueAt ?? null;
  const first = dueBefore === null ? (mayBeNone ? noFollowUp : someTime) : asItWas;
  const [parts, setParts] = useState(() => emptyOf(followUp, first));
  const [error, setError] = useState<string | undefined>(undefined);
  const times = callBackTimes(now, zone);
  const whens = [
    ...(mayBeNone ? [{ value: noFollowUp, word: 'no, only a note' }] : []),
    ...(dueBefore === null ? [] : [{ value: asItWas, word: formatDayAndClock(dueBefore, now, zone) }]),
    { value: someTime, word: 'some time' },
    ...times.map(({ word }) => ({ value: word, word })),
    { value: typedTime, word: 'another time' },
  ];
  const dueOf = (): Due => {
    if (parts.when === asItWas) return { ok: true, at: dueBefore };
    const offered = times.find(({ word }) => word === parts.when);
    if (parts.when !== typedTime) return { ok: true, at: offered?.at ?? null };
    const read = readWhen(parts.typed, clock.now(), zone);
    if (!read.ok) return read;
    return read.at > clock.now() ? read : { ok: false, sentence: 'That is in the past.' };
  };
  return {
    ...parts,
    whens,
    error,
    change: (part) => {
      setParts({ ...parts, ...part });
      setError(undefined);
    },
    read: () => {
      const due = dueOf();
      setError(due.ok ? undefined : due.sentence);
      if (!due.ok) return null;
      const { priority, list, words } = parts;
      return { dueAt: due.at, priority, list: list.trim(), words: readWords(words) };
    },
    empty: () => {
      setParts(emptyOf(followUp, first));
      setError(undefined);
    },
  };
}
