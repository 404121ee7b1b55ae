import type { End, Place, Through } from '@/core/calls/figures';
import { reachedBy } from '@/core/plans/routing';
import type { Finish, Menu, OfficeIndex, RingPlan, Team } from '@/core/setup';
import { placesOf } from './places';

/** Why a call leaves a place: a menu's key, or what happened there. */
export type Way =
  | { by: 'key'; key: string }
  | {
      by:
        | 'line'
        | 'open'
        | 'closed'
        | 'answer'
        | 'unanswered'
        | 'nothingPressed'
        | 'full'
        | 'tooLong'
        | 'nobodyThere'
        | 'busy'
        | 'refused'
        | 'forward';
    };

export interface Exit {
  to: Place;
  way: Way;
}

/** Where calls can go on to from a place, as the office is configured. */
export function exitsOf(place: Through, office: OfficeIndex): Exit[] {
  switch (place.kind) {
    case 'line': {
      const line = office.lines.get(place.id);
      return line ? toOwner(line.ownerId, true, { by: 'line' }, office) : [];
    }
    case 'hours':
    case 'team': {
      const team = office.teams.get(place.id);
      return team ? exitsOfTeam(team, place, office) : [];
    }
    case 'menu': {
      const menu = office.menus.get(place.id);
      return menu ? exitsOfMenu(menu, place, office) : [];
    }
    case 'conference':
      return [
        { to: { kind: 'taken', after: place }, way: { by: 'answer' } },
        { to: { kind: 'busy', after: place }, way: { by: 'unanswered' } },
      ];
    case 'person':
    case 'extension': {
      const plan = office.ringPlans.get(place.id);
      return plan ? exitsOfPlan(plan, place, office) : [];
    }
  }
}

function toOwner(ownerId: string, isByLine: boolean, way: Way, office: OfficeIndex): Exit[] {
  const [to] = placesOf({ ownerId, isClosed: false, isByLine }, office);
  return to ? [{ to, way }] : [];
}

/** What is dialled: something of the office, a number outside, or nothing. */
function toDialled(to: string, after: Through, way: Way, office: OfficeIndex): Exit[] {
  const reached = reachedBy(to, office);
  if (reached.kind === 'nobody') return [{ to: { kind: 'busy', after }, way }];
  if (reached.kind === 'number') return [{ to: { kind: 'elsewhere', after }, way }];
  return toOwner(reached.ownerId, reached.lineId !== null, way, office);
}

function toFinish(finish: Finish, after: Through, way: Way, office: OfficeIndex): Exit[] {
  if (finish.kind === 'forward') return toDialled(finish.to, after, way, office);
  return [{ to: endAt(finish, after), way }];
}

/** The end a finish makes; a forward is one where it leaves the office. */
export function endAt(finish: Finish, after: Through): End {
  switch (finish.kind) {
    case 'forward':
      return { kind: 'elsewhere', after };
    case 'textBack':
      return { kind: 'text', after };
    case 'busy':
      return { kind: 'busy', after };
    default:
      return { kind: 'mailbox', after };
  }
}

function exitsOfTeam(team: Team, place: Through, office: OfficeIndex): Exit[] {
  const { queue, hours, memberIds, mailbox, id } = team;
  const unanswered: Finish = mailbox ? { kind: 'teamMailbox', teamId: id } : { kind: 'busy' };
  const end = (finish: Finish | undefined, by: Exclude<Way['by'], 'key'>) =>
    toFinish(finish ?? unanswered, place, { by }, office);
  if (place.kind === 'hours')
    return [{ to: { kind: 'team', id }, way: { by: 'open' } }, ...end(hours?.closedFinish, 'closed')];
  const taken: Exit[] =
    memberIds.length === 0 ? [] : [{ to: { kind: 'taken', after: place }, way: { by: 'answer' } }];
  if (!queue) return [...taken, ...end(undefined, 'unanswered')];
  return [
    ...taken,
    ...end(queue.longFinish, 'tooLong'),
    ...end(queue.fullFinish, 'full'),
    ...end(queue.nobodyFinish, 'nobodyThere'),
  ];
}

/** A key that leads nowhere, or back to the menu, is one more turn of it. */
const exitsOfMenu = (menu: Menu, place: Through, office: OfficeIndex): Exit[] => [
  ...menu.keys
    .filter(({ to }) => leadsOn(to, menu, office))
    .flatMap(({ key, to }) => toDialled(to, place, { by: 'key', key }, office)),
  ...toFinish(menu.finish, place, { by: 'nothingPressed' }, office),
];

function leadsOn(to: string, menu: Menu, office: OfficeIndex): boolean {
  const reached = reachedBy(to, office);
  return reached.kind === 'number' || (reached.kind !== 'nobody' && reached.ownerId !== menu.id);
}

function exitsOfPlan(plan: RingPlan, place: Through, office: OfficeIndex): Exit[] {
  const rules =
    place.kind === 'person' ? plan.rules : plan.rules.filter(({ lineIds }) => lineIds.length === 0);
  const rings = rules.some(({ stages }) => stages.some(({ targets }) => targets.length > 0));
  const exits: Exit[] = rings ? [{ to: { kind: 'taken', after: place }, way: { by: 'answer' } }] : [];
  const end = (finish: Finish | undefined, by: Exclude<Way['by'], 'key'>) => {
    if (finish) exits.push(...toFinish(finish, place, { by }, office));
  };
  for (const rule of rules) {
    end(rule.finish, 'unanswered');
    end(rule.busyFinish, 'busy');
    end(rule.unreachableFinish, 'nobodyThere');
    end(rule.refusedFinish, 'refused');
  }
  for (const { to } of plan.forwards ?? []) end(to, 'forward');
  return exits;
}
