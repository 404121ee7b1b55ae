import { takesTexts } from '@/core/numbers/numbering';
import {
  menuTextAt,
  spokenSeconds,
  type Finish,
  type Menu,
  type OfficeIndex,
  type RingPlan,
  type RingRule,
} from '@/core/setup';
import { withThoseBeside } from './beside';
import { isAmong, isForLine, isOpen, isWorking, obstacleOf, type Caller, type CallFacts } from './conditions';
import { bookOf, skipOf, strangerTo } from './ruleBook';
import { situationAt } from './situations';
import { traceStages, type World } from './stages';
import type { RouteTrace, TraceStep } from './trace';

export interface CalledParty {
  ownerId: string;
  /** null where an extension was called. */
  lineId: string | null;
  /** The device that calls, which can't ring itself. */
  callingDeviceId?: string;
  caller: Caller | null;
  /** Who of the office hands a call over to them, or asks them in. */
  sentById?: string | undefined;
}

/**
 * Who rings when for one call at one moment. A forward of everything that is on now comes first, then do not disturb,
 * then the first rule that fits. Stages follow each other; a stage in which nothing can ring takes no time. A person
 * without a fitting rule has a mailbox. Where a rule rings, those who answer for the person ring too. Where all that could ring is busy, or not signed in, the call ends at once at
 * the rule's finish for that, if it has one.
 */
export function traceCall(office: OfficeIndex, called: CalledParty, world: World): RouteTrace {
  const { ownerId, lineId } = called;
  const plan = office.ringPlans.get(ownerId) ?? { personId: ownerId, rules: [] };
  const steps: TraceStep[] = [];
  const facts = factsOf(office, called, world);
  const endAtOnce = (wanted: Finish) => {
    const finish = possible(wanted, called, steps);
    return told({ ownerId, lineId, legs: [], finish, finishSeconds: 0, steps }, plan, facts, office);
  };

  const forward = plan.forwards?.find(({ from, until }) => isOn(world.at, from, until));
  if (forward) {
    steps.push({ kind: 'forwardedAll', personId: ownerId, until: forward.until });
    return endAtOnce(forward.to);
  }
  const isQuiet = plan.doNotDisturb ? isDisturbed(plan.doNotDisturb, facts, office, ownerId, steps) : false;
  if (isQuiet && plan.doNotDisturb?.mode === 'refuse') return endAtOnce({ kind: 'busy' });

  const rule = chooseRule(plan, facts, office, steps);
  if (!rule) {
    steps.push({ kind: 'noRule', personId: ownerId });
    return endAtOnce({ kind: 'mailbox', personId: ownerId });
  }
  const rings = (trace: RouteTrace) =>
    rule.stages.length === 0 ? trace : withThoseBeside(office, called, world, trace);
  if (isQuiet && plan.doNotDisturb?.mode === 'quiet') return rings(endAtOnce(rule.finish));
  const trace = traceRule(office, called, world, rule, steps);
  return told(rings(isQuiet ? silenced(trace) : trace), plan, facts, office);
}

/** Nothing of the owner's rings in its seconds, a number outside included; a colleague's phone does. */
const silenced = (trace: RouteTrace): RouteTrace => ({
  ...trace,
  legs: trace.legs.filter(({ personId }) => personId !== null && personId !== trace.ownerId),
  isSilent: true,
});

/** With the greeting that would be spoken, and the situation it was traced in. */
function told(trace: RouteTrace, plan: RingPlan, facts: CallFacts, office: OfficeIndex): RouteTrace {
  const greeting = plan.greetings && greetingFor(plan, facts, office);
  if (greeting) trace.greetingId = greeting.id;
  if (facts.situationId !== null) trace.situationId = facts.situationId;
  return trace;
}

const isOn = (at: number, from: number | null, until: number | null) =>
  (from === null || from <= at) && (until === null || at < until);

/** What a rule's conditions are asked of, from who is called and the moment. */
export function factsOf(
  office: OfficeIndex,
  { ownerId, lineId, caller }: CalledParty,
  world: World,
): CallFacts {
  return {
    lineId,
    caller,
    at: world.at,
    situationId:
      world.calledSituation === undefined ? situationAt(office, ownerId, world.at) : world.calledSituation,
    isOnCall: world.isOnCall(ownerId),
    triesWithin: world.triesWithin,
  };
}

