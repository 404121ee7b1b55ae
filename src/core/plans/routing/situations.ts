import type { ChosenSituation, Followed, OfficeIndex, Person, RingPlan } from '@/core/setup';
import { edgesBetween, isInWindows } from '@/core/shared/time';
import { isMeeting, isWorking } from './conditions';

/** The situation somebody is in; null where they are in none. One chosen by hand holds as long as it lasts. */
export function situationAt(office: OfficeIndex, personId: string, at: number): string | null {
  const person = office.people.get(personId);
  if (!person) return null;
  const chosen = chosenAt(person, at);
  if (chosen) return chosen.id;
  if (!person.follows) return null;
  const plan = office.ringPlans.get(personId);
  return person.follows.find((each) => holds(each, at, plan, office.setup.zone))?.situationId ?? null;
}

/** The situation chosen by hand that holds then: the last one, or what it was chosen over once that has ended. */
export function chosenAt({ situation }: Person, at: number): ChosenSituation | null {
  if (!situation) return null;
  return [situation, ...(situation.before ?? [])].find(({ until }) => until === null || at < until) ?? null;
}

/**
 * Somebody's choice from now on. One with an end is chosen over what was on, but for the same without that end; one
 * without an end puts all before it away.
 */
export function chooseSituation(
  { situation }: Person,
  next: ChosenSituation,
  at: number,
): NonNullable<Person['situation']> {
  const { until } = next;
  if (until === null) return next;
  const before = (situation ? [situation, ...(situation.before ?? [])] : [])
    .filter(
      (each) =>
        (each.id !== next.id || each.word !== next.word) &&
        (each.until === null || each.until > Math.max(at, until)),
    )
    .map(({ id, word, until: end }) => ({ id, word, until: end }));
  return { ...next, ...(before.length > 0 && { before }) };
}

function holds(followed: Followed, at: number, plan: RingPlan | undefined, zone: string): boolean {
  switch (followed.by) {
    case 'hours':
      return isInWindows(at, followed.windows, zone);
    case 'workingHours':
      return plan !== undefined && isWorking(at, plan, zone) === followed.working;
    case 'meetings':
      return plan !== undefined && isMeeting(at, plan);
  }
}

/** Instants strictly between two at which somebody's situation may become another by itself; in no order. */
export function situationChanges(
  office: OfficeIndex,
  personId: string,
  { from, to }: { from: number; to: number },
): number[] {
  const person = office.people.get(personId);
  if (!person) return [];
  const plan = office.ringPlans.get(personId);
  const follows = person.follows ?? [];
  const windows = follows.flatMap((each) => (each.by === 'hours' ? each.windows : []));
  const isByWork = follows.some(({ by }) => by === 'workingHours');
  if (isByWork) windows.push(...(plan?.workingHours ?? []));
  const edges = windows.length > 0 || isByWork ? edgesBetween(from, to, windows, office.setup.zone) : [];
  const meetings = follows.some(({ by }) => by === 'meetings') ? (plan?.meetings ?? []) : [];
  const chosen = person.situation ? [person.situation, ...(person.situation.before ?? [])] : [];
  const ends = [...meetings.flatMap((each) => [each.from, each.until]), ...chosen.map(({ until }) => until)];
  return [...edges, ...ends.filter((at): at is number => at !== null && at > from && at < to)];
}

const horizonMs = 15 * 24 * 3_600_000;

/** When the situation of now becomes another by itself, looking a fortnight ahead; null where it does not. */
export function situationEnds(office: OfficeIndex, personId: string, now: number): number | null {
  const current = situationAt(office, personId, now);
  const changes = situationChanges(office, personId, { from: now, to: now + horizonMs });
  return changes.sort((a, b) => a - b).find((at) => situationAt(office, personId, at) !== current) ?? null;
}

/** Whether calls to their teams pass somebody by, because of the situation they are in. */
export function isOutOfTeams(office: OfficeIndex, personId: string, situationId: string | null): boolean {
  if (situationId === null) return false;
  const situations = office.people.get(personId)?.situations;
  return situations?.find(({ id }) => id === situationId)?.leavesTeams === true;
}
