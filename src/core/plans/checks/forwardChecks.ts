import {
  describeFinish,
  targetName,
  type Finish,
  type ForwardAll,
  type OfficeIndex,
  type RingPlan,
} from '@/core/setup';
import { formatMoney, rateFor } from '@/core/numbers/rates';
import { formatDayAndClock } from '@/core/shared/time';
import type { PastCall } from '@/core/plans/lookBack';
import { allFree } from '@/core/plans/routing';
import { reachedBy, situationAt, traceCall } from '@/core/plans/routing';
import { withFinishes } from './editing';
import type { CheckContext, Finding } from './finding';

const forgottenMs = 12 * 3_600_000;
/** What a call to a number outside is taken to last, where no traffic says otherwise. */
const usualTalkMs = 150_000;
const monthMs = 30 * 24 * 3_600_000;

/** Forwards of everything that have lost their purpose, or make something else of the plan useless. */
export function forwardChecks(office: OfficeIndex, plan: RingPlan, now: number): Finding[] {
  const { zone } = office.setup;
  const on = plan.forwards?.find(
    ({ from, until }) => (from === null || from <= now) && (until === null || now < until),
  );
  if (!on) return [];
  const findings: Finding[] = [];
  const without = { ...plan, forwards: (plan.forwards ?? []).filter((forward) => forward !== on) };
  const person = office.people.get(plan.personId);
  const situationIsOver = person?.situation !== undefined && situationAt(office, plan.personId, now) === null;
  if (on.until === null && (on.from === null || now - on.from > forgottenMs || situationIsOver))
    findings.push({
      personId: plan.personId,
      code: 'forwardLeftOn',
      severity: 'alarm',
      place: {},
      sentence: `Everything is still ${goesTo(on.to, office)}${on.from === null ? '' : ` since ${formatDayAndClock(on.from, now, zone)}`}, without an end.`,
      repair: { word: 'Turn the forward off', plan: without },
    });
  const { doNotDisturb } = plan;
  if (doNotDisturb && (doNotDisturb.until === null || doNotDisturb.until > now))
    findings.push({
      personId: plan.personId,
      code: 'excluded',
      severity: 'warning',
      place: {},
      sentence: `Do not disturb and its exceptions have no effect while everything is ${goesTo(on.to, office)}: nobody is let through.`,
      repair: { word: 'Turn the forward off', plan: without },
    });
  return findings;
}

const goesTo = (to: Finish, office: OfficeIndex) =>
  to.kind === 'forward' ? describeFinish(to, office) : `sent to ${describeFinish(to, office)}`;

/** Mobiles that calls are forwarded to without a key: their own mailboxes may take what was to reach somebody. */
export function mailboxThereChecks(office: OfficeIndex, plan: RingPlan): Finding[] {
  const urgent = office.setup.lines.filter((line) => line.urgent && line.ownerId === plan.personId);
  const atMobile = (finish: Finish | undefined) =>
    finish?.kind === 'forward' && !finish.acceptKey && isMobile(numberOf(finish, office)) ? finish : null;
  const finding = (to: Extract<Finish, { kind: 'forward' }>, ruleId: string | null): Finding => {
    const also = ruleId === null ? urgent.map(({ name }) => `, those of the urgent line ${name} too`) : [];
    const number = numberOf(to, office);
    return {
      personId: plan.personId,
      code: 'ownMailbox',
      severity: 'alarm',
      place: { ...(ruleId !== null && { ruleId }), deviceId: null, number },
      sentence: `${targetName({ deviceId: null, number }, office)} is a mobile that takes calls without a key: its own mailbox may answer your callers${also.join('')}, and nobody here would know.`,
      repair: {
        word: 'Ask for a key to take the call there',
        plan: withFinishes(plan, (each) =>
          each.kind === 'forward' && each.to === to.to ? { ...each, acceptKey: true } : each,
        ),
      },
    };
  };
  return [
    ...(plan.forwards ?? []).flatMap(({ to }) => {
      const found = atMobile(to);
      return found ? [finding(found, null)] : [];
    }),
    ...plan.rules.flatMap(({ id, finish, busyFinish, unreachableFinish, refusedFinish }) => {
      const found = [finish, busyFinish, unreachableFinish, refusedFinish].map(atMobile).find((each) => each);
      return found ? [finding(found, id)] : [];
    }),
  ];
}

const isMobile = (number: string | null) => number !== null && /^\+447/.test(number);

/** A rule for callers who are kept away before any plan is asked. */
export function screeningCheck(office: OfficeIndex, plan: RingPlan): Finding[] {
  const screening = office.people.get(plan.personId)?.screening;
  if (!screening) return [];
  return plan.rules.flatMap((rule): Finding[] => {
    const callers = rule.when?.callers ?? [];
    const isKeptAway = (match: (typeof callers)[number]) =>
      (match.kind === 'withheld' && screening.withheld) ||
      (match.kind === 'number' && screening.numbers.includes(match.number));
    if (callers.length === 0 || !callers.every(isKeptAway)) return [];
    return [
      {
        personId: plan.personId,
        code: 'excluded',
        severity: 'warning',
        place: { ruleId: rule.id },
        sentence: `“${rule.name}” is for callers whom you keep away: they never get as far as this plan.`,
        repair: {
          word: 'Remove the rule',
          plan: { ...plan, rules: plan.rules.filter((each) => each !== rule) },
        },
      },
    ];
  });
}

