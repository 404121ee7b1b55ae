import type { Notice } from '..';

/** A voicemail left on the flood desk, as it is told elsewhere. */
export const testNotice: Notice = {
  id: 'c1-maren',
  kind: 'voicemail',
  at: Date.parse('2026-11-26T10:40:00Z'),
  zone: 'Europe/London',
  forName: 'Maren Oyelaran',
  line: { name: 'Flood desk', number: '+441314960199' },
  from: { name: 'Cawder Flood Watch', number: '+441314960777' },
  words: 'The logger is under water.',
  durationMs: 41_000,
  soundWav: 'UklGRg==',
};
