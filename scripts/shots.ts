// `npm run shots`: one picture of each main view, from the sample at its fixed time, into docs/screenshots.
import { chromium, type Browser, type Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { createServer as createHttpServer } from 'node:http';
import { join } from 'node:path';

import { chromiumFlags, wholeChromiumPath } from '../playwright.config';
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
  go: (office: Office, page: Page) => Promise<void>;
}

async function consult(office: Office) {
  await office.talkWithPeg();
  await office.consult('Ilse Varga');
  await office.passAndReturn('5 s', 3);
}

async function openEnds(office: Office, page: Page) {
  await office.open('/');
  await page.getByRole('list', { name: /^Who waits/ }).waitFor();
}

async function openPerson(office: Office, page: Page, name: string) {
  await openEnds(office, page);
  await page
    .getByRole('listitem', { name })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
  await page.getByRole('img', { name: 'A weather mast bent over a dry-stone wall' }).waitFor();
}

/** The van phone is pulled beyond its stage, and what is wrong with that is found. */
async function pullTooLong(page: Page) {
  await page.getByRole('slider', { name: 'Van phone ends' }).focus();
  for (let times = 0; times < 2; times++) await page.keyboard.press('PageUp');
  await page.getByRole('note').first().scrollIntoViewIfNeeded();
}

const see = (page: Page, view: string) =>
  page.getByRole('radiogroup', { name: 'See' }).getByRole('radio', { name: view, exact: true }).click();

/** Everything goes to Ilse from Tuesday noon to Friday morning. */
async function forwardAll(office: Office, page: Page) {
  await office.open('/standing');
  const forward = page.getByRole('region', { name: 'Forward everything' });
  await forward.getByRole('radio', { name: 'a colleague' }).click();
  await forward.getByRole('radio', { name: 'Ilse Varga' }).click();
  await forward.getByRole('textbox', { name: /^From/ }).fill('Tue 12:00');
  await forward.getByRole('textbox', { name: /^Until/ }).fill('2026-12-04 8:00');
  await forward.getByRole('button', { name: 'Forward everything' }).click();
}

const shots: readonly Shot[] = [
  {
    name: 'everything',
    go: async (office, page) => {
      await office.open('/everything');
      await page.getByRole('button', { name: /^10:28 Cawder/ }).waitFor();
    },
  },
  {
    name: 'directory',
    go: async (office, page) => {
      await office.open('/sources');
      await page.getByRole('button', { name: /^Bring in.*Customer list/ }).click();
      await office.goTo('Directory');
      await page.getByRole('navigation', { name: 'Go to a letter' }).waitFor();
    },
  },
  {
    name: 'dial',
    go: async (office, page) => {
      await office.open('/dial');
      await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('pe');
      await page.getByRole('button', { name: /^Peg Anstey/ }).waitFor();
    },
  },
  {
    name: 'plan',
    go: async (office, page) => {
      await office.open('/plan');
      await pullTooLong(page);
    },
  },
  { name: 'standing', go: (office) => office.open('/standing') },
  {
    name: 'week',
    go: async (office, page) => {
      await forwardAll(office, page);
      await office.goTo('Ring plan');
      await see(page, 'Week');
      await page.getByRole('button', { name: /^Tue 1 12:00/ }).click();
    },
  },
  {
    name: 'look-back',
    go: async (office, page) => {
      await office.open('/plan');
      await page.getByRole('button', { name: /^This app/ }).click();
      await page.getByRole('button', { name: 'Remove it: this app' }).click();
      await see(page, 'Look back');
      await page
        .getByRole('region', { name: 'Look back' })
        .getByRole('button', { name: 'Look back' })
        .click();
      await page.getByText(/calls you would have taken/).waitFor();
    },
  },
  {
    name: 'wide-route',
    size: wide,
    go: async (office, page) => {
      await office.open('/office/route');
      await page.getByText(/30 days: [1-9]\d* calls/).waitFor();
    },
  },
  {
    name: 'incoming',
    go: async (office) => {
      await openEnds(office, office.page);
      await office.page.setViewportSize(wide);
      await office.callIn('Cawder Flood Watch', 'Flood desk');
      await office.letPass('5 s');
      await office.page.setViewportSize(phone);
    },
  },
  {
    name: 'loose-ends',
    go: async (office, page) => {
      await openEnds(office, page);
      await page.getByRole('button', { name: /^Play .* from Cawder/ }).click();
      await page.getByRole('group', { name: 'Words' }).getByText('sluice', { exact: true }).click();
      await page.getByRole('button', { name: 'Pause the voicemail' }).click();
    },
  },
  { name: 'two-calls', go: consult },
  {
    name: 'meeting',
    go: async (office, page) => {
      await office.meetWithIlse();
      await page.getByRole('img', { name: 'Ilse Varga’s camera' }).waitFor();
      await office.act('Hand').click();
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
    name: 'timeline',
    go: async (office, page) => {
      await openPerson(office, page, 'Peg Anstey');
      await page.getByRole('textbox', { name: /^Text to/ }).fill('I come by at two and look at it.');
    },
  },
  {
    name: 'outside',
    go: async (office, page) => {
      await office.open('/outside');
      await page.getByRole('region', { name: 'Call in' }).waitFor();
    },
  },
  {
    name: 'office',
    go: async (office, page) => {
      await office.open('/office');
      await page.getByText('Nothing', { exact: true }).waitFor();
    },
  },
  {
    name: 'wide-loose-ends',
    size: wide,
    go: (office, page) => openPerson(office, page, 'Peg Anstey'),
  },
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
      await page.getByRole('button', { name: 'Understood' }).click();
    },
  },
];

async function take(browser: Browser, { name, size = phone, dark = false, go }: Shot) {
  const context = await browser.newContext({
    serviceWorkers: 'block',
    baseURL: `http://localhost:${port}`,
    viewport: size,
    colorScheme: dark ? 'dark' : 'light',
    reducedMotion: 'reduce',
    locale: 'en-GB',
  });
  const page = await context.newPage();
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
  const browser = await chromium.launch({ executablePath: wholeChromiumPath, args: chromiumFlags });
  for (const shot of shots.filter(({ name }) => only.length === 0 || only.includes(name)))
    await take(browser, shot);
  await browser.close();
  server.closeAllConnections();
  server.close();
  console.log(`Pictures are in ${folder}.`);
}

void main();
