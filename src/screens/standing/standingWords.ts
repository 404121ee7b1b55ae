import { describeFinish, type Finish, type OfficeIndex, type Situation } from '@/core/setup';
import { allFree, traceCall, type RouteTrace, type Standing } from '@/core/plans/routing';
import { formatMoment } from '@/core/shared/time';

import { shortTargetName } from '../shared/targetWords';

/** "15:00", with the day where it is another. */
export function untilWords(until: number | null, now: number, zone: string): string {
  if (until === null) return '';
  return ` until ${formatMoment(until, now, zone)}`;
}

/** "On site until 15:00", "Do not disturb", "Everything goes to Ilse Varga": where I stand, in a few words. */
export function standingWords(standing: Standing, office: OfficeIndex, now: number, myId: string): string {
  const { situation, word, until, doNotDisturb, forward } = standing;
  const { zone } = office.setup;
  if (forward) return `${forwardWords(forward.to, office, myId)}${untilWords(forward.until, now, zone)}`;
  if (doNotDisturb) return `Do not disturb${untilWords(doNotDisturb.until, now, zone)}`;
  return situation ? `${situationWords(situation, word)}${untilWords(until, now, zone)}` : 'No situation';
}

/** "On site: In a meeting", as colleagues see it. */
export const situationWords = ({ name }: Situation, word: string) =>
  word === '' ? name : `${name}: ${word}`;

/** "Everything goes to Ilse Varga". */
export function forwardWords(to: Finish, office: OfficeIndex, myId: string): string {
  if (to.kind === 'forward')
    return `Everything goes to ${describeFinish(to, office, myId).replace('forwarded to ', '')}`;
  return `Everything goes to ${describeFinish(to, office, myId)}`;
}

/** What would ring now for a stranger on that line, in the order of its seconds: "this app, desk phone, then Ilse". */
export function ringsNow(
  office: OfficeIndex,
  myId: string,
  lineId: string | null,
  at: number,
  situationId?: string,
): string {
  const trace = traceCall(
    office,
    { ownerId: myId, lineId, caller: { number: null, personId: null } },
    { ...allFree(at), ...(situationId !== undefined && { calledSituation: situationId }) },
  );
  return stagesWords(trace, office, myId);
}

function stagesWords(trace: RouteTrace, office: OfficeIndex, myId: string): string {
  const when = trace.finishSeconds > 0 ? `after ${trace.finishSeconds} s` : 'at once';
  if (trace.legs.length === 0) return `nothing rings: ${describeFinish(trace.finish, office, myId)} ${when}`;
  const stages = [...new Set(trace.legs.map(({ stage }) => stage))].map((stage) =>
    trace.legs
      .filter((leg) => leg.stage === stage)
      .map((leg) => shortTargetName(leg, office, myId, 'inSentence'))
      .join(', '),
  );
  return stages.join(', then ');
}
