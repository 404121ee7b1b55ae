import { readFile } from 'node:fs/promises';

import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** What a ring plan leads on to: menus, texts back, greetings in one's own voice, phones that are away. */

async function openPlan(office: Office) {
  await office.open('/plan');
  await expect(office.page.getByRole('heading', { name: 'Seconds', exact: true })).toBeVisible();
}

const see = (page: Page, view: string) =>
  page.getByRole('radiogroup', { name: 'See' }).getByRole('radio', { name: view, exact: true }).click();

/** The direct line's calls, which nobody else takes meanwhile, and where they end. */
async function chooseFinish(page: Page) {
  await page.getByRole('button', { name: /^Line:/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('radio', { name: /^Direct/ })
    .click();
  await page.getByRole('button', { name: 'Change the finish when nobody answers' }).click();
  return page.getByRole('dialog');
}

async function force(page: Page) {
  await page.getByRole('button', { name: 'Put it into force' }).click();
  await expect(page.getByText('Your ring plan is in force.')).toBeVisible();
}

test('a rule is carried to another place by its grip', { tag: '@tall' }, async ({ office, page }) => {
  await openPlan(office);
  const rows = page.getByRole('list', { name: 'Rules, the first that fits decides' }).getByRole('listitem');
  await expect(rows.nth(5)).toContainText('6. Any other call');
  await rows.nth(5).scrollIntoViewIfNeeded();
  const from = await rows.nth(5).boundingBox();
  const to = await rows.nth(4).boundingBox();
  if (!from || !to) throw new Error('The rules have no place');
  const gripX = from.x + 12;
  await page.mouse.move(gripX, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(gripX, to.y + 10, { steps: 8 });
  await page.mouse.up();
  await expect(rows.nth(4)).toContainText('5. Any other call');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rows.nth(5)).toContainText('6. Any other call');
});

test('a finish in a menu is followed to its end by the keys, and a caller from outside goes the same way', async ({
  office,
  page,
}) => {
  await openPlan(office);
  await (await chooseFinish(page)).getByRole('button', { name: /^On to Night menu/ }).click();
  const onward = page.getByRole('region', { name: 'And then' });
  await expect(onward).toContainText('From second 25: Night menu');
  await onward.getByRole('radio', { name: '2: Ilse Varga' }).click();
  await expect(onward).toContainText('Ilse Varga’s desk phone rings from 36 to 61 s');
  await expect(onward).toContainText('At second 61: Ilse Varga’s mailbox.');
  await onward.getByRole('radio', { name: 'nothing' }).click();
  await expect(onward).not.toContainText('rings from');
  await force(page);

  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Skerrow Harbour', 'Direct');
  await office.letPass('30 s');
  const caller = page.getByRole('group', { name: /^Skerrow Harbour/ });
  await caller.getByRole('button', { name: 'Press 2, Ilse Varga' }).click();
  await expect(office.phone('Ilse Varga, desk phone')).toContainText('ringing');
});

test('a text back reaches who can be texted, and is kept with the call', async ({ office, page }) => {
  await openPlan(office);
  const sheet = await chooseFinish(page);
  const text = sheet.getByRole('textbox', { name: 'A text back' });
  await text.fill(' ');
  await sheet.getByRole('button', { name: 'Text it from Field texts' }).click();
  await expect(sheet.getByText('Write what they are to read.')).toBeVisible();
  await text.fill('Up a mast. I call at four.');
  await sheet.getByRole('button', { name: 'Text it from Field texts' }).click();
  await force(page);

  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Three Becks', 'Direct');
  await office.letPass('30 s');
  await office.letPass('30 s');
  await office.goToEverything();
  await office.newestOf('Three Becks').click();
  await expect(page.getByText('The finish was a text: “Up a mast. I call at four.”')).toBeVisible();
});

test('a greeting is recorded, lasts as long as it was spoken, and can be typed again', async ({
  office,
  page,
}) => {
  await openPlan(office);
  await see(page, 'Greetings');
  await page.getByRole('button', { name: 'Record it myself: Any other time' }).click();
  await expect(page.getByText(/^Recording, [1-9]\d* s\. Say your greeting\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop, and keep it' }).click();
  await expect(page.getByText(/^In your own voice, \d+ s\.$/)).toBeVisible();
  await force(page);
  await page.reload();
  await see(page, 'Greetings');
  await expect(page.getByText(/^In your own voice, \d+ s\.$/)).toBeVisible();

  await office.open('/standing');
  await page.getByRole('radio', { name: /^Off duty/ }).click();
  await office.callIn('Skerrow Harbour', 'Field service');
  await expect(page.getByRole('group', { name: /^Skerrow Harbour/ })).toContainText(
    /hears: the greeting in their own voice, \d+ s/,
  );

  await office.open('/plan');
  await see(page, 'Greetings');
  await page.getByRole('button', { name: 'Type it instead: Any other time' }).click();
  await expect(page.getByRole('textbox', { name: 'What callers hear: Any other time' })).toHaveValue(
    /I am at a gauge/,
  );
});

test('a greeting is taken from a WAV file; a damaged one is refused with a sentence', async ({
  office,
  page,
}) => {
  await openPlan(office);
  await see(page, 'Greetings');
  const take = async (name: string, buffer: Buffer) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Use a WAV file: Any other time' }).click();
    await (await chooser).setFiles({ name, mimeType: 'audio/wav', buffer });
  };
  const wav = await readFile('public/voices/vm-peg.wav');
  await take('torn.wav', wav.subarray(0, 30));
  await expect(page.getByRole('alert').getByText(/^torn\.wav: /)).toBeVisible();
  await expect(page.getByText(/In your own voice/)).toHaveCount(0);
  await take('greeting.wav', wav);
  await expect(page.getByText('In your own voice, 14 s.')).toBeVisible();
});

test('a phone that is signed out is found in the plan, and left out by one tap', async ({ office, page }) => {
  await office.open('/outside');
  await page.getByRole('radio', { name: 'Maren Oyelaran’s desk phone' }).click();
  await page.getByRole('button', { name: 'Sign it out: Maren Oyelaran’s desk phone' }).click();
  await expect(page.getByRole('button', { name: /^Sign it in/ })).toBeVisible();
  await page.reload();
  await office.goTo('Ring plan');
  await expect(
    page.getByText('Your desk phone is not signed in, so it does not ring now.').first(),
  ).toBeVisible();
});

test('a situation comes by itself outside the working hours, and by hours that are written', async ({
  office,
  page,
}) => {
  await office.open('/standing', '2026-11-26T18:00:00Z');
  const situation = page.getByRole('region', { name: 'Situation' });
  await situation.getByRole('radio', { name: 'By its schedule' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Off duty until Fri 08:00');

  const itself = page.getByRole('region', { name: 'By itself' });
  await itself.getByRole('button', { name: 'Leave out: Off duty outside my working hours' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('No situation');
  await itself.getByRole('button', { name: 'Make a situation automatic' }).click();
  await itself.getByRole('radio', { name: 'In the van' }).click();
  await itself.getByRole('radio', { name: 'at hours I write' }).click();
  const hours = itself.getByRole('textbox');
  await hours.fill('Thu 19–19');
  await itself.getByRole('button', { name: 'Keep this schedule' }).click();
  await expect(itself.getByText('“Thu 19–19” ends when it begins.')).toBeVisible();
  await hours.fill('Thu 17–19');
  await itself.getByRole('button', { name: 'Keep this schedule' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('In the van until 19:00');
});
