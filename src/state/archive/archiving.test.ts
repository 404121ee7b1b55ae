import { uint8ArrayToBase64 } from 'uint8array-extras';

import { writeArchive } from '@/core/shared/archive';
import { encodeWav } from '@/core/shared/soundFiles';

import { soundKind, storageKeys, Vault, workKinds } from '../storage';
import {
  asideText,
  giveBack,
  makeArchive,
  readAside,
  readBefore,
  readRestoring,
  restore,
  undoRestore,
} from '.';

const now = Date.UTC(2026, 10, 26, 10, 40);

function openVault(entries = new Map<string, string>(), isFull = () => false) {
  const backend = {
    getMany: async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, entries.get(key) ?? null])),
    setMany: async (given: Record<string, string>) => {
      if (isFull()) throw new Error('full');
      for (const [key, text] of Object.entries(given)) entries.set(key, text);
    },
    removeMany: async (keys: string[]) => keys.forEach((key) => entries.delete(key)),
    getAllKeys: async () => [...entries.keys()],
  };
  return {
    entries,
    vault: new Vault(
      () => undefined,
      () => undefined,
      backend as never,
    ),
  };
}

const workKind = workKinds.work.kind;
const workKey = 'work/maren/n';
const maren = (row: ReturnType<typeof note>) => ({ ownerId: 'maren', row });
const note = (text: string) => ({ kind: 'note' as const, id: 'n', at: now, callId: 'c', text });
const wav = encodeWav(Float32Array.of(0, 0.5, -0.5, 0.25), 8000);

async function filled() {
  const session = openVault();
  await session.vault.write({
    [workKey]: Vault.encode([maren(note('Gate code 4120'))], workKind),
    [`${storageKeys.sound}v 1/ä`]: Vault.encode(
      [{ callId: null, durationMs: 500, wav: uint8ArrayToBase64(wav) }],
      soundKind,
    ),
    'aside/message/m1': 'was never readable',
    'lock/old': 'not of the archive',
  });
  return session;
}

