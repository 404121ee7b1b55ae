import fc from 'fast-check';

import type { Route, RouteNode } from '@/core/calls/route';

import { layOut, outlineOf, spread, type Sizes } from './layOut';

const sizes: Sizes = {
  ...{ plate: { width: 110, height: 52 }, end: { width: 64, height: 44 } },
  ...{ gap: 8, fall: 60, water: 96, room: 358 },
};

const line: RouteNode = { key: 'line/main', place: { kind: 'line', id: 'main' }, calls: 10 };
const through = (id: string, calls: number): RouteNode => ({
  ...{ key: `person/${id}`, place: { kind: 'person', id }, calls },
});
const end = (id: string, kind: 'taken' | 'gaveUp' | 'mailbox', calls: number): RouteNode => ({
  ...{ key: `person/${id}>${kind}`, place: { kind, after: { kind: 'person', id } }, calls },
});
const reach = (from: string, to: string, calls: number) => ({ from, to, calls, ways: [] });

const route: Route = {
  nodes: [
    line,
    through('ada', 10),
    through('ben', 3),
    end('ada', 'taken', 5),
    end('ada', 'gaveUp', 2),
    end('ben', 'mailbox', 3),
  ],
  reaches: [
    reach('line/main', 'person/ada', 10),
    reach('person/ada', 'person/ada>taken', 5),
    reach('person/ada', 'person/ada>gaveUp', 2),
    reach('person/ada', 'person/ben', 3),
    reach('person/ben', 'person/ben>mailbox', 3),
  ],
};

it('runs from above to below, the ends on one ground, and who gave up one row down at the side', () => {
  const { nodes, height } = layOut(route, sizes);
  const at = (key: string) => nodes.find((node) => node.key === key)!;
  expect(at('line/main').y).toBe(0);
  expect(at('person/ada').y).toBeLessThan(at('person/ben').y);
  expect(at('person/ada>taken').y).toBe(at('person/ben>mailbox').y);
  expect(at('person/ada>taken').y + sizes.end.height).toBe(height);
  expect(at('person/ada>gaveUp').y).toBe(at('person/ben').y);
  expect(at('person/ada>gaveUp').x).toBeGreaterThan(at('person/ben').x);
});

it('is as wide as the calls, and what is dry is a line', () => {
  const dry = { ...route, reaches: [...route.reaches, reach('person/ben', 'person/ada>taken', 0)] };
  const { streams } = layOut(dry, sizes);
  const width = (from: string, to: string) =>
    streams.find((stream) => stream.from === from && stream.to === to)?.width;
  expect(width('line/main', 'person/ada')).toBe(sizes.water);
  expect(width('person/ada', 'person/ada>taken')).toBeCloseTo(sizes.water / 2);
  expect(width('person/ben', 'person/ada>taken')).toBe(2);
});

it('a line that leads nowhere stands alone', () => {
  expect(layOut({ nodes: [line], reaches: [] }, sizes)).toMatchObject({
    nodes: [{ key: 'line/main', x: sizes.room / 2 }],
    streams: [],
  });
});

it('outlines a stream as a closed band', () => {
  const [stream] = layOut(route, sizes).streams;
  expect(outlineOf(stream!)).toMatch(/^M[\d. C-]+L[\d. C-]+Z$/);
});

/** Rows of places, each reached from somebody of the row above. */
const anyRoute = fc
  .array(fc.array(fc.record({ from: fc.nat(), calls: fc.nat(50) }), { minLength: 1, maxLength: 6 }), {
    ...{ minLength: 1, maxLength: 5 },
  })
  .map((rows): Route => {
    const nodes: RouteNode[] = [line];
    const reaches: Route['reaches'][number][] = [];
    let above = [line.key];
    rows.forEach((row, depth) => {
      row.forEach(({ from, calls }, index) => {
        const id = `${depth}-${index}`;
        const isLast = depth === rows.length - 1;
        nodes.push(isLast ? end(id, index % 3 === 2 ? 'gaveUp' : 'taken', calls) : through(id, calls));
        reaches.push(reach(above[from % above.length]!, nodes.at(-1)!.key, calls));
      });
      above = row.map((_, index) => `person/${depth}-${index}`);
    });
    return { nodes, reaches };
  });

it('keeps all within the picture, and no words over others', () => {
  fc.assert(
    fc.property(anyRoute, (given) => {
      const { nodes, width, streams } = layOut(given, sizes);
      expect(nodes).toHaveLength(given.nodes.length);
      expect(streams).toHaveLength(given.reaches.length);
      for (const node of nodes) {
        expect(node.x - node.width / 2).toBeGreaterThanOrEqual(-0.01);
        expect(node.x + node.width / 2).toBeLessThanOrEqual(width + 0.01);
        for (const other of nodes)
          if (other.y === node.y && other.x > node.x)
            expect(other.x - other.width / 2 - (node.x + node.width / 2)).toBeGreaterThan(-0.01);
      }
      for (const { fromY, toY, fromX, toX, width: water } of streams) {
        expect(toY).toBeGreaterThan(fromY);
        for (const number of [fromX, toX, water]) expect(Number.isFinite(number)).toBe(true);
      }
    }),
  );
});

it('moves apart what stands too near, and no more', () => {
  expect(
    spread(
      [
        { at: 10, need: 20 },
        { at: 50, need: 20 },
      ],
      100,
    ),
  ).toEqual([10, 50]);
  expect(
    spread(
      [
        { at: 50, need: 20 },
        { at: 52, need: 20 },
      ],
      100,
    ),
  ).toEqual([50, 70]);
  expect(
    spread(
      [
        { at: 95, need: 20 },
        { at: 99, need: 20 },
      ],
      100,
    ),
  ).toEqual([70, 90]);
});
