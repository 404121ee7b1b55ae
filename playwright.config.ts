import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { defineConfig } from '@playwright/test';

/** Another one lets two runs stand beside each other. */
const port = Number(process.env['TEST_PORT'] ?? 4399);

/** Debian's Chromium as root, without any of its own traffic; a microphone and loudspeaker that need no hardware. */
export const chromiumFlags = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--use-fake-ui-for-media-stream',
  '--use-fake-device-for-media-stream',
];

export default defineConfig({
  testDir: 'tests/e2e',
  fullyParallel: true,
  workers: 2,
  // Once more for what a busy machine broke; `npm test` tells how many needed it.
  retries: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] ? [['line'], ['json']] : [['line']],
  outputDir: 'test-results/browser',
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 390, height: 844 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: '/usr/bin/chromium', args: chromiumFlags },
  },
  webServer: {
    command: 'npx tsx server/start.mts',
    url: `http://localhost:${port}`,
    env: { PORT: String(port), CENDRO_DATA: mkdtempSync(join(tmpdir(), 'cendro-')) },
    reuseExistingServer: false,
  },
});
