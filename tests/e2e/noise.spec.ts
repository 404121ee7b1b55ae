import { build } from 'esbuild';

import { expect, test, type Page } from '@playwright/test';

import type {} from './noise.page';

async function open(page: Page) {
  const { outputFiles } = await build({
    entryPoints: ['tests/e2e/noise.page.ts'],
    ...{ bundle: true, write: false, format: 'iife', tsconfig: 'tsconfig.json', logLevel: 'error' },
  });
  await page.route('**/noise.html', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<!doctype html><script src="/noise.js"></script>' }),
  );
  await page.route('**/noise.js', (route) =>
    route.fulfill({ contentType: 'text/javascript', body: outputFiles?.[0]?.text ?? '' }),
  );
  await page.goto('/noise.html');
}

test('a fan is taken out of what is sent, and what is said stays', async ({ page }) => {
  await open(page);
  const measure = (strength: 'off' | 'light' | 'strong') =>
    page.evaluate((asked) => window.measured(asked), strength);
  const strong = await measure('strong');
  expect(strong.pauseDb).toBeLessThan(-30);
  expect(Math.abs(strong.speechDb)).toBeLessThan(1.5);
  // It is more like what was said than what went in.
  expect(strong.alike).toBeGreaterThan(strong.alikeBefore + 0.02);

  const light = await measure('light');
  expect(light.pauseDb).toBeLessThan(-15);
  expect(light.pauseDb).toBeGreaterThan(-18);
  expect(Math.abs(light.speechDb)).toBeLessThan(1.5);
  expect(light.alike).toBeGreaterThan(light.alikeBefore);
  // What is mixed in comes at the same time, so that nothing sounds hollow.
  const seconds = await page.evaluate(() => window.suppressedAfterSeconds);
  for (const { delayMs } of [strong, light]) expect(Math.abs(delayMs - seconds * 1000)).toBeLessThan(1);

  const off = await measure('off');
  expect([off.pauseDb, off.delayMs]).toEqual([0, 0]);
});