/** The first of the plan's greetings that fits the moment. */
export function greetingFor(
  plan: RingPlan,
  { at, situationId, lineId }: Pick<CallFacts, 'at' | 'situationId' | 'lineId'>,
  { setup }: OfficeIndex,
) {
  return plan.greetings?.find(
    ({ situationIds = [], workingHours }) =>
      (situationIds.length === 0 || situationIds.includes(situationId ?? '')) &&
      (workingHours === undefined || workingHours === isWorking(at, plan, setup.zone, lineId)),
  );
}

/** Whether the call would disturb; says so in the steps, also where it is let through. */
function isDisturbed(
  { until, passes, passLineIds }: NonNullable<RingPlan['doNotDisturb']>,
  facts: CallFacts,
  office: OfficeIndex,
  personId: string,
  steps: TraceStep[],
): boolean {
  if (!isOn(facts.at, null, until)) return false;
  const isPassed =
    (facts.lineId !== null && passLineIds.includes(facts.lineId)) || isAmong(passes, facts, office);
  steps.push({ kind: 'doNotDisturb', personId, until, isPassed });
  return !isPassed;
}

function traceRule(
  office: OfficeIndex,
  called: CalledParty,
  world: World,
  rule: RingRule,
  steps: TraceStep[],
): RouteTrace {
  const { ownerId, lineId } = called;
  const { legs, skipped, finishSeconds } = traceStages(office, called, world, rule.stages);
  steps.push(...skipped);
  const missing = skipped.filter((step) => step.kind === 'deviceSkipped');
  const isAllBusy = legs.length === 0 && missing.some(({ reason }) => reason === 'busy');
  const isUnreachable = legs.length === 0 && !isAllBusy && missing.length > 0;
  if (isAllBusy) steps.push({ kind: 'allBusy', personId: ownerId });
  if (isUnreachable) steps.push({ kind: 'unreachable', personId: ownerId });
  const special = isAllBusy ? rule.busyFinish : isUnreachable ? rule.unreachableFinish : undefined;
  const finish = possible(special ?? rule.finish, called, steps);
  const trace: RouteTrace = { ownerId, lineId, legs, finish, finishSeconds, steps };
  if (rule.refusedFinish) trace.refusedFinish = possible(rule.refusedFinish, called, steps);
  return trace;
}

/** A text back only where the caller can take one; for a caller of no particular kind it is taken that they can. */
function possible(finish: Finish, { ownerId, caller }: CalledParty, steps: TraceStep[]): Finish {
  if (finish.kind !== 'textBack' || caller === null) return finish;
  if (caller.number !== null && takesTexts(caller.number)) return finish;
  if (!steps.some(({ kind }) => kind === 'noTextPossible'))
    steps.push({ kind: 'noTextPossible', personId: ownerId });
  return { kind: 'mailbox', personId: ownerId };
}

const teamRingSeconds = 30;

/**
 * A team's members ring together on their desk phones and apps, or the call waits for one of them in the team's queue; unanswered, it ends
 * in the team's mailbox or busy tone, or where its hours and its queue say.
 */
export function traceTeam(office: OfficeIndex, called: CalledParty, world: World): RouteTrace {
  const { ownerId, lineId } = called;
  const team = office.teams.get(ownerId);
  const steps: TraceStep[] = [{ kind: 'teamCalled', teamId: ownerId }];
  const unanswered: Finish = team?.mailbox ? { kind: 'teamMailbox', teamId: ownerId } : { kind: 'busy' };
  const endAtOnce = (kind: 'teamClosed' | 'queueFull' | 'queueUnattended', finish: Finish | undefined) => {
    steps.push({ kind, teamId: ownerId });
    return { ownerId, lineId, legs: [], finish: finish ?? unanswered, finishSeconds: 0, steps };
  };
  if (team?.hours && !isOpen(team.hours, world.at, office.setup.zone))
    return endAtOnce('teamClosed', team.hours.closedFinish);
  if (team?.queue) {
    const { queue, memberIds } = team;
    if (!memberIds.some((id) => world.isSignedInTo?.(ownerId, id) ?? true))
      return endAtOnce('queueUnattended', queue.nobodyFinish);
    if ((world.waitingAt?.(ownerId) ?? 0) >= queue.mostWaiting)
      return endAtOnce('queueFull', queue.fullFinish);
    steps.push({ kind: 'queued', teamId: ownerId });
    const finish = queue.longFinish ?? unanswered;
    return {
      ownerId,
      lineId,
      legs: [],
      finish,
      finishSeconds: queue.longestWaitSeconds,
      isSilent: true,
      steps,
    };
  }
  const stage = {
    targets: [{ teamId: ownerId, startSeconds: 0 }],
    length: { seconds: teamRingSeconds },
  };
  const { legs, skipped, finishSeconds } = traceStages(office, called, world, [stage]);
  steps.push(...skipped);
  return { ownerId, lineId, legs, finish: unanswered, finishSeconds, steps };
}

