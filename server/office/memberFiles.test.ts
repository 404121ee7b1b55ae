import type { Call } from '@/core/calls/exchange';
import { decodeWav, readMarks } from '@/core/shared/soundFiles';
import type { InboxChange, Session } from '@/core/office';
import { Inbox } from '@/core/office/machine';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import type { HostedOffice } from '@/office/hosted';
import { soundKind, Vault } from '@/state/storage';

import { MemberFiles } from './MemberFiles';

const session = (personId: string): Session => ({
  id: personId,
  personId,
  deviceId: null,
  roles: ['member'],
});
const emptyRows = () =>
  new Inbox(
    () => new OfficeIndex(emptyOffice),
    () => false,
    () => undefined,
  );
const sound = Vault.encode([{ callId: null, durationMs: 10, wav: 'AAAA' }], soundKind);

function filesOf(calls: readonly Partial<Call>[] = []) {
  const all = new Map<string, string>();
  const backend = {
    getKeys: async (prefix: string) => [...all.keys()].filter((key) => key.startsWith(prefix)),
    getMany: async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, all.get(key) ?? null])),
    setMany: async (entries: Record<string, string>) =>
      Object.entries(entries).forEach(([key, text]) => all.set(key, text)),
    removeMany: async (keys: string[]) => keys.forEach((key) => all.delete(key)),
  };
  const going = new Map(calls.map((call) => [call.id, call]));
  const people = new Map([['runner', { administers: true, may: ['playRecordings'] }]]);
  const office = () =>
    ({
      seen: () => ({ office: { people }, calls: going }),
      inbox: async () => emptyRows(),
    }) as unknown as HostedOffice;
  return { all, going, files: new MemberFiles({ backend, office }) };
}

const gone = (table: string, before: object) =>
  ({ table, id: 'x', before, now: null }) as unknown as InboxChange;

it('what a row has named goes with it, and nothing else does', async () => {
  const { all, files } = filesOf();
  const keys = ['sound/v1', 'sound/v2', 'faxPages/f1', 'picture/p1'];
  for (const key of keys) all.set(key, 'kept').set(`by/${key}`, 'ada');
  await files.changed([
    gone('voicemails', { id: 'v1' }),
    gone('faxes', { id: 'f1' }),
    gone('messages', { id: 'm1', picture: { url: 'kept:p1' } }),
    gone('messages', { id: 'm2', picture: null }),
    gone('rooms', { id: 'v2' }),
    // One that was changed is there still.
    { table: 'voicemails', id: 'v2', before: { id: 'v2' }, now: { id: 'v2' } } as unknown as InboxChange,
  ]);
  expect([...all.keys()]).toEqual(['sound/v2', 'by/sound/v2']);
});

it('whoever brought a file may bring it again, and nobody else over it', async () => {
  const { all, files } = filesOf();
  const write = (who: string) =>
    files.answer(session(who), { what: 'write', entries: { 'sound/v1': sound } });
  expect(await write('ada')).toEqual({ kept: true });
  expect(await write('ada')).toEqual({ kept: true });
  expect(await write('bela')).toHaveProperty('refused');
  expect(all.get('by/sound/v1')).toBe('ada');
});

it('gives nothing to who is nobody', async () => {
  const { files } = filesOf();
  expect(await files.answer(null, { what: 'keys', prefix: 'history/' })).toHaveProperty('refused');
});

