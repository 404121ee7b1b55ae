import type { FigureRow } from '@/core/calls/figures';

import type { Shape } from '../shared/picture/svg';
import { figuresDrawing } from './figuresDrawing';

const row = (key: string, taken: number, abandoned: number, overflowed: number) =>
  ({
    ...{ key, taken, abandoned, overflowed, calls: taken + abandoned + overflowed, medianWaitMs: 4000 },
  }) as FigureRow;

const boxes = (shapes: readonly Shape[]) =>
  shapes.flatMap(([name, { x, y, width }]) =>
    name === 'rect' && typeof y === 'number' && y > 100 ? [{ x: Number(x), y, width: Number(width) }] : [],
  );

describe('figures as a picture', () => {
  const draw = (rows: FigureRow[]) =>
    figuresDrawing(rows, { title: 'Calls', about: '', wordOf: (key) => `Line ${key}` });

  it('has bars to one scale, whose parts follow each other, within its sides', () => {
    const { shapes, width, height } = draw([row('a', 30, 10, 0), row('b', 5, 0, 15)]);
    const [taken, lost, ...rest] = boxes(shapes);
    expect(taken?.width).toBeCloseTo((lost?.width ?? 0) * 3);
    expect(lost?.x).toBeCloseTo((taken?.x ?? 0) + (taken?.width ?? 0));
    expect(rest[0]?.width).toBeCloseTo((taken?.width ?? 0) / 6);
    for (const { x, y, width: wide } of boxes(shapes)) {
      expect(x + wide).toBeLessThanOrEqual(width);
      expect(y).toBeLessThan(height);
    }
  });

  it('says each row in words, its number, and what the parts mean', () => {
    const words = draw([row('a', 1, 0, 0)]).shapes.flatMap(([name, , inside]) =>
      name === 'text' ? [inside] : [],
    );
    expect(words).toEqual(expect.arrayContaining(['Calls', 'Line a', '1', 'taken', 'gave up', 'went on']));
  });
});
