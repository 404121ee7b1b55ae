import { numberingPlan, type NumberingPlan, type NumberWriting } from '@/core/numbers/numbering';

import type { Conference } from './conference';
import type { Menu } from './menu';
import type { RingPlan } from './ringPlan';
import {
  hasQueue,
  type Device,
  type Line,
  type OfficeSetup,
  type Person,
  type QueueTeam,
  type Team,
} from './setup';

/** An office's setup with its look-ups made once. */
export class OfficeIndex {
  /** By what rules what is dialled here is read. */
  readonly plan: NumberingPlan;
  readonly people: ReadonlyMap<string, Person>;
  readonly peopleByExtension: ReadonlyMap<string, Person>;
  readonly teams: ReadonlyMap<string, Team>;
  readonly teamsByExtension: ReadonlyMap<string, Team>;
  readonly menus: ReadonlyMap<string, Menu>;
  readonly menusByExtension: ReadonlyMap<string, Menu>;
  readonly conferences: ReadonlyMap<string, Conference>;
  readonly conferencesByExtension: ReadonlyMap<string, Conference>;
  readonly lines: ReadonlyMap<string, Line>;
  readonly linesByNumber: ReadonlyMap<string, Line>;
  readonly devices: ReadonlyMap<string, Device>;
  readonly roomsByCode: ReadonlyMap<string, Device>;
  readonly ringPlans: ReadonlyMap<string, RingPlan>;
  /** Who and what is or was here: what happened keeps its names. */
  readonly ever: {
    readonly people: ReadonlyMap<string, Pick<Person, 'id' | 'name'>>;
    readonly teams: ReadonlyMap<string, Pick<Team, 'id' | 'name'>>;
    readonly lines: ReadonlyMap<string, Line>;
    readonly devices: ReadonlyMap<string, Pick<Device, 'id' | 'name' | 'personId' | 'kind' | 'contactOf'>>;
    readonly menus: ReadonlyMap<string, Pick<Menu, 'id' | 'name'>>;
    readonly conferences: ReadonlyMap<string, Pick<Conference, 'id' | 'name'>>;
  };
  /** The groups a number stands in. */
  readonly groupsByNumber: ReadonlyMap<string, readonly CallerGroup[]>;
  /** The teams with a queue that somebody is in. */
  readonly queueTeams: ReadonlyMap<string, readonly QueueTeam[]>;
  private readonly devicesByPerson = new Map<string, Device[]>();
  private readonly phonesByPerson = new Map<string, Device[]>();
  private readonly contactsByApp = new Map<string, Device[]>();
  private planned: OfficeIndex | null = null;

  constructor(
    readonly setup: OfficeSetup,
    writing: NumberWriting = 'local',
  ) {
    this.plan = numberingPlan(setup.numbering, writing);
    this.people = keyed(setup.people, (person) => person.id);
    this.peopleByExtension = keyed(setup.people, (person) => person.extension);
    this.teams = keyed(setup.teams, (team) => team.id);
    this.teamsByExtension = keyed(setup.teams, (team) => team.extension);
    this.menus = keyed(setup.menus, (menu) => menu.id);
    this.menusByExtension = keyed(setup.menus, (menu) => menu.extension);
    this.conferences = keyed(setup.conferences, (conference) => conference.id);
    this.conferencesByExtension = keyed(setup.conferences, (conference) => conference.extension);
    this.lines = keyed(setup.lines, (line) => line.id);
    this.linesByNumber = keyed(setup.lines, (line) => line.number);
    this.devices = keyed(setup.devices, (device) => device.id);
    this.roomsByCode = keyed(
      setup.devices.filter((device) => device.roomCode !== undefined),
      (device) => device.roomCode ?? '',
    );
    this.ringPlans = keyed(setup.ringPlans, (plan) => plan.personId);
    const { retired } = setup;
    this.ever = {
      people: withRetired(this.people, retired?.people),
      teams: withRetired(this.teams, retired?.teams),
      lines: withRetired(this.lines, retired?.lines),
      devices: withRetired(this.devices, retired?.devices),
      menus: withRetired(this.menus, retired?.menus),
      conferences: withRetired(this.conferences, retired?.conferences),
    };
    const groups = new Map<string, CallerGroup[]>();
    for (const group of setup.callerGroups)
      for (const number of group.numbers) groups.set(number, [...(groups.get(number) ?? []), group]);
    this.groupsByNumber = groups;
    const queueTeams = new Map<string, QueueTeam[]>();
    for (const team of setup.teams.filter(hasQueue))
      for (const id of team.memberIds) queueTeams.set(id, [...(queueTeams.get(id) ?? []), team]);
    this.queueTeams = queueTeams;
    for (const device of setup.devices)
      if (device.contactOf !== undefined) gather(this.contactsByApp, device.contactOf, device);
    for (const device of setup.devices) {
      if (device.personId === null) continue;
      if (device.contactOf === undefined) gather(this.phonesByPerson, device.personId, device);
      if (!this.contactsByApp.has(device.id)) gather(this.devicesByPerson, device.personId, device);
    }
  }

