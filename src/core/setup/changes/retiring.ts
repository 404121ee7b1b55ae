import { editOf, rowOf, type Edit, type SetupRow, type SetupTable } from '../edits';
import type { Menu } from '../menu';
import type { Finish, RingPlan, RingRule, RingTarget } from '../ringPlan';
import type { OfficeSetup, Person, Team } from '../setup';

/** What can be retired with all that names it. */
export type RetiredTable = 'people' | 'teams' | 'lines' | 'menus' | 'conferences' | 'devices';
/** Who or what has their calls from then on. */
export interface Heir {
  table: 'people' | 'teams' | 'menus';
  id: string;
}

/**
 * What retires somebody or something: their phones and plan go, others' plans ring them no more, and whatever led to them leads to the
 * heir. Lines and phones have no heir: whoever showed a line's number shows another.
 */
export function retiring(setup: OfficeSetup, table: RetiredTable, id: string, heir: Heir | null): Edit[] {
  const gone = goneWith(setup, table, id, heir);
  const edits: Edit[] = [editOf(setup, table, id, null)];
  const put = (of: SetupTable, rowId: string, after: object) => {
    const edit = editOf(setup, of, rowId, after as SetupRow);
    if (JSON.stringify(edit.before) !== JSON.stringify(after)) edits.push(edit);
  };
  for (const { id: deviceId, personId, contactOf } of setup.devices)
    if ((table === 'people' && personId === id) || (table === 'devices' && contactOf === id))
      edits.push(editOf(setup, 'devices', deviceId, null));
  for (const team of setup.teams) if (team.id !== id) put('teams', team.id, teamWithout(team, gone));
  for (const line of setup.lines)
    if (line.id !== id)
      put('lines', line.id, line.ownerId === id && heir ? { ...line, ownerId: heir.id } : line);
  for (const menu of setup.menus) if (menu.id !== id) put('menus', menu.id, menuWithout(menu, gone));
  for (const person of setup.people)
    if (person.id !== id) put('people', person.id, personWithout(person, gone));
  const names = [id, ...gone.deviceIds, gone.extension, gone.number].filter((name) => name !== null);
  for (const plan of setup.ringPlans)
    if (plan.personId === id) edits.push(editOf(setup, 'ringPlans', id, null));
    else if (names.some((name) => textOf(plan).includes(name)))
      put('ringPlans', plan.personId, planWithout(plan, gone));
  const policies = policiesWithout(setup.policies, id);
  if (policies !== setup.policies) put('office', 'policies', { id: 'policies', value: policies });
  return edits;
}

/** A plan as text, in which a name can be looked for; plans are not changed but replaced. */
function textOf(plan: RingPlan): string {
  const known = texts.get(plan);
  if (known !== undefined) return known;
  const text = JSON.stringify(plan);
  texts.set(plan, text);
  return text;
}
const texts = new WeakMap<RingPlan, string>();

interface Gone {
  id: string;
  deviceIds: ReadonlySet<string>;
  extension: string | null;
  number: string | null;
  heir: Heir | null;
  /** Where the heir is dialled. */
  heirExtension: string | null;
  /** Who keeps what was kept for them. */
  keeperId: string;
  otherLineId: string | null;
}

function goneWith(setup: OfficeSetup, table: RetiredTable, id: string, heir: Heir | null): Gone {
  const row = rowOf(setup, table, id);
  const text = (value: unknown) => (typeof value === 'string' ? value : null);
  const runs = setup.people.find(({ administers, id: other }) => administers && other !== id);
  return {
    id,
    deviceIds: new Set(
      setup.devices
        .filter((device) =>
          table === 'people' ? device.personId === id : table === 'devices' && device.id === id,
        )
        .map((device) => device.id),
    ),
    extension: text(row?.['extension']),
    number: text(row?.['number']),
    heir,
    heirExtension: heir && text(rowOf(setup, heir.table, heir.id)?.['extension']),
    keeperId: heir?.table === 'people' ? heir.id : (runs?.id ?? ''),
    otherLineId: setup.lines.find((line) => line.id !== id)?.id ?? null,
  };
}

/** The same where they name neither the line nor the person. */
function policiesWithout(policies: OfficeSetup['policies'], id: string): OfficeSetup['policies'] {
  const { presented, outward } = policies;
  const shows = presented?.some(({ lineId }) => lineId === id);
  const leavesFree = outward?.exceptIds?.includes(id);
  if (!shows && !leavesFree) return policies;
  return {
    ...policies,
    ...(shows && { presented: presented?.filter(({ lineId }) => lineId !== id) }),
    ...(leavesFree && {
      outward: { ...outward, exceptIds: outward?.exceptIds?.filter((exceptId) => exceptId !== id) },
    }),
  };
}

