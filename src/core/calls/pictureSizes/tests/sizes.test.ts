import * as fc from 'fast-check';

import { layers, PictureFit, sizesFor, type LookedAt } from '..';

const rowsOf = (pictures: readonly LookedAt[], carries: number | null) =>
  sizesFor(pictures, carries).map(({ layer }) => layer?.rows ?? 0);
const [camera, screen] = [{ kind: 'camera' } as const, { kind: 'screen' } as const];

describe('in which sizes pictures are sent', () => {
  it('as large as they are looked at, and not at all where nobody looks', () => {
    expect(rowsOf([{ ...camera, rows: 64 }], null)).toEqual([90]);
    expect(
      rowsOf(
        [
          { ...camera, rows: 230 },
          { ...screen, rows: 2_000 },
        ],
        null,
      ),
    ).toEqual([360, 1_080]);
    // A little larger than it was sent nobody sees.
    expect(rowsOf([{ ...camera, rows: 225 }], null)).toEqual([180]);
    expect(sizesFor([{ ...camera, rows: 0 }], 10)).toEqual([{ ...camera, layer: null, why: 'nobodyLooks' }]);
  });

  it('the largest is made smaller first, and the voice keeps what it needs', () => {
    const both = [
      { ...camera, rows: 360 },
      { ...screen, rows: 720 },
    ];
    expect(rowsOf(both, 3_000)).toEqual([360, 720]);
    expect(rowsOf(both, 1_500)).toEqual([360, 360]);
    expect(rowsOf(both, 300)).toEqual([90, 90]);
    expect(rowsOf(both, 100)).toEqual([0, 0]);
    expect(sizesFor(both, 100).map(({ why }) => why)).toEqual(['network', 'network']);
  });

  it('never more than the way carries beside the voice, and never larger than looked at', () => {
    const looked = fc.record({
      kind: fc.constantFrom('camera' as const, 'screen' as const),
      rows: fc.integer({ min: 0, max: 1_200 }),
    });
    fc.assert(
      fc.property(fc.array(looked, { maxLength: 4 }), fc.integer({ min: 0, max: 8_000 }), (all, carries) => {
        const sent = sizesFor(all, carries);
        const kbps = sent.reduce((sum, { layer }) => sum + (layer?.kbps ?? 0), 0);
        expect(kbps).toBeLessThanOrEqual(Math.max(0, 0.8 * carries - 72));
        all.forEach(({ rows }, at) => {
          const next = layers.find((layer) => layer.rows >= rows)?.rows ?? 1_080;
          expect(sent[at]?.layer?.rows ?? 0).toBeLessThanOrEqual(rows === 0 ? 0 : next);
        });
        // More never makes anything smaller.
        const more = sizesFor(all, carries + 500);
        const sum = (sizes: typeof sent) => sizes.reduce((rows, { layer }) => rows + (layer?.rows ?? 0), 0);
        expect(sum(more)).toBeGreaterThanOrEqual(sum(sent));
      }),
    );
  });
});

describe('a picture on a way that gets worse and better', () => {
  /** Looks every second at a way that carries so much. */
  function way() {
    const fit = new PictureFit();
    let now = 0;
    return (seconds: number, carries: number): number[] => {
      const seen: number[] = [];
      for (let at = 0; at < seconds; at++)
        seen.push(fit.fit([{ ...camera, rows: 360 }], carries, (now += 1_000))[0]?.layer?.rows ?? 0);
      return seen;
    };
  }

  it('is made small at once, rests after a while, and is tried again, less and less often', () => {
    const goes = way();
    expect(goes(2, 2_000)).toEqual([360, 360]);
    expect(goes(5, 60)).toEqual([90, 90, 90, 90, 0]);
    expect(goes(8, 60)).toEqual([0, 0, 0, 0, 0, 0, 0, 90]);
    // Five seconds of trying, four of doubt, and twice the rest.
    expect(goes(8, 60)).toEqual([90, 90, 90, 90, 90, 90, 90, 90]);
    expect(goes(16, 60)).toEqual(Array(16).fill(0));
    expect(goes(1, 60)).toEqual([90]);
  });

  it('a dip of a moment does not end it, and a better way has it large again', () => {
    const goes = way();
    expect(goes(3, 60)).toEqual([90, 90, 90]);
    expect(goes(1, 2_000)).toEqual([360]);
    expect(goes(3, 60)).toEqual([90, 90, 90]);
    expect(goes(20, 60)).toContain(0);
    expect(goes(30, 2_000).at(-1)).toBe(360);
  });

  /** A way whose estimate follows what is sent over it, twice as far, up to what it carries. */
  function following(capacity: number, rows: number) {
    const fit = new PictureFit();
    let estimate = 300;
    return (seconds: number): number[] =>
      Array.from({ length: seconds }, (_, at) => {
        const [sent] = fit.fit([{ ...screen, rows }], estimate, (at + 1) * 1_000);
        estimate = Math.min(capacity, Math.max(300, 2 * ((sent?.layer?.kbps ?? 0) + 72)));
        return sent?.layer?.rows ?? 0;
      });
  }

  it('grows to what is looked at where the way carries it, though its estimate only follows what is sent', () => {
    const sent = following(20_000, 4_320)(60);
    expect(sent[0]).toBeLessThan(200);
    expect(sent.at(-1)).toBe(1_080);
  });

  it('tries what a way does not carry ever more seldom', () => {
    const sent = following(700, 1_080)(300);
    const tooLarge = (from: number) => sent.slice(from, from + 60).filter((rows) => rows > 180).length;
    expect(tooLarge(0)).toBeGreaterThan(0);
    expect(tooLarge(240)).toBeLessThan(12);
    expect(sent.every((rows) => rows <= 360)).toBe(true);
  });
});
