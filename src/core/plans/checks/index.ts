/** What is wrong with a ring plan, found by computing calls. */
import type { OfficeIndex, RingPlan } from '@/core/setup';
import { planProblems } from '@/core/setup/problems';
import { atomsOf, reachOf } from './atoms';
import type { CheckContext, Finding } from './finding';
import { costChecks, forwardChecks, mailboxThereChecks, screeningCheck } from './forwardChecks';
import { loopCheck, ownLineChecks } from './loopCheck';
import { ringingChecks } from './ringingChecks';
import { hoursChecks } from './hoursChecks';
import { deadRuleChecks } from './ruleChecks';

const ranks = { alarm: 0, warning: 1, notice: 2 };

/** Everything that is wrong with one person's plan, the worst first. Rules that no call reaches are not looked at further. */
export function checkPlan(whole: OfficeIndex, personId: string, given: CheckContext): Finding[] {
  const office = whole.asPlanned();
  const plan = office.ringPlans.get(personId);
  if (!plan) return [];
  const isSignedIn = (deviceId: string) => whole.reachedAt(deviceId).some((id) => given.isSignedIn(id));
  const context = { ...given, isSignedIn };
  const { now } = context;
  const atoms = atomsOf(plan, office, now);
  const reach = reachOf(plan, office, atoms);
  const findings = [
    ...plan.rules.flatMap((rule, index) => {
      const found = reach[index];
      return found && 'facts' in found ? ringingChecks(office, plan, rule, found.facts.at, context) : [];
    }),
    ...deadRuleChecks(plan, reach, office, atoms),
    ...hoursChecks(office, plan, now),
    ...loopCheck(office, plan, now),
    ...ownLineChecks(office, plan),
    ...forwardChecks(office, plan, now),
    ...mailboxThereChecks(office, plan),
    ...screeningCheck(office, plan),
    ...costChecks(office, plan, context),
    ...carriedOutChecks(office, plan),
  ];
  return findings.sort((a, b) => ranks[a.severity] - ranks[b.severity]);
}

/** What the plan names and the office no longer has, or bars: said at its rule, since it can't take force so. */
function carriedOutChecks(office: OfficeIndex, plan: RingPlan): Finding[] {
  return planProblems(plan, office).map(({ path, sentence }): Finding => {
    const rule = path[0] === 'rules' ? plan.rules[Number(path[1])] : undefined;
    return {
      personId: plan.personId,
      code: 'cannotTakeForce',
      severity: 'alarm',
      place: rule ? { ruleId: rule.id } : {},
      sentence,
      repair: null,
    };
  });
}

/** The same for everybody of the office. */
export function checkOffice(office: OfficeIndex, context: CheckContext): Finding[] {
  return office.setup.people.flatMap(({ id }) => checkPlan(office, id, context));
}

export { type CheckContext, type Finding, type FindingCode } from './finding';
