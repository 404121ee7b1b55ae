import type { RingRule, When } from '@/core/setup';

const dimensions = ['lineIds', 'callers', 'hours', 'dates'] as const;
type Dimension = (typeof dimensions)[number];

/** Rules that follow each other, do the same, and differ in one kind of condition, are one rule with both conditions. */
export function mergeRules(rules: readonly RingRule[]): RingRule[] {
  const merged: RingRule[] = [];
  for (const rule of rules) {
    const before = merged.at(-1);
    const differing = before && before.name === rule.name ? differenceOf(before, rule) : null;
    if (before && differing !== null)
      merged[merged.length - 1] = differing === 'none' ? before : joined(before, rule, differing);
    else merged.push(rule);
  }
  return merged;
}

/** The one dimension in which they differ, both asking something of it; null where more does. */
function differenceOf(a: RingRule, b: RingRule): Dimension | 'none' | null {
  const unlike = dimensions.filter(
    (dimension) => JSON.stringify(valueOf(a, dimension)) !== JSON.stringify(valueOf(b, dimension)),
  );
  if (JSON.stringify(rest(a)) !== JSON.stringify(rest(b))) return null;
  if (unlike.length === 0) return 'none';
  const [dimension] = unlike;
  if (unlike.length > 1 || dimension === undefined) return null;
  return valueOf(a, dimension).length > 0 && valueOf(b, dimension).length > 0 ? dimension : null;
}

const valueOf = (rule: RingRule, dimension: Dimension): readonly unknown[] =>
  (dimension === 'lineIds' ? rule.lineIds : rule.when?.[dimension]) ?? [];

/** All that is not one of the dimensions. */
function rest({ stages, finish, busyFinish, unreachableFinish, when = {} }: RingRule): unknown {
  const others: Partial<When> = { ...when };
  for (const dimension of ['callers', 'hours', 'dates'] as const) delete others[dimension];
  return [stages, finish, busyFinish ?? null, unreachableFinish ?? null, others];
}

function joined(a: RingRule, b: RingRule, dimension: Dimension): RingRule {
  const value = [...valueOf(a, dimension), ...valueOf(b, dimension)];
  return dimension === 'lineIds'
    ? { ...a, lineIds: value as string[] }
    : { ...a, when: { ...a.when, [dimension]: value } };
}
