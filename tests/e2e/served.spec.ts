import type { Browser, Page } from '@playwright/test';

import { expect, Office, test } from './office';
import { invite, joinBy, ServedOffice } from './servedOffice';

const served = new ServedOffice();

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => served.start());
test.afterAll(async () => served.end());

/** Somebody's own browser, which knows nothing of the others'. */
async function browserOf(browser: Browser): Promise<{ page: Page; office: Office }> {
  const context = await browser.newContext({
    baseURL: served.address,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'block',
    permissions: ['microphone', 'clipboard-read', 'clipboard-write'],
  });
  const page = await context.newPage();
  return { page, office: new Office(page) };
}

test('two people in two browsers share an office: they join, call, write, and find all of it after the server was killed', async ({
  browser,
}) => {
  const admin = await browserOf(browser);
  // Nobody gets in who shows nothing, nor what an office of a browser has.
  await admin.page.goto('/');
  await expect(admin.page.getByRole('heading', { name: 'Sign in to Our office' })).toBeVisible();
  const wayIn = served.wayIn;
  if (!wayIn) throw new Error('The server gave no way in.');
  await joinBy(admin, wayIn.path, wayIn.pin);

  const { path, pin } = await invite(admin, 'Bela Sorrel');
  const bela = await browserOf(browser);
  await joinBy(bela, path, pin);
  // What a browser keeps of it, carried to another, lets nobody in there.
  const stolen = await browserOf(browser);
  const kept = await bela.page.evaluate(() => ({ ...localStorage }));
  await stolen.page.goto('/left.html');
  await stolen.page.evaluate((all) => Object.assign(localStorage, all), kept);
  await stolen.page.goto('/');
  await expect(stolen.page.getByText(/signed out/i).first()).toBeVisible();
  await stolen.page.context().close();

  // The link lets one device in.
  const third = await browserOf(browser);
  await third.page.goto(path);
  await third.page.getByRole('textbox', { name: 'PIN' }).fill(pin);
  await third.page.getByRole('button', { name: 'Join' }).click();
  await expect(third.page.getByText(/has been used/)).toBeVisible();

  // One rings the other.
  await bela.office.call('201');
  await admin.office.answer().click();
  await expect(admin.office.youHear('You hear Bela Sorrel')).toBeVisible();
  await expect(bela.office.youHear('You hear Administrator')).toBeVisible();
  await bela.page.getByRole('button', { name: 'Hold', exact: true }).click();
  await expect(admin.page.getByText(/on hold|music/i).first()).toBeVisible();
  await bela.page.getByRole('button', { name: 'Talk again' }).click();
  await expect(admin.office.youHear('You hear Bela Sorrel')).toBeVisible();

  // Killed in the middle of it: both say so, and when it is there again the call is.
  await served.kill();
  for (const { page } of [admin, bela]) await expect(page.getByText(/No network/).first()).toBeVisible();
  await served.start();
  for (const { page } of [admin, bela]) await expect(page.getByText(/No network/)).toHaveCount(0);
  await expect(admin.office.youHear('You hear Bela Sorrel')).toBeVisible();
  await bela.office.end().click();
  await expect(admin.page.getByText('Answered', { exact: true })).toBeVisible();

  // What is written is with the other at once, and after another fall too.
  await bela.office.goTo('Directory');
  await bela.page
    .getByRole('button', { name: /Administrator/ })
    .first()
    .click();
  const field = bela.page.getByRole('textbox', { name: 'Message to Administrator' });
  await field.fill('The lower gate is open');
  await bela.page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(field).toHaveValue('');
  await admin.office.goTo('Loose ends');
  await expect(admin.page.getByText('The lower gate is open').first()).toBeVisible();
  await served.kill();
  await served.start();
  await admin.page.reload();
  await expect(admin.page.getByText('The lower gate is open').first()).toBeVisible();
  await admin.office.goToEverything();
  await expect(admin.page.getByText('Bela Sorrel').first()).toBeVisible();
});
