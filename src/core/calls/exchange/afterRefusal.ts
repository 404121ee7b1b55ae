import type { Finish } from '@/core/setup';
import type { TraceLeg } from '@/core/plans/routing';
import { isOfPlan, isTalking, type Call, type Leg } from './call';

/** What becomes of a ringing call once somebody refuses it. */
export interface AfterRefusal {
  /** What rings then, in order, with the seconds it has. */
  rings: { leg: TraceLeg; seconds: number }[];
  /** Where it ends if nobody takes it there; null: it goes on without whoever refused, or is over. */
  finish: Finish | null;
  /** Those who are in it stay together. */
  goesOn: boolean;
}

/** What the exchange would do if whoever is at this leg refused now (see `stopRingingPerson` and finishing.ts). */
export function afterRefusal(call: Call, leg: Leg, at: number): AfterRefusal {
  const goesOn = call.legs.filter((other) => other !== leg && isTalking(other)).length >= 2;
  const { ringing } = call;
  if (leg.role === 'caller' || !ringing || !isOfPlan(call, leg)) return { rings: [], finish: null, goesOn };
  const elapsed = (at - ringing.startedAt) / 1000;
  const rings = ringing.trace.legs.flatMap((planned, index) => {
    const progress = ringing.progress[index];
    const isRinging = call.legs.some(
      ({ id, state }) => id === progress && (state === 'alerting' || state === 'initiated'),
    );
    const isRefused =
      ringing.broughtFor === 'findMe' ? progress === leg.id : planned.personId === leg.personId;
    if (isRefused || (progress !== null && !isRinging)) return [];
    return [
      { leg: planned, seconds: planned.toSeconds - Math.max(planned.fromSeconds, isRinging ? elapsed : 0) },
    ];
  });
  const isAskedIn = ringing.broughtFor === 'conference' || (ringing.broughtFor === 'return' && goesOn);
  const { trace } = ringing;
  return { rings, finish: isAskedIn ? null : (trace.refusedFinish ?? trace.finish), goesOn };
}
