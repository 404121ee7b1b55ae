import { chromium, type Browser, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

import { chromiumFlags, chromiumPath } from '../../playwright.config';
import { Office } from '../../tests/e2e/office';
import { directoryWithMany } from './directory';
import { feel } from './feel';
import { percentile, type Figure } from './figures';
import { roomWithMany } from './room';

const runs = 5;
const rings = 100;
const manyRecords = 100_000;

/** Size of the scripts that the page names, as the browser has to have them before anything shows. */
export function firstLoadSize(dist: string): Figure {
  const html = readFileSync(join(dist, 'index.html'), 'utf8');
  const scripts = [...html.matchAll(/<script src="([^"]+)"/g)].map(([, source]) => source ?? '');
  const bytes = scripts.reduce((sum, source) => sum + gzipSync(readFileSync(join(dist, source))).length, 0);
  return {
    name: 'First-load JavaScript, gzipped',
    value: Math.ceil(bytes / 1000),
    unit: 'KB',
    aim: 'at most 480',
    most: 480,
  };
}

/** What a device keeps so that the app opens with no network, as it is fetched. */
export function keptSize(dist: string): Figure {
  const worker = readFileSync(join(dist, 'sw.js'), 'utf8');
  const files = [...worker.matchAll(/\{url:"([^"]+)"/g)].map(([, file]) => file ?? '');
  const bytes = files.reduce((sum, file) => sum + gzipSync(readFileSync(join(dist, file))).length, 0);
  return {
    name: 'Kept on the device, gzipped',
    value: Math.round(bytes / 1024),
    unit: 'KB',
    aim: 'at most 2,560',
    most: 2_560,
  };
}

/** The start with no network, out of what is kept: until the field of Dial can be typed in, with the processor slowed down four times. */
async function offlineStart(browser: Browser, address: string): Promise<Figure> {
  const samples: number[] = [];
  for (let run = 0; run < runs; run++) {
    const page = await newPage(browser, address, 'allow');
    await page.goto('/dial');
    await page.waitForFunction(async () => {
      await navigator.serviceWorker.ready;
      return navigator.serviceWorker.controller !== null;
    });
    await page.context().setOffline(true);
    const devtools = await page.context().newCDPSession(page);
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await page.goto('/dial', { waitUntil: 'commit' });
    await page.getByRole('textbox', { name: 'Number, extension or name' }).waitFor();
    samples.push(await page.evaluate(() => performance.now()));
    await page.context().close();
  }
  return {
    name: 'Dial can be used, second start with no network, 4x slow-down',
    value: Math.round(percentile(samples, 0.5)),
    unit: 'ms',
    aim: 'under 1,200',
    most: 1_200,
  };
}

export async function newPage(
  browser: Browser,
  address: string,
  serviceWorkers: 'allow' | 'block' = 'block',
): Promise<Page> {
  const context = await browser.newContext({
    baseURL: address,
    viewport: { width: 390, height: 844 },
    serviceWorkers,
  });
  const page = await context.newPage();
  // tsx keeps the names of functions with a helper of its own, which the page does not have.
  await page.addInitScript({ content: 'globalThis.__name = (named) => named;' });
  return page;
}

/** From the navigation until the field of Dial can be typed in, with the processor slowed down four times. */
async function startTimes(browser: Browser, address: string): Promise<Figure[]> {
  const first: number[] = [];
  const later: number[] = [];
  for (let run = 0; run < runs; run++) {
    const page = await newPage(browser, address);
    const devtools = await page.context().newCDPSession(page);
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    for (const samples of [first, later]) {
      await page.goto('/dial', { waitUntil: 'commit' });
      await page.getByRole('textbox', { name: 'Number, extension or name' }).waitFor();
      samples.push(await page.evaluate(() => performance.now()));
    }
    await page.context().close();
  }
  const figure = (name: string, samples: number[]): Figure => ({
    name,
    value: Math.round(percentile(samples, 0.5)),
    unit: 'ms',
    aim: 'under 2,500',
    most: 2500,
  });
  return [
    figure('Dial can be used, very first start, 4x slow-down', first),
    figure('Dial can be used, later start, 4x slow-down', later),
  ];
}

/** From the tap that lets a stand-in call until "Answer" is painted, with ninety days of history in the store. */
async function ringingPainted(browser: Browser, address: string): Promise<Figure> {
  const page = await newPage(browser, address);
  const office = new Office(page);
  await office.open('/everything');
  await page.getByRole('button', { name: /^10:28 Cawder/ }).waitFor();
  await office.goOutside();
  const samples: number[] = [];
  for (let ring = 0; ring < rings; ring++) {
    const button = page.getByRole('button', { name: /^Ring Field service as/ });
    await button.waitFor();
    samples.push(
      await button.evaluate(
        (element) =>
          new Promise<number>((resolve) => {
            const began = performance.now();
            const observer = new MutationObserver(() => {
              const isThere = [...document.querySelectorAll('[role=button]')].some(
                ({ textContent }) => textContent === 'Answer',
              );
              if (!isThere) return;
              observer.disconnect();
              requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - began)));
            });
            observer.observe(document.body, { childList: true, subtree: true });
            (element as HTMLElement).click();
          }),
      ),
    );
    await office.refuse().click();
    await office.letPass('30 s');
  }
  await page.context().close();
  return {
    name: '"Ringing" painted after the call came, 99th percentile',
    value: Math.round(percentile(samples, 0.99)),
    unit: 'ms',
    aim: 'under 100',
    most: 100,
  };
}

