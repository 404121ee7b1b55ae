/**
 * What stands in each of a fixed number of slots next: those that are wanted still stay where they are, others come where something was not, in
 * their order; what finds no slot is left out.
 */
export function slotted<T extends string | object>(
  slots: readonly (T | null)[],
  wanted: readonly T[],
  isSame: (one: T, other: T) => boolean = Object.is,
): (T | null)[] {
  const next = slots.map((each) => wanted.find((one) => each !== null && isSame(one, each)) ?? null);
  for (const each of wanted) {
    if (next.some((one) => one !== null && isSame(one, each))) continue;
    const free = next.indexOf(null);
    if (free < 0) break;
    next[free] = each;
  }
  return next;
}
