import { freeRuleId, type OfficeIndex, type RingPlan, type RingRule, type Situation } from '@/core/setup';
import { insertFirst, ownDevicesRing } from './beginning';

const usualSeconds = 25;

/** What rings in a situation: as the rest of the plan says, only some of its owner's phones, or as a rule of its own. */
export type RingsIn =
  { kind: 'plan' } | { kind: 'devices'; deviceIds: readonly string[] } | { kind: 'rule'; name: string };

/** Asks for this situation and nothing else. */
const isOnlyFor =
  (situationId: string) =>
  ({ lineIds, when = {} }: RingRule) =>
    lineIds.length === 0 &&
    when.situationIds?.length === 1 &&
    when.situationIds[0] === situationId &&
    Object.entries(when).every(([key, value]) => key === 'situationIds' || value === undefined);

/** One stage of own devices, or none, and then the mailbox: all that is said by naming phones. */
function devicesOf({ stages, finish, ...rule }: RingRule, plan: RingPlan): readonly string[] | null {
  const isPlain =
    stages.length <= 1 &&
    finish.kind === 'mailbox' &&
    finish.personId === plan.personId &&
    !rule.busyFinish &&
    !rule.refusedFinish &&
    !rule.unreachableFinish;
  const ids = (stages[0]?.targets ?? []).map((target) => ('deviceId' in target ? target.deviceId : null));
  return isPlain && !ids.includes(null) ? ids.filter((id) => id !== null) : null;
}

export function ringsIn(plan: RingPlan, situationId: string): RingsIn {
  const rule = plan.rules.find(isOnlyFor(situationId));
  if (!rule) return { kind: 'plan' };
  const deviceIds = devicesOf(rule, plan);
  return deviceIds ? { kind: 'devices', deviceIds } : { kind: 'rule', name: rule.name };
}

/** The plan with these phones of its owner's ringing in the situation, none of them for nothing; null: as the rest says. */
export function setRingsIn(
  plan: RingPlan,
  { id, name }: Situation,
  deviceIds: readonly string[] | null,
  office: OfficeIndex,
): RingPlan {
  const old = plan.rules.find(isOnlyFor(id));
  if (deviceIds === null) return { ...plan, rules: plan.rules.filter((rule) => rule !== old) };
  const targets = ownDevicesRing(office, plan.personId).filter(
    (target) => 'deviceId' in target && deviceIds.includes(target.deviceId),
  );
  const rule: RingRule = {
    id: old?.id ?? freeRuleId(plan),
    name,
    lineIds: [],
    when: { situationIds: [id] },
    stages: targets.length > 0 ? [{ targets, length: { seconds: usualSeconds } }] : [],
    finish: { kind: 'mailbox', personId: plan.personId },
  };
  return old
    ? { ...plan, rules: plan.rules.map((each) => (each === old ? rule : each)) }
    : insertFirst(plan, rule, office);
}

/** The plan with what was taken out with a situation, as it was before; all that was changed since stays. */
export function withSituationBack(plan: RingPlan, before: RingPlan, situationId: string): RingPlan {
  const asks = ({ situationIds }: { situationIds?: readonly string[] | undefined }) =>
    situationIds?.includes(situationId) ?? false;
  const rules = [...plan.rules];
  before.rules.forEach((rule, index) => {
    if (!asks(rule.when ?? {})) return;
    const at = rules.findIndex(({ id }) => id === rule.id);
    if (at < 0) rules.splice(Math.min(index, rules.length), 0, rule);
    else rules[at] = { ...rules[at], ...rule };
  });
  const greetings = plan.greetings && [...plan.greetings];
  before.greetings?.forEach((greeting, index) => {
    if (!greetings || !asks(greeting)) return;
    const at = greetings.findIndex(({ id }) => id === greeting.id);
    if (at < 0) greetings.splice(Math.min(index, greetings.length), 0, greeting);
    else greetings[at] = greeting;
  });
  return { ...plan, rules, ...(greetings && { greetings }) };
}

/** The plan without what asked for a situation that is taken out: its own rule goes, others no longer ask for it. */
export function withoutSituation(plan: RingPlan, situationId: string): RingPlan {
  const others = (ids: readonly string[]) => ids.filter((id) => id !== situationId);
  return {
    ...plan,
    // A rule for no situation any more would be for all of them.
    rules: plan.rules.flatMap((rule) => {
      const ids = rule.when?.situationIds;
      if (!ids?.includes(situationId)) return [rule];
      return ids.length === 1 ? [] : [{ ...rule, when: { ...rule.when, situationIds: others(ids) } }];
    }),
    ...(plan.greetings && {
      greetings: plan.greetings.flatMap((greeting) => {
        const ids = greeting.situationIds;
        if (!ids?.includes(situationId)) return [greeting];
        return ids.length === 1 ? [] : [{ ...greeting, situationIds: others(ids) }];
      }),
    }),
  };
}
