import fc from 'fast-check';

import { seeded } from '@/core/shared/random';

import { byPlace, networkOfTest, qualityByCodec, type ConnectionTest } from './connectionTest';
import type { Network } from './network';
import { networkOf, probesOver, tooLateMs, type Probe } from './probing';

const probes = (...delays: (number | null)[]): Probe[] =>
  delays.map((delay, at) => ({ sentMs: at * 20, cameMs: delay === null ? null : at * 20 + delay }));

describe('what probes tell of a network', () => {
  it('half of a round trip is one way; looked at where it arrives, all of it is', () => {
    expect(networkOf(probes(80, 120), 'roundTrip')).toMatchObject({
      delayMs: 50,
      jitterMs: 20,
      lossPercent: 0,
    });
    expect(networkOf(probes(80, 120), 'oneWay')).toMatchObject({ delayMs: 100, jitterMs: 20 });
  });

  it('what never comes, or too late for a voice, is lost', () => {
    expect(networkOf(probes(50, null, 50, 2 * tooLateMs + 1), 'roundTrip')).toMatchObject({
      ...{ lossPercent: 50, delayMs: 25, jitterMs: 0 },
    });
    expect(networkOf(probes(50, tooLateMs + 1), 'oneWay')).toMatchObject({ lossPercent: 50 });
    expect(networkOf(probes(null, null), 'roundTrip')).toBeNull();
    expect(networkOf([], 'oneWay')).toBeNull();
  });

  it('losses in a row are a burst: as long as they would be by chance, the ratio is 1', () => {
    // Four of eight lost: by chance 1 / (1 - 0.5) = 2 in a row.
    expect(networkOf(probes(9, null, null, 9, 9, null, null, 9), 'oneWay')?.burstRatio).toBe(1);
    expect(networkOf(probes(9, null, null, null, null, 9, 9, 9), 'oneWay')?.burstRatio).toBe(2);
  });

  it('gives back the network that probes were made over', () => {
    const network = fc.record({
      delayMs: fc.integer({ min: 60, max: 300 }),
      jitterMs: fc.integer({ min: 0, max: 30 }),
      lossPercent: fc.integer({ min: 0, max: 30 }),
      burstRatio: fc.constantFrom(1, 2, 3),
    });
    fc.assert(
      fc.property(network, fc.integer(), (made: Network, seed) => {
        const found = networkOf(
          probesOver(made, { count: 20_000, everyMs: 20, random: seeded(seed) }),
          'roundTrip',
        );
        expect(found).not.toBeNull();
        if (!found) return;
        expect(Math.abs(found.delayMs - made.delayMs)).toBeLessThan(1 + made.jitterMs * 0.1);
        expect(Math.abs(found.jitterMs - made.jitterMs)).toBeLessThanOrEqual(made.jitterMs * 0.1);
        expect(Math.abs(found.lossPercent - made.lossPercent)).toBeLessThanOrEqual(2);
        if (made.lossPercent > 5) expect(Math.abs(found.burstRatio - made.burstRatio)).toBeLessThan(0.4);
      }),
      { numRuns: 40 },
    );
  });
});

const good: Network = { delayMs: 30, jitterMs: 3, lossPercent: 0, burstRatio: 1 };
const bad: Network = { delayMs: 260, jitterMs: 60, lossPercent: 7, burstRatio: 2 };
let count = 0;
const tested = (place: string, link: Network | null, at = 0): ConnectionTest => ({
  ...{ id: `test-${count++}`, at, place, link, relayed: null },
  ...{ stun: 'unset', turn: 'unset', kinds: ['host'] },
});

describe('a test of the connection', () => {
  it('reckons with the longest way there is', () => {
    expect(networkOfTest({ link: good, relayed: bad })).toBe(bad);
    expect(networkOfTest({ link: good, relayed: null })).toBe(good);
    expect(networkOfTest({ link: null, relayed: null })).toBeNull();
  });

  it('says how each codec would sound, the one in use first; one that compresses more never sounds better', () => {
    const [opus, g711, g729] = qualityByCodec(good);
    expect(opus?.codec).toBe('Opus');
    expect(g729?.quality.R).toBeLessThan(g711?.quality.R ?? 0);
  });

  it('the worst place stands first, whichever way its name was written; one where nothing is reached is the worst', () => {
    const places = byPlace([
      tested('Cawder yard', good, 3),
      tested('the bend below the dam', bad, 2),
      tested('The bend below the dam ', good, 4),
      tested('the bend below the dam', bad, 1),
      tested('tunnel', null, 5),
    ]);
    expect(places.map(({ place, tests }) => [place, tests.length])).toEqual([
      ['tunnel', 1],
      ['The bend below the dam', 3],
      ['Cawder yard', 1],
    ]);
    const [, bend] = places;
    expect(bend?.tests.map(({ at }) => at)).toEqual([1, 2, 4]);
    expect(bend?.usual).toBe(bend?.scores[0]);
    expect(bend?.scores.at(-1)).toBeGreaterThan(4);
  });
});
