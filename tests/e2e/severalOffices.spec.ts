import type { Browser } from '@playwright/test';

import { expect, Office, test } from './office';
import { invite, joinBy, ServedOffice, signIn } from './servedOffice';

const served = new ServedOffice();
const names = ['mill.localhost', 'yard.localhost'];

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => served.start({ CENDRO_OFFICES: names.join(', ') }));
test.afterAll(async () => served.end());

async function browserAt(browser: Browser, baseURL: string) {
  const context = await browser.newContext({
    ...{ baseURL, viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'block' },
  });
  const page = await context.newPage();
  return { page, office: new Office(page) };
}

test('two offices live in one process: each is asked for by its name, and nobody of one is known in the other', async ({
  browser,
}) => {
  const [mill, yard] = served.waysIn;
  if (!mill || !yard) throw new Error('Not both have given a way in.');
  expect([mill, yard].map(({ address }) => new URL(address).hostname)).toEqual(names);
  const miller = await browserAt(browser, mill.address);
  await joinBy(miller, mill.path, mill.pin);
  const yardman = await browserAt(browser, yard.address);
  // What lets in at the one does not at the other.
  await yardman.page.goto(mill.path);
  await yardman.page.getByRole('textbox', { name: 'PIN' }).fill(mill.pin);
  await yardman.page.getByRole('button', { name: 'Join' }).click();
  await expect(yardman.page.getByText(/^That link is not of this office/)).toBeVisible();
  await joinBy(yardman, yard.path, yard.pin);

  const way = await invite(miller, 'Bela Sorrel');
  const bela = await browserAt(browser, mill.address);
  await joinBy(bela, way.path, way.pin);
  await bela.office.call('201');
  await expect(miller.office.answer()).toBeVisible();
  await expect(yardman.office.answer()).toHaveCount(0);
  await miller.office.answer().click();
  await expect(bela.office.youHear('You hear Administrator')).toBeVisible();

  // The process falls with both; both are there again, the one with its call.
  await served.kill();
  await served.start({ CENDRO_OFFICES: names.join(', ') });
  for (const { page } of [miller, yardman]) await expect(page.getByText(/No network/)).toHaveCount(0);
  await expect(bela.office.youHear('You hear Administrator')).toBeVisible();
  await bela.office.end().click();
  const second = await browserAt(browser, yard.address);
  await signIn(second, '201', yard.pin);
  await miller.office.goTo('Directory');
  await expect(miller.page.getByText('Bela Sorrel').first()).toBeVisible();
  await second.office.goTo('Directory');
  await expect(second.page.getByRole('textbox').first()).toBeVisible();
  await expect(second.page.getByText('Bela Sorrel')).toHaveCount(0);

  // Neither has been given a mail server: no address can be told, and it says why.
  await second.page.goto('/telling');
  const byMail = second.page.getByRole('region', { name: 'By mail' });
  await expect(byMail.getByText(/^This office sends no mail/)).toBeVisible();
  await expect(byMail.getByRole('textbox')).toHaveCount(0);
  await expect(second.page.getByRole('textbox', { name: 'Web address of the program' })).toBeVisible();

  // Under a name that is nobody’s there is no office.
  const answer = await fetch(`${served.address}/`);
  expect([answer.status, await answer.text()]).toEqual([421, 'No office goes by that name here.']);
  expect((await fetch(`${served.address}/readyz`)).status).toBe(200);
});