describe('everything out and in again', () => {
  it('is the same in an empty app, sound included, and nothing else comes along', async () => {
    const { vault, entries } = await filled();
    const archive = await makeArchive(vault, now);
    const empty = openVault();
    const read = await readRestoring(empty.vault, archive, 'maren');
    if (!read.ok) throw new Error(read.sentence);
    expect(read).toMatchObject({
      madeAt: now,
      adds: expect.arrayContaining([
        { name: 'notes and follow-ups', count: 1 },
        { name: 'sounds', count: 1 },
      ]),
      replaces: [],
    });
    expect(empty.entries.size).toBe(0);
    await restore(empty.vault, read, now, false);
    entries.delete('lock/old');
    expect(empty.entries).toEqual(entries);
  });

  it('says what it would replace in a full one, and leaves what is the same', async () => {
    const { vault } = await filled();
    const archive = await makeArchive(vault, now);
    await vault.write({ [workKey]: Vault.encode([maren(note('Another'))], workKind) });
    const read = await readRestoring(vault, archive, 'maren');
    expect(read).toMatchObject({
      ok: true,
      adds: [],
      replaces: [{ name: 'notes and follow-ups', count: 1 }],
    });
  });

  it('once it was written, nothing more is: the app begins anew from it', async () => {
    const { vault, entries } = await filled();
    const read = await readRestoring(vault, await makeArchive(vault, now), 'maren');
    if (!read.ok) throw new Error(read.sentence);
    await restore(vault, read, now, false);
    await vault.write({ late: 'x' });
    expect(entries.has('late')).toBe(false);
  });

  it('can be taken back: what it replaced is there again, and what it added is gone', async () => {
    const { vault } = await filled();
    const archive = await makeArchive(vault, now);
    const other = openVault();
    const own = { [workKey]: Vault.encode([maren(note('My own'))], workKind), mine: 'untouched' };
    await other.vault.write(own);
    const read = await readRestoring(other.vault, archive, 'maren');
    if (!read.ok) throw new Error(read.sentence);
    await restore(other.vault, read, now, true);
    expect(other.entries.get(workKey)).not.toBe(own[workKey]);
    // The app has begun anew.
    const anew = openVault(other.entries);
    const before = await readBefore(anew.vault);
    expect(before?.at).toBe(now);
    if (before) await undoRestore(anew.vault, before);
    expect(Object.fromEntries(other.entries)).toEqual(own);
    expect(await readBefore(openVault(other.entries).vault)).toBeNull();
  });

  it('of an earlier version brings its notes as those of whoever restores it, and can be taken back as well', async () => {
    const old = openVault(new Map([['work', `{"v":2}\n${JSON.stringify(note('Of the archive'))}`]]));
    const here = openVault();
    const own = { [workKey]: Vault.encode([maren(note('As it is here'))], workKind) };
    await here.vault.write(own);
    const read = await readRestoring(here.vault, await makeArchive(old.vault, now), 'maren');
    if (!read.ok) throw new Error(read.sentence);
    expect(read).toMatchObject({ adds: [], replaces: [{ name: 'notes and follow-ups', count: 1 }] });
    await restore(here.vault, read, now, true);
    expect(here.entries.get(workKey)).toContain('Of the archive');
    const anew = openVault(here.entries);
    const before = await readBefore(anew.vault);
    if (before) await undoRestore(anew.vault, before);
    expect(Object.fromEntries(here.entries)).toEqual(own);
  });

  it('of an earlier version brings what its worker had chosen as theirs', async () => {
    const chosen = { presentedLineId: 'field', withhold: false, shownFor: {}, shownRules: [], met: ['park'] };
    const kept = {
      favourites: ['contact:peg'],
      ownReplies: [],
      keepDays: { voicemails: 7, texts: null, faxes: null },
    };
    const device = { theme: 'dark', way: null, microphoneId: null, speakerId: null, isNoiseSuppressed: true };
    const document = { ...device, tellsElsewhere: false, ...chosen, ...kept };
    const old = openVault(new Map([['settings', `{"v":4}\n${JSON.stringify(document)}`]]));
    const here = openVault();
    const { kind } = workKinds.habits;
    const own = { ownerId: 'maren', row: { id: 'favourites' as const, keys: ['contact:other'] } };
    await here.vault.write({ 'habit/maren/favourites': Vault.encode([own], kind) });
    const read = await readRestoring(here.vault, await makeArchive(old.vault, now), 'maren');
    if (!read.ok) throw new Error(read.sentence);
    expect(read.replaces).toEqual([{ name: 'own choices', count: 1 }]);
    await restore(here.vault, read, now, true);
    const [favourites] = await Vault.parse(here.entries.get('habit/maren/favourites') ?? '', kind);
    expect(favourites).toEqual({ ownerId: 'maren', row: { id: 'favourites', keys: ['contact:peg'] } });
    expect([...here.entries.keys()].filter((key) => key.startsWith('habit/maren/'))).toHaveLength(5);
  });

  it('of an earlier version brings the plan that was being changed on its device, as steps of its worker', async () => {
    const plan = (name: string) => ({
      personId: 'maren',
      rules: [],
      greetings: [{ id: 'g', name, text: name }],
    });
    const document = { draft: plan('b'), past: [plan('a')], future: [] };
    const old = openVault(new Map([['planDraft', `{"v":1}\n${JSON.stringify(document)}`]]));
    const here = openVault();
    const read = await readRestoring(here.vault, await makeArchive(old.vault, now), 'maren');
    if (!read.ok) throw new Error(read.sentence);
    expect(read.adds).toEqual([{ name: 'steps of the changed ring plan', count: 2 }]);
    await restore(here.vault, read, now, true);
    const { kind, prefix } = workKinds.planSteps;
    const steps = await here.vault.readMany([`${prefix}maren/0`, `${prefix}maren/1`], kind);
    expect([...steps.values()].flat().map(({ ownerId, row }) => [ownerId, row.plan, row.isNow])).toEqual([
      ['maren', plan('a'), false],
      ['maren', plan('b'), true],
    ]);
  });

  it('that finds no room changes nothing, and the app goes on writing', async () => {
    const { vault } = await filled();
    const archive = await makeArchive(vault, now);
    let isFull = true;
    const full = openVault(new Map(), () => isFull);
    const read = await readRestoring(full.vault, archive, 'maren');
    if (!read.ok) throw new Error(read.sentence);
    await expect(restore(full.vault, read, now, true)).rejects.toThrow('full');
    expect(full.entries.size).toBe(0);
    isFull = false;
    await full.vault.write({ later: 'x' });
    expect(full.entries.get('later')).toBe('x');
  });

  it('that holds what this version can’t read is refused with a sentence, and changes nothing', async () => {
    const { vault } = await filled();
    await vault.write({ [workKey]: '{"v":99}\n{"kind":"note"}' });
    const archive = await makeArchive(vault, now);
    const empty = openVault();
    const read = await readRestoring(empty.vault, archive, 'maren');
    expect(read).toEqual({
      ok: false,
      sentence: 'The archive’s notes and follow-ups (work/maren/n) can’t be read by this version.',
    });
    expect(empty.entries.size).toBe(0);
  });

  it.each([
    [
      'a name that is broken',
      'data/%zz.jsonl',
      '{"v":1}',
      'data/%zz.jsonl, which this version does not know.',
    ],
    ['a sound that is no document', 'data/sound%2Fv1.jsonl', '{"v":1}\nnull', 'or can’t be read.'],
    ['a sound without its lines', 'data/sound%2Fv1.jsonl', '', 'or can’t be read.'],
  ])('that holds %s is refused with a sentence', async (_, path, text, told) => {
    const file = { path, bytes: new TextEncoder().encode(text) };
    const archive = writeArchive([file, { path: 'sound/v1.wav', bytes: wav }], now);
    const read = await readRestoring(openVault().vault, archive, 'maren');
    expect(read.ok ? '' : read.sentence).toContain(told);
  });
});

