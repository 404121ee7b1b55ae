import type { Hit } from '@/core/people/search';

/** Finds people, and tells when others may be found than before. */
export interface PeopleFinder {
  find: (text: string, most: number) => Promise<Hit[]>;
  subscribe: (changed: () => void) => () => void;
  /** Settled once everybody who is kept on this device can be found. */
  whenAll: Promise<void>;
}

/** Where people are looked for: there before the part of the app that finds them, which is fetched after the start. */
export class PeopleFinding {
  #finder: PeopleFinder | null = null;
  readonly #changed = new Set<() => void>();

  /** Null until that part is there. */
  get finder(): PeopleFinder | null {
    return this.#finder;
  }
  set finder(finder: PeopleFinder | null) {
    this.#finder = finder;
    for (const changed of [...this.#changed]) changed();
  }

  /** Tells when a finder comes or goes. */
  readonly subscribe = (changed: () => void): (() => void) => {
    this.#changed.add(changed);
    return () => void this.#changed.delete(changed);
  };

  /**
   * Whoever is found among all, as soon as they can be.
   *
   * @param patienceMs how long to wait for what finds them
   * @returns null where it has not come by then
   */
  find(text: string, most: number, patienceMs: number): Promise<Hit[] | null> {
    return new Promise((resolve) => {
      const ask = async () => {
        const { finder } = this;
        if (!finder) return;
        await finder.whenAll;
        answer(await finder.find(text, most));
      };
      const answer = (hits: Hit[] | null) => {
        stop();
        clearTimeout(timer);
        resolve(hits);
      };
      const timer = setTimeout(() => answer(null), patienceMs);
      const stop = this.subscribe(() => void ask());
      void ask();
    });
  }
}
