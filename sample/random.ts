/** A seeded source of random numbers (mulberry32): the same seed gives the same sample everywhere. */
export interface Random {
  /** 0 to below 1. */
  next(): number;
  chance(probability: number): boolean;
  between(least: number, most: number): number;
  pick<T>(items: readonly T[]): T;
}

export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
  return {
    next,
    chance: (probability) => next() < probability,
    between: (least, most) => least + next() * (most - least),
    pick: (items) => {
      const item = items[Math.floor(next() * items.length)];
      if (item === undefined) throw new Error('Nothing to pick from');
      return item;
    },
  };
}
