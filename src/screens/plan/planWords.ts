import { describeFinish, targetName, type OfficeIndex } from '@/core/office';
import type { RouteTrace } from '@/core/routing';

/** What rings in which seconds, and where it ends, in one sentence. */
export function ringsWords(trace: RouteTrace, office: OfficeIndex): string {
  if (trace.legs.length === 0) return `Nothing rings: at once ${describeFinish(trace.finish, office)}.`;
  const parts = trace.legs.map((leg) => `${targetName(leg, office)} ${leg.fromSeconds}–${leg.toSeconds} s`);
  return `${parts.join(', ')}; then ${describeFinish(trace.finish, office)}.`;
}
