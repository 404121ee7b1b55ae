import { isEnd, keyOf, type End, type Flow, type Place, type Through } from '@/core/calls/figures';
import type { OfficeIndex } from '@/core/setup';
import { exitsOf, type Way } from './exits';
import { wayOf } from './places';

export interface RouteNode {
  key: string;
  place: Place;
  /** How many calls came there. */
  calls: number;
}

/** The water between two places. */
export interface Reach {
  from: string;
  to: string;
  calls: number;
  /** How calls get from the one to the other, as the office is configured now; none: they no longer do. */
  ways: readonly Way[];
}

/** The route of calls from lines to their ends. It has no circles: what would go round ends where it would. */
export interface Route {
  nodes: readonly RouteNode[];
  reaches: readonly Reach[];
}

/** What the office lets calls do that come by those lines, with how many did so. Where none did, the reach is there, and is dry. */
export function routeOf(office: OfficeIndex, flows: readonly Flow[], lineIds: readonly string[]): Route {
  const wanted = new Set(lineIds);
  const ways = flows
    .filter(({ lineId }) => wanted.has(lineId))
    .map((flow) => ({ places: wayOf(flow, office), calls: flow.calls }));
  const map = new RouteMap();
  for (const id of wanted) mapFrom(map, { kind: 'line', id }, office);
  for (const { places } of ways) map.lay(places);
  map.cutCircles();
  for (const { places, calls } of ways) map.pour(places, calls);
  return map.route();
}

/** The way of one call through that route, as far as it has no circle: the keys of its places. */
export function litIn(route: Route, places: readonly Place[]): string[] {
  const reaches = new Set(route.reaches.map(({ from, to }) => `${from} ${to}`));
  const lit: string[] = [];
  for (const place of places) {
    const last = lit.at(-1);
    const key = keyOf(place);
    if (last !== undefined && !reaches.has(`${last} ${key}`)) {
      const before = places[lit.length - 1];
      const circle = before && !isEnd(before) ? keyOf({ kind: 'circle', after: before }) : '';
      return reaches.has(`${last} ${circle}`) ? [...lit, circle] : lit;
    }
    lit.push(key);
  }
  return lit;
}

/** Lays all that can be reached from there. */
function mapFrom(map: RouteMap, start: Through, office: OfficeIndex): void {
  const open: Through[] = [start];
  map.add(start);
  for (let from = open.pop(); from; from = open.pop())
    for (const { to, way } of exitsOf(from, office)) {
      const isNew = !map.has(to);
      map.join(from, to, way);
      if (isNew && !isEnd(to)) open.push(to);
    }
}

interface Draft {
  from: Through;
  to: Place;
  calls: number;
  ways: Way[];
}

class RouteMap {
  private readonly nodes = new Map<string, RouteNode>();
  /** By where it begins, then by where it ends. */
  private readonly reaches = new Map<string, Map<string, Draft>>();
  /** Reaches that would close a circle. */
  private readonly cut = new Set<Draft>();

  has(place: Place): boolean {
    return this.nodes.has(keyOf(place));
  }

  add(place: Place): RouteNode {
    const key = keyOf(place);
    let node = this.nodes.get(key);
    if (!node) this.nodes.set(key, (node = { key, place, calls: 0 }));
    return node;
  }

  join(from: Through, to: Place, way: Way | null): Draft {
    const [begin, end] = [this.add(from).key, this.add(to).key];
    let fromHere = this.reaches.get(begin);
    if (!fromHere) this.reaches.set(begin, (fromHere = new Map<string, Draft>()));
    let reach = fromHere.get(end);
    if (!reach) fromHere.set(end, (reach = { from, to, calls: 0, ways: [] }));
    if (way && !reach.ways.some((each) => isSameWay(each, way))) reach.ways.push(way);
    return reach;
  }

  /** A way that was gone, dry as yet. */
  lay(places: readonly Place[]): void {
    eachStep(places, (from, to) => void this.join(from, to, null));
  }

  /** Leaves no circle: each reach that leads back to where one came from ends in a circle instead. */
  cutCircles(): void {
    const state = new Map<string, 'open' | 'done'>();
    for (const { key } of [...this.nodes.values()]) if (!state.has(key)) this.follow(key, state);
    for (const reach of this.cut) {
      this.reaches.get(keyOf(reach.from))?.delete(keyOf(reach.to));
      const circle: End = { kind: 'circle', after: reach.from };
      for (const way of reach.ways) this.join(reach.from, circle, way);
      if (reach.ways.length === 0) this.join(reach.from, circle, null);
    }
  }

  /** Depth first, without calling itself: a route may be long. */
  private follow(start: string, state: Map<string, 'open' | 'done'>): void {
    const left = (key: string) => [...(this.reaches.get(key)?.values() ?? [])];
    const path = [{ key: start, left: left(start) }];
    state.set(start, 'open');
    for (let at = path.at(-1); at; at = path.at(-1)) {
      const reach = at.left.shift();
      if (!reach) {
        state.set(at.key, 'done');
        path.pop();
        continue;
      }
      const to = keyOf(reach.to);
      const seen = state.get(to);
      if (seen === 'open') this.cut.add(reach);
      if (seen !== undefined) continue;
      state.set(to, 'open');
      path.push({ key: to, left: left(to) });
    }
  }

  /** So many calls went that way; once round a circle, they count no further. */
  pour(places: readonly Place[], calls: number): void {
    const first = places[0];
    if (first) this.add(first).calls += calls;
    eachStep(places, (from, to) => {
      const reach = this.reaches.get(keyOf(from))?.get(keyOf(to));
      const poured = reach ?? this.join(from, { kind: 'circle', after: from }, null);
      poured.calls += calls;
      this.add(poured.to).calls += calls;
      return reach !== undefined;
    });
  }

  route(): Route {
    const reaches = [...this.reaches.values()].flatMap((fromHere) => [...fromHere.values()]);
    const used = new Set(reaches.flatMap(({ from, to }) => [keyOf(from), keyOf(to)]));
    return {
      nodes: [...this.nodes.values()].filter(({ key, place }) => place.kind === 'line' || used.has(key)),
      reaches: reaches.map(({ from, to, calls, ways }) => ({
        ...{ from: keyOf(from), to: keyOf(to), calls, ways },
      })),
    };
  }
}

const isSameWay = (a: Way, b: Way) => a.by === b.by && (a.by !== 'key' || b.by !== 'key' || a.key === b.key);

/** Goes from each place to the next, until told to stop by false. */
function eachStep(places: readonly Place[], step: (from: Through, to: Place) => boolean | void): void {
  for (let index = 1; index < places.length; index++) {
    const [from, to] = [places[index - 1], places[index]];
    if (from && to && !isEnd(from) && step(from, to) === false) return;
  }
}
