import isEqual from 'fast-deep-equal';

import type { Call, Leg } from '@/core/calls/exchange';

import type { OfficeUpdate } from '../link';

/** A call of fewer ends is told whole. */
const manyLegs = 8;

/** Of calls that are told in parts, by their ids: which ends they have, in their order. What was told of an end before holds for those left out. */
export type LegIds = Record<string, string[]>;

/** An update, and which of its calls have only those of their ends that have changed. */
export interface InParts {
  update: OfficeUpdate;
  /** Left out where each call is whole. */
  legIds?: LegIds;
}

/**
 * Tells calls of many ends by those ends that are otherwise than they were told last: of a hundred in a meeting one is muted, and a
 * hundred are told so.
 */
export class CallsTold {
  private readonly told = new Map<string, Call>();

  inParts(update: OfficeUpdate): InParts {
    for (const id of update.endedCallIds) this.told.delete(id);
    const legIds: LegIds = {};
    const changedCalls = update.changedCalls.map((call) => {
      const before = this.told.get(call.id);
      if (call.legs.length < manyLegs) {
        this.told.delete(call.id);
        return call;
      }
      this.told.set(call.id, call);
      if (!before) return call;
      const legsBefore = new Map(before.legs.map((leg) => [leg.id, leg]));
      legIds[call.id] = call.legs.map(({ id }) => id);
      return { ...call, legs: call.legs.filter((leg) => !isSame(legsBefore.get(leg.id), leg)) };
    });
    return Object.keys(legIds).length === 0 ? { update } : { update: { ...update, changedCalls }, legIds };
  }

  /** Whoever is told has not heard all of it: calls are told whole again. */
  forget(): void {
    this.told.clear();
  }
}

/** Puts together what is told in parts, in the order in which it was told. */
export class CallsHeard {
  private readonly heard = new Map<string, Call>();

  /** The update with whole calls; null where an end is left out of which nothing was told. */
  whole({ update, legIds = {} }: InParts): OfficeUpdate | null {
    for (const id of update.endedCallIds) this.heard.delete(id);
    const changedCalls: Call[] = [];
    for (const call of update.changedCalls) {
      const whole = this.put(call, legIds[call.id]);
      if (!whole) return null;
      changedCalls.push(whole);
    }
    return { ...update, changedCalls };
  }

  forget(): void {
    this.heard.clear();
  }

  private put(call: Call, legIds: readonly string[] | undefined): Call | null {
    let whole = call;
    if (legIds) {
      const known = new Map((this.heard.get(call.id)?.legs ?? []).map((leg) => [leg.id, leg]));
      for (const leg of call.legs) known.set(leg.id, leg);
      const legs = legIds.flatMap((id) => known.get(id) ?? []);
      if (legs.length < legIds.length) return null;
      whole = { ...call, legs };
    }
    if (whole.legs.length < manyLegs) this.heard.delete(call.id);
    else this.heard.set(call.id, whole);
    return whole;
  }
}

/** What each end was compared with last: all who are told of it see most ends as the very same. */
const compared = new WeakMap<Leg, { with: Leg; isSame: boolean }>();

function isSame(before: Leg | undefined, now: Leg): boolean {
  if (before === undefined || before === now) return before === now;
  const last = compared.get(now);
  if (last?.with === before) return last.isSame;
  const same = isEqual(before, now);
  compared.set(now, { with: before, isSame: same });
  return same;
}
