import type { InboxChange, Session } from '@/core/office';
import type { HostedOffice } from '@/office/hosted';
import { soundKind, Vault } from '@/state/storage';

import { MemberFiles } from './MemberFiles';

const session = (personId: string): Session => ({
  id: personId,
  personId,
  deviceId: null,
  roles: ['member'],
});
const sound = Vault.encode([{ callId: null, durationMs: 10, wav: 'AAAA' }], soundKind);

function filesOf() {
  const all = new Map<string, string>();
  const backend = {
    getKeys: async (prefix: string) => [...all.keys()].filter((key) => key.startsWith(prefix)),
    getMany: async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, all.get(key) ?? null])),
    setMany: async (entries: Record<string, string>) =>
      Object.entries(entries).forEach(([key, text]) => all.set(key, text)),
    removeMany: async (keys: string[]) => keys.forEach((key) => all.delete(key)),
  };
  const office = () => ({ seen: () => ({ office: { people: new Map() } }) }) as unknown as HostedOffice;
  return { all, files: new MemberFiles({ backend, office }) };
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
