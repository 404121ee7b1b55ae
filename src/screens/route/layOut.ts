import { sankey, type SankeyNode } from 'd3-sankey';

import { isEnd } from '@/core/calls/figures';
import type { Reach, Route, RouteNode } from '@/core/calls/route';

/** Lengths in pixels. */
export interface Sizes {
  /** A plate for what calls pass, and the words for where they end. */
  plate: { width: number; height: number };
  end: { width: number; height: number };
  /** Between plates of a row, and from one row to the next. */
  gap: number;
  fall: number;
  /** How wide all calls together are. */
  water: number;
  /** What the picture may have without being pulled sideways. */
  room: number;
}

export interface LaidNode extends RouteNode {
  /** The middle, and the upper edge. */
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface Stream extends Reach {
  width: number;
  /** Where its middle begins and ends. */
  fromX: number;
  fromY: number;
  toX: number;
  toY: number;
  /** Callers who gave up: it runs out at the side. */
  isLost: boolean;
}

export interface Picture {
  width: number;
  height: number;
  nodes: LaidNode[];
  streams: Stream[];
}

const dryWidth = 2;
/** The layout package works in a square of that side. */
const side = 1000;

interface Laid {
  id: string;
  node: RouteNode;
  /** Its row, which d3-sankey writes and its types leave out. */
  layer?: number;
}

/**
 * Lays a route out from above to below: lines in the first row, ends in the last, what calls pass between in rows as deep as the longest way
 * there, and who gave up one row below, at the side of what they gave up at. d3-sankey finds rows and order; plates are then moved under what leads to them, and apart
 * as far as their words need.
 */
export function layOut(route: Route, sizes: Sizes): Picture {
  const rows = rowsOf(route);
  const waterOf = widthOf(route, rows, sizes.water);
  const need = ({ place }: RouteNode, water: number) =>
    Math.max(isEnd(place) ? sizes.end.width : sizes.plate.width, water + 8) + sizes.gap;
  const through = throughWidths(route, waterOf);
  const water = ({ key }: RouteNode) => through.get(key) ?? dryWidth;
  const width = Math.max(
    sizes.room,
    ...rows.map((row) => row.reduce((sum, { node }) => sum + need(node, water(node)), 0)),
  );
  const needs = new Map(route.nodes.map((node) => [node.key, need(node, water(node))]));
  const middles = settle(route, rows, needs, width);
  const nodes = new Map<string, LaidNode>();
  rows.forEach((row, depth) => {
    const y = depth * (sizes.plate.height + sizes.fall);
    for (const { node } of row) {
      const { height } = isEnd(node.place) ? sizes.end : sizes.plate;
      const boxWidth = (needs.get(node.key) ?? 0) - sizes.gap;
      nodes.set(node.key, { ...node, x: middles.get(node.key) ?? 0, y, width: boxWidth, height });
    }
  });
  const height = Math.max(0, ...[...nodes.values()].map((node) => node.y + node.height));
  return { width, height, nodes: [...nodes.values()], streams: streamsOf(route, nodes, waterOf) };
}

/** The nodes row by row, each row from left to right, with where d3-sankey would have them; who gave up, at the right of where they did. */
function rowsOf({ nodes, reaches }: Route): { node: RouteNode; at: number }[][] {
  if (reaches.length === 0) return [nodes.map((node) => ({ node, at: side / 2 }))];
  const total = Math.max(1, ...nodes.map(({ calls }) => calls));
  const lay = sankey<Laid, object>()
    .nodeId(({ id }) => id)
    .nodeAlign(rowOf)
    .nodePadding(side / 40)
    .size([side, side]);
  const laidOut = lay({
    nodes: nodes.map((node) => ({ node, id: node.key })),
    // A dry reach has a place all the same.
    links: reaches.map(({ from, to, calls }) => ({
      ...{ source: from, target: to, value: Math.max(calls, total / 200) },
    })),
  });
  const rows: { node: RouteNode; at: number }[][] = [];
  for (const { node, layer = 0, y0 = 0, y1 = 0, targetLinks } of laidOut.nodes) {
    const [into] = targetLinks ?? [];
    const from = into && typeof into.source === 'object' ? into.source : null;
    const at = node.place.kind === 'gaveUp' && from ? (from.y1 ?? 0) : (y0 + y1) / 2;
    (rows[layer] ??= []).push({ node, at });
  }
  return Array.from(rows, (row = []) => row.sort((a, b) => a.at - b.at));
}

function rowOf({ node, depth = 0 }: SankeyNode<Laid, object>, count: number): number {
  return isEnd(node.place) && node.place.kind !== 'gaveUp' ? count - 1 : depth;
}

/** How wide a reach is drawn: by its calls, to one scale for the whole picture; a dry one is a line. */
function widthOf(
  { nodes }: Route,
  rows: readonly (readonly { node: RouteNode }[])[],
  most: number,
): (reach: Pick<Reach, 'calls'>) => number {
  const fullest = Math.max(
    1,
    nodes.reduce((sum, { place, calls }) => (place.kind === 'line' ? sum + calls : sum), 0),
    ...rows.map((row) => row.reduce((sum, { node }) => sum + node.calls, 0)),
  );
  return ({ calls }) => (calls === 0 ? dryWidth : Math.max(dryWidth, (calls / fullest) * most));
}

/** How wide the water is at each node: what comes to it, or what leaves it. */
function throughWidths({ reaches }: Route, waterOf: (reach: Reach) => number): Map<string, number> {
  const into = new Map<string, number>();
  const out = new Map<string, number>();
  for (const reach of reaches) {
    into.set(reach.to, (into.get(reach.to) ?? 0) + waterOf(reach));
    out.set(reach.from, (out.get(reach.from) ?? 0) + waterOf(reach));
  }
  for (const [key, width] of out) into.set(key, Math.max(width, into.get(key) ?? 0));
  return into;
}

const sweeps = 8;

/** Each row's middles, in the row's order: near those that lead there and where it leads, weighed by the calls. */
function settle(
  { reaches }: Route,
  rows: readonly (readonly { node: RouteNode; at: number }[])[],
  needs: ReadonlyMap<string, number>,
  width: number,
): Map<string, number> {
  const middles = new Map(rows.flat().map(({ node, at }) => [node.key, (at / side) * width]));
  const above = new Map<string, Reach[]>();
  const below = new Map<string, Reach[]>();
  for (const reach of reaches) {
    above.set(reach.to, [...(above.get(reach.to) ?? []), reach]);
    below.set(reach.from, [...(below.get(reach.from) ?? []), reach]);
  }
  const wanted = (key: string, near: Map<string, Reach[]>, end: 'from' | 'to') => {
    let [sum, weight] = [0, 0];
    for (const reach of near.get(key) ?? []) {
      sum += (middles.get(reach[end]) ?? 0) * (reach.calls + 0.1);
      weight += reach.calls + 0.1;
    }
    return weight === 0 ? (middles.get(key) ?? 0) : sum / weight;
  };
  const move = (row: readonly { node: RouteNode }[], near: Map<string, Reach[]>, end: 'from' | 'to') => {
    const found = spread(
      row.map(({ node: { key } }) => ({ at: wanted(key, near, end), need: needs.get(key) ?? 0 })),
      width,
    );
    row.forEach(({ node }, index) => middles.set(node.key, found[index] ?? 0));
  };
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (const row of rows) move(row, above, 'from');
    for (const row of [...rows].reverse()) move(row, below, 'to');
  }
  return middles;
}

