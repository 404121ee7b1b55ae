import type { CallRecord } from '@/core/calls/exchange';
import type { OfficeSetup } from '@/core/setup';
import type { InPageOffice, OfficeStep, OfficeUpdate } from '@/office/link';

import { officeKind, rowEntries, setupKind, storageKeys, Vault } from '../storage';
import { recordEntry } from './historyStore';

/** What an update has changed, in one go with the office as it is then. Resolves once it is kept. */
export async function keepOffice(
  step: OfficeStep,
  office: InPageOffice,
  { vault, zone }: { vault: Vault; zone: string },
): Promise<void> {
  const entries = recordsOf(step).map((record) => recordEntry(record, zone));
  const setup = step.setup && setupEntry(step.setup);
  const { put, goneKeys } = rowEntries(step.rows);
  const written = vault.write(Object.assign(officeEntry(office), setup, put, ...entries));
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
