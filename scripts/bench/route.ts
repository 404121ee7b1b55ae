import type { Flow } from '@/core/calls/figures';
import { routeOf } from '@/core/calls/route';
import { reachedBy } from '@/core/plans/routing';
import { OfficeIndex } from '@/core/setup';
import { seeded } from '@/core/shared/random';
import { layOut } from '@/screens/route/layOut';

import { largeOffice } from './configuring';
import type { Figure } from './figures';

const callsMade = 20_000;
const ends = ['taken', 'gaveUp', 'mailbox'] as const;

/** The route of an office of 500 people, of whose 200 lines each third leads to a menu, a team and a person: reckoned and laid out. */
export function benchRoute(): Figure[] {
  const large = largeOffice();
  const owners = [large.menus, large.teams, large.people];
  const lines = large.lines.map((line, at) => {
    const kind = owners[at % 3]!;
    return { ...line, ownerId: kind[at % kind.length]!.id };
  });
  const setup = { ...large, lines };
  const office = new OfficeIndex(setup);
  const random = seeded(7);
  const oneOf = <T>(all: readonly T[]) => all[Math.floor(random() * all.length)]!;
  const stop = (ownerId: string, isByLine: boolean) => ({ ownerId, isClosed: false, isByLine });
  const flows = Array.from({ length: callsMade }, (): Flow => {
    const { id: lineId, ownerId } = oneOf(lines);
    const stops = [stop(ownerId, true)];
    const menu = office.menus.get(ownerId);
    const pressed = menu ? reachedBy(oneOf(menu.keys).to, office) : null;
    if (pressed && 'ownerId' in pressed) stops.push(stop(pressed.ownerId, false));
    return { lineId, end: oneOf(ends), calls: 1, stops };
  });
  const lineIds = setup.lines.map(({ id }) => id);
  const sizes = {
    ...{ plate: { width: 128, height: 60 }, end: { width: 68, height: 44 } },
    ...{ gap: 8, fall: 64, water: 160, room: 780 },
  };
  layOut(routeOf(office, flows, lineIds), sizes);
  const from = performance.now();
  const route = routeOf(office, flows, lineIds);
  const between = performance.now();
  layOut(route, sizes);
  const until = performance.now();
  return [
    {
      name: `route of 200 lines, ${route.nodes.length} places, ${route.reaches.length} reaches: reckoned`,
      ...{ value: Math.round(between - from), unit: 'ms', aim: 'under 200', most: 200 },
    },
    {
      name: 'the same, laid out',
      ...{ value: Math.round(until - between), unit: 'ms', aim: 'under 200', most: 200 },
    },
  ];
}
