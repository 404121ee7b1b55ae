import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { z } from 'zod';

/** One file of an archive, by its path. */
export interface ArchiveFile {
  path: string;
  bytes: Uint8Array;
}

const manifestSchema = z.object({
  format: z.literal('cendro-archive'),
  version: z.number().int().positive(),
  /** ISO 8601. */
  madeAt: z.iso.datetime(),
  files: z.array(z.object({ path: z.string(), bytes: z.number().int().min(0), sha256: z.string() })),
});

/** What this app writes, and the newest it reads. */
const version = 1;
const manifestPath = 'manifest.json';
/** More than that is no archive of ours, but something that only unfolds. */
const mostFiles = 300_000;
const mostBytes = 1_500_000_000;
/** Zip never folds what is ours so small, neither a file nor all of them together. */
const mostRatio = 200;
const smallBytes = 1_000_000;
const smallTotal = 50_000_000;

/** Files as one zip archive, with a manifest that gives each one's length and SHA-256 (FIPS 180-4). */
export function writeArchive(files: readonly ArchiveFile[], madeAt: number): Uint8Array {
  const manifest: z.infer<typeof manifestSchema> = {
    format: 'cendro-archive',
    version,
    madeAt: new Date(madeAt).toISOString(),
    files: files.map(({ path, bytes }) => ({
      path,
      bytes: bytes.length,
      sha256: bytesToHex(sha256(bytes)),
    })),
  };
  const entries = Object.fromEntries(files.map(({ path, bytes }) => [path, bytes]));
  return zipSync({ [manifestPath]: strToU8(JSON.stringify(manifest, null, 1)), ...entries }, { level: 6 });
}

export type ReadArchive =
  { ok: true; madeAt: number; files: Map<string, Uint8Array> } | { ok: false; sentence: string };

const no = (sentence: string): ReadArchive => ({ ok: false, sentence });

/** Reads an archive and proves every file of it; one that is cut, changed, newer or no archive at all is refused whole. */
export function readArchive(bytes: Uint8Array): ReadArchive {
  const unzipped = unzip(bytes);
  if (!(unzipped instanceof Map)) return no(unzipped);
  const manifest = readManifest(unzipped.get(manifestPath));
  if (typeof manifest === 'string') return no(manifest);
  const files = new Map<string, Uint8Array>();
  for (const { path, bytes: length, sha256: sum } of manifest.files) {
    const file = unzipped.get(path);
    if (!file || file.length !== length) return no(`The archive is incomplete: ${path} is missing or cut.`);
    if (bytesToHex(sha256(file)) !== sum)
      return no(`The archive is damaged: ${path} is not as it was written.`);
    files.set(path, file);
  }
  if (files.size !== unzipped.size - 1) return no('The archive holds files that its manifest does not list.');
  return { ok: true, madeAt: Date.parse(manifest.madeAt), files };
}

function readManifest(file: Uint8Array | undefined): z.infer<typeof manifestSchema> | string {
  if (!file) return 'This zip file is not a Cendro archive: it has no manifest.';
  const data = parsed(strFromU8(file));
  const found = z.object({ version: z.number() }).safeParse(data);
  if (found.success && found.data.version > version)
    return 'This archive was made by a newer version. Bring this app up to date first.';
  const manifest = manifestSchema.safeParse(data);
  return manifest.success ? manifest.data : 'The archive’s manifest can’t be read.';
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** The files by path, or a sentence. Sizes are looked at before anything is unfolded. */
function unzip(bytes: Uint8Array): Map<string, Uint8Array> | string {
  let files = 0;
  let total = 0;
  let isTooLarge = false;
  try {
    const entries = unzipSync(bytes, {
      filter: ({ size, originalSize }) => {
        files++;
        total += originalSize;
        const isBomb = originalSize > smallBytes && originalSize > size * mostRatio;
        const areBomb = total > smallTotal && total > bytes.length * mostRatio;
        isTooLarge ||= isBomb || areBomb || files > mostFiles || total > mostBytes;
        return !isTooLarge;
      },
    });
    if (isTooLarge)
      return 'This file would unpack to far more than a Cendro archive holds, so it was left alone.';
    return new Map(Object.entries(entries));
  } catch {
    return bytes.length > 1 && bytes[0] === 0x50 && bytes[1] === 0x4b
      ? 'The archive is cut off: it ends before its list of files.'
      : 'This is not a zip file.';
  }
}
