import { checkRuns, randomSetup } from '../../src/core/calls/exchange/tests/randomOffice';

import type { Figure } from './figures';

const sequences = 100_000;

/** Every invariant of the exchange after every command of so many random sequences; throws at the first that is broken. */
export function benchRandom(): Figure[] {
  const began = performance.now();
  checkRuns(randomSetup(), sequences);
  return [
    {
      name: `Invariants hold in ${sequences.toLocaleString('en-GB')} random sequences of 60 commands`,
      value: Math.round((performance.now() - began) / 1000),
      unit: 's',
      aim: 'none broken',
    },
  ];
}
