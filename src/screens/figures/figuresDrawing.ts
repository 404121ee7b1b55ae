import { nice, ticks } from 'd3-array';

import type { FigureRow } from '@/core/calls/figures';
import { lightColours as colours } from '@/ui/tokens';

import { onRim, type Drawing, type Shape } from '../shared/picture/svg';
import { rowWords } from './figureWords';

const edge = 24;
const words = 220;
const bars = 420;
const counts = 90;
const rowHeight = 44;
const headHeight = 76;
const axisHeight = 34;
const legendHeight = 40;
const mostTicks = 6;

const text = (x: number, y: number, inside: string, more: Record<string, string | number> = {}): Shape => [
  'text',
  { x, y, 'font-size': 14, fill: colours.ink, ...more },
  inside,
];

/** A bar is filled where calls were taken, hollow where callers gave up, grey where they went on. */
const parts: readonly {
  of: keyof Pick<FigureRow, 'taken' | 'abandoned' | 'overflowed'>;
  word: string;
  look: Record<string, string | number>;
}[] = [
  { of: 'taken', word: 'taken', look: { fill: colours.spruce } },
  {
    of: 'abandoned',
    word: 'gave up',
    look: { fill: colours.sheet, stroke: colours.rowan, 'stroke-width': 2 },
  },
  { of: 'overflowed', word: 'went on', look: { fill: colours.edge } },
];

/** The figures as they are shown, as a picture: a bar a row, to one scale, with its axis and what its parts mean. */
export function figuresDrawing(
  rows: readonly FigureRow[],
  { title, about, wordOf }: { title: string; about: string; wordOf: (key: string) => string },
): Drawing {
  const [, most] = nice(0, Math.max(1, ...rows.map(({ calls }) => calls)), mostTicks);
  const scale = (calls: number) => (calls / most) * bars;
  const ground = headHeight + axisHeight + rows.length * rowHeight;
  const left = edge + words;
  const axis = ticks(0, most, mostTicks)
    .filter(Number.isInteger)
    .flatMap((tick): Shape[] => {
      const x = left + scale(tick);
      const rule = { x1: x, x2: x, y1: headHeight + axisHeight - 6, y2: ground, stroke: colours.rule };
      const middle = { 'text-anchor': 'middle', 'font-size': 12, fill: colours.faint };
      return [['line', rule], text(x, headHeight + 20, String(tick), middle)];
    });
  return {
    width: 2 * edge + words + bars + counts,
    height: ground + legendHeight + edge,
    shapes: [
      text(edge, 34, title, { 'font-size': 22, 'font-weight': 700 }),
      text(edge, 58, about, { fill: colours.faint }),
      ...axis,
      ...rows.flatMap((row, at) =>
        rowShapes(row, wordOf(row.key), headHeight + axisHeight + at * rowHeight, scale),
      ),
      ...parts.flatMap(({ word, look }, at): Shape[] => [
        ['rect', { x: left + at * 120, y: ground + 18, width: 16, height: 12, ...look }],
        text(left + at * 120 + 24, ground + 29, word, { 'font-size': 12 }),
      ]),
    ],
  };
}

function rowShapes(row: FigureRow, word: string, y: number, scale: (calls: number) => number): Shape[] {
  const left = edge + words;
  let before = 0;
  const bar = parts.map(({ of, look }): Shape => {
    const from = scale(before);
    before += row[of];
    return ['rect', { x: left + from, y: y + 4, width: scale(before) - from, height: 16, ...look }];
  });
  return [
    text(edge, y + 17, shortened(word)),
    ...bar.filter(([, { width = 0 }]) => Number(width) > 0),
    text(left, y + 35, rowWords(row), { 'font-size': 11, fill: colours.faint, ...onRim(colours.sheet) }),
    text(left + bars + counts, y + 17, String(row.calls), { 'text-anchor': 'end' }),
  ];
}

const mostLetters = 26;
const shortened = (word: string) => (word.length > mostLetters ? `${word.slice(0, mostLetters - 1)}…` : word);
