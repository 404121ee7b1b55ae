import type { OfficeIndex, RingPlan } from '@/core/setup';
import { reachOf, type Atoms, type Reach } from './atoms';
import type { Finding } from './finding';

const listed = new Intl.ListFormat('en-GB');

/** Rules that no call reaches, proved by search: no caller, line, situation and time is left for them. */
export function deadRuleChecks(
  plan: RingPlan,
  reach: readonly Reach[],
  office: OfficeIndex,
  atoms: Atoms,
): Finding[] {
  return plan.rules.flatMap((rule, index): Finding[] => {
    const found = reach[index];
    if (!found || 'facts' in found) return [];
    const place = { ruleId: rule.id };
    const without = { ...plan, rules: plan.rules.filter((each) => each !== rule) };
    if (found.deadBy === 'itself')
      return [
        {
          personId: plan.personId,
          code: 'impossibleRule',
          severity: 'warning',
          place,
          sentence: `No call can fit “${rule.name}”: its own conditions exclude each other, or its days are over.`,
          repair: { word: 'Remove the rule', plan: without },
        },
      ];
    const names = listed.format(found.rules.map(({ name }) => `“${name}”`));
    return [
      {
        personId: plan.personId,
        code: 'deadRule',
        severity: 'warning',
        place,
        sentence: `“${rule.name}” is never reached: ${names} ${found.rules.length === 1 ? 'takes' : 'take'} all its calls before.`,
        repair: {
          word: 'Put it before them',
          plan: movedUntilReached(plan, index, office, atoms),
        },
      },
    ];
  });
}

/** The rule as late as it can stand and still be reached. */
function movedUntilReached(plan: RingPlan, index: number, office: OfficeIndex, atoms: Atoms): RingPlan {
  const rule = plan.rules[index];
  const others = plan.rules.filter((_, at) => at !== index);
  for (let at = index - 1; rule && at >= 0; at--) {
    const moved = { ...plan, rules: [...others.slice(0, at), rule, ...others.slice(at)] };
    const reach = reachOf(moved, office, atoms)[at];
    if (reach && 'facts' in reach) return moved;
  }
  return plan;
}
