import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import type { CallRecord } from '@/core/calls/exchange';

import { readRecordsBetween } from '.';

const zone = 'Europe/London';
const day = (number: number) => Date.UTC(2026, 10, number, 12);

/** A vault of one record a day, by its key. */
function vaultOf(days: readonly number[]) {
  const kept = new Map(
    days.map((number) => [
      `history/2026-11-${number}/c${number}-ada`,
      testRecord({ startedAt: day(number) }),
    ]),
  );
  const asked: string[] = [];
  return {
    asked,
    keys: async (prefix: string) => [...kept.keys()].filter((key) => key.startsWith(prefix)),
    readMany: async <T>(keys: readonly string[]) => {
      asked.push(...keys);
      return new Map(keys.map((key) => [key, [kept.get(key) as T]]));
    },
  };
}

const read = async (
  vault: ReturnType<typeof vaultOf>,
  from: number,
  until: number,
  known = new Set<string>(),
) => {
  const found: CallRecord[] = [];
  await readRecordsBetween(vault, { from: day(from), until: day(until), zone }, known, (records) =>
    found.push(...records),
  );
  return found.map(({ startedAt }) => new Date(startedAt).getUTCDate());
};

it('reads the days between, and a day more on both sides', async () => {
  expect(await read(vaultOf([10, 14, 15, 16, 17, 20]), 15, 16)).toEqual([14, 15, 16, 17]);
});

it('reads nothing twice', async () => {
  const vault = vaultOf([14, 15, 16]);
  const known = new Set<string>();
  await read(vault, 15, 15, known);
  expect(await read(vault, 14, 16, known)).toEqual([]);
  expect(vault.asked).toHaveLength(3);
});
