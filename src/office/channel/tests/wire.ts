import type { Port } from '../protocol';

export interface Faults {
  /** Shares of what is said that never come, or come twice; 0 to 1. */
  lose: number;
  repeat: number;
  /** Each comes within so many milliseconds, so that what is said later may come earlier. */
  delayMs: number;
}

export const faultless: Faults = { lose: 0, repeat: 0, delayMs: 0 };

/** Two ends of a channel with faults, by a clock of its own: what is said is plain data, as on any wire. */
export function wire(faults: Faults, random: () => number): { ends: [Port, Port]; carried: () => number } {
  const listeners: ((message: unknown) => void)[][] = [[], []];
  const isClosed = [false, false];
  let carried = 0;
  const end = (own: 0 | 1): Port => ({
    say: (message) => {
      const other = own === 0 ? 1 : 0;
      const text = JSON.stringify(message);
      const times = random() < faults.lose ? 0 : random() < faults.repeat ? 2 : 1;
      for (let time = 0; time < times; time++)
        setTimeout(
          () => {
            if (isClosed[other]) return;
            carried++;
            for (const hear of listeners[other] ?? []) hear(JSON.parse(text));
          },
          Math.floor(random() * faults.delayMs),
        );
    },
    hear: (listener) => void listeners[own]?.push(listener),
    close: () => (isClosed[own] = true),
  });
  return { ends: [end(0), end(1)], carried: () => carried };
}
