import { sampleCast, sampleOffice } from '@sample';

import type { Session } from '@/core/office';
import { Clock } from '@/office/clock';
import { HostedOffice } from '@/office/hosted';
import type { OfficeState } from '@/office/link';

import { officeKind, OfficeParts, readOfficeState, storageKeys, Vault, wholeOfficeState } from '.';
import { memoryBackend } from './tests/memoryBackend';

const start = Date.UTC(2026, 10, 26, 10, 40);
const maren: Session = { id: 'maren-app', personId: 'maren', deviceId: 'maren-app', roles: ['member'] };

function openVault(entries = new Map<string, string>()) {
  const nothing = () => undefined;
  return { entries, vault: new Vault(nothing, nothing, memoryBackend(entries)) };
}

/** An office whose every step is written, and how it is read again. */
function openKept(state?: OfficeState, { entries, vault } = openVault()) {
  const clock = new Clock({ mode: 'fixed', at: state?.exchange.now ?? start });
  const parts = new OfficeParts();
  const written: string[][] = [];
  const office: HostedOffice = new HostedOffice({
    ...{ setup: sampleOffice, cast: sampleCast, clock, ...(state && { state }) },
    keep: async (step) => {
      const { put, goneKeys } = parts.entriesOf(step, office);
      written.push(Object.keys(put));
      await vault.remove(goneKeys);
      await vault.write(put);
    },
  });
  void office.openPersonal({ sorts: {}, rows: [] }, true);
  office.start();
  const link = office.linkFor(maren);
  const make = async (to: string) => {
    const result = await link.send({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to });
    if (!result.ok || result.callId === undefined) throw new Error(`Not made: ${JSON.stringify(result)}`);
    return { callId: result.callId, legId: result.legId ?? '' };
  };
  return { office, clock, link, make, entries, vault, written, parts };
}

/** As it was read again: the setup is kept elsewhere. */
async function isKept({ office, vault }: ReturnType<typeof openKept>) {
  const { setup: _, ...there } = office.save();
  expect(await readOfficeState(vault)).toEqual(JSON.parse(JSON.stringify(there)));
}

describe('the running office, kept in parts', () => {
  it('is read as it was after each step: calls that came, changed and ended, and what was answered', async () => {
    const kept = openKept();
    const { make, link, clock } = kept;
    await make('+441632960777');
    await isKept(kept);
    const second = await make('203');
    await isKept(kept);
    clock.moveOn(8_000);
    await isKept(kept);
    await link.send({ type: 'clear', legId: second.legId }, { app: 'app', id: 1, answeredUpTo: 0 });
    await isKept(kept);
    expect((await readOfficeState(kept.vault))?.answered).toMatchObject([{ app: 'maren-app app' }]);
  });

  it('writes with a call that changes no other call', async () => {
    const { make, link, written } = openKept();
    const first = await make('+441632960777');
    const { callId, legId } = await make('203');
    written.length = 0;
    await link.send({ type: 'mute', legId });
    expect(written.flat()).toContain(`officeCall/${callId}`);
    expect(written.flat()).not.toContain(`officeCall/${first.callId}`);
  });

  it('empties what has ended together with the rest, and takes it out with the step after that', async () => {
    const { make, link, entries, vault } = openKept();
    const { callId, legId } = await make('203');
    await link.send({ type: 'clear', legId });
    expect(entries.get(`officeCall/${callId}`)).toBe('{"v":1}');
    expect((await readOfficeState(vault))?.exchange.calls.map(({ id }) => id)).not.toContain(callId);
    await make('203');
    expect(entries.has(`officeCall/${callId}`)).toBe(false);
  });

  it('is taken over from an earlier version, which kept all of it in one, with the first that is written', async () => {
    const before = openKept();
    await before.make('+441632960777');
    const { setup: _, ...whole } = before.office.save();
    const entries = new Map([
      [storageKeys.office as string, Vault.encode([whole], { ...officeKind, version: 3 })],
    ]);
    const storage = openVault(entries);
    const state = await readOfficeState(storage.vault);
    expect(state?.exchange.calls).toHaveLength(1);
    const kept = openKept(state!, storage);
    // Before anything has happened it may be written how late it is.
    await storage.vault.write(kept.parts.headOf(kept.office));
    await isKept(kept);
    await kept.make('203');
    await isKept(kept);
  });

  it('is one document in an archive', async () => {
    const kept = openKept();
    await kept.make('203');
    const { put, goneKeys } = await wholeOfficeState(kept.vault);
    await kept.vault.write(put);
    await kept.vault.remove(goneKeys);
    expect([...kept.entries.keys()]).toEqual([storageKeys.office]);
    await isKept(kept);
  });

  it('gives no number twice where what changes with each step can’t be read', async () => {
    const kept = openKept();
    const { callId } = await kept.make('203');
    await kept.vault.remove(['officeMoment']);
    const state = await readOfficeState(kept.vault);
    expect(state?.exchange.nextId).toBeGreaterThan(Number(callId.slice(1)) + 1_000);
  });
});