  /** Whose device it is; null for a room's phone and for a device the office doesn't know. */
  ownerOf(deviceId: string): Person | null {
    const ownerId = this.devices.get(deviceId)?.personId ?? null;
    return ownerId === null ? null : (this.people.get(ownerId) ?? null);
  }

  /** Their devices that ring, hold calls and are moved to: for an app that is signed in at several places each of these. */
  devicesOf(personId: string): readonly Device[] {
    return this.devicesByPerson.get(personId) ?? [];
  }

  /** Their phones as plans name them: an app once, wherever it is signed in. */
  phonesOf(personId: string): readonly Device[] {
    return this.phonesByPerson.get(personId) ?? [];
  }

  /** Where an app is reached: the places where it is signed in, by name; any other phone: itself. */
  reachedAt(deviceId: string): readonly string[] {
    const contacts = this.contactsByApp.get(deviceId);
    return contacts ? contacts.map(({ id }) => id) : [deviceId];
  }

  /** The phone that plans name: of a place where an app is signed in the app, also of one that is gone. */
  phoneOf(deviceId: string): string {
    return this.ever.devices.get(deviceId)?.contactOf ?? deviceId;
  }

  /** The office as plans are made in it: each app once, wherever it is signed in. */
  asPlanned(): OfficeIndex {
    if (this.contactsByApp.size === 0) return this;
    const devices = this.setup.devices.filter(({ contactOf }) => contactOf === undefined);
    this.planned ??= new OfficeIndex({ ...this.setup, devices }, this.plan.writing);
    return this.planned;
  }

  /** Whether somebody has a plan that is not told here. */
  isPlanWithheld(personId: string): boolean {
    return this.setup.withheldPlansOf?.includes(personId) ?? false;
  }

  /** The office with this plan in place of its owner's. */
  withPlan(plan: RingPlan): OfficeIndex {
    if (this.ringPlans.get(plan.personId) === plan) return this;
    const others = this.setup.ringPlans.filter(({ personId }) => personId !== plan.personId);
    return new OfficeIndex({ ...this.setup, ringPlans: [...others, plan] }, this.plan.writing);
  }

  /** Whether two people are in one team, so that each may pick up what rings at the other. */
  areTeamMates(personId: string, otherId: string): boolean {
    return this.setup.teams.some(
      ({ memberIds }) => memberIds.includes(personId) && memberIds.includes(otherId),
    );
  }
}

type CallerGroup = OfficeSetup['callerGroups'][number];

function withRetired<Row extends { id: string }>(
  here: ReadonlyMap<string, Row>,
  retired: readonly Row[] = [],
): ReadonlyMap<string, Row> {
  return retired.length === 0 ? here : new Map([...retired.map((row) => [row.id, row] as const), ...here]);
}

function gather<T>(lists: Map<string, T[]>, key: string, item: T): void {
  const list = lists.get(key);
  if (list) list.push(item);
  else lists.set(key, [item]);
}

function keyed<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T> {
  return new Map(items.map((item) => [keyOf(item), item]));
}
