import type { RingPlan, RingRule } from '@/core/setup';
import type { CallFacts, Obstacle } from './conditions';
import type { TraceStep } from './trace';

/** A rule with what is found out once for all calls. */
interface Entry {
  rule: RingRule;
  /** Whether its callers are only numbers and repeated ones, so that the book can tell who is none of them. */
  asksNumbersOnly: boolean;
  asksRepeated: boolean;
  skips: Partial<Record<Obstacle, TraceStep>>;
}

interface RuleBook {
  entries: readonly Entry[];
  /** The rules that name a number, by their place. */
  byNumber: ReadonlyMap<string, ReadonlySet<number>>;
  /** The longest time that any rule looks back for repeated callers. */
  longestMinutes: number;
}

const books = new WeakMap<RingPlan, RuleBook>();

/** A plan's rules, looked up by who calls: most rules of a long plan are for other callers. Made once for each plan. */
export function bookOf(plan: RingPlan): RuleBook {
  const known = books.get(plan);
  if (known) return known;
  const book = makeBook(plan);
  books.set(plan, book);
  return book;
}

function makeBook({ rules }: RingPlan): RuleBook {
  const byNumber = new Map<string, Set<number>>();
  let longestMinutes = 0;
  const entries = rules.map((rule, at): Entry => {
    const callers = rule.when?.callers ?? [];
    for (const match of callers) {
      if (match.kind === 'repeated') longestMinutes = Math.max(longestMinutes, match.withinMinutes);
      if (match.kind !== 'number') continue;
      const places = byNumber.get(match.number);
      if (places) places.add(at);
      else byNumber.set(match.number, new Set([at]));
    }
    return {
      rule,
      asksNumbersOnly:
        callers.length > 0 && callers.every(({ kind }) => kind === 'number' || kind === 'repeated'),
      asksRepeated: callers.some(({ kind }) => kind === 'repeated'),
      skips: {},
    };
  });
  return { entries, byNumber, longestMinutes };
}

/** Asks the book about one caller: the answer says for a rule's place whether its callers surely do not fit. */
export function strangerTo(book: RuleBook, { caller, triesWithin }: CallFacts): (at: number) => boolean {
  if (!caller || caller.personId !== null || caller.number === null) return () => false;
  const named = book.byNumber.get(caller.number);
  const hasTried = book.longestMinutes > 0 && triesWithin(caller.number, book.longestMinutes) > 0;
  return (at) => {
    const entry = book.entries[at];
    return (
      entry !== undefined &&
      entry.asksNumbersOnly &&
      named?.has(at) !== true &&
      !(entry.asksRepeated && hasTried)
    );
  };
}

/** The step that says a rule was passed over; the same object for every call, so do not change it. */
export function skipOf(entry: Entry, reason: Obstacle): TraceStep {
  const { rule, skips } = entry;
  return (skips[reason] ??= { kind: 'ruleSkipped', rule: rule.name, ruleId: rule.id, reason });
}
