import {
  workingHoursOf,
  type CallerMatch,
  type OfficeIndex,
  type RingPlan,
  type RingRule,
  type Team,
} from '@/core/setup';
import { isInDates, isInWindows } from '@/core/shared/time';

/** Who calls: an outside number (null: withheld) or somebody of the office. */
export interface Caller {
  number: string | null;
  personId: string | null;
}

/** What a rule's conditions are asked of. */
export interface CallFacts {
  lineId: string | null;
  /** null where the caller does not matter yet; then only rules for any caller fit. */
  caller: Caller | null;
  /** Epoch milliseconds. */
  at: number;
  situationId: string | null;
  /** Whether the called person talks to somebody already. */
  isOnCall: boolean;
  /** How often that number has called in the last minutes. */
  triesWithin: (number: string, minutes: number) => number;
}

/** Why a rule is not for a call; the first of its conditions that does not hold. */
export const obstacles = [
  'otherLine',
  'otherCaller',
  'otherSituation',
  'otherHours',
  'otherDates',
  'otherTime',
  'workingHours',
  'notWorkingHours',
  'inMeeting',
  'notInMeeting',
  'onCall',
  'notOnCall',
] as const;
export type Obstacle = (typeof obstacles)[number];

/** What keeps the rule of a plan from this call, or null where it fits. */
export function obstacleOf(
  rule: RingRule,
  facts: CallFacts,
  office: OfficeIndex,
  plan: RingPlan,
): Obstacle | null {
  const { when } = rule;
  if (!isForLine(rule, facts)) return 'otherLine';
  if (!when) return null;
  const { zone } = office.setup;
  if (isAsked(when.callers) && !isAmong(when.callers, facts, office)) return 'otherCaller';
  if (isAsked(when.situationIds) && !when.situationIds.includes(facts.situationId ?? ''))
    return 'otherSituation';
  if (isAsked(when.hours) && !isInWindows(facts.at, when.hours, zone)) return 'otherHours';
  if (isAsked(when.dates) && !isInDates(facts.at, when.dates, zone)) return 'otherDates';
  if (isAsked(when.spans) && !isInSpans(facts.at, when.spans)) return 'otherTime';
  if (when.workingHours !== undefined && when.workingHours !== isWorking(facts.at, plan, zone, facts.lineId))
    return when.workingHours ? 'notWorkingHours' : 'workingHours';
  if (when.inMeeting !== undefined && when.inMeeting !== isMeeting(facts.at, plan))
    return when.inMeeting ? 'notInMeeting' : 'inMeeting';
  if (when.whileOnCall === undefined || when.whileOnCall === facts.isOnCall) return null;
  return facts.isOnCall ? 'onCall' : 'notOnCall';
}

export const isForLine = ({ lineIds }: RingRule, { lineId }: Pick<CallFacts, 'lineId'>): boolean =>
  lineIds.length === 0 || (lineId !== null && lineIds.includes(lineId));

/** Whether it is working time by the plan, for calls to a line: in its week, and not on a day off. */
export const isWorking = (at: number, plan: RingPlan, zone: string, lineId: string | null = null) =>
  isInWindows(at, workingHoursOf(plan, lineId), zone) && !isInDates(at, plan.daysOff ?? [], zone);

/** Whether a team takes calls: in its hours, and not on a day off. */
export const isOpen = ({ open, daysOff }: NonNullable<Team['hours']>, at: number, zone: string) =>
  isInWindows(at, open, zone) && !isInDates(at, daysOff, zone);

export const isMeeting = (at: number, { meetings = [] }: RingPlan) => isInSpans(at, meetings);

const isInSpans = (at: number, spans: readonly { from: number; until: number }[]) =>
  spans.some(({ from, until }) => from <= at && at < until);

const isAsked = <T>(list: readonly T[] | undefined): list is readonly T[] =>
  list !== undefined && list.length > 0;

/** Whether the caller is of one of these kinds. */
export function isAmong(
  matches: readonly CallerMatch[],
  facts: Pick<CallFacts, 'caller' | 'triesWithin'>,
  office: OfficeIndex,
): boolean {
  for (const match of matches) if (isMatch(match, facts, office)) return true;
  return false;
}

function isMatch(
  match: CallerMatch,
  { caller, triesWithin }: Pick<CallFacts, 'caller' | 'triesWithin'>,
  office: OfficeIndex,
): boolean {
  if (!caller) return false;
  const { number, personId } = caller;
  if (match.kind === 'colleague') return personId !== null;
  if (personId !== null) return false;
  if (match.kind === 'withheld') return number === null;
  if (number === null) return false;
  switch (match.kind) {
    case 'number':
      return number === match.number;
    case 'prefix':
      return number.startsWith(match.prefix);
    case 'group':
      return groupsOf(number, office).some(({ id }) => id === match.groupId);
    case 'starred':
      return groupsOf(number, office).some(({ starred }) => starred);
    case 'unknown':
      return groupsOf(number, office).length === 0;
    case 'repeated':
      return triesWithin(number, match.withinMinutes) >= match.times;
  }
}

const noGroups: readonly never[] = [];
const groupsOf = (number: string, office: OfficeIndex) => office.groupsByNumber.get(number) ?? noGroups;
