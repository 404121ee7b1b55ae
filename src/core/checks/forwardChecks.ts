import { describeFinish, targetName, type Finish, type OfficeIndex, type RingPlan } from '../office';
import { formatMoney, rateFor } from '../rates';
import { formatDayAndClock } from '../time';
import type { PastCall } from '../lookBack';
import { allFree } from '../routing';
import { reachedBy, situationAt, traceCall } from '../routing';
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
      repair: { word: 'Take the forward off', plan: without },
    });
  const { doNotDisturb } = plan;
  if (doNotDisturb && (doNotDisturb.until === null || doNotDisturb.until > now))
    findings.push({
      personId: plan.personId,
      code: 'excluded',
      severity: 'warning',
      place: {},
      sentence: `Do not disturb and its exceptions mean nothing while everything is ${goesTo(on.to, office)}: nobody is let through.`,
      repair: { word: 'Take the forward off', plan: without },
    });
  return findings;
}

const goesTo = (to: Finish, office: OfficeIndex) =>
  to.kind === 'forward' ? describeFinish(to, office) : `sent to ${describeFinish(to, office)}`;

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
          word: 'Take the rule out',
          plan: { ...plan, rules: plan.rules.filter((each) => each !== rule) },
        },
      },
    ];
  });
}

/** Premium and foreign numbers that a plan rings or forwards to, with what that costs a month at the usual traffic. */
export function costChecks(office: OfficeIndex, plan: RingPlan, context: CheckContext): Finding[] {
  const { rates } = office.setup;
  const named = new Map<string, string | undefined>();
  for (const rule of plan.rules) {
    for (const { targets } of rule.stages)
      for (const target of targets) if ('number' in target) named.set(target.number, rule.id);
    const number = numberOf(rule.finish, office);
    if (number !== null) named.set(number, rule.id);
  }
  for (const { to } of plan.forwards ?? []) {
    const number = numberOf(to, office);
    if (number !== null) named.set(number, undefined);
  }
  return [...named].flatMap(([number, ruleId]): Finding[] => {
    const rate = rateFor(rates, number);
    if (!rate || (!rate.isPremium && number.startsWith('+44'))) return [];
    const kind = rate.isPremium ? 'a premium number' : `abroad (${rate.name})`;
    const perMinute = formatMoney(rate.perMinuteMicros, rates.currency);
    const usual = usualTraffic(office, plan, number, context);
    const perCall = rate.connectionFeeMicros + Math.ceil((rate.perMinuteMicros * usual.talkMs) / 60_000);
    const monthly = formatMoney(Math.round(perCall * usual.callsAMonth), rates.currency);
    return [
      {
        personId: plan.personId,
        code: 'costly',
        severity: 'warning',
        place: { ...(ruleId !== undefined && { ruleId }), number, deviceId: null },
        sentence:
          context.pastCalls().length === 0
            ? `${targetName({ deviceId: null, number }, office)} is ${kind} at ${perMinute} a minute.`
            : `${targetName({ deviceId: null, number }, office)} is ${kind} at ${perMinute} a minute: with the usual ${Math.round(usual.callsAMonth)} calls a month that get there, about ${monthly} a month.`,
        repair: { word: 'Leave it out', plan: withoutNumber(plan, number, office) },
      },
    ];
  });
}

function numberOf(finish: Finish, office: OfficeIndex): string | null {
  const reached = finish.kind === 'forward' ? reachedBy(finish.to, office) : null;
  return reached?.kind === 'number' ? reached.number : null;
}

/** How many of the past calls would have got as far as the number, by the month. */
function usualTraffic(
  office: OfficeIndex,
  plan: RingPlan,
  number: string,
  context: CheckContext,
): { callsAMonth: number; talkMs: number } {
  const pastCalls = context.pastCalls();
  const [first] = pastCalls;
  const last = pastCalls.at(-1);
  if (!first || !last) return { callsAMonth: 0, talkMs: usualTalkMs };
  const reaching = pastCalls.filter((call) => reaches(office, plan, number, call)).length;
  const months = Math.max((last.at - first.at) / monthMs, 1 / 30);
  return { callsAMonth: reaching / months, talkMs: usualTalkMs };
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
  return {
    ...plan,
    rules: plan.rules.map((rule) => ({
      ...rule,
      finish: numberOf(rule.finish, office) === number ? mailbox : rule.finish,
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