/** Premium and foreign numbers that a plan rings or forwards to, with what that costs a month at the usual traffic. */
export function costChecks(office: OfficeIndex, plan: RingPlan, context: CheckContext): Finding[] {
  const { rates } = office.setup;
  // For every number, the rule that names it; of one that everything is forwarded to, the forward.
  const named = new Map<string, string | ForwardAll>();
  for (const rule of plan.rules) {
    for (const { targets } of rule.stages)
      for (const target of targets) if ('number' in target) named.set(target.number, rule.id);
    const number = numberOf(rule.finish, office);
    if (number !== null) named.set(number, rule.id);
  }
  for (const forward of plan.forwards ?? []) {
    const number = numberOf(forward.to, office);
    const isOver = forward.until !== null && forward.until <= context.now;
    if (number !== null && !isOver) named.set(number, forward);
  }
  return [...named].flatMap(([number, by]): Finding[] => {
    const rate = rateFor(rates, number);
    if (!rate || (!rate.isPremium && number.startsWith('+44'))) return [];
    const kind = rate.isPremium ? 'a premium number' : `abroad (${rate.name})`;
    const perMinute = formatMoney(rate.perMinuteMicros, rates.currency);
    const forward = typeof by === 'string' ? null : by;
    const perCall = rate.connectionFeeMicros + Math.ceil((rate.perMinuteMicros * usualTalkMs) / 60_000);
    const months = forward?.until == null ? 1 : monthsOf(forward, context.now);
    const calls = callsAMonth(office, plan, number, forward, context) * months;
    const cost = formatMoney(Math.round(perCall * calls), rates.currency);
    const span =
      forward?.until == null
        ? 'a month'
        : `until ${formatDayAndClock(forward.until, context.now, office.setup.zone)}`;
    const counted = new Intl.NumberFormat('en-GB', { maximumFractionDigits: calls < 10 ? 1 : 0 }).format(
      calls,
    );
    return [
      {
        personId: plan.personId,
        code: 'costly',
        severity: 'warning',
        place: { ...(typeof by === 'string' && { ruleId: by }), number, deviceId: null },
        sentence:
          context.pastCalls().length === 0
            ? `${targetName({ deviceId: null, number }, office)} is ${kind} at ${perMinute} a minute.`
            : `${targetName({ deviceId: null, number }, office)} is ${kind} at ${perMinute} a minute: with the usual ${counted} calls ${span} that get there, about ${cost} ${forward?.until == null ? 'a month' : 'in all'}.`,
        repair: { word: 'Leave it out', plan: withoutNumber(plan, number, office) },
      },
    ];
  });
}

function numberOf(finish: Finish, office: OfficeIndex): string | null {
  const reached = finish.kind === 'forward' ? reachedBy(finish.to, office) : null;
  return reached?.kind === 'number' ? reached.number : null;
}

const monthsOf = ({ from, until }: ForwardAll, now: number) =>
  ((until ?? now) - Math.max(from ?? now, now)) / monthMs;

/** How many of the past calls would have got as far as the number, by the month: a forward as if it had been on. */
function callsAMonth(
  office: OfficeIndex,
  plan: RingPlan,
  number: string,
  forward: ForwardAll | null,
  context: CheckContext,
): number {
  const pastCalls = context.pastCalls();
  const [first] = pastCalls;
  const last = pastCalls.at(-1);
  if (!first || !last) return 0;
  const asOn = forward ? { ...plan, forwards: [{ ...forward, from: null, until: null }] } : plan;
  const officeThen = forward ? office.withPlan(asOn) : office;
  const reaching = pastCalls.filter((call) => reaches(officeThen, asOn, number, call)).length;
  return reaching / Math.max(Math.abs(last.at - first.at) / monthMs, 1 / 30);
}

function reaches(office: OfficeIndex, plan: RingPlan, number: string, call: PastCall): boolean {
  const trace = traceCall(
    office,
    { ownerId: plan.personId, lineId: call.lineId, caller: call.caller },
    { ...allFree(call.at), isOnCall: () => call.isOnCall, calledSituation: call.situationId },
  );
  const leg = trace.legs.find((each) => each.number === number);
  const fromSeconds =
    leg?.fromSeconds ?? (numberOf(trace.finish, office) === number ? trace.finishSeconds : Infinity);
  if (fromSeconds === Infinity) return false;
  // Who was answered, or gave up, sooner never gets there.
  return call.waitedSeconds >= fromSeconds || (call.reachedFinish && !call.answered);
}

function withoutNumber(plan: RingPlan, number: string, office: OfficeIndex): RingPlan {
  const mailbox: Finish = { kind: 'mailbox', personId: plan.personId };
  const ended = withFinishes(plan, (finish) => (numberOf(finish, office) === number ? mailbox : finish));
  return {
    ...ended,
    rules: ended.rules.map((rule) => ({
      ...rule,
      stages: rule.stages.map((stage) => ({
        ...stage,
        targets: stage.targets.filter((target) => !('number' in target && target.number === number)),
      })),
    })),
    ...(plan.forwards && {
      forwards: plan.forwards.filter(({ to }) => numberOf(to, office) !== number),
    }),
  };
}
