import type { Browser } from '@playwright/test';

import { expect, Office, test } from './office';
import { invite, joinBy, ServedOffice } from './servedOffice';

const served = new ServedOffice();

test.beforeAll(async () => served.start());
test.afterAll(async () => served.end());

async function browserOf(browser: Browser) {
  const context = await browser.newContext({
    ...{ baseURL: served.address, viewport: { width: 390, height: 844 }, hasTouch: true },
    ...{ serviceWorkers: 'allow', permissions: ['microphone'] },
  });
  const page = await context.newPage();
  return { page, office: new Office(page) };
}

test('opens with no server at all: what was there is there, what is written waits through a reload, a call is refused and not made later', async ({
  browser,
}) => {
  const ada = await browserOf(browser);
  const { page, office } = ada;
  if (!served.wayIn) throw new Error('The server gave no way in.');
  await joinBy(ada, served.wayIn.path, served.wayIn.pin);
  const way = await invite(ada, 'Bela Sorrel');
  const bela = await browserOf(browser);
  await joinBy(bela, way.path, way.pin);
  // Something to remember: a call, and a message.
  await bela.office.goTo('Dial');
  await bela.page.getByRole('textbox', { name: 'Number, extension or name' }).fill('201');
  await bela.page.getByRole('button', { name: /^Call/ }).last().click();
  await office.answer().click();
  await office.end().click();
  await page.goto('/everything');
  await expect(page.getByText('Bela Sorrel').first()).toBeVisible();
  await page.waitForFunction(async () => {
    await navigator.serviceWorker.ready;
    return navigator.serviceWorker.controller !== null;
  });
  // What is kept of the office knows Bela by now.
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const all = await indexedDB.databases();
        const texts = await Promise.all(
          all.map(
            ({ name = '' }) =>
              new Promise<string>((resolve) => {
                indexedDB.open(name).onsuccess = ({ target }) => {
                  const { result } = target as IDBOpenDBRequest;
                  const stores = [...result.objectStoreNames];
                  if (stores.length === 0) return resolve('');
                  const asked = result
                    .transaction(stores)
                    .objectStore(stores[0] ?? '')
                    .getAll();
                  asked.onsuccess = () => {
                    result.close();
                    resolve(JSON.stringify(asked.result));
                  };
                };
              }),
          ),
        );
        return texts.some((text) => text.includes('Bela Sorrel') && text.includes('isWhole'));
      }),
    )
    .toBe(true);

  await served.kill();
  await page.goto('/');
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await expect(page.getByText(/^No network/).first()).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await office.goToEverything();
  await expect(page.getByText('Bela Sorrel').first()).toBeVisible();

  // Written, it is seen to wait, also after a reload.
  await office.goTo('Directory');
  await page
    .getByRole('button', { name: /Bela Sorrel/ })
    .first()
    .click();
  await page.getByRole('textbox', { name: 'Message to Bela Sorrel' }).fill('Water at the lower gate');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByText('Water at the lower gate').first()).toBeVisible();
  await page.reload();
  await expect(page.getByText('Water at the lower gate').first()).toBeVisible();

  // A call can't wait.
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('200');
  await page.getByRole('button', { name: /^Call/ }).last().click();
  await expect(page.getByText(/The office is not reached now/)).toBeVisible();

  await served.start();
  await expect(page.getByText(/^No network/)).toHaveCount(0);
  await bela.office.goTo('Loose ends');
  await expect(bela.page.getByText('Water at the lower gate').first()).toBeVisible();
  await expect(bela.office.answer()).toHaveCount(0);
  await expect(office.end()).toHaveCount(0);
  // And it goes on from there.
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('200');
  await page.getByRole('button', { name: /^Call/ }).last().click();
  await bela.office.answer().click();
  await expect(office.end()).toBeVisible();
  for (const each of [ada, bela]) await each.page.context().close();
});
