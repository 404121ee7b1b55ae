import fc from 'fast-check';

import {
  codecs,
  eModelDefaults,
  follow,
  hearingOf,
  mosFromRating,
  playOut,
  qualityOver,
  ratingFactor,
  recommendWay,
  warningOf,
  worstAcceptableMos,
  type Network,
  type Quality,
  type TravelQuestion,
  type Trend,
} from '.';

const perfect: Network = { delayMs: 0, jitterMs: 0, lossPercent: 0, burstRatio: 1 };

describe('the E-model (ITU-T G.107)', () => {
  it('gives R = 93.2 for the Recommendation’s default values', () => {
    expect(ratingFactor({})).toBeCloseTo(93.2, 1);
    expect(eModelDefaults).toMatchObject({ SLR: 8, RLR: 2, STMR: 15, Nc: -70, Ps: 35, Pr: 35, Bpl: 4.3 });
  });

  it.each([
    [90, 4.34],
    [80, 4.03],
    [70, 3.6],
    [60, 3.1],
    [50, 2.58],
  ])('turns R = %d into MOS %d as table B.1 does', (R, mos) => {
    expect(Math.abs(mosFromRating(R) - mos)).toBeLessThan(0.01);
  });

  it('stays between 1 and 4.5, whatever R', () => {
    expect([mosFromRating(-10), mosFromRating(0), mosFromRating(100), mosFromRating(120)]).toEqual([
      1, 1, 4.5, 4.5,
    ]);
  });

  it('is worse with more delay, more loss and a costlier codec', () => {
    const at = (change: object) => ratingFactor(change);
    expect(at({ Ta: 400, T: 400, Tr: 800 })).toBeLessThan(at({ Ta: 100, T: 100, Tr: 200 }));
    expect(at({ Ppl: 5, Bpl: 25.1 })).toBeLessThan(at({ Ppl: 1, Bpl: 25.1 }));
    expect(at({ Ie: 11 })).toBeCloseTo(at({}) - 11, 5);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (loss, more) => {
          expect(at({ Ppl: loss + more, Bpl: 19 })).toBeLessThan(at({ Ppl: loss, Bpl: 19 }));
        },
      ),
    );
  });

  it('codecs stand as G.113 lists them', () => {
    expect(codecs.g711).toMatchObject({ Ie: 0, Bpl: 25.1 });
    expect(codecs.g729a).toMatchObject({ Ie: 11, Bpl: 19 });
  });
});

describe('a network', () => {
  it('jitter becomes delay, and loss where the buffer can’t hold it', () => {
    expect(playOut(perfect)).toEqual({ delayMs: 40, lossPercent: 0 });
    const shaky = playOut({ ...perfect, delayMs: 50, jitterMs: 100 });
    expect(shaky.delayMs).toBe(250);
    expect(shaky.lossPercent).toBeCloseTo(50 * Math.exp(-2), 5);
  });

  it('good sounds good, poor sounds poor, bursts are worse than single losses', () => {
    expect(qualityOver(perfect).mos).toBeGreaterThan(4.3);
    const lossy = { ...perfect, delayMs: 100, lossPercent: 5 };
    expect(qualityOver({ ...lossy, burstRatio: 3 }).mos).toBeLessThan(qualityOver(lossy).mos);
    expect(qualityOver({ delayMs: 900, jitterMs: 200, lossPercent: 55, burstRatio: 4 }).mos).toBeLessThan(
      1.5,
    );
  });
});

