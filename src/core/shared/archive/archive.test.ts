import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';

import { readArchive, writeArchive, type ArchiveFile } from '.';

const now = Date.UTC(2026, 10, 26, 10, 40);
const files: ArchiveFile[] = [
  { path: 'data/history.jsonl', bytes: strToU8('{"v":1}\n{"id":"r"}') },
  { path: 'sound/v.wav', bytes: Uint8Array.of(0, 1, 2, 255) },
];
const sentenceOf = (bytes: Uint8Array) => {
  const read = readArchive(bytes);
  return read.ok ? 'read' : read.sentence;
};
const manifest = (change: object) =>
  zipSync({
    'manifest.json': strToU8(
      JSON.stringify({
        format: 'cendro-archive',
        version: 1,
        madeAt: new Date(now).toISOString(),
        files: [],
        ...change,
      }),
    ),
  });

describe('an archive', () => {
  it('comes back byte by byte, whatever is in it', () => {
    const file = fc.record({
      path: fc.stringMatching(/^[a-z0-9]{1,8}$/).map((name) => `data/${name}`),
      bytes: fc.uint8Array({ maxLength: 400 }),
    });
    fc.assert(
      fc.property(fc.uniqueArray(file, { selector: ({ path }) => path, maxLength: 8 }), (some) => {
        const read = readArchive(writeArchive(some, now));
        if (!read.ok) throw new Error(read.sentence);
        expect(read.madeAt).toBe(now);
        expect([...read.files].map(([path, bytes]) => ({ path, bytes: [...bytes] }))).toEqual(
          some.map(({ path, bytes }) => ({ path, bytes: [...bytes] })),
        );
      }),
    );
  });

  it('cut anywhere is refused, and never read in part', () => {
    const whole = writeArchive(files, now);
    for (let length = 0; length < whole.length; length++)
      expect(sentenceOf(whole.subarray(0, length))).not.toBe('read');
    expect(sentenceOf(whole.subarray(0, whole.length - 30))).toContain('cut off');
  });

  it('changed anywhere in its files is refused', () => {
    const whole = writeArchive(files, now);
    let refused = 0;
    for (let at = 0; at < whole.length; at++) {
      const changed = whole.slice();
      changed[at] = changed[at]! ^ 0xff;
      const read = readArchive(changed);
      if (!read.ok) refused++;
      // What is read in spite of it (dates, attributes of the zip) is what was written.
      else
        expect([...read.files.values()].map((bytes) => [...bytes])).toEqual(
          files.map(({ bytes }) => [...bytes]),
        );
    }
    expect(refused).toBeGreaterThan(whole.length / 2);
  });

  it('is refused with a sentence: another file, another zip, a newer one, a bomb, a stowaway', () => {
    expect(sentenceOf(strToU8('hello'))).toBe('This is not a zip file.');
    expect(sentenceOf(zipSync({ a: strToU8('a') }))).toBe(
      'This zip file is not a Cendro archive: it has no manifest.',
    );
    expect(sentenceOf(manifest({ version: 2 }))).toContain('newer version');
    expect(sentenceOf(manifest({ format: 'other' }))).toBe('The archive’s manifest can’t be read.');
    expect(sentenceOf(zipSync({ bomb: new Uint8Array(30_000_000) }))).toContain(
      'far more than a Cendro archive',
    );
    const small = Object.fromEntries(
      Array.from({ length: 80 }, (_, at) => [`${at}`, new Uint8Array(900_000)]),
    );
    expect(sentenceOf(zipSync(small))).toContain('far more than a Cendro archive');
    const undated = { format: 'cendro-archive', version: 1, madeAt: 'yesterday', files: [] };
    expect(sentenceOf(zipSync({ 'manifest.json': strToU8(JSON.stringify(undated)) }))).toBe(
      'The archive’s manifest can’t be read.',
    );
    const stowaway = zipSync({
      'manifest.json': strToU8(
        JSON.stringify({ format: 'cendro-archive', version: 1, madeAt: '2026-11-26T10:40:00Z', files: [] }),
      ),
      other: strToU8('x'),
    });
    expect(sentenceOf(stowaway)).toBe('The archive holds files that its manifest does not list.');
  });
});
