import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { defineConfig } from '@playwright/test';

/** Another one lets two runs stand beside each other. */
const port = Number(process.env['TEST_PORT'] ?? 4399);

/** Debian's Chromium without a window: a fifth less work for a test than the whole browser. */
export const chromiumPath = '/usr/bin/chromium-headless-shell';
/** All of it, for what only a browser with windows has. */
export const wholeChromiumPath = '/usr/bin/chromium';

/** As root, without any of its own traffic; a microphone and loudspeaker that need no hardware. */
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

/** Tests in which several whole browsers hear and see each other: two of those at once take a small machine’s breath, and what they time out on is the machine. */
const realVoices =
  /(devices|forwarded|guests|meetings|narrowMeeting|relay|servedTelling|twoProcesses|voices)\.spec\.ts$/;

export default defineConfig({
  testDir: 'tests/e2e',
  fullyParallel: true,
  workers: 2,
  // Once more for what a busy machine broke; `npm test` tells how many needed it, and each of them has a cause.
  retries: 1,
  // Bounds for what never comes, not for what comes late: a machine that does something else meanwhile stands still for many seconds.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] ? [['line'], ['json']] : [['line']],
  outputDir: 'test-results/browser',
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 390, height: 844 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    contextOptions: { reducedMotion: 'reduce' },
    // What a service worker fetches no test could hold back; those that need it let it in.
    serviceWorkers: 'block',
    launchOptions: { executablePath: chromiumPath, args: chromiumFlags },
  },
  projects: [
    { name: 'real voices', testMatch: realVoices, workers: 1 },
    { name: 'browser', testIgnore: realVoices },
  ],
  webServer: {
    // As `npm run demo` starts it (scripts/build.mjs).
    command: 'node --enable-source-maps build/start.mjs',
    url: `http://localhost:${port}`,
    env: { PORT: String(port), CENDRO_DATA: mkdtempSync(join(tmpdir(), 'cendro-')) },
    reuseExistingServer: false,
  },
});