describe('a sound that is made in a call', () => {
  const leg = (personId: string | null, endpoint: object) =>
    ({
      id: personId ?? 'machine',
      personId,
      endpoint,
      state: 'connected',
    }) as unknown as Call['legs'][number];
  const call: Partial<Call> = {
    id: 'c7',
    legs: [leg('ada', { kind: 'device', deviceId: 'a' }), leg(null, { kind: 'mailbox', personId: 'bela' })],
    recordings: [{ id: 'r9', personId: 'ada' } as Call['recordings'][number]],
  };
  const take = (of: string) => `1764500000000-${of}`;
  const piece = (id: string, number: number, samples: number[], of = 'aaaaaaaa') => ({
    ...{ what: 'append' as const, id, callId: 'c7', take: take(of), number },
    pcm: Buffer.from(Int16Array.from(samples).buffer).toString('base64'),
    marks: [],
  });
  const samplesOf = async (files: MemberFiles, who: string, id: string) => {
    const answer = await files.answer(session(who), { what: 'read', keys: [`sound/${id}`] });
    const text = 'texts' in answer ? answer.texts[`sound/${id}`] : undefined;
    if (text === undefined) return null;
    const [kept] = await Vault.parse(text, soundKind);
    const decoded = decodeWav(Buffer.from(kept?.wav ?? '', 'base64'));
    return decoded.ok ? [...decoded.samples].map((sample) => Math.round(sample * 0x8000)) : null;
  };
  const marksOf = async (files: MemberFiles, id: string) => {
    const sound = await files.soundOf(id);
    return readMarks(Buffer.from(sound?.wav ?? '', 'base64'));
  };

  it('is there as far as it was brought, in its order, whoever it was who went on with it', async () => {
    const { files, going } = filesOf([call]);
    const bring = (...given: Parameters<typeof piece>) => files.answer(session('ada'), piece(...given));
    expect(await bring('r9', 0, [1, 2])).toEqual({ kept: true });
    expect(await samplesOf(files, 'ada', 'r9')).toEqual([1, 2]);
    // Asked for again, since nobody had answered.
    await bring('r9', 0, [9, 9]);
    going.clear();
    expect(await bring('r9', 1, [3])).toEqual({ kept: true });
    expect(await bring('r9', 0, [4], 'bbbbbbbb')).toEqual({ kept: true });
    expect(await samplesOf(files, 'ada', 'r9')).toEqual([1, 2, 3, 4]);
    expect(await samplesOf(files, 'bela', 'r9')).toBeNull();
    expect(await samplesOf(files, 'runner', 'r9')).toEqual([1, 2, 3, 4]);
  });

  it('is marked where whoever made it said, each from where they began', async () => {
    const { files } = filesOf([call]);
    const second = Array.from({ length: 8_000 }, () => 1);
    const bring = (given: ReturnType<typeof piece>, marks: { atSeconds: number; text: string }[] = []) =>
      files.answer(session('ada'), { ...given, marks });
    await bring(piece('r9', 0, second), [{ atSeconds: 0, text: 'Ilse' }]);
    await bring(piece('r9', 1, second), [{ atSeconds: 1.5, text: 'Peg' }]);
    await bring(piece('r9', 0, second, 'bbbbbbbb'), [{ atSeconds: 0.5, text: 'Ilse' }]);
    await bring(piece('r9', 1, [], 'bbbbbbbb'), [{ atSeconds: 0.75, text: 'Ada' }]);
    expect(await marksOf(files, 'r9')).toEqual([
      { atSeconds: 0, text: 'Ilse' },
      { atSeconds: 1.5, text: 'Peg' },
      { atSeconds: 2.5, text: 'Ilse' },
      { atSeconds: 2.75, text: 'Ada' },
    ]);
  });

  it('is brought by whose it is, and whoever speaks to the mailbox; by nobody who guesses its name, and not whole', async () => {
    const { files, all } = filesOf([call]);
    for (const [who, id] of [
      ['bela', 'r9'],
      ['bela', 'c7-bela'],
      ['ada', 'r10'],
      ['ada', 'c7-ada'],
    ] as const)
      expect(await files.answer(session(who), piece(id, 0, [1]))).toHaveProperty('refused');
    const whole = { what: 'write', entries: { 'sound/c7-bela': sound } } as const;
    expect(await files.answer(session('cleo'), whole)).toHaveProperty('refused');
    expect(all.size).toBe(0);
    expect(await files.answer(session('ada'), piece('c7-bela', 0, [5]))).toEqual({ kept: true });
    expect(await files.answer(session('cleo'), piece('c7-bela', 1, [6]))).toHaveProperty('refused');
    await files.changed([gone('voicemails', { id: 'c7-bela' })]);
    expect(all.size).toBe(0);
  });

  it('of one that is gone no piece of another goes, whose name begins alike', async () => {
    const { files, all } = filesOf([call]);
    await files.answer(session('ada'), piece('c7-bela', 0, [5]));
    await files.changed([gone('voicemails', { id: 'c7-b' })]);
    expect([...all.keys()].some((key) => key.startsWith('piece/sound/c7-bela/'))).toBe(true);
  });
});
