import type { Device, Line, OfficeSetup, Person, RingPlan } from './setup';

/** An office's setup with its look-ups made once. */
export class OfficeIndex {
  readonly people: ReadonlyMap<string, Person>;
  readonly peopleByExtension: ReadonlyMap<string, Person>;
  readonly lines: ReadonlyMap<string, Line>;
  readonly linesByNumber: ReadonlyMap<string, Line>;
  readonly devices: ReadonlyMap<string, Device>;
  readonly ringPlans: ReadonlyMap<string, RingPlan>;

  constructor(readonly setup: OfficeSetup) {
    this.people = keyed(setup.people, (person) => person.id);
    this.peopleByExtension = keyed(setup.people, (person) => person.extension);
    this.lines = keyed(setup.lines, (line) => line.id);
    this.linesByNumber = keyed(setup.lines, (line) => line.number);
    this.devices = keyed(setup.devices, (device) => device.id);
    this.ringPlans = keyed(setup.ringPlans, (plan) => plan.personId);
  }

  /** Whose device it is; null for a device the office doesn't know. */
  ownerOf(deviceId: string): Person | null {
    const device = this.devices.get(deviceId);
    return (device && this.people.get(device.personId)) ?? null;
  }
}

function keyed<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T> {
  return new Map(items.map((item) => [keyOf(item), item]));
}
