import type { OfficeSetup } from '@/core/setup';
import { recordsIn } from '@/office/link';
import { type HostedOffice, type OfficeStep } from '@/office/hosted';

import {
  accessEntries,
  officeKind,
  recordEntry,
  rowEntries,
  setupKind,
  storageKeys,
  Vault,
} from '../storage';
import type { Belongings } from './belongings';

/** What an update has changed, in one go with the office as it is then. Resolves once it is kept. */
export async function keepOffice(
  step: OfficeStep,
  office: HostedOffice,
  { vault, zone, belongings }: { vault: Vault; zone: string; belongings: Belongings },
): Promise<void> {
  const entries = recordsIn(step).map((record) => recordEntry(record, zone));
  const setup = step.setup && setupEntry(step.setup);
  const rows = rowEntries(step);
  const own = belongings.entriesOf(step.rows);
  const access = accessEntries(step.accessRows);
  const goneKeys = [...rows.goneKeys, ...own.goneKeys, ...access.goneKeys];
  const written = vault.write(
    Object.assign(officeEntry(office), setup, rows.put, own.put, access.put, ...entries),
  );
  await Promise.all([written, goneKeys.length > 0 && vault.remove(goneKeys)]);
}

export function officeEntry(office: HostedOffice): Record<string, string> {
  const { setup: _, ...state } = office.save();
  return { [storageKeys.office]: Vault.encode([state], officeKind) };
}

export const setupEntry = (setup: OfficeSetup) => ({
  [storageKeys.setup]: Vault.encode([setup], setupKind),
});
