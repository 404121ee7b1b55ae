import { randomBytes } from 'node:crypto';
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

/** Colours as a camera gives them (ITU-R BT.601: Y, Cb, Cr). */
const paints = { red: [76, 84, 255], green: [149, 43, 21], blue: [29, 255, 107] } as const;
export type Paint = keyof typeof paints;

/** A film of one colour, as a camera before which a sheet of paper is held; or one in which everything moves, which takes all that it may of a way. */
function paintedFilm(paint: Paint | 'noise'): string {
  const [width, height, frames] = [320, 180, 24];
  const [luma, ...chroma] = paint === 'noise' ? [null, 128, 128] : paints[paint];
  const frame = () =>
    Buffer.concat([
      Buffer.from('FRAME\n'),
      luma === null ? randomBytes(width * height) : Buffer.alloc(width * height, luma),
      ...chroma.map((each) => Buffer.alloc((width * height) / 4, each)),
    ]);
  const head = Buffer.from(`YUV4MPEG2 W${width} H${height} F24:1 Ip A1:1 C420jpeg\n`);
  const path = join(mkdtempSync(join(tmpdir(), 'cendro-film-')), `${paint}.y4m`);
  writeFileSync(path, Buffer.concat([head, ...Array.from({ length: frames }, frame)]));
  return path;
}

/** Which colour a picture has where it is shown, by its label; null: it shows none of them (yet). */
export const paintOf = ({ page }: { page: Page }, label: string): Promise<Paint | null> =>
  page.evaluate((name) => {
    const video = document.querySelector(`[aria-label=${JSON.stringify(name)}] video`);
    if (!(video instanceof HTMLVideoElement) || video.videoWidth === 0) return null;
    const canvas = Object.assign(document.createElement('canvas'), { width: 1, height: 1 });
    const context = canvas.getContext('2d');
    context?.drawImage(video, 0, 0, 1, 1);
    const [red = 0, green = 0, blue = 0] = context?.getImageData(0, 0, 1, 1).data ?? [];
    if (Math.max(red, green, blue) < 60) return null;
    return red > green && red > blue ? 'red' : green > blue ? 'green' : 'blue';
  }, label);

/** Somebody at a browser of their own, whose microphone gives one tone. */
export interface Whistler {
  browser: Browser;
  page: Page;
  office: Office;
  hertz: number;
}

/** `chair`: who of the sample they are; null where nobody can choose. */
export async function whistler(
  address: string,
  chair: string | null,
  hertz: number,
  paint?: Paint | 'noise',
): Promise<Whistler> {
  const args = [...chromiumFlags, `--use-file-for-fake-audio-capture=${toneFile(hertz)}`];
  if (paint) args.push(`--use-file-for-fake-video-capture=${paintedFilm(paint)}`);
  const browser = await chromium.launch({ executablePath: chromiumPath, args });
  const context = await browser.newContext({
    ...{ baseURL: address, viewport: { width: 390, height: 844 }, hasTouch: true },
    ...{ serviceWorkers: 'block', permissions: ['microphone', ...(paint ? ['camera'] : [])] },
  });
  const page = await context.newPage();
  await page.addInitScript((personId) => {
    if (personId !== null) localStorage.setItem('cendro/chair', personId);
    // What is heard is listened to where it is played, by everything that is not muted; all of it by one that listens, for each costs the machine.
    let context: AudioContext | null = null;
    window.setInterval(() => {
      for (const element of document.querySelectorAll('audio')) {
        if (!(element.srcObject instanceof MediaStream) || element.dataset['analysed']) continue;
        element.dataset['analysed'] = 'yes';
        context ??= new AudioContext();
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
export const hears = (who: Whistler, whom: Pick<Whistler, 'hertz'>) =>
  expect.poll(async () => (await heardBy(who)).some((pitch) => Math.abs(pitch - whom.hertz) < 20)).toBe(true);

/** Waits until a picture is seen by somebody in that colour, by its label. */
export const sees = (who: Whistler, label: string, paint: Paint | null) =>
  expect.poll(() => paintOf(who, label)).toBe(paint);

/** They show what their camera sees, in the meeting that is on their screen; `behind`: what is to be seen behind them. */
export async function showPicture({ office }: Whistler, behind?: 'Blurred' | 'Plain'): Promise<void> {
  await office.act('Picture').click();
  if (behind) await office.sheet().getByRole('radio', { name: behind }).click();
  await office.sheet().getByRole('button', { name: 'Show my picture' }).click();
  await expect(office.act('Picture')).toHaveAttribute('aria-pressed', 'true');
}
