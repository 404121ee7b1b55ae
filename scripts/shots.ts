// `npm run shots`: one picture of each main view, from the sample at its fixed time, into docs/screenshots.
import { chromium, type Browser, type Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { createServer as createHttpServer } from 'node:http';
import { join } from 'node:path';

import { chromiumFlags } from '../playwright.config';
import { createServer } from '../server/createServer';
import { Office } from '../tests/e2e/office';

const port = 4398;
const folder = 'docs/screenshots';
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };

interface Shot {
  name: string;
  size?: typeof phone;
  dark?: boolean;
  rootPixels?: number;
  go: (office: Office, page: Page) => Promise<void>;
}

async function twoCalls(office: Office, page: Page) {
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await page.getByRole('button', { name: 'Answer', exact: true }).click();
  await office.goOutside();
  await office.letPass('30 s');
  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await page.getByRole('button', { name: 'Answer, hold the other' }).click();
  await office.goOutside();
  for (let times = 0; times < 3; times++) await office.letPass('5 s');
  await office.goTo('Dial');
}

async function twoCallsOpened(office: Office, page: Page) {
  await twoCalls(office, page);
  await page.getByRole('button', { name: /Back to call$/ }).click();
}

async function consult(office: Office) {
  await office.talkWithPeg();
  await office.consult('Ilse Varga');
  await office.passAndReturn('5 s', 3);
}

const shots: readonly Shot[] = [
  { name: 'everything', go: (office) => office.open('/everything') },
  { name: 'everything-dark', dark: true, go: (office) => office.open('/everything') },
  {
    name: 'record',
    go: async (office, page) => {
      await office.open('/everything');
      await page.getByRole('button', { name: /^10:28 Cawder/ }).click();
    },
  },
  { name: 'dial', go: (office) => office.open('/dial') },
  {
    name: 'plan',
    go: async (office, page) => {
      await office.open('/plan');
      await page.getByRole('radio', { name: /Flood desk/ }).click();
    },
  },
  {
    name: 'incoming',
    go: async (office) => {
      await office.open('/outside');
      await office.page.setViewportSize(wide);
      await office.callIn('Cawder Flood Watch', 'Flood desk');
      await office.letPass('5 s');
      await office.page.setViewportSize(phone);
    },
  },
  {
    name: 'call',
    go: async (office, page) => {
      await office.open('/outside');
      await office.callIn('Cawder Flood Watch', 'Flood desk');
      await office.answer().click();
      await office.goOutside();
      await office.letPass('5 s');
      await page.getByRole('button', { name: /Back to call$/ }).click();
    },
  },
  { name: 'two-calls', go: consult },
  {
    name: 'conference',
    go: async (office, page) => {
      await consult(office);
      await page.getByRole('button', { name: 'All together' }).click();
      await office.chooseTarget('Add', 'Kofi Renner');
      await office.sheet().getByRole('button', { name: 'Ask them in now' }).click();
      await office.act('Record').click();
      await page.getByRole('button', { name: 'Close' }).click();
    },
  },
  {
    name: 'transfer',
    go: async (office) => {
      await office.talkWithPeg();
      await office.chooseTarget('Transfer', 'Tobias Quill');
    },
  },
  {
    name: 'recorded',
    go: async (office, page) => {
      await office.talkWithPeg();
      await office.act('Note').click();
      await office.sheet().getByRole('textbox', { name: 'Note' }).fill('Key is under the rain gauge');
      await office.sheet().getByRole('button', { name: 'Keep the note' }).click();
      await office.act('Record').click();
      for (const act of ['Pause', 'Resume']) {
        await office.passAndReturn('5 s', 1);
        await office.act(act).click();
      }
      await office.passAndReturn('5 s', 1);
      await office.end().click();
      await office.goToEverything();
      await office.newestOf('Peg Anstey').click();
      await page.getByRole('group', { name: 'Recording' }).scrollIntoViewIfNeeded();
    },
  },
  { name: 'docked', go: twoCalls },
  {
    name: 'keys',
    go: async (office, page) => {
      await office.open('/dial');
      await office.dial('0131 496 0188');
      await office.goOutside();
      await office.letPass('5 s');
      await page.getByRole('button', { name: /Back to call$/ }).click();
      await page.getByRole('button', { name: 'Keys' }).click();
      await page.getByRole('button', { name: '2', exact: true }).click();
    },
  },
  { name: 'office', go: (office) => office.open('/office') },
  {
    name: 'outside',
    go: async (office, page) => {
      await office.open('/outside');
      await page.getByRole('region', { name: 'Call in' }).waitFor();
    },
  },
  {
    name: 'large-text-dark',
    size: { width: 360, height: 740 },
    dark: true,
    rootPixels: 24,
    go: twoCallsOpened,
  },
  {
    name: 'wide-everything',
    size: wide,
    go: async (office, page) => {
      await office.open('/everything');
      await page.getByRole('button', { name: /^10:28 Cawder/ }).click();
    },
  },
  { name: 'wide-dial', size: wide, go: (office) => office.open('/dial') },
  {
    name: 'wide-call',
    size: wide,
    go: async (office, page) => {
      await office.open('/outside');
      await office.callIn('Skerrow Harbour', 'Field service');
      await office.answer().click();
      await office.callIn('Cawder Flood Watch', 'Flood desk');
      await office.letPass('5 s');
      await page.getByRole('button', { name: 'Cords of the call with Skerrow Harbour' }).click();
    },
  },
];

async function take(browser: Browser, { name, size = phone, dark = false, rootPixels, go }: Shot) {
  const context = await browser.newContext({
    baseURL: `http://localhost:${port}`,
    viewport: size,
    colorScheme: dark ? 'dark' : 'light',
    reducedMotion: 'reduce',
    locale: 'en-GB',
  });
  const page = await context.newPage();
  if (rootPixels) {
    await page.addInitScript((pixels) => {
      document.addEventListener('readystatechange', () => {
        document.documentElement.style.fontSize = `${pixels}px`;
      });
    }, rootPixels);
  }
  await go(new Office(page), page);
  await page.evaluate(() => document.fonts.ready);
  await page.mouse.move(0, 0);
  await page.screenshot({ path: `${folder}/${name}.png` });
  await context.close();
}

async function main() {
  const only = process.argv.slice(2);
  mkdirSync(folder, { recursive: true });
  const server = createHttpServer(createServer(join(process.cwd(), 'dist'))).listen(port);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
  for (const shot of shots.filter(({ name }) => only.length === 0 || only.includes(name)))
    await take(browser, shot);
  await browser.close();
  server.closeAllConnections();
  server.close();
  console.log(`Pictures are in ${folder}.`);
}

void main();
