import { base64ToUint8Array, uint8ArrayToBase64 } from 'uint8array-extras';
import { z } from 'zod';

import { stepsOf } from '@/core/plans/draft';
import { readArchive, writeArchive, type ArchiveFile } from '@/core/shared/archive';

import {
  asidePrefix,
  clockKind,
  connectionTestsKind,
  formerDraftKind,
  heardKind,
  movedEntries,
  officeKind,
  recordKind,
  revisionKeys,
  wholeOfficeState,
  type Entries,
  settingsKind,
  setupKind,
  soundKind,
  storageKeys,
  tableKinds,
  Vault,
  entriesOfRows,
  workKinds,
  type StoredKind,
  type StoredSound,
} from '../storage';
import { inboxKeys, faxPagesKind, keptKinds, oldKeys, oldReckoningKind, pictureKind } from '../kept';

const belongingKinds = { ...workKinds, ...keptKinds };

/** What stands under keys that begin so, and what it is called when it is counted. */
const kinds: readonly { prefix: string; kind: StoredKind<unknown>; name: string }[] = [
  { prefix: storageKeys.history, kind: recordKind, name: 'days of calls' },
  ...Object.values(belongingKinds),
  { ...workKinds.work, prefix: workKinds.work.oldKey ?? '' },
  ...Object.values(tableKinds),
  { prefix: storageKeys.sound, kind: soundKind, name: 'sounds' },
  { prefix: oldKeys.reckoning, kind: oldReckoningKind, name: 'who waits' },
  { prefix: inboxKeys.faxPages, kind: faxPagesKind, name: 'pages of faxes' },
  { prefix: inboxKeys.picture, kind: pictureKind, name: 'pictures' },
  { prefix: storageKeys.heard, kind: heardKind, name: 'recordings being made' },
  { prefix: storageKeys.formerDraft, kind: formerDraftKind, name: 'the changed ring plan' },
  { prefix: storageKeys.office, kind: officeKind, name: 'the office' },
  { prefix: storageKeys.setup, kind: setupKind, name: 'how the office is configured' },
  { prefix: storageKeys.settings, kind: settingsKind, name: 'settings' },
  { prefix: storageKeys.clock, kind: clockKind, name: 'the clock' },
  { prefix: storageKeys.connectionTests, kind: connectionTestsKind, name: 'tests of the connection' },
];

/** How what stands under a key is kept, and what several of it are called. */
export const kindOf = (key: string) => kinds.find(({ prefix }) => key.startsWith(prefix));

const dataPath = (key: string) => `data/${encodeURIComponent(key)}.jsonl`;
const soundPath = (key: string) => `sound/${encodeURIComponent(key.slice(storageKeys.sound.length))}.wav`;
function keyOfPath(path: string): string | null {
  try {
    return decodeURIComponent(path.slice('data/'.length, -'.jsonl'.length));
  } catch {
    return null;
  }
}

/** Of a path that can't be read it is the path itself: it is set aside in any case. */
function asideKeyOf(path: string): string {
  const name = path.slice(asidePrefix.length, -'.txt'.length);
  try {
    return asidePrefix + decodeURIComponent(name);
  } catch {
    return asidePrefix + name;
  }
}

const encoder = new TextEncoder();
const decoder = new TextDecoder();

/** Everything on this device as one zip archive: documents as they stand in storage, sound as WAV files. */
export async function makeArchive(vault: Vault, now: number): Promise<Uint8Array> {
  await vault.flush();
  const running = await wholeOfficeState(vault);
  const inOne = new Set([storageKeys.office, ...running.goneKeys]);
  const keys = (await vault.keys('')).filter((key) => kindOf(key) && !inOne.has(key));
  const files: ArchiveFile[] = [];
  for (const [key, text] of [...(await vault.texts(keys)), ...Object.entries(running.put)]) {
    if (!key.startsWith(storageKeys.sound)) {
      files.push({ path: dataPath(key), bytes: encoder.encode(text) });
      continue;
    }
    const [sound] = (await vault.read(key, soundKind)) ?? [];
    if (!sound) continue;
    const { wav, ...rest } = sound;
    files.push({ path: soundPath(key), bytes: base64ToUint8Array(wav) });
    files.push({
      path: dataPath(key),
      bytes: encoder.encode(Vault.encode([{ ...rest, wav: '' }], soundKind)),
    });
  }
  for (const [key, text] of await vault.texts(await vault.keys(asidePrefix)))
    files.push({
      path: `${asidePrefix}${encodeURIComponent(key.slice(asidePrefix.length))}.txt`,
      bytes: encoder.encode(text),
    });
  return writeArchive(files, now);
}

/** What bringing an archive in would change, before it does. */
export interface Restoring {
  madeAt: number;
  /** "12 voicemails": how many of each are new here, and how many here would be replaced by others. */
  adds: { name: string; count: number }[];
  replaces: { name: string; count: number }[];
  /** As they are written to storage. */
  entries: Record<string, string>;
}

export type ReadRestoring = ({ ok: true } & Restoring) | { ok: false; sentence: string };

/**
 * Reads and proves an archive to its last line, and compares it with what is here. Nothing is changed. What in archives of earlier
 * versions was nobody's is that person's.
 */
