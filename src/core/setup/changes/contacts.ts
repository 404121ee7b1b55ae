import { withRow } from '../edits';
import type { Device, OfficeSetup } from '../setup';

/**
 * The office with somebody's app signed in at one more place (a contact of the same address of record, RFC 3261 §10): it rings wherever the app
 * does, and has its own calls and its own place. As it is where it has that one, or they have no app.
 */
export function withContact(
  setup: OfficeSetup,
  personId: string,
  { id, name }: Pick<Device, 'id' | 'name'>,
): OfficeSetup {
  const app = setup.devices.find(
    (device) => device.kind === 'app' && device.personId === personId && device.contactOf === undefined,
  );
  if (!app || setup.devices.some((device) => device.id === id)) return setup;
  const { callLimit } = app;
  const contact = { ...{ id, personId, callLimit, kind: 'app' as const }, contactOf: app.id };
  return withRow(setup, {
    table: 'devices',
    id,
    after: { ...contact, name: freeName(setup, personId, name) },
  });
}

/** The office without that place; what happened there keeps its name. Nothing else is taken out by it. */
export function withoutContact(setup: OfficeSetup, id: string): OfficeSetup {
  const isContact = setup.devices.some((device) => device.id === id && device.contactOf !== undefined);
  return isContact ? withRow(setup, { table: 'devices', id, after: null }) : setup;
}

/** The name, or with a number where another device of theirs has it. */
function freeName({ devices }: OfficeSetup, personId: string, name: string): string {
  const taken = new Set(devices.flatMap((device) => (device.personId === personId ? [device.name] : [])));
  for (let number = 1; ; number++) {
    const offered = number === 1 ? name : `${name} ${number}`;
    if (!taken.has(offered)) return offered;
  }
}
