import { freeRuleId, type Line, type OfficeIndex, type RingPlan, type RingRule } from '@/core/setup';
import { ownDevicesRing } from '@/core/plans/editing';
import { formatDayAndClock, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import { weekOf, type Stretch } from '@/core/plans/routing';
import type { Finding } from './finding';

const listed = new Intl.ListFormat('en-GB');

/** Hours of the week to come when nothing rings, and when a line for emergencies has nobody at it. */
export function hoursChecks(office: OfficeIndex, plan: RingPlan, now: number): Finding[] {
  const { zone } = office.setup;
  const span = { from: now, to: shiftLocalDays(startOfLocalDay(now, zone), 7, zone) };
  const own = office.setup.lines.filter(({ ownerId }) => ownerId === plan.personId);
  const stranger = { number: null, personId: null };
  const urgentAlone: Finding[] = [];
  const silences = new Map<string, Silence>();
  for (const line of [...own, null]) {
    const week = weekOf(office, { ownerId: plan.personId, lineId: line?.id ?? null, caller: stranger }, span);
    const stretches = week.filter(({ trace }) => trace.legs.length === 0 && trace.finish.kind !== 'forward');
    if (stretches.length === 0) continue;
    if (line?.urgent) {
      urgentAlone.push(urgentCheck(plan, line, stretches, now, zone));
      continue;
    }
    const isAlways = stretches.length === week.length;
    const ruleIds = stretches.map(({ trace }) => takenRule(trace.steps) ?? '');
    const key = `${isAlways} ${ruleIds.join()}`;
    const lines = [...(silences.get(key)?.lines ?? []), line?.name ?? 'your extension'];
    silences.set(key, { lines, stretches, isAlways });
  }
  return [
    ...urgentAlone,
    ...[...silences.values()].map((silence) => silentCheck(office, plan, silence, now)),
  ];
}

/** When nothing rings, alike for some lines and by the same rules. */
interface Silence {
  /** Their names. */
  lines: string[];
  stretches: readonly Stretch[];
  /** At any hour of the week to come. */
  isAlways: boolean;
}

const takenRule = (steps: Stretch['trace']['steps']) =>
  steps.find((step) => step.kind === 'ruleTaken')?.ruleId ?? null;

const isForwarded = (stretch: Stretch | undefined) =>
  stretch?.trace.steps.some(({ kind }) => kind === 'forwardedAll') ?? false;

/** No rule helps against a forward of everything. */
const withoutForwards = (plan: RingPlan): Finding['repair'] => ({
  word: 'Turn the forward off',
  plan: { ...plan, forwards: [] },
});

function silentCheck(
  office: OfficeIndex,
  plan: RingPlan,
  { lines, stretches, isAlways }: Silence,
  now: number,
): Finding {
  const { zone } = office.setup;
  const [first] = stretches;
  const ruleId = first ? takenRule(first.trace.steps) : null;
  const names = listed.format(lines);
  const hours = Math.round(stretches.reduce((sum, { from, to }) => sum + to - from, 0) / 3_600_000);
  const since = first ? formatDayAndClock(first.from, now, zone) : '';
  // Whom the mailbox looks for can still be reached, though nothing rings by itself.
  const isUnreachable = isAlways && !plan.findMe?.length;
  return {
    personId: plan.personId,
    code: 'nothingRings',
    severity: ruleId === null || isUnreachable ? 'alarm' : 'notice',
    place: ruleId === null ? {} : { ruleId },
    sentence: isAlways
      ? `Nothing rings at any hour for ${names}.`
      : `In ${hours} hours of the week to come nothing rings for ${names}, first from ${since}.`,
    repair: isForwarded(first)
      ? withoutForwards(plan)
      : ruleId === null
        ? { word: 'Add a rule for every other call', plan: withLastRule(plan, office) }
        : null,
  };
}

function urgentCheck(
  plan: RingPlan,
  line: Line,
  silent: readonly Stretch[],
  now: number,
  zone: string,
): Finding {
  const [first] = silent;
  return {
    personId: plan.personId,
    code: 'urgentAlone',
    severity: 'alarm',
    place: {},
    sentence: `${line.name} is an urgent line, and from ${first ? formatDayAndClock(first.from, now, zone) : 'now'} it reaches nobody.`,
    repair: isForwarded(first)
      ? withoutForwards(plan)
      : {
          word: 'Let everything of yours ring for it, at any hour',
          plan: {
            ...plan,
            rules: [everythingRings(plan, `${line.name}, any time`, [line.id]), ...plan.rules],
          },
        },
  };
}

const everythingRings = (plan: RingPlan, name: string, lineIds: string[]): RingRule => ({
  id: freeRuleId(plan),
  name,
  lineIds,
  stages: [{ targets: [{ personId: plan.personId, startSeconds: 0 }], length: { seconds: 30 } }],
  finish: { kind: 'mailbox', personId: plan.personId },
});

function withLastRule(plan: RingPlan, office: OfficeIndex): RingPlan {
  const targets = ownDevicesRing(office, plan.personId);
  const rule = everythingRings(plan, 'Any other call', []);
  return {
    ...plan,
    rules: [...plan.rules, { ...rule, stages: [{ targets, length: { seconds: 25 } }] }],
  };
}
