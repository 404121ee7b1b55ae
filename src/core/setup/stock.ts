import { numberingPlan } from '@/core/numbers/numbering';

import type { OfficeSetup } from './setup';

export const numberKinds = ['town', 'national', 'freephone', 'mobile'] as const;
export type NumberKind = (typeof numberKinds)[number];

interface Range {
  from: string;
  count: number;
}

/**
 * Numbers that nobody has, by country: what is kept free for drama in the United Kingdom (Ofcom, "Telephone numbers for use in TV and radio
 * drama"), in North America (555-0100 to 0199: ATIS-0300115) and in Australia (ACMA, "Phone numbers for use in TV shows, films and
 * creative works"). From them the stand-in carrier gives lines; of other countries it has none.
 */
const stock: Readonly<Record<string, Partial<Record<NumberKind, readonly Range[]>>>> = {
  GB: {
    town: [
      { from: '+441314960000', count: 1_000 },
      { from: '+441174960000', count: 1_000 },
      { from: '+441914980000', count: 1_000 },
    ],
    national: [{ from: '+443069990000', count: 1_000 }],
    freephone: [{ from: '+448081570000', count: 1_000 }],
    mobile: [{ from: '+447700900000', count: 1_000 }],
  },
  US: {
    town: [
      { from: '+12025550100', count: 100 },
      { from: '+13035550100', count: 100 },
    ],
  },
  CA: { town: [{ from: '+16135550100', count: 100 }] },
  AU: {
    town: [
      { from: '+61255500000', count: 10_000 },
      { from: '+61355500000', count: 10_000 },
    ],
    mobile: [{ from: '+61491570156', count: 4 }],
  },
};

const rangesOf = ({ numbering }: Pick<OfficeSetup, 'numbering'>) =>
  stock[numberingPlan(numbering).homeCountry] ?? {};

/** The kinds of numbers that the stand-in carrier has in the office's country. */
export const kindsInStock = (setup: Pick<OfficeSetup, 'numbering'>): NumberKind[] =>
  numberKinds.filter((kind) => rangesOf(setup)[kind] !== undefined);

/** The next free numbers (E.164) of a kind, lowest first: those that neither a line nor anybody in a group of callers has. */
export function freeNumbers(setup: OfficeSetup, kind: NumberKind, most: number): string[] {
  const { lines, callerGroups } = setup;
  const taken = new Set([
    ...lines.map(({ number }) => number),
    ...callerGroups.flatMap(({ numbers }) => numbers),
  ]);
  const free: string[] = [];
  for (const { from, count } of rangesOf(setup)[kind] ?? [])
    for (let at = 0; at < count && free.length < most; at++) {
      const number = `+${BigInt(from.slice(1)) + BigInt(at)}`;
      if (!taken.has(number)) free.push(number);
    }
  return free;
}
