import type { RingTarget } from '@/core/setup';
import type { Slice } from './joinSlices';

/** An address of the location set, from 0.0 to 1.0 in the order to try it (RFC 3880 §4.1). */
export interface Location {
  url: string;
  priority: number;
}

export const orderings = ['parallel', 'sequential', 'first-only'] as const;
export type Ordering = (typeof orderings)[number];
export const isOrdering = (text: string): text is Ordering => (orderings as readonly string[]).includes(text);

/** As they are tried: the highest priority first, and those alike as the script names them. */
export const byPriority = (locations: readonly Location[]): Location[] =>
  [...locations].sort((a, b) => b.priority - a.priority);

/** The set without one address; without any, where none is named (RFC 3880 §4.3). */
export const without = (locations: readonly Location[], url: string | undefined): Location[] =>
  url === undefined ? [] : locations.filter((each) => each.url !== url);

/** What rings, and how long: all at once, one after the other, or only the first (RFC 3880 §4.2). */
export function slicesOfProxy(ordering: Ordering, seconds: number, targets: readonly RingTarget[]): Slice[] {
  const order = ordering === 'first-only' ? targets.slice(0, 1) : targets;
  if (order.length === 0) return [];
  if (ordering !== 'sequential') return [{ stage: null, seconds, targets: [...order] }];
  const each = Math.max(1, Math.floor(seconds / order.length));
  return order.map((target) => ({ stage: null, seconds: each, targets: [target] }));
}
