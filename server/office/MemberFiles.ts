import { RateLimiterMemory } from 'rate-limiter-flexible';
import { uint8ArrayToBase64 } from 'uint8array-extras';
import { z } from 'zod';

import {
  fileOfGone,
  fileSorts,
  isBeingMade,
  isOfCalls,
  isNamedIn,
  officeFileSchema,
  type InboxChange,
  type OfficeFile,
  type Session,
} from '@/core/office';
import { allSeen } from '@/core/office/machine';
import { isGranted, type Grant } from '@/core/setup';
import { encodeWav, type SoundMark } from '@/core/shared/soundFiles';
import type { HostedOffice } from '@/office/hosted';
import type { AnswerOfFiles, AskedOfFiles } from '@/office/socket';
import { faxPagesKind, pictureKind } from '@/state/kept';
import { recordKind, soundKind, storageKeys, Vault, type Backend, type StoredSound } from '@/state/storage';

/** Under it stands who brought a file. */
const broughtBy = 'by/';
/** Under it stand the pieces of a sound, in their order. */
const pieceOf = 'piece/';
/** Samples a second. */
const pieceRate = 8_000;
const marksSchema = z.array(z.object({ atSeconds: z.number(), text: z.string() }));
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
      case 'append':
        return (await this.append(personId, asked)) ?? { kept: true };
    }
  }

  /** What rows that are gone have named goes with them. */
  async changed(rows: readonly InboxChange[]): Promise<void> {
    const keys = rows.flatMap((row) => {
      const file = fileOfGone(row);
      return file === null ? [] : [`${file.sort}/${file.id}`];
    });
    if (keys.length === 0) return;
    const pieces = await Promise.all(keys.map((key) => this.options.backend.getKeys(`${pieceOf}${key}/`)));
    await this.options.backend.removeMany([...keys, ...keys.map((key) => broughtBy + key), ...pieces.flat()]);
  }

  /** A sound, whoever may hear it; null: there is none. */
  async soundOf(id: string): Promise<StoredSound | null> {
    const key = `${storageKeys.sound}${id}`;
    const found = (await this.options.backend.getMany([key]))[key] ?? (await this.inPieces(key));
    return typeof found === 'string' ? ((await Vault.parse(found, soundKind))[0] ?? null) : null;
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
      if (file === null) return false;
      const isRecording = file.sort === 'sound' && /^r\d+$/.test(file.id);
      return (
        marks[broughtBy + key] === personId ||
        isNamedIn(tables, file) ||
        (isRecording && this.may(personId, 'playRecordings'))
      );
    });
    const found = await backend.getMany(theirs);
    const texts: Record<string, string> = {};
    for (const key of theirs) {
      const text = found[key] ?? (key.startsWith(storageKeys.sound) ? await this.inPieces(key) : null);
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
    const tables = allSeen(personId, await this.options.office().inbox());
    for (const [key, text] of Object.entries(entries)) {
      const file = fileOf(key);
      if (file === null) return { refused: `Nothing is brought under ${key}.` };
      if (text.length > mostBytesEach) return { refused: 'That is larger than 8 MB.' };
      const by = marks[broughtBy + key];
      if ((there[key] != null || by != null) && by !== personId) return { refused: 'That is there already.' };
      if (by == null && file.sort === 'sound' && isOfCalls(file.id) && !isNamedIn(tables, file))
        return { refused: 'That belongs to a call of somebody else.' };
      if (!(await isReadable(text, file))) return { refused: 'That can’t be read.' };
    }
    const bytes = Object.values(entries).reduce((sum, text) => sum + text.length, 0);
    if (await this.isTooMuch(personId, bytes))
      return { refused: 'Too much has been brought within an hour.' };
    const owners = Object.fromEntries(keys.map((key) => [broughtBy + key, personId]));
    await backend.setMany({ ...entries, ...owners });
    return null;
  }

  /** The next piece of a sound that is being made in a call of theirs. One that is there stays as it is. */
  private async append(
    personId: string,
    { id, callId, take, number, pcm, marks }: Extract<AskedOfFiles, { what: 'append' }>,
  ): Promise<Refused | null> {
    const { backend, office } = this.options;
    const key = `${storageKeys.sound}${id}`;
    const piece = `${pieceOf}${key}/${take}/${String(number).padStart(5, '0')}`;
    const found = await backend.getMany([broughtBy + key, key, piece]);
    const by = found[broughtBy + key];
    if (found[key] != null || (by != null && by !== personId)) return { refused: 'That is there already.' };
    // What was begun while it was made is brought to its end, also when the call is over.
    if (by == null && !isBeingMade(office().seen().calls.values(), personId, id))
      return { refused: 'Nothing of that name is being recorded.' };
    if (found[piece] != null) return null;
    if (await this.isTooMuch(personId, pcm.length))
      return { refused: 'Too much has been brought within an hour.' };
    await backend.setMany({
      [broughtBy + key]: personId,
      [piece]: [callId, pcm, JSON.stringify(marks)].join('\n'),
    });
    return null;
  }

  /** A sound that came in pieces, as one; null: none of it has come. */
  private async inPieces(key: string): Promise<string | null> {
    const { backend } = this.options;
    const keys = (await backend.getKeys(`${pieceOf}${key}/`)).toSorted();
    if (keys.length === 0) return null;
    const found = await backend.getMany(keys);
    const marks: SoundMark[] = [];
    let made = { take: '', from: 0 };
    let length = 0;
    const pieces = keys.map((each) => {
      const [callId = '', pcm = '', said = '[]'] = (found[each] ?? '').split('\n');
      const bytes = Buffer.from(pcm, 'base64');
      const take = each.split('/').at(-2) ?? '';
      // Whoever goes on with it counts from where they began.
      if (take !== made.take) made = { take, from: length / 2 / pieceRate };
      for (const { atSeconds, text } of marksSchema.parse(JSON.parse(said)))
        marks.push({ atSeconds: made.from + atSeconds, text });
      length += bytes.length;
      return { callId, bytes };
    });
    const bytes = Buffer.concat(pieces.map((piece) => piece.bytes));
    const samples = Float32Array.from(
      { length: Math.floor(bytes.length / 2) },
      (_, at) => bytes.readInt16LE(2 * at) / 0x8000,
    );
    const wav = uint8ArrayToBase64(encodeWav(samples, pieceRate, marks));
    const durationMs = (samples.length / pieceRate) * 1000;
    return Vault.encode([{ callId: pieces[0]?.callId ?? null, durationMs, wav }], soundKind);
  }

  private isTooMuch(personId: string, bytes: number): Promise<boolean> {
    return this.brought.consume(personId, bytes).then(
      () => false,
      () => true,
    );
  }

  private seesAll = (personId: string) => this.may(personId, 'seeFigures');

  private may(personId: string, what: Grant): boolean {
    const person = this.options.office().seen().office.people.get(personId);
    return person !== undefined && isGranted(person, what);
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
