import type { DoNotDisturb, ForwardAll, OfficeIndex, Situation } from '@/core/setup';
import { edgesBetween, shiftLocalDays } from '@/core/shared/time';
import { isWorking } from './conditions';
import { chosenAt, situationAt, situationEnds } from './situations';

const mostDaysOff = 60;

/** Where somebody stands for those who would call them, apart from their calls. */
export interface Standing {
  situation: Situation | null;
  /** Their own words to it; empty where they wrote none. */
  word: string;
  /** When the situation ends; null where it doesn't by itself. */
  until: number | null;
  /** Whether it came by itself, from the hours or a calendar. */
  follows: boolean;
  doNotDisturb: DoNotDisturb | null;
  /** A forward of everything that is on now. */
  forward: ForwardAll | null;
}

/** What is on at an instant: what has ended by then, or is still to come, is not. */
export function standingOf(office: OfficeIndex, personId: string, at: number): Standing {
  const person = office.people.get(personId);
  const plan = office.ringPlans.get(personId);
  const isOn = ({ from = null, until }: { from?: number | null; until: number | null }) =>
    (from === null || from <= at) && (until === null || at < until);
  const chosen = person ? chosenAt(person, at) : null;
  const situationId = situationAt(office, personId, at);
  const doNotDisturb = plan?.doNotDisturb;
  return {
    situation: person?.situations?.find(({ id }) => id === situationId) ?? null,
    word: chosen?.word ?? '',
    until: chosen || situationId === null ? (chosen?.until ?? null) : situationEnds(office, personId, at),
    follows: chosen === null && situationId !== null,
    doNotDisturb: doNotDisturb && isOn(doNotDisturb) ? doNotDisturb : null,
    forward: plan?.forwards?.find(isOn) ?? null,
  };
}

/** When the next working day's first hour begins; null where the plan has no working week. */
export function nextFirstHour(office: OfficeIndex, personId: string, now: number): number | null {
  const plan = office.ringPlans.get(personId);
  const { zone } = office.setup;
  if (!plan?.workingHours || plan.workingHours.length === 0) return null;
  const tomorrow = shiftLocalDays(now, 1, zone);
  const edges = edgesBetween(tomorrow - 1, shiftLocalDays(now, mostDaysOff, zone), plan.workingHours, zone);
  return edges.find((at) => isWorking(at, plan, zone)) ?? null;
}
