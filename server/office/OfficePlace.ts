import { openOffice, type OpenedOffice } from './openOffice';
import type { OfficeBackend } from './backend';

/** Where an office is kept, once it is this process's to run. */
export interface OwnedStore {
  backend: OfficeBackend;
  /** It may be another's from now on. */
  release: () => Promise<void>;
}

/** So long it is left to others to take what was given over, and so often it is looked whether one has. */
const leftMs = 10_000;
const lookMs = 50;

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
    const letGo = await this.stop();
    letGo?.();
  }

  /**
   * Another process may have it: everything is kept, and once that one is there whoever is connected comes again, to it. Gives which it is; null where
   * none has taken it, or it was not open here. It is to be opened again in any case: it stands by from then on.
   */
  async giveOver(): Promise<string | null> {
    const letGo = await this.stop();
    if (!letGo) return null;
    const owner = await this.nextOwner();
    letGo();
    return owner;
  }

  private async stop(): Promise<(() => void) | undefined> {
    const { opened, store } = this;
    this.opened = null;
    await opened?.stop();
    this.store = null;
    await store?.release();
    return opened?.letGo;
  }

  private async nextOwner(): Promise<string | null> {
    const until = Date.now() + leftMs;
    for (;;) {
      const owner = await this.options.findOwner();
      if (owner !== null || Date.now() > until) return owner;
      await new Promise((resolve) => setTimeout(resolve, lookMs));
    }
  }
}