describe('what was set aside', () => {
  /** Where an earlier version kept all notes, which were nobody’s. */
  const oldKey = 'work';

  /** Two notes, of which one line was spoilt and read once, so that it stands aside; and something that was not taken in. */
  async function spoilt() {
    const session = openVault();
    const whole = { ...note('Sluice sticks'), id: 'n2' };
    session.entries.set(oldKey, ['{"v":2}', JSON.stringify(note('Gate code')), '{"id":'].join('\n'));
    await session.vault.read(oldKey, workKind);
    // It could be read by a version to come, as this one: the line is mended.
    await session.vault.write({ [`aside/${oldKey}`]: `{"id":\n${JSON.stringify(whole)}` });
    await session.vault.keepAside('owed', { at: 1, texts: [null] });
    await session.vault.flush();
    return { ...session, whole };
  }

  it('is seen with what it is of, and saved as it is', async () => {
    const { vault } = await spoilt();
    const asides = await readAside(vault);
    expect(asides.map(({ name, lines }) => [name, lines.length])).toEqual(
      expect.arrayContaining([
        ['notes and follow-ups', 2],
        ['news that could not be taken in', 1],
      ]),
    );
    expect(asideText(asides)).toContain('# work\n{"id":\n');
  });

  it('is given back as far as it can be read, and the rest stays', async () => {
    const { vault, entries, whole } = await spoilt();
    expect(await giveBack(vault, await readAside(vault))).toEqual({ back: 1, left: 2 });
    const texts = (await vault.read(oldKey, workKind))?.map(({ row }) => row.text);
    expect(texts).toEqual(['Gate code', whole.text]);
    expect(entries.get(`aside/${oldKey}`)).toBe('{"id":');
    // Asked once more, nothing comes twice.
    expect(await giveBack(vault, await readAside(vault))).toEqual({ back: 0, left: 2 });
  });

  it('never takes the place of what stands there by now', async () => {
    const { vault, entries } = await spoilt();
    const other = { ...note('Another since'), id: 'n2' };
    await vault.write({ [oldKey]: Vault.encode([maren(other)], workKind) });
    expect(await giveBack(vault, await readAside(vault))).toMatchObject({ back: 0 });
    expect(entries.get(oldKey)).toContain('Another since');
  });

  it('comes along in the archive, and goes beside what was set aside there', async () => {
    const { vault } = await spoilt();
    const empty = openVault();
    const read = await readRestoring(empty.vault, await makeArchive(vault, now), 'maren');
    if (!read.ok) throw new Error(read.sentence);
    expect(read.adds).toContainEqual({ name: 'entries set aside', count: 2 });
    const own = openVault(new Map([[`aside/${oldKey}`, 'mine']]));
    const kept = await readRestoring(own.vault, await makeArchive(vault, now), 'maren');
    expect(kept.ok && Object.keys(kept.entries)).not.toContain(`aside/${oldKey}`);
  });
});
