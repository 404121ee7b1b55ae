import { build } from 'esbuild';

import { expect, test } from '@playwright/test';

import type { TwoLinks } from './twoLinks.page';

declare global {
  interface Window {
    opened: Promise<TwoLinks>;
  }
}

/** The page with its two links, as it is bundled for the browser. */
async function bundled(): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: ['tests/e2e/twoLinks.page.ts'],
    ...{ bundle: true, write: false, format: 'iife', tsconfig: 'tsconfig.json', logLevel: 'error' },
  });
  return outputFiles?.[0]?.text ?? '';
}

test('Maren and Ilse on one office: a call, a transfer, a room, a loose end taken on; each sees their own, and only that', async ({
  page,
}) => {
  const script = await bundled();
  await page.route('**/two-links.html', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<!doctype html><script src="/two-links.js"></script>' }),
  );
  await page.route('**/two-links.js', (route) =>
    route.fulfill({ contentType: 'text/javascript', body: script }),
  );
  await page.goto('/two-links.html');
  await page.evaluate(() => window.opened);

  /** How many calls each has, and with whom as they see it. */
  const calls = () =>
    page.evaluate(async () => {
      const { maren, ilse } = await window.opened;
      return [maren, ilse].map(({ mirror }, at) =>
        [...mirror.calls.values()].flatMap(({ legs }) => {
          const mine = legs.find(
            ({ personId, state }) => personId === ['maren', 'ilse'][at] && state !== 'cleared',
          );
          const other = legs.find(({ id, state }) => id !== mine?.id && state !== 'cleared');
          return mine ? [`${mine.state}, ${other?.personId ?? JSON.stringify(other?.endpoint)}`] : [];
        }),
      );
    });
  type Who = 'maren' | 'ilse';
  /** An act at somebody's own leg. */
  const act = (who: Who, type: 'answer' | 'clear' | 'transfer', to = '') =>
    page.evaluate(
      async ({ who, type, to }) => {
        const { [who]: app } = await window.opened;
        const legId =
          [...app.mirror.calls.values()]
            .flatMap(({ legs }) => legs)
            .find(({ personId, state }) => personId === who && state !== 'cleared')?.id ?? '';
        const command =
          type === 'transfer'
            ? ({ type, legId, target: { kind: 'number', to } } as const)
            : ({ type, legId } as const);
        return (await app.link.send(command)).ok;
      },
      { who, type, to },
    );

  // A call between them.
  await page.evaluate(async () => {
    const { maren } = await window.opened;
    await maren.link.send({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to: '201' });
  });
  await expect.poll(calls).toEqual([['connected, ilse'], ['alerting, maren']]);
  expect(await act('ilse', 'answer')).toBe(true);
  await expect.poll(calls).toEqual([['connected, ilse'], ['connected, maren']]);
  expect(await act('ilse', 'clear')).toBe(true);
  await expect.poll(calls).toEqual([[], []]);

  // A customer calls Maren, who passes them on.
  await page.evaluate(async () => {
    const { outside } = await window.opened;
    const from = { kind: 'outside', number: '+441914980162', name: 'CAWDER FW' } as const;
    await outside.send({ type: 'make', from, to: '+441314960214' });
  });
  await expect.poll(async () => (await calls())[0]).toHaveLength(1);
  expect((await calls())[1]).toEqual([]);
  await act('maren', 'answer');
  expect(await act('maren', 'transfer', '201')).toBe(true);
  await expect.poll(async () => (await calls())[1]).toHaveLength(1);
  await act('ilse', 'answer');
  await expect
    .poll(async () => (await calls())[1]?.[0])
    .toContain('connected, {"kind":"outside","number":"+441914980162"');
  expect((await calls())[0]).toEqual([]);
  await act('ilse', 'clear');

  // A room of both, and one that Ilse is not in.
  const texts = await page.evaluate(async () => {
    const { maren, ilse } = await window.opened;
    const room = { type: 'openRoom', isOpen: false } as const;
    const write = { type: 'write', lineId: 'text' } as const;
    await maren.link.ask({ ...room, id: 'both', name: 'Race day', memberIds: ['ilse'] });
    await maren.link.ask({ ...room, id: 'other', name: 'Stores', memberIds: ['hugh'] });
    await ilse.link.ask({ ...write, id: 'i', number: 'room:both', text: 'At nine?' });
    await maren.link.ask({ ...write, id: 'm', number: 'room:other', text: 'Bolts, please' });
    await maren.link.snapshot();
    await ilse.link.snapshot();
    return [maren, ilse].map(({ mirror }) =>
      [...(mirror.tables.messages as Map<string, { text: string }>).values()].map(({ text }) => text).sort(),
    );
  });
  expect(texts).toEqual([['At nine?', 'Bolts, please'], ['At nine?']]);

  // Whoever tried the team in vain waits for both, and is taken on by one.
  const taken = await page.evaluate(async () => {
    const { maren, ilse, outside, pass } = await window.opened;
    const from = { kind: 'outside', number: '+441174960155', name: 'PEG' } as const;
    const tried = await outside.send({ type: 'make', from, to: '+441314960100' });
    pass(2);
    if (tried.ok) await outside.send({ type: 'clear', legId: tried.legId ?? '' });
    const about = { key: 'number:+441174960155', teamId: 'office-team', since: 0, insteadOf: null };
    const first = await ilse.link.ask({ type: 'takeOn', ...about });
    const second = await maren.link.ask({ type: 'takeOn', ...about });
    await ilse.link.snapshot();
    const has = [maren, ilse].map(({ mirror }) =>
      [...(mirror.tables.assignments as Map<string, { byId: string }>).values()].map(({ byId }) => byId),
    );
    return { tried: tried.ok, first, second, has };
  });
  expect(taken).toMatchObject({
    ...{ tried: true, first: { ok: true }, second: { ok: false } },
    has: [['ilse'], ['ilse']],
  });
  const waiting = () =>
    page.evaluate(async () => {
      const { maren, ilse } = await window.opened;
      return [maren, ilse].map(({ mirror }) => [...mirror.tables.waiting.keys()]);
    });
  await expect
    .poll(waiting)
    .toEqual([
      expect.arrayContaining(['maren number:+441174960155']),
      expect.arrayContaining(['ilse number:+441174960155']),
    ]);
});
