import { RateLimiterMemory } from 'rate-limiter-flexible';

import {
  fileOfGone,
  fileSorts,
  isNamedIn,
  officeFileSchema,
  type InboxChange,
  type OfficeFile,
  type Session,
} from '@/core/office';
import { allSeen } from '@/core/office/machine';
import { isGranted } from '@/core/setup';
import type { HostedOffice } from '@/office/hosted';
import type { AnswerOfFiles, AskedOfFiles } from '@/office/socket';
import { faxPagesKind, pictureKind } from '@/state/kept';
import { recordKind, soundKind, storageKeys, Vault, type Backend } from '@/state/storage';

/** Under it stands who brought a file. */
const broughtBy = 'by/';
const kindOf = { sound: soundKind, picture: pictureKind, faxPages: faxPagesKind } as const;
/** Five minutes of a voice, or a fax of many pages. */
const mostBytesEach = 8_000_000;
const mostBytesPerHour = 200_000_000;

interface MemberFilesOptions {
  backend: Pick<Backend, 'getMany' | 'setMany' | 'removeMany'> & Required<Pick<Backend, 'getKeys'>>;
  office: () => HostedOffice;
}

type Refused = Extract<AnswerOfFiles, { refused: string }>;

/**
 * What members have of what stands beside the rows: records of their own calls (of all, who may see the figures), and the sounds, pictures
 * and pages that something they see names, or that they brought.
 */
export class MemberFiles {
  private readonly brought = new RateLimiterMemory({ points: mostBytesPerHour, duration: 3600 });

  constructor(private readonly options: MemberFilesOptions) {}

  async answer(session: Session | null, asked: AskedOfFiles): Promise<AnswerOfFiles> {
    const { personId } = session ?? { personId: null };
    if (personId === null) return { refused: 'Only who is signed in has files here.' };
    switch (asked.what) {
      case 'keys':
        return { keys: await this.keys(personId, asked.prefix) };
      case 'read':
        return { texts: await this.read(personId, asked.keys) };
      case 'write':
        return (await this.write(personId, asked.entries)) ?? { kept: true };
    }
  }

  /** What rows that are gone have named goes with them. */
  async changed(rows: readonly InboxChange[]): Promise<void> {
    const keys = rows.flatMap((row) => {
      const file = fileOfGone(row);
      return file === null ? [] : [`${file.sort}/${file.id}`];
    });
    if (keys.length === 0) return;
    await this.options.backend.removeMany([...keys, ...keys.map((key) => broughtBy + key)]);
  }

  private async keys(personId: string, prefix: string): Promise<string[]> {
    if (!prefix.startsWith(storageKeys.history)) return [];
    const keys = await this.options.backend.getKeys(prefix);
    return this.seesAll(personId) ? keys : keys.filter((key) => key.endsWith(`-${personId}`));
  }

  private async read(personId: string, keys: readonly string[]): Promise<Record<string, string>> {
    const { backend, office } = this.options;
    const marks = await backend.getMany(keys.map((key) => broughtBy + key));
    const tables = allSeen(personId, await office().inbox());
    const theirs = keys.filter((key) => {
      if (key.startsWith(storageKeys.history)) return true;
      const file = fileOf(key);
      return file !== null && (marks[broughtBy + key] === personId || isNamedIn(tables, file));
    });
    const found = await backend.getMany(theirs);
    const texts: Record<string, string> = {};
    for (const key of theirs) {
      const text = found[key];
      if (typeof text !== 'string') continue;
      texts[key] = key.startsWith(storageKeys.history) ? await this.recordsOf(personId, text) : text;
    }
    return texts;
  }

  private async recordsOf(personId: string, text: string): Promise<string> {
    if (this.seesAll(personId)) return text;
    const records = await Vault.parse(text, recordKind);
    return Vault.encode(
      records.filter((record) => record.personId === personId),
      recordKind,
    );
  }

  /** Gives why nothing of it is kept; null: all of it is. */
  private async write(personId: string, entries: Record<string, string>): Promise<Refused | null> {
    const { backend } = this.options;
    const keys = Object.keys(entries);
    const marks = await backend.getMany(keys.map((key) => broughtBy + key));
    const there = await backend.getMany(keys);
    for (const [key, text] of Object.entries(entries)) {
      const file = fileOf(key);
      if (file === null) return { refused: `Nothing is brought under ${key}.` };
      if (text.length > mostBytesEach) return { refused: 'That is larger than 8 MB.' };
      const by = marks[broughtBy + key];
      if (there[key] != null && by !== personId) return { refused: 'That is there already.' };
      if (!(await isReadable(text, file))) return { refused: 'That can’t be read.' };
    }
    const bytes = Object.values(entries).reduce((sum, text) => sum + text.length, 0);
    const isTooMuch = await this.brought.consume(personId, bytes).then(
      () => false,
      () => true,
    );
    if (isTooMuch) return { refused: 'Too much has been brought within an hour.' };
    const owners = Object.fromEntries(keys.map((key) => [broughtBy + key, personId]));
    await backend.setMany({ ...entries, ...owners });
    return null;
  }

  private seesAll(personId: string): boolean {
    const person = this.options.office().seen().office.people.get(personId);
    return person !== undefined && isGranted(person, 'seeFigures');
  }
}

function fileOf(key: string): OfficeFile | null {
  const at = key.indexOf('/');
  const sort = fileSorts.find((each) => each === key.slice(0, at));
  const read = officeFileSchema.safeParse({ sort, id: key.slice(at + 1) });
  return read.success ? read.data : null;
}

/** Whether it is in the stored form, of its kind and this version, to its last line. */
function isReadable(text: string, { sort }: OfficeFile): Promise<boolean> {
  switch (sort) {
    case 'sound':
      return Vault.isReadable(text, kindOf.sound);
    case 'picture':
      return Vault.isReadable(text, kindOf.picture);
    case 'faxPages':
      return Vault.isReadable(text, kindOf.faxPages);
  }
}