/** A menu speaks and waits as often as it does; nothing chosen, the call ends at its finish. Nothing rings meanwhile. */
export function traceMenu(
  office: OfficeIndex,
  { ownerId, lineId }: Pick<CalledParty, 'ownerId' | 'lineId'>,
  at: number,
): RouteTrace {
  const menu = office.menus.get(ownerId);
  const { zone } = office.setup;
  return {
    ownerId,
    lineId,
    legs: [],
    finish: menu?.finish ?? { kind: 'busy' },
    finishSeconds: menu ? menuSeconds(menu, at, zone) : 0,
    steps: [{ kind: 'menuReached', menuId: ownerId }],
  };
}

/** How long a menu that speaks at that instant does so, and waits, before it begins again. */
export const menuTurnSeconds = (
  menu: Menu,
  at: number,
  zone: string,
  language: string | null = null,
): number => spokenSeconds(menuTextAt(menu, at, zone, language)) + menu.waitSeconds;

/** All its turns, in which nothing is chosen. */
function menuSeconds(menu: Menu, at: number, zone: string): number {
  let seconds = 0;
  for (let turn = 0; turn < menu.turns; turn++) seconds += menuTurnSeconds(menu, at + seconds * 1000, zone);
  return seconds;
}

/** A conference asks for its PIN as often as it does; who types none is turned away. */
export function traceConference(
  { ownerId, lineId }: Pick<CalledParty, 'ownerId' | 'lineId'>,
  opens = false,
): RouteTrace {
  return {
    ...{ ownerId, lineId, legs: [], finish: { kind: 'busy' }, finishSeconds: pinTurns * pinSeconds },
    steps: [{ kind: 'conferenceReached', conferenceId: ownerId, ...(opens && { opens }) }],
  };
}
/** How long a conference waits for a PIN before it asks again, and how often it asks. */
export const pinSeconds = 10;
export const pinTurns = 3;

/** Whatever is called: a person, a team, a menu or a conference. */
export function traceAny(office: OfficeIndex, called: CalledParty, world: World): RouteTrace {
  if (office.teams.has(called.ownerId)) return traceTeam(office, called, world);
  if (office.conferences.has(called.ownerId)) return traceConference(called);
  if (office.menus.has(called.ownerId)) return traceMenu(office, called, world.at);
  return traceCall(office, called, world);
}

/** The same, but over after so many seconds. */
export function cutTrace(trace: RouteTrace, seconds: number): RouteTrace {
  if (trace.finishSeconds <= seconds) return trace;
  const legs = trace.legs
    .filter(({ fromSeconds }) => fromSeconds < seconds)
    .map((leg) => ({ ...leg, toSeconds: Math.min(leg.toSeconds, seconds) }));
  return { ...trace, legs, finishSeconds: seconds };
}

/** The first rule that fits, with every one before it and why it did not. */
export function chooseRule(
  plan: RingPlan,
  facts: CallFacts,
  office: OfficeIndex,
  steps: TraceStep[],
): RingRule | null {
  const book = bookOf(plan);
  const isStrangerTo = strangerTo(book, facts);
  for (let at = 0; at < book.entries.length; at++) {
    const entry = book.entries[at];
    if (!entry) continue;
    const { rule } = entry;
    const obstacle =
      isStrangerTo(at) && isForLine(rule, facts) ? 'otherCaller' : obstacleOf(rule, facts, office, plan);
    if (obstacle === null) {
      const byLine = rule.lineIds.length > 0 ? 'thisLine' : 'anyLine';
      const reason = rule.when ? 'itsConditions' : byLine;
      steps.push({ kind: 'ruleTaken', rule: rule.name, ruleId: rule.id, reason });
      return rule;
    }
    steps.push(skipOf(entry, obstacle));
  }
  return null;
}
