import { readFile } from 'node:fs/promises';

import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** Everybody who can be reached: found, made a favourite, brought in from a file. */

const directory = (page: Page) => page.getByRole('region', { name: 'Directory' });

async function openDirectory(office: Office) {
  await office.open('/directory');
  await expect(directory(office.page)).toBeVisible();
}

async function bringIn(page: Page, name: string, mimeType: string, buffer: Buffer) {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose the file' }).click();
  await (await chooser).setFiles({ name, mimeType, buffer });
}

test(
  'everybody stands under a letter, is found as one types, and is called in one tap',
  { tag: '@phone' },
  async ({ office, page }) => {
    await openDirectory(office);
    await expect(page.getByRole('group', { name: 'Field team' })).toContainText(
      'Field team 250: 2 of 2 free',
    );
    await expect(directory(page).getByRole('heading', { name: 'B' })).toBeVisible();
    expect(await office.axeViolations()).toEqual([]);
    const field = page.getByRole('textbox', {
      name: 'Find by name, number, keypad letters, or what was said',
    });
    await field.fill('an pe');
    await expect(directory(page).getByRole('listitem')).toHaveCount(1);
    await field.fill('734');
    await expect(directory(page).getByRole('button', { name: /^Peg Anstey/ })).toBeVisible();
    await field.fill('nobody of that name');
    await expect(page.getByText('Nobody found')).toBeVisible();
    await field.fill('ilse');
    await page.getByRole('button', { name: '201, call Ilse Varga' }).click();
    await expect(office.stopCalling().or(office.end())).toBeVisible();
  },
);

test('somebody is found by what they said to the mailbox, and with a letter wrong', async ({
  office,
  page,
}) => {
  await openDirectory(office);
  const field = page.getByRole('textbox', { name: 'Find by name, number, keypad letters, or what was said' });
  await field.fill('sluice');
  await expect(
    directory(page)
      .getByRole('button', { name: /Cawder Flood Watch/ })
      .first(),
  ).toBeVisible();
  await field.fill('bexholow');
  await expect(
    directory(page)
      .getByRole('button', { name: /Bexhollow/ })
      .first(),
  ).toBeVisible();
  await field.fill('peg ansty');
  await directory(page)
    .getByRole('button', { name: /^.*Peg Anstey/ })
    .first()
    .click();
  // Their numbers stand on their page.
  await expect(page.getByText(/home\s0117\s496\s0155 · mobile\s07700\s900155/)).toBeVisible();
});

test('a contact taken out by mistake is put back', async ({ office, page }) => {
  await openDirectory(office);
  await page.getByRole('button', { name: 'Add or bring in' }).click();
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Zoe Quarrie');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Zoe Quarrie is in the directory.')).toBeVisible();
  // Told once it is written: closed at this very moment, wherever that is, it is there.
  await page.reload();
  await office.goTo('Directory');
  const find = page.getByRole('textbox', { name: 'Find by name, number, keypad letters, or what was said' });
  await find.fill('quarrie');
  await directory(page)
    .getByRole('button', { name: /^(?!Call).*Zoe Quarrie/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'Zoe Quarrie' })).toBeVisible();
  await page
    .getByRole('button', { name: /^More for/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Details' }).click();
  await office.sheet().getByRole('button', { name: 'Remove from the directory' }).click();
  await page.getByRole('button', { name: 'Undo: Zoe Quarrie back' }).click();
  await expect(page.getByText('Zoe Quarrie is in the directory again.')).toBeVisible();
  await page
    .getByRole('textbox', { name: 'Find by name, number, keypad letters, or what was said' })
    .fill('quarrie');
  await expect(
    directory(page)
      .getByRole('button', { name: /Zoe Quarrie/ })
      .first(),
  ).toBeVisible();
});

