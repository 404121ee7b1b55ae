/**
 * Somebody's numbers as they are offered: the one that was typed first, then the one used last, and the rest as they stand.
 *
 * @param lastUsed when each number was used last (epoch milliseconds)
 */
export function numbersInOrder<T extends { number: string }>(
  numbers: readonly T[],
  lastUsed: ReadonlyMap<string, number>,
  typedAt: number | null = null,
): T[] {
  const typed = typedAt === null ? undefined : numbers[typedAt];
  const rankOf = (each: T) => (each === typed ? Infinity : (lastUsed.get(each.number) ?? 0));
  return numbers.toSorted((a, b) => (rankOf(a) === rankOf(b) ? 0 : rankOf(b) - rankOf(a)));
}