export async function readRestoring(
  vault: Vault,
  bytes: Uint8Array,
  ownerId: string,
): Promise<ReadRestoring> {
  const archive = readArchive(bytes);
  if (!archive.ok) return archive;
  const entries: Record<string, string> = {};
  for (const [path, file] of archive.files) {
    if (path.startsWith(asidePrefix)) entries[asideKeyOf(path)] = decoder.decode(file);
    if (!path.startsWith('data/')) continue;
    const key = keyOfPath(path);
    const kind = kindOf(key ?? '');
    if (key === null || !kind)
      return { ok: false, sentence: `The archive holds ${key ?? path}, which this version does not know.` };
    const text = await withSound(key, decoder.decode(file), archive.files);
    if (text === null)
      return { ok: false, sentence: `The sound of ${key} is missing from the archive, or can’t be read.` };
    if (!(await Vault.isReadable(text, kind.kind)))
      return { ok: false, sentence: `The archive’s ${kind.name} (${key}) can’t be read by this version.` };
    const own = { ownerId, kinds: belongingKinds };
    const moved = key === storageKeys.formerDraft ? formerDraft(text, ownerId) : movedEntries(key, text, own);
    Object.assign(entries, (await moved) ?? { [key]: text });
    if (key === storageKeys.settings) Object.assign(entries, await formerHabits(text, ownerId));
  }
  const here = await vault.texts(Object.keys(entries));
  // What was set aside here stays.
  for (const key of here.keys()) if (key.startsWith(asidePrefix)) delete entries[key];
  const added = Object.keys(entries).filter((key) => !here.has(key));
  const changed = Object.keys(entries).filter((key) => here.has(key) && here.get(key) !== entries[key]);
  return { ok: true, madeAt: archive.madeAt, adds: counted(added), replaces: counted(changed), entries };
}

/** What an earlier version kept with the settings of the device, and is its person's now. */
async function formerHabits(text: string, ownerId: string): Promise<Record<string, string>> {
  const [settings] = await Vault.parse(text, settingsKind);
  return entriesOfRows(settings?.formerHabits ?? [], ownerId, workKinds.habits);
}

/** A plan that was being changed on the device. */
async function formerDraft(text: string, ownerId: string): Promise<Record<string, string>> {
  const [draft] = await Vault.parse(text, formerDraftKind);
  return entriesOfRows(draft ? stepsOf(draft) : [], ownerId, workKinds.planSteps);
}

/** A sound's document gets its WAV back; null where either is missing or can't be read. */
async function withSound(
  key: string,
  text: string,
  files: ReadonlyMap<string, Uint8Array>,
): Promise<string | null> {
  if (!key.startsWith(storageKeys.sound)) return text;
  const wav = files.get(soundPath(key));
  if (!wav || !(await Vault.isReadable(text, soundKind))) return null;
  const [, line = ''] = text.split('\n');
  const sound = { ...(JSON.parse(line) as StoredSound), wav: uint8ArrayToBase64(wav) };
  return Vault.encode([sound], soundKind);
}

function counted(keys: readonly string[]): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const key of keys) {
    const name = key.startsWith(asidePrefix) ? 'entries set aside' : (kindOf(key)?.name ?? key);
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  return [...counts].map(([name, count]) => ({ name, count }));
}

const beforeKey = 'beforeRestore';
const beforeSchema = z.object({
  at: z.number(),
  replaced: z.record(z.string(), z.string()),
  added: z.array(z.string()),
});
const beforeKind: StoredKind<z.infer<typeof beforeSchema>> = { version: 1, schema: beforeSchema };
/** What an archive took the place of, and what it added: enough to take it back. */
export type BeforeRestore = z.infer<typeof beforeSchema>;

/**
 * Writes what was read, and then nothing more: the app has to begin anew from it. With a way back, what was here is kept
 * beside it. Rejects where there is no room, with nothing changed.
 */
export async function restore(
  vault: Vault,
  { entries }: Restoring,
  now: number,
  hasWayBack: boolean,
): Promise<void> {
  const running = await inPlaceOf(entries, vault);
  const gone = [...(await revisionKeys(vault)), ...running.goneKeys];
  if (!hasWayBack) return vault.writeLast(entries, [beforeKey, ...gone]);
  await vault.flush();
  const replaced = { ...Object.fromEntries(await vault.texts(Object.keys(entries))), ...running.put };
  const added = Object.keys(entries).filter((key) => !(key in replaced));
  const before = Vault.encode([{ at: now, replaced, added }], beforeKind);
  return vault.writeLast({ ...entries, [beforeKey]: before }, gone);
}

/** What of the running office goes, where another takes its place. */
const inPlaceOf = async (entries: Record<string, string>, vault: Vault): Promise<Entries> =>
  storageKeys.office in entries ? wholeOfficeState(vault) : { put: {}, goneKeys: [] };

/** What the last archive that was brought in took the place of; null where none was, or it was taken back. */
export async function readBefore(vault: Vault): Promise<BeforeRestore | null> {
  return (await vault.read(beforeKey, beforeKind))?.[0] ?? null;
}

/** Puts back what was here before the archive. What has come since under other names stays. */
export async function undoRestore(vault: Vault, { replaced, added }: BeforeRestore): Promise<void> {
  const { goneKeys } = await inPlaceOf(replaced, vault);
  return vault.writeLast(replaced, [...added, beforeKey, ...(await revisionKeys(vault)), ...goneKeys]);
}
