import type { Page } from '@playwright/test';

import { expect, test } from './office';

const places = (page: Page) => page.getByRole('list', { name: 'Places of the route' });
const counted = (page: Page) => page.getByText(/30 days: [1-9]\d* calls?, /);

async function follow(page: Page, line: string) {
  await page.getByRole('button', { name: 'Another number' }).click();
  await page
    .getByRole('list', { name: 'Numbers' })
    .getByRole('button', { name: new RegExp(`^${line}`) })
    .click();
  await expect(page.getByText(new RegExp(`^${line} · 30 days: `))).toBeVisible();
}

test('calls are followed from a number to their ends, those who gave up are opened, and the menu is changed from there', async ({
  office,
  page,
}) => {
  await office.open('/office');
  await page.getByRole('button', { name: /^Route/ }).click();
  await expect(counted(page)).toBeVisible();
  await follow(page, 'Main');
  await expect(counted(page)).toContainText(/gave up/);
  const ilse = places(page).getByRole('button', { name: /^Ilse Varga \d/ });
  await expect(ilse).toContainText(/\d+ taken/);
  const lost = Number(/(\d+) gave up/.exec((await ilse.textContent()) ?? '')?.[1]);
  expect(await office.axeViolations()).toEqual([]);

  await ilse.click();
  expect(await office.axeViolations()).toEqual([]);
  await office
    .sheet()
    .getByRole('button', { name: `See them: ${lost} gave up` })
    .click();
  await expect(office.sheet().getByRole('heading', { name: `The ${lost} calls` })).toBeVisible();
  await expect(
    office
      .sheet()
      .getByRole('list', { name: /^Calls: Ilse Varga: gave up/ })
      .getByRole('listitem')
      .first(),
  ).toContainText(/Main · gave up after/);
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await office.sheet().getByRole('button', { name: 'Close' }).click();

  // The same place in the picture.
  await page.getByRole('button', { name: /^Night menu ?\d+ calls$/ }).click();
  await office.sheet().getByRole('button', { name: 'Change the menu' }).click();
  await expect(page.getByRole('textbox', { name: 'Key 2 leads to' })).toHaveValue('201');
});

test('a call is tried at night, with a key, and its seconds are played', async ({ office, page }) => {
  await office.open('/office/route');
  await expect(counted(page)).toBeVisible();
  await follow(page, 'Main');
  await page.getByRole('button', { name: 'Try a call' }).click();
  const tried = page.getByRole('region', { name: 'The tried call' });
  await expect(tried).toContainText('Ilse Varga’s desk phone rings from 0 to 20 s');
  await page.getByRole('button', { name: 'Moment: now' }).click();
  await page.getByRole('textbox', { name: /^Another moment/ }).fill('Sun 3:00');
  await page.getByRole('button', { name: 'Ask for then' }).click();
  await expect(tried).toContainText('From second 0: Night menu');
  await tried.getByRole('radio', { name: /^2: Ilse Varga/ }).click();
  await expect(tried).toContainText('At second 36: Ilse Varga’s mailbox.');
  expect(await office.axeViolations()).toEqual([]);
  const bar = page.getByRole('group', { name: 'Try a call' });
  await bar.getByRole('button', { name: 'Play it' }).click();
  await expect(bar.getByRole('status')).toContainText('Night menu speaks');
  await expect(bar.getByRole('status')).toContainText('Rings: Ilse.');
  await expect(bar.getByRole('status')).toContainText('Now Ilse Varga’s mailbox.');
});

test('a tried call is placed for real, and goes as it was said', async ({ office, page }) => {
  await office.open('/office/route');
  await page.getByRole('button', { name: 'Try a call' }).click();
  await expect(page.getByRole('region', { name: 'The tried call' })).toContainText('This app rings from 0');
  await page.getByRole('button', { name: 'Place it for real' }).click();
  await expect(office.answer()).toBeVisible();
  await office.answer().click();
  await expect(office.end()).toBeVisible();
});

test('a new office shows the route before any call, mends it in its place, and says where no line is', async ({
  office,
  page,
}) => {
  await office.open('/office/route');
  await expect(counted(page)).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByText(/^All numbers · 30 days: /)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Flood desk ?\d+ calls?$/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Today' }).click();
  await expect(page.getByText(/^All numbers · Today: \d+ calls?, /)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
});
