import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';

import type { Page } from '@playwright/test';
import express from 'express';

import { createServer } from '../../server/createServer';
import { expect, sampleNow, test as base, type Office } from './office';

/** A server of the test's own, which it can take away, and from which it can give another build. */
interface Site {
  address: string;
  stop: () => Promise<void>;
  /** The service worker that it gives from now on. */
  giveWorker: (text: string) => void;
}

const dist = `${process.cwd()}/dist`;
const test = base.extend<{ site: Site }>({
  serviceWorkers: 'allow',
  site: async ({}, give) => {
    let worker: string | null = null;
    const app = express();
    app.use('/sw.js', (_, response, next) => {
      if (worker === null) next();
      else response.type('text/javascript').send(worker);
    });
    // Nothing is delivered here.
    app.use('/api', (_, response) => void response.json([]));
    app.use(createServer(dist));
    const server = app.listen(0);
    const stop = () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      });
    const { port } = server.address() as AddressInfo;
    await give({ address: `http://localhost:${port}`, stop, giveWorker: (text) => (worker = text) });
    await stop();
  },
  baseURL: ({ site }, give) => give(site.address),
});

/** Opened once, the app is kept on the device. */
async function openAndKeep({ page }: Office) {
  await page.goto(`/?now=${sampleNow}`);
  await expect(page.getByText(/people wait for an answer/)).toBeVisible();
  await page.waitForFunction(async () => {
    await navigator.serviceWorker.ready;
    return navigator.serviceWorker.controller !== null;
  });
  // What is on its way when the network goes is lost, and would be told as a fault: the sounds of the sample are fetched at the start.
  await page.waitForLoadState('networkidle');
}

const places = [
  '/',
  '/dial',
  '/plan',
  '/directory',
  '/office',
  '/everything',
  '/voicemails',
  '/notes',
  '/followups',
  '/rooms',
  '/fax',
  '/standing',
  '/telling',
  '/tones',
  '/connection',
  '/devices',
  '/ready',
  '/share',
  '/place',
  '/settings',
  '/archive',
  '/outside',
  '/begin',
  '/import',
  '/alike',
  '/sources',
  '/office/people',
  '/office/lines',
  '/office/teams',
  '/office/menus',
  '/office/conferences',
  '/office/rules',
  '/office/log',
  '/office/findings',
  '/office/figures',
  '/office/route',
];

test('after the first visit every place opens with no network and no server', async ({
  office,
  page,
  context,
  site,
}) => {
  await openAndKeep(office);
  await site.stop();
  await context.setOffline(true);
  for (const path of places) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).not.toHaveText('Starting');
    await expect(page.getByText('No network.', { exact: false }).first()).toBeVisible();
    await expect(page.getByText(/could not be (fetched|shown|opened)|can’t be fetched/i)).toHaveCount(0);
  }
  await page.goto('/office');
  await expect(page.getByRole('region', { name: 'On this device', exact: true })).toContainText(
    'it opens with no network',
  );
  expect(await office.axeViolations()).toEqual([]);
});

/** Chromium's own opinion of whether it can be installed. */
async function whyNotInstallable(page: Page) {
  const session = await page.context().newCDPSession(page);
  const { installabilityErrors } = await session.send('Page.getInstallabilityErrors');
  const { errors } = await session.send('Page.getAppManifest');
  return [...installabilityErrors.map(({ errorId }) => errorId), ...errors.map(({ message }) => message)];
}

test('it can be installed, and dials what a telephone link asks for', async ({ office, page }) => {
  await openAndKeep(office);
  const errors = await whyNotInstallable(page);
  // A window that leaves nothing behind can install nothing.
  expect(errors.filter((error) => error !== 'in-incognito')).toEqual([]);
  await page.goto(`/dial?to=${encodeURIComponent('tel:+441174960155')}`);
  await expect(page.getByText(/Peg Anstey, 0117 496 0155/).first()).toBeVisible();
});

test('a newer version waits while a call is on, and is used by all tabs when it is asked for', async ({
  office,
  page,
  site,
}) => {
  await openAndKeep(office);
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  // What the server gives from now on is another build.
  site.giveWorker(`${readFileSync(`${dist}/sw.js`, 'utf8')}\n// Another build.`);
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  const notice = page.getByText(/A newer Cendro is here/).first();
  await expect(notice).toBeVisible();
  await page.getByRole('button', { name: 'Use it now' }).first().click();
  await expect(page.getByText('You are in a call. End it first.')).toBeVisible();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Use it now' }).first().click();
  await expect(notice).toHaveCount(0);
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
});

test('where it can’t be kept that is said, and the app works', async ({ office, page, site }) => {
  site.giveWorker("oninstall = (event) => event.waitUntil(Promise.reject(new Error('No room')));");
  await page.goto(`/office?now=${sampleNow}`);
  await expect(page.getByRole('region', { name: 'On this device', exact: true })).toContainText(
    'could not be kept',
  );
  await office.goTo('Dial');
  await expect(page.getByRole('textbox', { name: 'Number, extension or name' })).toBeVisible();
});

/** As a system hands something over (Web Share Target API): what a form would send, to the app's address. */
async function handOver(page: Page, text: string, file: { name: string; type: string; base64: string }) {
  await page.evaluate(
    async ({ words, given }) => {
      const form = new FormData();
      form.set('text', words);
      const bytes = Uint8Array.from(atob(given.base64), (letter) => letter.charCodeAt(0));
      form.set('files', new File([bytes], given.name, { type: given.type }));
      // The page that the answer leads to is opened below.
      await fetch('/share', { method: 'POST', body: form, redirect: 'manual' });
    },
    { words: text, given: file },
  );
  await page.goto('/share');
}

/** One white point. */
const picture =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==';

test('another app shares words, a picture or a card, with no network too: it lies where it can be sent', async ({
  office,
  page,
  context,
  site,
}) => {
  await openAndKeep(office);
  await site.stop();
  await context.setOffline(true);
  await handOver(page, 'Gate 3 is open', { name: 'gate.png', type: 'image/png', base64: picture });
  await expect(page.getByRole('heading', { name: 'Passed to Cendro' })).toBeVisible();
  await expect(page.getByText('Gate 3 is open')).toBeVisible();
  await expect(page.getByText('gate.png')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('textbox', { name: 'Whom is it for?' }).fill('Three Becks');
  await page.getByRole('button', { name: /^Three Becks/ }).click();
  await expect(page.getByRole('textbox', { name: /^Text to/ })).toHaveValue('Gate 3 is open');
  await expect(page.getByText(/^With gate.png/)).toBeVisible();

  // Taken once: nothing waits any more.
  await page.goto('/share');
  await expect(page.getByText('Nothing was passed on')).toBeVisible();

  const card = 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Tilda Marsh\r\nTEL:+441632960123\r\nEND:VCARD\r\n';
  await handOver(page, '', { name: 'tilda.vcf', type: 'text/vcard', base64: btoa(card) });
  await page.getByRole('button', { name: 'Bring the card in' }).click();
  await expect(page.getByText('Tilda Marsh')).toBeVisible();
});
