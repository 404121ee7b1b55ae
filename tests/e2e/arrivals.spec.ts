import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** What comes in while I am somewhere else in the app: one stream, in the order it came, each with its act. */

const came = (office: Office) => office.sheet().getByRole('list', { name: 'What came in' });

async function textIn(page: Page, who: string, text: string, where?: string) {
  const part = page.getByRole('region', { name: 'Text in' });
  await part.getByRole('radiogroup', { name: 'Who texts' }).getByRole('radio', { name: who }).click();
  if (where) await part.getByRole('radio', { name: where }).click();
  await part.getByRole('textbox', { name: 'What they text' }).fill(text);
  await part.getByRole('button', { name: / as / }).first().click();
}

/** A call nobody takes, a text, and a line in a room that speaks to me, some seconds apart. */
async function threeThings(office: Office) {
  const { page } = office;
  await office.open('/outside');
  await office.letPass('5 s');
  // On a wide screen a call that rings leaves Outside in view.
  const phone = page.viewportSize();
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Skerrow Harbour');
  await page.getByRole('button', { name: 'Skerrow Harbour: Hang up' }).click();
  if (phone) await page.setViewportSize(phone);
  await office.letPass('5 s');
  await textIn(page, 'Peg Anstey', 'The pump is loud.');
  await office.letPass('5 s');
  await textIn(page, 'Ilse Varga', 'Maren, which battery?', 'Cawder gauges');
}

test('what came in stands in one stream, with its act, and goes once it is dealt with', async ({
  office,
  page,
}) => {
  await threeThings(office);
  await office.goTo('Ring plan');
  const newest = page.getByRole('button', { name: /^Ilse Varga mentions you in Cawder gauges/ });
  await expect(newest).toContainText('2 more');
  expect(await office.axeViolations()).toEqual([]);
  await newest.click();
  const rows = came(office).getByRole('listitem');
  await expect(rows).toHaveText([/^Ilse Varga/, /^Peg Anstey.*The pump is loud/, /^Skerrow Harbour/]);
  expect(await office.axeViolations()).toEqual([]);
  await came(office).getByRole('button', { name: 'Reply: Peg Anstey' }).click();
  await expect(page.getByRole('heading', { name: 'Peg Anstey' })).toBeVisible();
  await expect(newest).toContainText('1 more');
  await page.getByRole('button', { name: 'Reply: Ilse Varga' }).click();
  await expect(page.getByRole('textbox', { name: 'Write in Cawder gauges' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Call: Skerrow Harbour' })).toBeVisible();
});

test('a reload elsewhere loses nothing of it, and what is seen stays seen', async ({ office, page }) => {
  await threeThings(office);
  await office.goTo('Directory');
  const newest = page.getByRole('button', { name: /^Ilse Varga mentions you/ });
  await expect(newest).toContainText('2 more');
  await page.reload();
  await expect(newest).toContainText('2 more');
  await newest.click();
  await office.sheet().getByRole('button', { name: 'All seen' }).click();
  await expect(newest).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'Directory' })).toBeVisible();
  await expect(newest).toBeHidden();
});

test('among the loose ends, where all of it can be seen, nothing is told for long', async ({
  office,
  page,
}) => {
  await threeThings(office);
  await office.goTo('Loose ends');
  const newest = page.getByRole('button', { name: /^Ilse Varga mentions you/ });
  await expect(newest).toBeVisible();
  await office.goOutside();
  await office.letPass('30 s');
  await office.goTo('Loose ends');
  await expect(newest).toBeHidden();
  await office.goTo('Ring plan');
  await expect(newest).toBeHidden();
});

test('a voicemail is heard where it is told, and stays while it is played', async ({ office, page }) => {
  await office.open('/outside');
  await office.letPass('5 s');
  await office.callIn('Peg Anstey', 'Direct');
  await office.refuse().click();
  await office.goOutside();
  await office.letPass('30 s');
  await office.letPass('30 s');
  await office.goTo('Ring plan');
  await page.getByRole('button', { name: 'Listen: Peg Anstey' }).click();
  await expect(came(office).getByRole('button', { name: /^(Play|Pause)/ })).toBeVisible();
  await came(office)
    .getByRole('button', { name: /^(Play|Pause)/ })
    .click();
  await expect(came(office).getByRole('listitem', { name: 'Peg Anstey' })).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: 'Listen: Peg Anstey' })).toBeHidden();
});
