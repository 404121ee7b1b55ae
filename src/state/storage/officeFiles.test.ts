import type { AskedOfFiles } from '@/office/socket';

import { withOfficeFiles } from './officeFiles';
import { forgetKeptView } from './keptView';
import { memoryBackend } from './tests/memoryBackend';
import { Vault } from './Vault';

function both() {
  const here = memoryBackend();
  const there = new Map<string, string>();
  const asked: AskedOfFiles[] = [];
  const server = { isReached: true };
  const askOfFiles = async (question: AskedOfFiles) => {
    asked.push(question);
    switch (question.what) {
      case 'keys':
        return { keys: [...there.keys()].filter((key) => key.startsWith(question.prefix)) };
      case 'read':
        return { texts: Object.fromEntries([...there].filter(([key]) => question.keys.includes(key))) };
      case 'write':
        for (const [key, text] of Object.entries(question.entries)) there.set(key, text);
        return { kept: true as const };
      case 'append':
        throw new Error('What stands beside the rows is brought whole.');
    }
  };
  const backend = withOfficeFiles(here, { askOfFiles, reachedWithin: async () => server.isReached });
  return { here, there, asked, backend, server };
}

describe('what an office on a server keeps, beside what this device does', () => {
  it('each thing stands where it belongs, and is read as if all stood here', async () => {
    const { here, there, backend } = both();
    await backend.setMany({ settings: 's', 'sound/1': 'a', 'picture/2': 'b' });
    // What was brought is given without the server, too.
    expect([...here.entries.keys()]).toEqual(['settings', 'kept/sound/1', 'kept/picture/2']);
    expect([...there.keys()]).toEqual(['sound/1', 'picture/2']);
    expect(await backend.getMany(['settings', 'sound/1', 'history/none'])).toEqual({
      ...{ settings: 's', 'sound/1': 'a', 'history/none': null },
    });
    expect(await backend.getKeys('sound/')).toEqual(['sound/1']);
    expect((await backend.getAllKeys()).sort()).toEqual(['picture/2', 'settings', 'sound/1']);
  });

  it('asks the office for nothing that is this device’s own, and takes nothing out of it', async () => {
    const { there, asked, backend } = both();
    await backend.setMany({ settings: 's' });
    await backend.getMany(['settings']);
    expect(asked).toEqual([]);
    there.set('sound/1', 'a');
    await backend.removeMany(['sound/1', 'settings']);
    expect(there.has('sound/1')).toBe(true);
    expect(await backend.getMany(['settings'])).toEqual({ settings: null });
  });

  it('gives what was read here once where the office is not reached, and nothing that was not', async () => {
    const { here, there, asked, backend, server } = both();
    there.set('history/1', 'h').set('sound/1', 'a');
    await backend.getMany(['history/1']);
    server.isReached = false;
    asked.length = 0;
    expect(await backend.getMany(['history/1', 'sound/1'])).toEqual({ 'history/1': 'h', 'sound/1': null });
    expect(await backend.getKeys('history/')).toEqual(['history/1']);
    expect(asked).toEqual([]);
    await backend.removeMany(['history/1']);
    expect(here.entries.size).toBe(0);
  });

  it('forgets all of it for whoever signs out, and nothing of the device’s own', async () => {
    const { here, there, backend } = both();
    there.set('history/1', 'h').set('sound/1', 'a');
    await backend.setMany({ settings: 's' });
    await backend.getMany(['history/1', 'sound/1']);
    const vault = new Vault(
      () => undefined,
      () => undefined,
      backend,
      undefined,
      () => false,
    );
    await forgetKeptView(vault);
    expect([...here.entries.keys()]).toEqual(['settings']);
    expect(there.size).toBe(2);
    await vault.close();
  });

  it('a full device costs only what would be there without the office', async () => {
    const { here, there, backend } = both();
    here.setMany = async () => Promise.reject(new Error('QuotaExceededError'));
    there.set('sound/1', 'a');
    expect(await backend.getMany(['sound/1'])).toEqual({ 'sound/1': 'a' });
  });
});
