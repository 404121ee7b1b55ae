import { openOffice, type OpenedOffice } from './openOffice';
import type { OfficeBackend } from './backend';

/** Where an office is kept, once it is this process's to run. */
export interface OwnedStore {
  backend: OfficeBackend;
  /** It may be another's from now on. */
  release: () => Promise<void>;
}

interface OfficePlaceOptions extends Omit<Parameters<typeof openOffice>[0], 'backend'> {
  /** Resolves when it is this process's to run. */
  own: () => Promise<OwnedStore>;
  /** Which process has it; null: none has now. */
  findOwner: () => Promise<string | null>;
}

/** An office that this process runs, or will when nobody else does. */
export class OfficePlace {
  /** null: it is not open here. */
  opened: OpenedOffice | null = null;
  private store: OwnedStore | null = null;

  constructor(private readonly options: OfficePlaceOptions) {}

  async open(): Promise<OpenedOffice> {
    this.store = await this.options.own();
    this.opened = await openOffice({ ...this.options, backend: this.store.backend });
    return this.opened;
  }

  /** Which other process has it; null: none has, or this one does. */
  async findOwner(): Promise<string | null> {
    // As long as it is being opened here, nobody is handed on to this very process.
    return this.store ? null : this.options.findOwner();
  }

  /** Everything is kept; then it ends. */
  async close(): Promise<void> {
    await this.opened?.close();
    await this.store?.release();
  }
}