test('favourites stand in the worker’s own order', async ({ office, page }) => {
  await openDirectory(office);
  for (const name of ['Bryn Castellan', 'Cawder Flood Watch']) {
    await directory(page)
      .getByRole('button', { name: new RegExp(`^.*${name}`) })
      .first()
      .click();
    await page
      .getByRole('button', { name: /^More for/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Favourite' }).click();
    await office.goTo('Directory');
  }
  await page.getByRole('radio', { name: 'Favourites' }).click();
  const names = () => directory(page).getByRole('listitem').allTextContents();
  expect((await names())[0]).toContain('Bryn Castellan');
  await page.getByRole('button', { name: 'Up: Cawder Flood Watch' }).click();
  expect((await names())[0]).toContain('Cawder Flood Watch');
  await page.reload();
  await page.getByRole('radio', { name: 'Favourites' }).click();
  expect((await names())[0]).toContain('Cawder Flood Watch');
});

test('five thousand cards are read beside the page, seen first, taken in, found, and kept', async ({
  office,
  page,
}) => {
  await openDirectory(office);
  await page.getByRole('button', { name: 'Add or bring in' }).click();
  await page.getByRole('button', { name: 'Bring people in' }).click();
  await bringIn(page, 'hello.txt', 'text/plain', Buffer.from('neither one nor the other'));
  await expect(page.getByText(/^Line 1: This is not a table/)).toBeVisible();
  await page.getByRole('button', { name: 'Another file' }).click();

  const cards = Array.from({ length: 5_000 }, (_, at) =>
    [
      'BEGIN:VCARD',
      'VERSION:3.0',
      `FN:Harald Raske ${at}`,
      `TEL;TYPE=CELL:0770090${1000 + (at % 9000)}`,
      'END:VCARD',
    ].join('\r\n'),
  );
  cards[3] = 'BEGIN:VCARD\r\nVERSION:3.0\r\nTEL:1\r\nEND:VCARD';
  await bringIn(page, 'people.vcf', 'text/vcard', Buffer.from(cards.join('\r\n')));
  const read = page.getByRole('region', { name: 'What was read' });
  await expect(read).toContainText('4999 people can be added');
  await expect(read).toContainText('Line 16: This card has neither a name nor a firm.');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Add 4999 people' }).click();
  await expect(page.getByText('4999 people are in the directory.')).toBeVisible();
  await page.getByRole('button', { name: 'Directory' }).click();
  const field = page.getByRole('textbox', { name: 'Find by name, number, keypad letters, or what was said' });
  await field.fill('ras 4711');
  await expect(
    directory(page)
      .getByRole('button', { name: /^.*Harald Raske 4711/ })
      .first(),
  ).toBeVisible();
  await page.reload();
  await field.fill('ras 4711');
  await expect(
    directory(page)
      .getByRole('button', { name: /^.*Harald Raske 4711/ })
      .first(),
  ).toBeVisible();
});

test('a table in an old code page is read by its columns', async ({ office, page }) => {
  await office.open('/import');
  const table =
    'Vorname;Nachname;Firma;Handy;X\r\nJ\xf6rg;M\xfcller;Wehrbau;07700 900124;1\r\n;;;07700 900125;2\r\n';
  await bringIn(page, 'kunden.csv', 'text/csv', Buffer.from(table, 'latin1'));
  const columns = page.getByRole('region', { name: 'Columns' });
  await expect(
    columns.getByRole('radiogroup', { name: 'Handy' }).getByRole('radio', { name: 'a number' }),
  ).toBeChecked();
  for (const column of ['Vorname', 'Nachname', 'Firma'])
    await columns
      .getByRole('radiogroup', { name: column })
      .getByRole('radio', { name: 'not needed' })
      .click();
  await columns.getByRole('button', { name: 'Use these columns' }).click();
  await expect(columns.getByRole('alert')).toHaveText('Say which column holds the name, or the firm.');
  await columns
    .getByRole('radiogroup', { name: 'Vorname' })
    .getByRole('radio', { name: 'first name' })
    .click();
  await columns
    .getByRole('radiogroup', { name: 'Nachname' })
    .getByRole('radio', { name: 'family name' })
    .click();
  expect(await office.axeViolations()).toEqual([]);
  await columns.getByRole('button', { name: 'Use these columns' }).click();
  await expect(page.getByText('Line 3: There is neither a name nor a firm in this row.')).toBeVisible();
  await page.getByRole('button', { name: 'Add 1 person' }).click();
  await expect(page.getByText('1 person is in the directory.')).toBeVisible();
  const found = async () => {
    await office.goTo('Directory');
    await page
      .getByRole('textbox', { name: 'Find by name, number, keypad letters, or what was said' })
      .fill('jorg mul');
    return directory(page).getByRole('button', { name: /^.*Jörg Müller/ });
  };
  await expect((await found()).first()).toBeVisible();
});

for (const [word, name, type] of [
  ['vCards', 'people.vcf', 'text/vcard'],
  ['a table', 'people.csv', 'text/csv'],
] as const)
  test(`one’s own people as ${word}, brought in again, change nothing`, async ({ office, page }) => {
    await office.open('/import');
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: `Save 9 people as ${word}` }).click();
    await bringIn(page, name, type, await readFile(await (await saved).path()));
    if (type === 'text/csv') await page.getByRole('button', { name: 'Use these columns' }).click();
    const read = page.getByRole('region', { name: 'What was read' });
    await expect(read).toContainText('9 people are here already, with the same details, and left out.');
    await expect(read).toContainText('Nobody new is in it');
    await expect(page.getByRole('button', { name: /^Add \d/ })).toHaveCount(0);
  });