/** Middles near where they are wanted, in that order, none nearer to another than both need, within the width. */
export function spread(wanted: readonly { at: number; need: number }[], width: number): number[] {
  const middles: number[] = [];
  let edge = 0;
  for (const { at, need } of wanted) {
    const middle = Math.max(at, edge + need / 2);
    middles.push(middle);
    edge = middle + need / 2;
  }
  let limit = width;
  for (let index = wanted.length - 1; index >= 0; index--) {
    const half = (wanted[index]?.need ?? 0) / 2;
    middles[index] = Math.min(middles[index] ?? 0, limit - half);
    limit = (middles[index] ?? 0) - half;
  }
  return middles;
}

/** Streams beside each other at both ends, in the order of what they lead to and come from. */
function streamsOf(
  { reaches }: Route,
  nodes: ReadonlyMap<string, LaidNode>,
  waterOf: (reach: Reach) => number,
): Stream[] {
  const streams = reaches.flatMap((reach): Stream[] => {
    const [from, to] = [nodes.get(reach.from), nodes.get(reach.to)];
    if (!from || !to) return [];
    return [
      {
        ...{ ...reach, width: waterOf(reach) },
        ...{ fromX: from.x, fromY: from.y + from.height, toX: to.x, toY: to.y },
        isLost: to.place.kind === 'gaveUp',
      },
    ];
  });
  const by = (end: 'from' | 'to') => {
    const groups = new Map<string, Stream[]>();
    for (const stream of streams) groups.set(stream[end], [...(groups.get(stream[end]) ?? []), stream]);
    return groups.values();
  };
  const farX = (end: 'from' | 'to', stream: Stream) =>
    nodes.get(end === 'from' ? stream.to : stream.from)?.x ?? 0;
  for (const end of ['from', 'to'] as const)
    for (const group of by(end)) {
      group.sort((a, b) => farX(end, a) - farX(end, b));
      const all = group.reduce((sum, { width }) => sum + width, 0);
      let left = (nodes.get(group[0]?.[end] ?? '')?.x ?? 0) - all / 2;
      for (const stream of group) {
        stream[end === 'from' ? 'fromX' : 'toX'] = left + stream.width / 2;
        left += stream.width;
      }
    }
  return streams;
}

/** The outline of a stream, as wide at every height. */
export function outlineOf({ fromX, fromY, toX, toY, width }: Stream): string {
  const half = width / 2;
  const middleY = (fromY + toY) / 2;
  const point = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
  return [
    `M${point(fromX - half, fromY)}`,
    `C${point(fromX - half, middleY)} ${point(toX - half, middleY)} ${point(toX - half, toY)}`,
    `L${point(toX + half, toY)}`,
    `C${point(toX + half, middleY)} ${point(fromX + half, middleY)} ${point(fromX + half, fromY)}Z`,
  ].join('');
}

/** Its middle, for the needle and for one that is dry. */
export function middleOf({ fromX, fromY, toX, toY }: Stream): string {
  const middleY = ((fromY + toY) / 2).toFixed(1);
  const [x, y] = [toX.toFixed(1), toY.toFixed(1)];
  return `M${fromX.toFixed(1)} ${fromY.toFixed(1)}C${fromX.toFixed(1)} ${middleY} ${x} ${middleY} ${x} ${y}`;
}
