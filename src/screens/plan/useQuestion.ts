import { useMemo, useState } from 'react';

import type { OfficeIndex } from '@/core/setup';
import { allFree, traceCall, type CalledParty, type RouteTrace } from '@/core/plans/routing';
import {
  selectChangedOffice,
  selectMyId,
  selectMyStanding,
  selectOffice,
  useAppSelector,
  useNow,
} from '@/state/app';

import { callerOf, type CallerKind } from '../shared/askedCallers';

export const myExtension = 'extension';

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
