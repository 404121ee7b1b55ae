import { checkRuns, randomSetup } from '../../src/core/calls/exchange/tests/randomOffice';

import { checkSessions } from '../../src/core/office/tests/randomSessions';

import type { Figure } from './figures';

const sequences = 100_000;

/** Every invariant of the exchange after every command of so many random sequences; throws at the first that is broken. */
export function benchRandom(): Figure[] {
  const began = performance.now();
  checkRuns(randomSetup(), sequences);
  const asked = performance.now();
  checkSessions(sequences);
  return [
    {
      name: `Nobody changes or sees what is not theirs in ${sequences.toLocaleString('en-GB')} random sequences of three members and a simulator`,
      value: Math.round((performance.now() - asked) / 1000),
      unit: 's',
      aim: 'none broken',
    },
    {
      name: `Invariants hold in ${sequences.toLocaleString('en-GB')} random sequences of 60 commands`,
      value: Math.round((asked - began) / 1000),
      unit: 's',
      aim: 'none broken',
    },
  ];
}
