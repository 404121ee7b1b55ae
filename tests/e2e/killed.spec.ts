import { chromium, type Browser } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';

import { chromiumFlags, chromiumPath } from '../../playwright.config';
import { expect, Office, sampleNow, test } from './office';

/** How often the browser is killed; `CENDRO_KILLS=30` for a long look. */
const kills = Number(process.env['CENDRO_KILLS'] ?? 5);
/** A cold start, and what is written until the kill. */
const mostMsPerKill = 40_000;
/** So many lines have been shown before each kill at most. */
const mostShown = 4;

/** A browser of its own, whose profile outlives it. */
async function startBrowser(profile: string): Promise<{ browser: Browser; process: ChildProcess }> {
  const own = ['--remote-debugging-port=0', `--user-data-dir=${profile}`];
  const started = spawn(chromiumPath, [...chromiumFlags, ...own, 'about:blank'], {
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  for await (const line of createInterface({ input: started.stderr })) {
    const address = /^DevTools listening on (.*)$/.exec(line)?.[1];
    if (address) return { browser: await chromium.connectOverCDP(address), process: started };
  }
  throw new Error('The browser did not start.');
}

/** With all that belongs to it, as when the power goes. */
function kill({ pid }: ChildProcess): Promise<void> {
  if (pid === undefined) return Promise.resolve();
  process.kill(-pid, 'SIGKILL');
  return new Promise((resolve) => {
    const look = () => {
      try {
        process.kill(-pid, 0);
        setTimeout(look, 20);
      } catch {
        resolve();
      }
    };
    look();
  });
}

test('a browser that is killed in the middle of writing has all that it has shown, once', async ({
  baseURL,
}) => {
  test.setTimeout(kills * mostMsPerKill + 30_000);
  const profile = mkdtempSync(join(tmpdir(), 'cendro-killed-'));
  let shown: string[] = [];
  let underway: string[] = [];
  try {
    for (let round = 0; round <= kills; round++) {
      const { browser, process: started } = await startBrowser(profile);
      const page = browser.contexts()[0]?.pages()[0];
      if (!page) throw new Error('The browser has no page.');
      const office = new Office(page);
      await page.goto(`${baseURL ?? ''}/?now=${sampleNow}`);
      await office.goTo('Loose ends');
      await page.getByRole('link', { name: /^Rooms/ }).click();
      await page
        .getByRole('list', { name: 'Rooms' })
        .getByRole('button', { name: /^Cawder gauges/ })
        .click();
      const written = page.getByRole('list', { name: 'What was written' });
      await expect(written.getByRole('listitem').last()).toBeVisible();
      for (const line of shown) await expect(written.getByText(line, { exact: true })).toHaveCount(1);
      // What was being kept is there, or it is not, but never twice.
      for (const line of underway)
        expect(await written.getByText(line, { exact: true }).count()).toBeLessThanOrEqual(1);
      if (round === kills) {
        await kill(started);
        break;
      }
      const lines = Array.from(
        { length: 2 + (round % (mostShown - 1)) },
        (_, at) => `Gauge ${round}, reading ${at}.`,
      );
      const field = page.getByRole('textbox', { name: 'Write in Cawder gauges' });
      const send = page.getByRole('button', { name: 'Send' });
      for (const line of lines) {
        await field.fill(line);
        await send.click();
        await expect(written.getByText(line, { exact: true })).toBeVisible();
      }
      // The one before has been kept by the time the last is shown; the last may still be on its way.
      shown = lines.slice(0, -1);
      underway = [...lines.slice(-1), `Gauge ${round}, being written.`];
      await field.fill(underway.at(-1) ?? '');
      // In the middle of it: before, while or after it is handed to the office, as the machine has it.
      const sent = send.click().catch(() => undefined);
      if (round % 3 > 0) await sent;
      await kill(started);
      await sent;
    }
  } finally {
    rmSync(profile, { recursive: true, force: true });
  }
});
