import type { Finish, OfficeIndex } from '@/core/setup';
import { reachedBy } from './reachedBy';
import type { World } from './stages';
import type { RouteTrace } from './trace';
import { menuTurnSeconds, traceAny, type CalledParty } from './traceCall';

/** As the exchange counts forwards. */
const mostStops = 6;

/** One plan, team or menu on a call's way. */
export interface Stop {
  trace: RouteTrace;
  /** Seconds after the call arrived at which it gets there. */
  fromSeconds: number;
  /** The key by which a menu was left; null where it was left by nobody answering. */
  key: string | null;
}

export interface Journey {
  stops: Stop[];
  /** Where it ends at last; a forward where it leaves the office, or goes by a plan that is not told here; null where it goes round in a circle. */
  finish: Finish | null;
  finishSeconds: number;
}

/**
 * One call to its very end: unanswered, it is followed through forwards, teams and menus. `keys` are what the caller
 * presses, one for each menu on the way; a menu without a key, or with one that leads nowhere, goes its time.
 */
export function journeyOf(
  office: OfficeIndex,
  called: CalledParty,
  world: World,
  keys: readonly string[] = [],
): Journey {
  const stops: Stop[] = [];
  const left = [...keys];
  let at: CalledParty | null = called;
  let fromSeconds = 0;
  while (at && stops.length < mostStops) {
    // The given situation is that of whom was called, not of those it is forwarded to.
    const calledSituation = at.ownerId === called.ownerId ? world.calledSituation : undefined;
    const moment = { ...world, at: world.at + fromSeconds * 1000, calledSituation };
    const trace: RouteTrace = traceAny(office, at, moment);
    const menu = office.menus.get(at.ownerId);
    const key = menu ? left.shift() : undefined;
    const to = menu?.keys.find((each) => each.key === key)?.to;
    stops.push({ trace, fromSeconds, key: to === undefined ? null : (key ?? null) });
    // Whoever knows the key presses it when the words are over.
    fromSeconds += to === undefined || !menu ? trace.finishSeconds : menuTurnSeconds(menu) - menu.waitSeconds;
    const finish: Finish = to === undefined ? trace.finish : { kind: 'forward', to };
    if (finish.kind !== 'forward') return { stops, finish, finishSeconds: fromSeconds };
    const reached = reachedBy(finish.to, office);
    if (reached.kind === 'number') return { stops, finish, finishSeconds: fromSeconds };
    if (reached.kind === 'nobody') return { stops, finish: { kind: 'busy' }, finishSeconds: fromSeconds };
    // What becomes of it there is theirs.
    if (office.isPlanWithheld(reached.ownerId)) return { stops, finish, finishSeconds: fromSeconds };
    at = { ...called, ownerId: reached.ownerId, lineId: reached.lineId };
  }
  return { stops, finish: null, finishSeconds: fromSeconds };
}
