import type { OutCall } from '@/core/calls/figures';
import { whyNotCalled, type OfficeSetup } from '@/core/setup';

/** What the rules of an office would have made of calls out that were placed. Money in millionths of its currency. */
export interface BarredCalls {
  placed: number;
  barred: number;
  costMicros: number;
  /** Why, the most calls first. */
  whys: { why: string; calls: number; costMicros: number }[];
}

/** The calls out that would not have been placed by the rules given. */
export function barredCalls(
  calls: readonly OutCall[],
  rules: Pick<OfficeSetup, 'policies' | 'rates' | 'zone' | 'numbering'>,
): BarredCalls {
  const byWhy = new Map<string, BarredCalls['whys'][number]>();
  for (const { number, personId, at, costMicros } of calls) {
    const why = whyNotCalled(rules, number, { personId, at });
    if (why === null) continue;
    let of = byWhy.get(why);
    if (!of) byWhy.set(why, (of = { why, calls: 0, costMicros: 0 }));
    of.calls++;
    of.costMicros += costMicros;
  }
  const whys = [...byWhy.values()].sort((a, b) => b.calls - a.calls);
  const sum = (field: 'calls' | 'costMicros') => whys.reduce((total, each) => total + each[field], 0);
  return { placed: calls.length, barred: sum('calls'), costMicros: sum('costMicros'), whys };
}
