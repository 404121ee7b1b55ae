import {
  deviceName,
  secondsOf,
  targetName,
  type OfficeIndex,
  type RingPlan,
  type RingRule,
} from '@/core/setup';
import { allFree, traceStages } from '@/core/plans/routing';
import type { TraceLeg } from '@/core/plans/routing';
import { namesLeg, withRule, withStage, withTargets } from './editing';
import type { CheckContext, Finding } from './finding';

/** Calls of a rule that is reached do not ring as they were meant to: each is traced with all signed in and free. */
export function ringingChecks(
  office: OfficeIndex,
  plan: RingPlan,
  rule: RingRule,
  at: number,
  context: CheckContext,
): Finding[] {
  const { legs, skipped } = traceStages(office, {}, allFree(at), rule.stages);
  const about = { personId: plan.personId };
  const findings: Finding[] = [];
  for (const step of skipped) {
    if (step.kind !== 'cutShort') continue;
    const { deviceId, number, stage, wantedSeconds, rungSeconds } = step;
    const needed = startOf(rule, stage, step) + wantedSeconds;
    findings.push({
      ...about,
      code: 'cutShort',
      severity: 'warning',
      place: { ruleId: rule.id, stage, deviceId, number },
      sentence: `${targetName(step, office, plan.personId)} is to ring ${wantedSeconds} s, but ${whatComes(rule, stage)} after ${rungSeconds} s of it.`,
      repair: {
        word: `Let this stage last ${needed} s`,
        plan: withRule(plan, rule.id, (each) =>
          withStage(each, stage, (old) => ({ ...old, length: { seconds: needed } })),
        ),
      },
    });
  }
  for (const leg of legs) findings.push(...ownMailboxCheck(office, plan, rule, leg));
  for (const leg of legs) findings.push(...signedInCheck(office, plan, rule, leg, context));
  findings.push(...cadenceChecks(office, plan, rule), ...silenceChecks(plan, rule, legs));
  return findings;
}

function startOf(rule: RingRule, stage: number, leg: Pick<TraceLeg, 'deviceId' | 'number'>): number {
  return rule.stages[stage]?.targets.find(namesLeg(leg))?.startSeconds ?? 0;
}

function whatComes(rule: RingRule, stage: number): string {
  if (rule.stages.slice(stage + 1).some(({ targets }) => targets.length > 0)) return 'the next stage comes';
  switch (rule.finish.kind) {
    case 'mailbox':
    case 'teamMailbox':
      return 'the mailbox answers';
    case 'busy':
      return 'busy tone comes';
    case 'forward':
      return 'the call is forwarded';
    case 'textBack':
      return 'the caller is texted and let go';
  }
}

function ownMailboxCheck(office: OfficeIndex, plan: RingPlan, rule: RingRule, leg: TraceLeg): Finding[] {
  const { deviceId, number, stage } = leg;
  if (leg.acceptKey) return [];
  const rings = leg.toSeconds - leg.fromSeconds;
  const waits = office.devices.get(deviceId ?? '')?.ownMailboxSeconds;
  const isMobileNumber = number !== null && /^\+447/.test(number);
  if (!isMobileNumber && (waits === undefined || rings < waits)) return [];
  const name = targetName(leg, office, plan.personId);
  return [
    {
      personId: plan.personId,
      code: 'ownMailbox',
      severity: 'alarm',
      place: { ruleId: rule.id, stage, deviceId, number },
      sentence: isMobileNumber
        ? `${name} is a mobile that rings ${rings} s without a key: its own mailbox may take the call, and nobody knows after how long.`
        : `${name} rings ${rings} s, but its own mailbox answers after ${waits} s, so your callers would land there.`,
      repair: {
        word: 'Ask for a key to take the call there',
        plan: withRule(plan, rule.id, (each) =>
          withStage(each, stage, (old) =>
            withTargets(old, namesLeg(leg), (target) => ({ ...target, acceptKey: true })),
          ),
        ),
      },
    },
  ];
}

