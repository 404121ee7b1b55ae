import { isEnd, type Place, type Through } from '@/core/calls/figures';
import type { Reach, Route, RouteNode, Way } from '@/core/calls/route';
import type { OfficeIndex } from '@/core/setup';
import { formatAny } from '@/state/app';

const endWords = {
  taken: 'taken',
  gaveUp: 'gave up',
  mailbox: 'mailbox',
  busy: 'busy tone',
  text: 'text back',
  elsewhere: 'outside',
  circle: 'in a circle',
} as const;

const kindWords = { line: 'A line', team: 'A team', menu: 'A menu', conference: 'A conference' };

/** What stands on its plate: "Night menu", "taken". */
export function nameOfPlace(place: Place, office: OfficeIndex): string {
  if (isEnd(place)) return endWords[place.kind];
  const { people, lines, teams, menus, conferences } = office.ever;
  const { id } = place;
  switch (place.kind) {
    case 'hours':
      return `Hours of ${teams.get(id)?.name ?? 'a team no longer here'}`;
    case 'line':
      return lines.get(id)?.name ?? `${kindWords.line} no longer here`;
    case 'team':
      return teams.get(id)?.name ?? `${kindWords.team} no longer here`;
    case 'menu':
      return menus.get(id)?.name ?? `${kindWords.menu} no longer here`;
    case 'conference':
      return conferences.get(id)?.name ?? `${kindWords.conference} no longer here`;
    case 'extension': {
      const here = office.people.get(id);
      return here ? `${here.name}, ${here.extension}` : (people.get(id)?.name ?? 'Somebody no longer here');
    }
    case 'person':
      return people.get(id)?.name ?? 'Somebody no longer here';
  }
}

/** What it is, beside its name. */
export function detailOfPlace({ kind, id }: Through, office: OfficeIndex): string {
  switch (kind) {
    case 'line':
      return formatAny(office.ever.lines.get(id)?.number ?? '', office.plan);
    case 'hours':
      return `of ${office.ever.teams.get(id)?.name ?? 'a team no longer here'}`;
    case 'team':
      return office.teams.get(id)?.queue ? 'team, in a queue' : 'team';
    case 'menu':
      return 'menu';
    case 'conference':
      return 'conference';
    case 'person':
      return 'ring plan';
    case 'extension':
      return 'ring plan, by the extension';
  }
}

const ways: Record<Exclude<Way['by'], 'key'>, string> = {
  line: '',
  open: 'in its hours',
  closed: 'outside its hours',
  answer: '',
  unanswered: 'nobody answers',
  nothingPressed: 'no key is pressed',
  full: 'too many wait',
  tooLong: 'they waited too long',
  nobodyThere: 'nobody is there',
  busy: 'all are busy',
  refused: 'it is refused',
  forward: 'forwarded',
};

/** "key 1 or 3", "nobody answers": how calls get there; nothing where they do by themselves. */
export function wayWords({ ways: given, calls, to }: Reach): string {
  const keys = given.flatMap((way) => (way.by === 'key' ? [way.key] : []));
  const others = given.flatMap((way) => (way.by === 'key' || ways[way.by] === '' ? [] : [ways[way.by]]));
  if (given.length === 0) return calls > 0 && !to.endsWith('gaveUp') ? 'so it was' : '';
  return [...(keys.length > 0 ? [`key ${keys.join(' or ')}`] : []), ...others].join(', ');
}

/** The keys by which a menu leads there: "1 or 3"; null where it is by none. */
export function keysOfReach({ ways: given }: Reach): string | null {
  const keys = given.flatMap((way) => (way.by === 'key' ? [way.key] : []));
  return keys.length === 0 ? null : keys.join(' or ');
}

const whereWords = {
  taken: 'taken',
  gaveUp: 'gave up',
  mailbox: 'to the mailbox',
  busy: 'to busy tone',
  text: 'to a text back',
  elsewhere: 'to a number outside',
  circle: 'round in a circle',
} as const;

/** A stream in words: "7 to Ilse Varga (key 2)". */
export function reachWords(reach: Reach, route: Route, office: OfficeIndex): string {
  const to = route.nodes.find(({ key }) => key === reach.to);
  if (!to) return '';
  const how = wayWords(reach);
  const where = isEnd(to.place) ? whereWords[to.place.kind] : `to ${nameOfPlace(to.place, office)}`;
  return `${reach.calls === 0 ? 'none' : reach.calls} ${where}${how === '' ? '' : ` (${how})`}`;
}

/** What comes to a place and where it goes on, the most first. */
export function nodeWords(node: RouteNode, route: Route, office: OfficeIndex): string {
  const out = route.reaches
    .filter(({ from }) => from === node.key)
    .sort((a, b) => b.calls - a.calls)
    .map((reach) => reachWords(reach, route, office));
  return out.length === 0 ? 'Leads nowhere' : out.join('; ');
}

/** The places calls pass. */
export const passed = (route: Route): RouteNode[] => route.nodes.filter(({ place }) => !isEnd(place));

/** How many callers of the route gave up, and at what most. */
export function lostWords(route: Route, office: OfficeIndex): string {
  const lost = route.nodes.filter(({ place, calls }) => place.kind === 'gaveUp' && calls > 0);
  const all = lost.reduce((sum, { calls }) => sum + calls, 0);
  if (all === 0) return 'nobody gave up';
  const [worst] = lost.sort((a, b) => b.calls - a.calls);
  const at = worst && isEnd(worst.place) ? nameOfPlace(worst.place.after, office) : '';
  return `${all} gave up${worst?.calls === all ? '' : ', most'} at ${at}`;
}