/** The longest frame while eight parties' cords move, with the processor slowed down four times. */
async function eightCords(browser: Browser, address: string): Promise<Figure> {
  const page = await newPage(browser, address);
  const office = new Office(page);
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  for (let party = 1; party <= 6; party++) {
    await office.act('Add').click();
    await office.sheet().getByRole('textbox').fill(`0131 496 030${party}`);
    await page.keyboard.press('Enter');
    await office.sheet().getByRole('button', { name: 'Ask them in now' }).click();
    await office.passAndReturn('5 s', 2);
  }
  await page.getByText('You hear all 7').waitFor();
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const longest = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const spans: number[] = [];
        let last = performance.now();
        const look = (now: number) => {
          spans.push(now - last);
          last = now;
          if (spans.length < 300) requestAnimationFrame(look);
          // The first frames still belong to what was done before.
          else resolve(Math.max(...spans.slice(20)));
        };
        requestAnimationFrame(look);
      }),
  );
  await page.context().close();
  return {
    name: 'Longest frame while eight parties’ cords move, 4x slow-down',
    value: Math.round(longest),
    unit: 'ms',
    aim: 'at most 33',
    most: 33,
  };
}

/** Multiplies the stored history of the worker, day by day, to about the given number of records. */
async function multiplyHistory(page: Page, wanted: number): Promise<void> {
  await page.evaluate(async (count) => {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('cendro');
      request.onsuccess = () => resolve(request.result);
    });
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve) => {
        request.onsuccess = () => resolve(request.result);
      });
    const store = () => database.transaction('entries', 'readwrite').objectStore('entries');
    const keys = (await done(store().getAllKeys())).filter((key) => String(key).startsWith('history/'));
    const own = (text: string) =>
      text.split('\n').filter((line) => line.includes('"personId":"maren","direction"'));
    let present = 0;
    for (const key of keys) present += own(await done(store().get(key))).length;
    const times = Math.ceil(count / present);
    for (const key of keys) {
      const text: string = await done(store().get(key));
      const [head] = text.split('\n', 1);
      const lines = own(text).flatMap((line) =>
        Array.from({ length: times }, (_, index) => line.replace(/^{"id":"([^"]+)"/, `{"id":"$1-${index}"`)),
      );
      await done(store().put([head, ...lines].join('\n'), key));
    }
  }, wanted);
}

/** The longest frame while a list is scrolled: slowly, and in leaps. */
export function longestFrameScrolling(page: Page, list: string): Promise<number> {
  return page.getByRole('region', { name: list, exact: true }).evaluate(
    (element) =>
      new Promise<number>((resolve) => {
        let longest = 0;
        let last = performance.now();
        let frames = 0;
        const step = (at: number) => {
          if (frames > 2) longest = Math.max(longest, at - last);
          last = at;
          element.scrollTop += frames % 60 < 50 ? 180 : 40_000;
          if (++frames < 300) requestAnimationFrame(step);
          else resolve(longest);
        };
        requestAnimationFrame(step);
      }),
  );
}

/** Everything with very many records: how soon the first rows are there, and the longest frame while scrolling. */
async function everythingWithMany(browser: Browser, address: string): Promise<Figure[]> {
  const page = await newPage(browser, address);
  const office = new Office(page);
  const rows = page.getByRole('region', { name: 'History' }).getByRole('listitem');
  await office.open('/everything');
  await rows.nth(5).waitFor();
  await page.goto('/');
  await page.getByRole('button', { name: /^Call Cawder/ }).waitFor();
  await multiplyHistory(page, manyRecords);

  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.goto('/', { waitUntil: 'commit' });
  await page.getByRole('button', { name: /^Call Cawder/ }).waitFor();
  const looseEnds = await page.evaluate(() => performance.now());
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  await page.goto('/');
  await page.getByRole('link', { name: 'Everything' }).waitFor();
  const firstRows = await page.getByRole('link', { name: 'Everything' }).evaluate(
    (element) =>
      new Promise<number>((resolve) => {
        const began = performance.now();
        (element as HTMLElement).click();
        const look = () => {
          if (document.querySelectorAll('[role=listitem]').length > 5)
            setTimeout(() => resolve(performance.now() - began));
          else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);
      }),
  );

  // The rest is read in the background; scrolling is measured on the whole list.
  await page.waitForFunction(
    (least) => {
      const list = document.querySelector('[role=region][aria-label=History] [role=list]');
      return list !== null && list.clientHeight > least;
    },
    manyRecords * 67,
    { timeout: 180_000 },
  );
  const longestFrame = await longestFrameScrolling(page, 'History');
  await page.context().close();
  return [
    {
      name: 'Loose ends can be used, 100,000 records, 4x slow-down',
      value: Math.round(looseEnds),
      unit: 'ms',
      aim: 'under 2,500',
      most: 2500,
    },
    {
      name: 'Everything, 100,000 records: first rows',
      value: Math.round(firstRows),
      unit: 'ms',
      aim: 'under 300',
      most: 300,
    },
    {
      name: 'Everything, 100,000 records: longest frame while scrolling',
      value: Math.round(longestFrame),
      unit: 'ms',
      aim: 'at most 50',
      most: 50,
    },
  ];
}

export async function benchBrowser(address: string): Promise<Figure[]> {
  const browser = await chromium.launch({ executablePath: chromiumPath, args: chromiumFlags });
  try {
    return [
      ...(await startTimes(browser, address)),
      await offlineStart(browser, address),
      await ringingPainted(browser, address),
      await eightCords(browser, address),
      ...(await everythingWithMany(browser, address)),
      ...(await directoryWithMany(browser, address)),
      ...(await roomWithMany(browser, address)),
      ...(await feel(browser, address)),
    ];
  } finally {
    await browser.close();
  }
}