describe('the trend of a call', () => {
  /** Figures that belong together, so that a mixture of two measurements is seen. */
  const heard = (mos: number): Quality => ({ mos, R: mos * 10, delayMs: mos * 100, lossPercent: 5 - mos });
  const measure = (scores: readonly number[]): Trend => {
    let trend: Trend | null = null;
    scores.forEach((mos, second) => (trend = follow(trend, second * 1000, heard(mos))));
    if (!trend) throw new Error('Nothing measured');
    return trend;
  };
  const steady = Array<number>(20).fill(4.2);

  it('is not frightened by one bad second', () => {
    expect(warningOf(measure([...steady, 2, 4.2, 4.2]))).toBe('none');
  });

  it('warns while it still sounds well, when it goes down', () => {
    const falling = Array.from({ length: 8 }, (_, second) => 4.2 - second * 0.08);
    const trend = measure([...steady, ...falling]);
    expect(trend.quality.mos).toBeGreaterThan(worstAcceptableMos);
    expect(warningOf(trend)).toBe('soon');
  });

  it('says so when it is poor, and takes the warning back when it is well again', () => {
    expect(warningOf(measure([...steady, ...Array<number>(20).fill(2.5)]))).toBe('now');
    expect(
      warningOf(measure([...steady, ...Array<number>(20).fill(2.5), ...Array<number>(40).fill(4.2)])),
    ).toBe('none');
  });

  it('tells a collapse with the second bad measurement, and a recovery with the second good one', () => {
    expect(warningOf(measure([...steady, 1]))).toBe('none');
    expect(warningOf(measure([...steady, 1, 1]))).toBe('now');
    const bad = Array<number>(20).fill(1);
    expect(warningOf(measure([...steady, ...bad, 4.2]))).toBe('now');
    expect(warningOf(measure([...steady, ...bad, 4.2, 4.2]))).toBe('none');
  });

  it('shows figures of one and the same measurement', () => {
    expect(measure([...steady, 1, 1]).quality).toEqual(heard(1));
    expect(measure([...steady, 1]).quality).toEqual(heard(4.2));
  });

  it.each([
    [93, 'well'],
    [80, 'well'],
    [75, 'fair'],
    [65, 'poor'],
    [12, 'hardly'],
  ])('says of R %d that one is understood: %s', (R, hearing) => {
    expect(hearingOf({ R })).toBe(hearing);
  });

  it('lies between the scores measured', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 4.5, noNaN: true }), { minLength: 1 }), (scores) => {
        const { mos } = measure(scores).quality;
        expect(mos).toBeGreaterThanOrEqual(Math.min(...scores) - 1e-9);
        expect(mos).toBeLessThanOrEqual(Math.max(...scores) + 1e-9);
      }),
    );
  });
});

describe('the way a call travels', () => {
  const question: TravelQuestion = {
    dataMos: 4.2,
    isEmergency: false,
    mobileRate: null,
    hasMobile: true,
    hasDesk: true,
    chosen: null,
  };

  it.each([
    ['data while it sounds well', {}, 'data'],
    ['the mobile where data is poor', { dataMos: 3.1 }, 'mobileFirst'],
    ['the mobile where there is no network', { dataMos: null }, 'mobileFirst'],
    ['the desk phone without a mobile', { dataMos: 3.1, hasMobile: false }, 'deskFirst'],
    ['data where nothing else is there', { dataMos: 2, hasMobile: false, hasDesk: false }, 'data'],
    ['what the worker chose', { chosen: 'deskFirst' }, 'deskFirst'],
    ['not what they chose but no longer have', { chosen: 'mobileFirst', hasMobile: false }, 'data'],
    ['an emergency call straight, whatever was chosen', { isEmergency: true, chosen: 'mobileFirst' }, 'data'],
  ] as const)('%s', (_, change, way) => {
    expect(recommendWay({ ...question, ...change }).way).toBe(way);
  });

  it('leaves an emergency call without a network to the phone itself', () => {
    expect(recommendWay({ ...question, isEmergency: true, dataMos: null }).reason).toBe(
      'no network here: dial it on your own phone',
    );
  });

  it('says why in one line, with what the second leg costs', () => {
    const mobileRate = {
      prefix: '+447',
      name: 'UK mobile',
      perMinuteMicros: 24_000,
      connectionFeeMicros: 0,
      incrementSeconds: 1,
    };
    expect(recommendWay({ ...question, dataMos: 4.3, isTried: false }).reason).toBe(
      'not tried here yet, at no extra cost',
    );
    expect(recommendWay({ ...question, dataMos: 2.94, mobileRate }).reason).toBe(
      'data sounds poor here (MOS 2.9), 2.4 p/min more for the second leg',
    );
  });
});
