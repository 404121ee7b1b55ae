import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { chromium, expect, type Browser, type Page } from '@playwright/test';

import { chromiumFlags, chromiumPath } from '../../playwright.config';
import { Office } from './office';

const sampleRate = 48_000;
const seconds = 4;

/** A file with one tone, as a microphone that is whistled into. */
function toneFile(hertz: number): string {
  const count = sampleRate * seconds;
  const file = Buffer.alloc(44 + count * 2);
  file.write('RIFF', 0);
  file.writeUInt32LE(36 + count * 2, 4);
  file.write('WAVEfmt ', 8);
  file.writeUInt32LE(16, 16);
  file.writeUInt16LE(1, 20);
  file.writeUInt16LE(1, 22);
  file.writeUInt32LE(sampleRate, 24);
  file.writeUInt32LE(sampleRate * 2, 28);
  file.writeUInt16LE(2, 32);
  file.writeUInt16LE(16, 34);
  file.write('data', 36);
  file.writeUInt32LE(count * 2, 40);
  for (let at = 0; at < count; at++)
    file.writeInt16LE(Math.round(12_000 * Math.sin((2 * Math.PI * hertz * at) / sampleRate)), 44 + at * 2);
  const path = join(mkdtempSync(join(tmpdir(), 'cendro-tone-')), `${hertz}.wav`);
  writeFileSync(path, file);
  return path;
}

/** Somebody at a browser of their own, whose microphone gives one tone. */
export interface Whistler {
  browser: Browser;
  page: Page;
  office: Office;
  hertz: number;
}

/** `chair`: who of the sample they are; null where nobody can choose. */
export async function whistler(address: string, chair: string | null, hertz: number): Promise<Whistler> {
  const args = [...chromiumFlags, `--use-file-for-fake-audio-capture=${toneFile(hertz)}`];
  const browser = await chromium.launch({ executablePath: chromiumPath, args });
  const context = await browser.newContext({
    ...{ baseURL: address, viewport: { width: 390, height: 844 }, hasTouch: true },
    ...{ serviceWorkers: 'block', permissions: ['microphone'] },
  });
  const page = await context.newPage();
  await page.addInitScript((personId) => {
    if (personId !== null) localStorage.setItem('cendro/chair', personId);
    // What is heard is listened to where it is played, by everything that is not muted.
    window.setInterval(() => {
      for (const element of document.querySelectorAll('audio')) {
        if (!(element.srcObject instanceof MediaStream) || element.dataset['analysed']) continue;
        element.dataset['analysed'] = 'yes';
        const context = new AudioContext();
        const analyser = context.createAnalyser();
        analyser.fftSize = 8192;
        context.createMediaStreamSource(element.srcObject).connect(analyser);
        Object.assign(element, { analyser });
      }
    }, 50);
  }, chair);
  await page.goto('/');
  return { browser, page, office: new Office(page), hertz };
}

/** The loudest pitches of all voices that somebody hears now, in hertz. */
export const heardBy = ({ page }: Whistler): Promise<number[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('audio')].flatMap((element) => {
      const { analyser } = element as HTMLAudioElement & { analyser?: AnalyserNode };
      if (!analyser || element.muted || element.paused) return [];
      const samples = new Float32Array(2048);
      analyser.getFloatTimeDomainData(samples);
      const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
      if (power < 1e-6) return [];
      const levels = new Float32Array(analyser.frequencyBinCount);
      analyser.getFloatFrequencyData(levels);
      const loudest = levels.reduce(
        (best, level, at) => (level > (levels[best] ?? -Infinity) ? at : best),
        0,
      );
      return [Math.round((loudest * analyser.context.sampleRate) / analyser.fftSize)];
    }),
  );

/** Waits until somebody hears somebody else, whoever else they hear. */
export const hears = (who: Whistler, whom: Whistler) =>
  expect.poll(async () => (await heardBy(who)).some((pitch) => Math.abs(pitch - whom.hertz) < 20)).toBe(true);
