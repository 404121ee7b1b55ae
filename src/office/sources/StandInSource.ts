import type { SyncPage } from '@/core/people/upkeep';
import type { Fields } from '@/core/people/contacts';

/** One thing that happened in an address book: somebody is as told now, or (null) gone. */
export interface BookEntry {
  key: string;
  fields: Fields | null;
}

/** An address book elsewhere, with what will change in it when Outside says so. */
export interface Book {
  id: string;
  name: string;
  /** What it is, in a sentence. */
  about: string;
  entries: readonly BookEntry[];
  later: readonly BookEntry[];
}

/** Why a source told no more. */
export class SourceBroken extends Error {}

const pageSize = 4;

/**
 * Stands in for an address book elsewhere that is synced by pages (RFC 6578): asked with a token, it tells what came
 * after. It can break off in the middle, as a connection does.
 */
export class StandInSource {
  constructor(
    private readonly book: Book,
    private readonly outside: { step: number; breaksOff: boolean },
  ) {}

  /** @throws SourceBroken for a token it does not know, and where it breaks off: after its first page. */
  changesSince(token: string | null): SyncPage {
    const { entries, later, name } = this.book;
    const told = [...entries, ...later.slice(0, this.outside.step)];
    const from = token === null ? 0 : Number(token);
    if (!Number.isInteger(from) || from < 0 || from > told.length)
      throw new SourceBroken(`${name} does not know how far it had told.`);
    if (this.outside.breaksOff && from > 0) throw new SourceBroken(`${name} broke off in the middle.`);
    const changes = told.slice(from, from + pageSize).map(({ key, fields }) => ({ key, fields }));
    const upTo = from + changes.length;
    return { changes, token: String(upTo), hasMore: upTo < told.length };
  }
}