function signedInCheck(
  office: OfficeIndex,
  plan: RingPlan,
  rule: RingRule,
  leg: TraceLeg,
  { isSignedIn }: CheckContext,
): Finding[] {
  const { deviceId, stage } = leg;
  if (deviceId === null || isSignedIn(deviceId)) return [];
  return [
    {
      personId: plan.personId,
      code: 'notSignedIn',
      severity: 'warning',
      place: { ruleId: rule.id, stage, deviceId, number: null },
      sentence: `${deviceName(deviceId, office, plan.personId)} is not signed in, so it does not ring now.`,
      repair: {
        word: 'Leave it out',
        plan: withRule(plan, rule.id, (each) =>
          withStage(each, stage, (old) => withTargets(old, namesLeg(leg), () => null)),
        ),
      },
    },
  ];
}

/** Counted in rings here and in seconds, or in other rings, there: where the two miss each other by less than a ring or two. */
function cadenceChecks(office: OfficeIndex, plan: RingPlan, rule: RingRule): Finding[] {
  return rule.stages.flatMap(({ targets, length }, stage) =>
    targets.flatMap((target): Finding[] => {
      const own = target.length;
      if (!own) return [];
      const ownEnd = target.startSeconds + secondsOf(own);
      const stageSeconds = secondsOf(length);
      const cadence = 'rings' in own ? own.cadence : 'rings' in length ? length.cadence : null;
      const isCountedAlike =
        'rings' in own === 'rings' in length &&
        (!('rings' in own) || !('rings' in length) || own.cadence === length.cadence);
      const meantAlike =
        ('rings' in own && 'rings' in length && own.rings === length.rings) ||
        Math.abs(ownEnd - stageSeconds) < (cadence === 'us' ? 6 : 3);
      if (isCountedAlike || !meantAlike || ownEnd === stageSeconds) return [];
      const leg = {
        deviceId: 'deviceId' in target ? target.deviceId : null,
        number: 'number' in target ? target.number : null,
      };
      return [
        {
          personId: plan.personId,
          code: 'cadence',
          severity: 'warning',
          place: { ruleId: rule.id, stage, ...leg },
          sentence: `${'personId' in target ? 'A colleague' : 'teamId' in target ? 'The team' : targetName(leg, office, plan.personId)} rings for ${lengthWords(own)}, and the stage lasts ${lengthWords(length)}: they end at ${ownEnd} s and at ${stageSeconds} s.`,
          repair: {
            word: `Make both end at ${Math.max(ownEnd, stageSeconds)} s`,
            plan: withRule(plan, rule.id, (each) =>
              withStage(each, stage, (old) => ({
                ...old,
                length: { seconds: Math.max(ownEnd, stageSeconds) },
                targets: old.targets.map((other) =>
                  other === target
                    ? { ...other, length: { seconds: Math.max(ownEnd, stageSeconds) - other.startSeconds } }
                    : other,
                ),
              })),
            ),
          },
        },
      ];
    }),
  );
}

/** "5 rings (15 s)", "25 s". */
function lengthWords(length: RingRule['stages'][number]['length']): string {
  if ('seconds' in length) return `${length.seconds} s`;
  return `${length.rings} ${length.rings === 1 ? 'ring' : 'rings'} (${secondsOf(length)} s)`;
}

/** Seconds in which the caller hears ringing and nothing rings. */
function silenceChecks(plan: RingPlan, rule: RingRule, legs: readonly TraceLeg[]): Finding[] {
  const findings: Finding[] = [];
  let until = 0;
  for (const leg of [...legs].sort((a, b) => a.fromSeconds - b.fromSeconds)) {
    const gap = leg.fromSeconds - until;
    if (gap > 0) {
      const { stage, deviceId, number } = leg;
      const isInStage = (each: TraceLeg) => each.stage === stage && each.fromSeconds >= leg.fromSeconds;
      const later = legs.filter(isInStage);
      findings.push({
        personId: plan.personId,
        code: 'silence',
        severity: 'warning',
        place: { ruleId: rule.id, stage, deviceId, number },
        sentence: `From second ${until} to ${leg.fromSeconds} nothing rings, and the caller waits for nothing.`,
        repair: {
          word: `Begin ${gap} s sooner`,
          plan: withRule(plan, rule.id, (each) =>
            withStage(each, stage, (old) =>
              withTargets(
                old,
                (target) => later.some((other) => namesLeg(other)(target)),
                (target) => ({ ...target, startSeconds: Math.max(0, target.startSeconds - gap) }),
              ),
            ),
          ),
        },
      });
    }
    until = Math.max(until, leg.toSeconds);
  }
  return findings;
}
