import { seeded } from '@/core/shared/random';

/** A seeded source of random numbers: the same seed gives the same sample everywhere. */
export interface Random {
  /** 0 to below 1. */
  next(): number;
  chance(probability: number): boolean;
  between(least: number, most: number): number;
  pick<T>(items: readonly T[]): T;
}

export function seededRandom(seed: number): Random {
  const next = seeded(seed);
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
