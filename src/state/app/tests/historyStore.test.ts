import { sampleOffice } from '@sample';
import { generateHistory } from '@sample/history';

import { recordEntriesByDay, recordEntry, Vault } from '../../storage';
import { loadHistory } from '../historyStore';
import { createAppStore } from '../store';

const now = Date.UTC(2026, 10, 26, 10, 40);
const { records } = generateHistory(now, 20);
const mine = records.filter(({ personId }) => personId === 'maren').sort((a, b) => b.startedAt - a.startedAt);

function open(entries: Record<string, string>) {
  const setAside: number[] = [];
  const vault = new Vault(
    () => undefined,
    ({ count }) => setAside.push(count),
    {
      getAllKeys: async () => Object.keys(entries),
      getMany: async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, entries[key] ?? null])),
      setMany: async (more: Record<string, string>) => void Object.assign(entries, more),
      removeMany: async () => undefined,
    },
  );
  return { vault, setAside, ...createAppStore() };
}

describe('the history on the device', () => {
  it('comes back as it was kept, newest first, whole and only one’s own', async () => {
    const entries = await recordEntriesByDay(records, sampleOffice.zone, () => Promise.resolve());
    const { vault, store } = open(entries);
    const lengths: number[] = [];
    store.subscribe(() => lengths.push(store.getState().history.records.length));
    await loadHistory(vault, Object.keys(entries), 'maren', store);
    const { history } = store.getState();
    expect(history.isComplete).toBe(true);
    expect(history.records.map(({ startedAt }) => startedAt)).toEqual(mine.map(({ startedAt }) => startedAt));
    expect(new Set(history.records.map(({ id }) => id))).toEqual(new Set(mine.map(({ id }) => id)));
    expect(lengths[0]).toBeLessThan(mine.length);
  });

  it('a single new record stands beside the day it belongs to', async () => {
    const entries = await recordEntriesByDay(records, sampleOffice.zone, () => Promise.resolve());
    const [newest] = mine;
    if (!newest) throw new Error('no record');
    const late = { ...newest, id: 'late', startedAt: now };
    Object.assign(entries, recordEntry(late, sampleOffice.zone));
    const { vault, store } = open(entries);
    await loadHistory(vault, Object.keys(entries), 'maren', store);
    expect(store.getState().history.records[0]?.id).toBe('late');
    expect(store.getState().history.records).toHaveLength(mine.length + 1);
  });

  it('one spoilt line costs one record', async () => {
    const entries = await recordEntriesByDay(records, sampleOffice.zone, () => Promise.resolve());
    const key = Object.keys(entries).at(-1) ?? '';
    const lines = (entries[key] ?? '').split('\n');
    const spoilt = lines.findIndex((line) => line.includes('"personId":"maren","direction"'));
    lines[spoilt] = `${lines[spoilt]?.slice(0, 50)}`;
    entries[key] = lines.join('\n');
    const { vault, store, setAside } = open(entries);
    await loadHistory(vault, Object.keys(entries), 'maren', store);
    expect(store.getState().history.records).toHaveLength(mine.length - 1);
    expect(setAside).toEqual([1]);
  });

  it('none at all is complete at once', async () => {
    const { vault, store } = open({});
    await loadHistory(vault, [], 'maren', store);
    expect(store.getState().history).toMatchObject({ records: [], isComplete: true });
  });
});