function personWithout(person: Person, { id, otherLineId }: Gone): Person {
  const { answeredBy, presentedLineId } = person;
  return {
    ...person,
    presentedLineId: presentedLineId === id ? (otherLineId ?? id) : presentedLineId,
    ...(answeredBy && { answeredBy: answeredBy.filter(({ personId }) => personId !== id) }),
  };
}

function teamWithout(team: Team, gone: Gone): Team {
  const { hours, queue } = team;
  const isLeft = ({ personId }: { personId: string }) => personId !== gone.id;
  // One that leads nowhere any more is left out: then it is as where nobody takes a call.
  const finishes = <Row extends object>(row: Row): Row => {
    const kept = Object.entries(row).flatMap(([name, value]: [string, unknown]) => {
      if (!name.endsWith('Finish') || value === undefined) return [[name, value]];
      const finish = finishWithout(value as Finish, '', gone);
      return finish.kind === 'mailbox' && finish.personId === '' ? [] : [[name, finish]];
    });
    return Object.fromEntries(kept) as Row;
  };
  return {
    ...team,
    memberIds: team.memberIds.filter((each) => each !== gone.id),
    ...(hours && { hours: finishes(hours) }),
    ...(queue && { queue: { ...finishes(queue), levels: queue.levels.filter(isLeft) } }),
  };
}

function menuWithout(menu: Menu, gone: Gone): Menu {
  const leadsToThem = (to: string) => to === gone.extension || to === gone.number;
  const keys = menu.keys.flatMap((key) => {
    if (!leadsToThem(key.to)) return [key];
    return gone.heirExtension === null ? [] : [{ ...key, to: gone.heirExtension }];
  });
  const keeperId = menu.keeperId === gone.id ? gone.keeperId : menu.keeperId;
  return { ...menu, keys, keeperId, finish: finishWithout(menu.finish, keeperId, gone) };
}

function planWithout(plan: RingPlan, gone: Gone): RingPlan {
  const { personId: ownerId, forwards, findMe, lineHours, doNotDisturb } = plan;
  const isLeft = (target: object) => !('deviceId' in target && gone.deviceIds.has(String(target.deviceId)));
  return {
    ...plan,
    rules: plan.rules.flatMap((rule) => ruleWithout(rule, ownerId, gone)),
    ...(forwards && {
      forwards: forwards.map((each) => ({ ...each, to: finishWithout(each.to, ownerId, gone) })),
    }),
    ...(findMe && { findMe: findMe.filter(isLeft) }),
    ...(lineHours && { lineHours: lineHours.filter(({ lineId }) => lineId !== gone.id) }),
    ...(doNotDisturb && {
      doNotDisturb: { ...doNotDisturb, passLineIds: doNotDisturb.passLineIds.filter((id) => id !== gone.id) },
    }),
  };
}

/** A rule for that line alone would be one for every call: it goes with the line. */
function ruleWithout(rule: RingRule, ownerId: string, gone: Gone): RingRule[] {
  const lineIds = rule.lineIds.filter((id) => id !== gone.id);
  if (lineIds.length === 0 && rule.lineIds.length > 0) return [];
  const isLeft = (target: RingTarget) =>
    'deviceId' in target
      ? !gone.deviceIds.has(target.deviceId)
      : !('personId' in target && target.personId === gone.id) &&
        !('teamId' in target && target.teamId === gone.id);
  const stages = rule.stages
    .map((stage) => ({ ...stage, targets: stage.targets.filter(isLeft) }))
    .filter(({ targets }, at) => targets.length > 0 || rule.stages[at]?.targets.length === 0);
  const finishes = Object.fromEntries(
    (['finish', 'busyFinish', 'unreachableFinish', 'refusedFinish'] as const).flatMap((name) => {
      const finish = rule[name];
      return finish ? [[name, finishWithout(finish, ownerId, gone)]] : [];
    }),
  );
  return [{ ...rule, lineIds, stages, ...finishes }];
}

/** @param ownerId whose mailbox a call meets that has nowhere else to go */
function finishWithout(finish: Finish, ownerId: string, gone: Gone): Finish {
  const { heir, heirExtension, id, extension, number } = gone;
  const toHeir = (): Finish =>
    heir && heirExtension !== null && heir.id !== ownerId
      ? { kind: 'forward', to: heirExtension }
      : { kind: 'mailbox', personId: ownerId };
  switch (finish.kind) {
    case 'mailbox':
      if (finish.personId !== id) return finish;
      return heir?.table === 'people' ? { kind: 'mailbox', personId: heir.id } : toHeir();
    case 'teamMailbox':
      return finish.teamId === id ? toHeir() : finish;
    case 'forward':
      return finish.to === extension || finish.to === number ? toHeir() : finish;
    case 'textBack':
      return finish.lineId === id ? { kind: 'mailbox', personId: ownerId } : finish;
    case 'busy':
      return finish;
  }
}
