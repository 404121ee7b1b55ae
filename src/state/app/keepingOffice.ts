import type { CallRecord } from '@/core/calls/exchange';
import type { OfficeSetup } from '@/core/setup';
import type { InPageOffice, OfficeStep, OfficeUpdate } from '@/office/link';

import { officeKind, rowEntries, setupKind, storageKeys, Vault } from '../storage';
import type { Belongings } from './belongings';
import { recordEntry } from './historyStore';

/** What an update has changed, in one go with the office as it is then. Resolves once it is kept. */
export async function keepOffice(
  step: OfficeStep,
  office: InPageOffice,
  { vault, zone, belongings }: { vault: Vault; zone: string; belongings: Belongings },
): Promise<void> {
  const entries = recordsOf(step).map((record) => recordEntry(record, zone));
  const setup = step.setup && setupEntry(step.setup);
  const rows = rowEntries(step.rows);
  const own = belongings.entriesOf(step.rows);
  const goneKeys = [...rows.goneKeys, ...own.goneKeys];
  const written = vault.write(Object.assign(officeEntry(office), setup, rows.put, own.put, ...entries));
  await Promise.all([written, goneKeys.length > 0 && vault.remove(goneKeys)]);
}

export function officeEntry(office: InPageOffice): Record<string, string> {
  const { setup: _, ...state } = office.save();
  return { [storageKeys.office]: Vault.encode([state], officeKind) };
}

export const setupEntry = (setup: OfficeSetup) => ({
  [storageKeys.setup]: Vault.encode([setup], setupKind),
});

export function recordsOf(update: OfficeUpdate): CallRecord[] {
  return update.events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
}
