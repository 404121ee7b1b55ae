import type { OfficeSetup } from './setup';

/**
 * Numbers that nobody has: the ranges kept free for drama in the United Kingdom (Ofcom, "Telephone numbers for use in TV and radio drama"),
 * from which the stand-in carrier gives lines.
 */
const ranges = {
  town: [
    { from: '+441314960000', count: 1_000 },
    { from: '+441174960000', count: 1_000 },
    { from: '+441914980000', count: 1_000 },
  ],
  national: [{ from: '+443069990000', count: 1_000 }],
  freephone: [{ from: '+448081570000', count: 1_000 }],
  mobile: [{ from: '+447700900000', count: 1_000 }],
} as const;
export type NumberKind = keyof typeof ranges;
export const numberKinds = Object.keys(ranges) as NumberKind[];

/** The next free numbers (E.164) of a kind, lowest first: those that neither a line nor anybody in a group of callers has. */
export function freeNumbers({ lines, callerGroups }: OfficeSetup, kind: NumberKind, most: number): string[] {
  const taken = new Set([
    ...lines.map(({ number }) => number),
    ...callerGroups.flatMap(({ numbers }) => numbers),
  ]);
  const free: string[] = [];
  for (const { from, count } of ranges[kind])
    for (let at = 0; at < count && free.length < most; at++) {
      const number = `+${BigInt(from.slice(1)) + BigInt(at)}`;
      if (!taken.has(number)) free.push(number);
    }
  return free;
}
