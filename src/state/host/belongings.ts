import type { InboxChange } from '@/core/office';
import type { HostedOffice } from '@/office/hosted';

import type { Entries, ReadBelongings, Vault } from '../storage';

/** What each keeps for themselves, on its way from storage into the office and back: some sorts at the start, the others later. */
export class Belongings {
  private readonly opened: ReadBelongings[] = [];

  constructor(private readonly vault: Vault) {}

  /** What is to be written of changed rows, and under which keys nothing is any more. */
  entriesOf(rows: readonly InboxChange[]): Entries {
    const put: Record<string, string> = {};
    const goneKeys: string[] = [];
    for (const read of this.opened) {
      const entries = read.entriesOf(rows);
      Object.assign(put, entries.put);
      goneKeys.push(...entries.goneKeys);
    }
    return { put, goneKeys };
  }

  /** Rows of earlier versions are taken over and taken out where they were in one go: killed at any point, each is there once. */
  async open(office: HostedOffice, read: ReadBelongings, isLast: boolean): Promise<void> {
    this.opened.push(read);
    const emptied = Object.keys(read.emptied);
    if (emptied.length > 0) void this.vault.write(read.emptied);
    await office.openPersonal(read.kept, isLast);
    if (emptied.length > 0) await this.vault.remove(emptied);
  }
}
