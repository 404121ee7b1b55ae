import { useMemo, useState } from 'react';

import type { OfficeIndex } from '@/core/setup';
import { allFree, traceCall, type CalledParty, type Caller, type RouteTrace } from '@/core/plans/routing';
import {
  selectChangedOffice,
  selectMyId,
  selectMyStanding,
  selectOffice,
  useAppSelector,
  useNow,
} from '@/state/app';

export const myExtension = 'extension';

/** Kinds of callers a plan can tell apart. */
export const callers = [
  { kind: 'unknown', word: 'somebody unknown' },
  { kind: 'starred', word: 'somebody starred' },
  { kind: 'known', word: 'a known caller' },
  { kind: 'withheld', word: 'a withheld caller' },
  { kind: 'colleague', word: 'a colleague' },
] as const;
export type CallerKind = (typeof callers)[number]['kind'];

/** A number kept free for drama, which nobody has. */
const nobodysNumber = '+447700900999';

/** "Who rings when [somebody unknown] calls [Direct] [now], while [On site]?" */
export interface Question {
  callerKind: CallerKind;
  /** A line's id, or `myExtension`. */
  line: string;
  /** An instant; null for now. */
  at: number | null;
  /** A situation's id, or "none"; null for the present one. */
  situation: string | null;
}

/** The question that is asked of the changed plan, and its answer. */
export function useQuestion() {
  const office = useAppSelector(selectChangedOffice);
  const inForce = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const standing = useAppSelector((state) => selectMyStanding(state, now));
  const [question, setQuestion] = useState<Question>({
    callerKind: 'unknown',
    line: office.setup.lines.find(({ ownerId, urgent }) => ownerId === myId && !urgent)?.id ?? myExtension,
    at: null,
    situation: null,
  });
  const at = question.at ?? now;
  const situation = question.situation ?? standing.situation?.id ?? null;
  const ask = useMemo(
    () => (of: OfficeIndex) => answer(of, myId, question, at, situation === 'none' ? null : situation),
    [myId, question, at, situation],
  );
  const trace = useMemo(() => ask(office), [ask, office]);
  const traceInForce = useMemo(() => ask(inForce), [ask, inForce]);
  return { question, setQuestion, office, myId, now, at, situation, trace, traceInForce, ask };
}

function answer(
  office: OfficeIndex,
  ownerId: string,
  question: Question,
  at: number,
  situationId: string | null,
): RouteTrace {
  const called = calledBy(office, ownerId, question);
  return traceCall(office, called, { ...allFree(at), calledSituation: situationId });
}

/** Whom the question’s caller calls, for the routing. */
export function calledBy(office: OfficeIndex, ownerId: string, { callerKind, line }: Question): CalledParty {
  const lineId = line === myExtension ? null : line;
  return { ownerId, lineId, caller: callerOf(callerKind, office, ownerId) };
}

export function callerOf(kind: CallerKind, office: OfficeIndex, myId: string): Caller {
  const inGroup = (starred: boolean) =>
    office.setup.callerGroups.find((group) => group.starred === starred)?.numbers[0] ?? nobodysNumber;
  switch (kind) {
    case 'unknown':
      return { number: nobodysNumber, personId: null };
    case 'starred':
      return { number: inGroup(true), personId: null };
    case 'known':
      return { number: inGroup(false), personId: null };
    case 'withheld':
      return { number: null, personId: null };
    case 'colleague':
      return { number: null, personId: office.setup.people.find(({ id }) => id !== myId)?.id ?? null };
  }
}
