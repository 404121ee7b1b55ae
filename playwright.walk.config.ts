import { defineConfig } from '@playwright/test';

import base from './playwright.config';
import type { Hand } from './tests/e2e/office';

/**
 * The walk: every browser test once more at other sizes, in the dark, and with the keys of a keyboard instead of a thumb; each
 * ends with a look at the screen it came to (axe, nothing wider than the window) and a picture of it in test-results/walk.
 * It takes the better part of two hours, and so is no part of `npm test`: `npm run walk`, or `npm run walk -- --project=wide-dark-thumb`.
 */
const small = { width: 320, height: 568 };
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };

export default defineConfig<{ hand: Hand; isLookedAt: boolean }>({
  ...base,
  retries: 0,
  outputDir: 'test-results/walk-failures',
  projects: [
    { name: 'small-dark-thumb', use: { viewport: small, colorScheme: 'dark', hand: 'thumb' } },
    { name: 'wide-light-keys', use: { viewport: wide, colorScheme: 'light', hand: 'keys' } },
    { name: 'phone-dark-keys', use: { viewport: phone, colorScheme: 'dark', hand: 'keys' } },
    { name: 'wide-dark-thumb', use: { viewport: wide, colorScheme: 'dark', hand: 'thumb' } },
    { name: 'small-light-keys', use: { viewport: small, colorScheme: 'light', hand: 'keys' } },
  ].map((project) => {
    const { viewport, hand } = project.use;
    // What is asked of one layout only (its own way back, its own lists), or of a finger on a picture or a word, is tagged so.
    const left = [viewport === wide && '@phone', viewport === small && '@tall', hand === 'keys' && '@touch'];
    return {
      ...project,
      use: { ...project.use, isLookedAt: true } as never,
      // Some choose their own sizes, and some ask about a thumb that slips.
      testIgnore: hand === 'keys' ? /(reach|everySize|thumb)\.spec/ : /(reach|everySize)\.spec/,
      grepInvert: left.flatMap((tag) => (tag ? new RegExp(tag) : [])),
    };
  }),
});
