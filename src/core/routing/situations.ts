import type { Followed, OfficeIndex, Person, RingPlan } from '../office';
import { edgesBetween, isInWindows } from '../time';
import { isMeeting, isWorking } from './conditions';

/** The situation somebody is in; null where they are in none. One chosen by hand holds as long as it lasts. */
export function situationAt(office: OfficeIndex, personId: string, at: number): string | null {
  const person = office.people.get(personId);
  if (!person) return null;
  if (isChosen(person, at)) return person.situation?.id ?? null;
  if (!person.follows) return null;
  const plan = office.ringPlans.get(personId);
  return person.follows.find((each) => holds(each, at, plan, office.setup.zone))?.situationId ?? null;
}

const isChosen = ({ situation }: Person, at: number) =>
  situation !== undefined && (situation.until === null || at < situation.until);

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
  const ends = [...meetings.flatMap((each) => [each.from, each.until]), person.situation?.until ?? null];
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