test('a photo of a vCard comes in with its card', async ({ office, page }) => {
  await office.open('/import');
  const png =
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  const card = `BEGIN:VCARD\nVERSION:3.0\nFN:Ann Ashby\nTEL:0131 496 0142\nPHOTO;ENCODING=b;TYPE=PNG:${png}\nEND:VCARD`;
  await bringIn(page, 'ann.vcf', 'text/vcard', Buffer.from(card));
  await page.getByRole('button', { name: 'Add 1 person' }).click();
  await expect(page.getByText('1 person is in the directory.')).toBeVisible();
  await expect(page.getByText(/^Added without/)).toHaveCount(0);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save 10 people as vCards' }).click();
  expect(await readFile(await (await saved).path(), 'utf8')).toContain('data:image/jpeg');
});

test('everybody of a file is shown before any is taken in', async ({ office, page }) => {
  await office.open('/import');
  const cards = ['Ann Ashby', 'Bo Birk', 'Cy Cray'].map(
    (name, at) => `BEGIN:VCARD\nVERSION:4.0\nFN:${name}\nTEL:0131 496 014${at}\nEND:VCARD`,
  );
  await bringIn(page, 'three.vcf', 'text/vcard', Buffer.from(cards.join('\n')));
  const list = page.getByRole('region', { name: 'Who can be added' });
  await expect(list.getByRole('listitem')).toHaveCount(3);
  await expect(list).toContainText('Cy Cray0131 496 0142');
});

test('what was taken in by mistake is taken out again', async ({ office, page }) => {
  await office.open('/import');
  await bringIn(
    page,
    'one.vcf',
    'text/vcard',
    Buffer.from('BEGIN:VCARD\nVERSION:4.0\nFN:Zoe Quarrie\nPHOTO:data:image/png;base64,AAAA\nEND:VCARD'),
  );
  await page.getByRole('button', { name: 'Add 1 person' }).click();
  await expect(page.getByText(/^Added without their photo, .*: Zoe Quarrie\.$/)).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save 10 people as vCards' }).click();
  const cards = await readFile(await (await saved).path(), 'utf8');
  expect(cards.match(/^BEGIN:VCARD/gm)).toHaveLength(10);
  expect(cards).toContain('FN:Zoe Quarrie');
  await page.getByRole('button', { name: 'Undo: remove them again' }).click();
  await office.goTo('Directory');
  await page
    .getByRole('textbox', { name: 'Find by name, number, keypad letters, or what was said' })
    .fill('quarrie');
  await expect(page.getByText('Nobody found')).toBeVisible();
});
