import { freeRuleId, type OfficeIndex, type RingPlan, type RingRule, type RingTarget } from '@/core/setup';

const usualSeconds = 20;

/** All of a person's own devices at once. A mobile asks for a key, since its own mailbox may lift it. */
export function ownDevicesRing(office: OfficeIndex, personId: string): RingTarget[] {
  return office.phonesOf(personId).map(({ id, kind }) => ({
    deviceId: id,
    startSeconds: 0,
    ...(kind === 'mobile' && { acceptKey: true }),
  }));
}

/**
 * A plan with a new rule, which rings everything of its owner's and then goes to their mailbox. It decides before every
 * rule but those that stand first for urgent lines alone, so that nothing begun in haste takes an urgent call.
 */
export function beginRule(plan: RingPlan, office: OfficeIndex): { plan: RingPlan; ruleId: string } {
  const ruleId = freeRuleId(plan);
  const targets = ownDevicesRing(office, plan.personId);
  const rule: RingRule = {
    id: ruleId,
    name: freeName(plan),
    lineIds: [],
    stages: targets.length > 0 ? [{ targets, length: { seconds: usualSeconds } }] : [],
    finish: { kind: 'mailbox', personId: plan.personId },
  };
  return { plan: insertFirst(plan, rule, office), ruleId };
}

/** The plan with a rule that decides before every rule but those that stand first for urgent lines alone. */
export function insertFirst(plan: RingPlan, rule: RingRule, office: OfficeIndex): RingPlan {
  const isForUrgentAlone = ({ lineIds }: RingRule) =>
    lineIds.length > 0 && lineIds.every((id) => office.lines.get(id)?.urgent);
  const first = plan.rules.findIndex((each) => !isForUrgentAlone(each));
  const at = first < 0 ? plan.rules.length : first;
  return { ...plan, rules: [...plan.rules.slice(0, at), rule, ...plan.rules.slice(at)] };
}

/** "New rule", "New rule 2" … : two rules of one name could not be told apart. */
function freeName(plan: RingPlan): string {
  for (let number = 1; ; number++) {
    const name = number === 1 ? 'New rule' : `New rule ${number}`;
    if (!plan.rules.some((rule) => rule.name === name)) return name;
  }
}
