import { whyNotCalled, type Finish, type Menu, type OfficeIndex } from '@/core/setup';
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
  /** All keys that were pressed there. */
  pressed: readonly string[];
  /** In which of a menu’s other languages the caller is spoken to when they get there; null: none was chosen. */
  language: string | null;
}

export interface Journey {
  stops: Stop[];
  /** Where it ends at last; a forward where it leaves the office, or goes by a plan that is not told here; null where it goes round in a circle. */
  finish: Finish | null;
  finishSeconds: number;
}

/**
 * One call to its very end: unanswered, it is followed through forwards, teams and menus. `keys` are what the caller
 * presses, one each time a menu asks, when its words are over; one that leads nowhere has it ask again, as far as it does.
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
  let language: string | null = null;
  while (at && stops.length < mostStops) {
    // The given situation is that of whom was called, not of those it is forwarded to.
    const calledSituation = at.ownerId === called.ownerId ? world.calledSituation : undefined;
    const moment = { ...world, at: world.at + fromSeconds * 1000, calledSituation };
    const trace: RouteTrace = traceAny(office, at, moment);
    const menu = office.menus.get(at.ownerId);
    const before = left.length;
    const passed: Passed = menu
      ? leaveMenu(menu, left, office, moment.at, language)
      : { chosen: null, seconds: trace.finishSeconds, language };
    const { chosen, seconds } = passed;
    const pressed = keys.slice(keys.length - before, keys.length - left.length);
    stops.push({ trace, fromSeconds, key: chosen?.key ?? null, pressed, language });
    language = passed.language;
    fromSeconds += seconds;
    const finish: Finish = chosen ? { kind: 'forward', to: chosen.to } : trace.finish;
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

interface Passed {
  chosen: { key: string; to: string } | null;
  seconds: number;
  language: string | null;
}

/** By which of the keys the menu is left, after how long and in which language; takes the keys that are pressed there. */
function leaveMenu(
  menu: Menu,
  keys: string[],
  office: OfficeIndex,
  at: number,
  before: string | null,
): Passed {
  let seconds = 0;
  let language = before;
  for (let turn = 0; turn < menu.turns; turn++) {
    const key = keys.shift();
    const turnSeconds = menuTurnSeconds(menu, at + seconds * 1000, office.setup.zone, language);
    seconds += turnSeconds - (key === undefined ? 0 : menu.waitSeconds);
    const spoken = menu.languages?.find((each) => each.key === key);
    if (spoken) {
      // It begins anew, in the other language.
      ({ language } = spoken);
      turn = -1;
      continue;
    }
    const chosen = chosenBy(key, menu);
    if (chosen && leadsOn(chosen.to, office, at)) return { chosen, seconds, language };
  }
  return { chosen: null, seconds, language };
}

function leadsOn(to: string, office: OfficeIndex, at: number): boolean {
  const reached = reachedBy(to, office);
  if (reached.kind === 'nobody') return false;
  return (
    reached.kind !== 'number' || whyNotCalled(office.setup, reached.number, { personId: null, at }) === null
  );
}

/** A key of the menu; or, where it may be dialled there, an extension. */
function chosenBy(key: string | undefined, menu: Menu): { key: string; to: string } | undefined {
  const isExtension = key !== undefined && key.length > 1 && menu.dialsExtensions === true;
  return isExtension ? { key, to: key } : menu.keys.find((each) => each.key === key);
}
