import type { OfficeSetup } from '@/core/setup';
import { recordsIn } from '@/office/link';
import { type HostedOffice, type OfficeStep } from '@/office/hosted';

import {
  accessEntries,
  recordEntry,
  rowEntries,
  setupKind,
  storageKeys,
  Vault,
  type OfficeParts,
} from '../storage';
import type { Belongings } from './belongings';

interface KeepingOptions {
  vault: Vault;
  zone: string;
  belongings: Belongings;
  parts: OfficeParts;
}

/** What an update has changed, in one go with the office as it is then. Resolves once it is kept. */
export async function keepOffice(
  step: OfficeStep,
  office: HostedOffice,
  { vault, zone, belongings, parts }: KeepingOptions,
): Promise<void> {
  const entries = recordsIn(step).map((record) => recordEntry(record, zone));
  const setup = step.setup && setupEntry(step.setup);
  const rows = rowEntries(step);
  const own = belongings.entriesOf(step.rows);
  const access = accessEntries(step.accessRows);
  const running = parts.entriesOf(step, office);
  const goneKeys = [...running.goneKeys, ...rows.goneKeys, ...own.goneKeys, ...access.goneKeys];
  const written = vault.write(Object.assign(running.put, setup, rows.put, own.put, access.put, ...entries));
  await Promise.all([written, goneKeys.length > 0 && vault.remove(goneKeys)]);
}

export const setupEntry = (setup: OfficeSetup) => ({
  [storageKeys.setup]: Vault.encode([setup], setupKind),
});
