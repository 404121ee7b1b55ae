import type { Page } from '@playwright/test';
import { PDFDocument } from 'pdf-lib';

import { expect, test, type Office } from './office';

/** Paper: read on the phone, and sent with its stages. */

async function goToFaxes(office: Office) {
  await office.goTo('Office');
  await office.page.getByRole('button', { name: /^Faxes/ }).click();
  await expect(office.page.getByRole('heading', { level: 1, name: 'Faxes' })).toBeVisible();
}

async function pdfOf(count: number): Promise<Buffer> {
  const document = await PDFDocument.create();
  for (let page = 0; page < count; page++) document.addPage([595, 842]);
  return Buffer.from(await document.save());
}

async function addFile(page: Page, name: string, mimeType: string, buffer: Buffer) {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add a PDF or picture' }).click();
  await (await chooser).setFiles({ name, mimeType, buffer });
}

test(
  'the permit that came is read, and nearer where one wants',
  { tag: '@touch' },
  async ({ office, page }) => {
    await office.open('/');
    await expect(
      page.getByRole('list', { name: /^Who waits/ }).getByRole('listitem', { name: 'Peg Anstey' }),
    ).toContainText('fax');
    await goToFaxes(office);
    await expect(page.getByText('1 not read yet.')).toBeVisible();
    expect(await office.axeViolations()).toEqual([]);
    await page.getByRole('button', { name: /^From Peg Anstey/ }).click();
    const sheet = page.getByRole('img', { name: 'Page 1 of 1' });
    await expect(sheet).toBeVisible();
    const width = async () => (await sheet.boundingBox())?.width ?? 0;
    const fitted = await width();
    await page.getByRole('button', { name: 'Nearer' }).click();
    await expect.poll(width).toBeCloseTo(fitted * 1.5, 0);
    await sheet.click();
    await expect.poll(width).toBeCloseTo(fitted, 0);
    expect(await office.axeViolations()).toEqual([]);
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save PDF' }).click();
    expect((await saved).suggestedFilename()).toBe('Access permit, Lathmoor Farm.pdf');
    await page.getByRole('button', { name: 'Faxes', exact: true }).click();
    await expect(page.getByText('All are read.')).toBeVisible();
  },
);

test('a permit is sent back from a PDF and a picture, with its stages, and closes what waited', async ({
  office,
  page,
}) => {
  await office.open('/fax/sample-fax-1');
  await page.getByRole('button', { name: 'Fax back' }).click();
  await expect(page.getByText('Peg Anstey')).toBeVisible();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByRole('alert').getByText('Add a PDF or a picture first.')).toBeVisible();
  await addFile(page, 'permit signed.pdf', 'application/pdf', await pdfOf(2));
  await addFile(page, 'wall.png', 'image/png', await page.screenshot());
  await expect(page.getByRole('list', { name: 'Pages' }).getByRole('listitem')).toHaveCount(2);
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Send 3 pages to Peg Anstey' }).click();
  await expect(page.getByRole('status').getByText('Dialling')).toBeVisible();
  await expect(page.getByRole('img', { name: 'Page 3 of 3' })).toBeVisible();

  await office.goOutside();
  await office.letPass('30 s');
  await goToFaxes(office);
  await expect(page.getByRole('button', { name: /^To Peg Anstey/ })).toContainText('Sending page 1 of 3');
  await office.goOutside();
  for (let times = 0; times < 2; times++) await office.letPass('30 s');
  await office.goTo('Loose ends');
  await expect(page.getByText('Peg Anstey got your text')).toBeVisible();
  await goToFaxes(office);
  await expect(page.getByRole('button', { name: /^To Peg Anstey/ })).toContainText('Sent, 3 pages');
});

test('one that breaks off goes on from the page that is missing, by itself', async ({ office, page }) => {
  await office.open('/outside');
  const outside = page.getByRole('region', { name: 'Fax in' });
  await outside.getByRole('radio', { name: 'Skerrow Harbour' }).click();
  await outside.getByRole('radio', { name: 'breaks off after a page' }).click();
  await goToFaxes(office);
  await page.getByRole('button', { name: 'Send a fax' }).click();
  await page.getByRole('textbox', { name: 'To: fax number or name' }).fill('0191 498 0117');
  await addFile(page, 'levels.pdf', 'application/pdf', await pdfOf(2));
  await page.getByRole('button', { name: /^Send 2 pages/ }).click();
  await expect(page.getByRole('status').getByText('Dialling')).toBeVisible();
  await office.goOutside();
  await outside.getByRole('radio', { name: 'Skerrow Harbour' }).click();
  for (let times = 0; times < 2; times++) await office.letPass('30 s');
  await outside.getByRole('radio', { name: 'takes it' }).click();
  await goToFaxes(office);
  const sent = page.getByRole('button', { name: /^To Skerrow Harbour/ });
  await expect(sent).toContainText('Tried 1 ×: the line broke off. It will be tried again');
  await page.reload();
  await office.goOutside();
  await office.letPass('5 min');
  for (let times = 0; times < 2; times++) await office.letPass('30 s');
  await goToFaxes(office);
  await expect(sent).toContainText('Sent, 2 pages');
});

test('one under way is stopped, and the rest sent later; a failed one keeps its mark', async ({
  office,
  page,
}) => {
  await office.open('/fax/new');
  await page.getByRole('textbox', { name: 'To: fax number or name' }).fill('0191 498 0117');
  await addFile(page, 'levels.pdf', 'application/pdf', await pdfOf(2));
  await page.getByRole('button', { name: /^Send 2 pages/ }).click();
  await office.goOutside();
  await office.letPass('30 s');
  await goToFaxes(office);
  const sent = page.getByRole('button', { name: /^To Skerrow Harbour/ });
  await sent.click();
  await page.getByRole('button', { name: 'Stop the fax' }).click();
  await expect(page.getByRole('status').getByText('Stopped before the first page')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Stop the fax' })).toHaveCount(0);

  await office.goOutside();
  const outside = page.getByRole('region', { name: 'Fax in' });
  await outside.getByRole('radio', { name: 'Skerrow Harbour' }).click();
  await outside.getByRole('radio', { name: 'is a voice' }).click();
  await goToFaxes(office);
  await sent.click();
  await page.getByRole('button', { name: 'Send again' }).click();
  await office.goOutside();
  await office.letPass('30 s');
  await expect(page.getByRole('link', { name: 'Office 2' })).toBeVisible();
  await goToFaxes(office);
  await expect(page.getByText('1 not read yet, 1 did not go out.')).toBeVisible();
  await expect(sent).toContainText('not sent');
  await sent.click();
  await page.getByRole('button', { name: 'Faxes', exact: true }).click();
  await expect(sent).toContainText('not sent');
  await sent.click();
  await page.getByRole('button', { name: 'Take back the fax' }).click();
  await expect(page.getByRole('link', { name: 'Office 1' })).toBeVisible();
});

test('more pages than one fax takes are said when they are added, and chosen from', async ({
  office,
  page,
}) => {
  await office.open('/fax/new');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(
    page.getByRole('alert').getByText('Say who it goes to: a fax number, or a name.'),
  ).toBeVisible();
  await page.getByRole('textbox', { name: 'To: fax number or name' }).fill('0191 498 0117');
  await addFile(page, 'survey.pdf', 'application/pdf', await pdfOf(53));
  const tooMany = page.getByText(/^That is 53 pages, and one fax takes at most 50\./);
  await expect(tooMany).toBeVisible();
  const which = page.getByRole('textbox', { name: 'Which pages' });
  await which.fill('1-3, 60');
  await expect(page.getByRole('alert').getByText('There is no page 60, the last is 53.')).toBeVisible();
  await which.fill('1-3, 50-');
  await expect(tooMany).toHaveCount(0);
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: /^Send 7 pages/ }).click();
  await expect(page.getByRole('img', { name: 'Page 7 of 7' })).toBeVisible();
});

test('what is no page, and what is no number, is said where it was given', async ({ office, page }) => {
  await office.open('/fax/new');
  await addFile(page, 'levels.pdf', 'application/pdf', Buffer.from('%PDF-1.7 and then nothing'));
  await expect(page.getByRole('alert').getByText('levels.pdf: it is damaged, or not a PDF.')).toBeVisible();
  await addFile(page, 'mast.png', 'image/png', Buffer.from('no picture'));
  await expect(
    page.getByRole('alert').getByText('mast.png is neither a PDF nor a picture that can be read.'),
  ).toBeVisible();
  await addFile(page, 'levels.pdf', 'application/pdf', await pdfOf(1));
  await page.getByRole('textbox', { name: 'To: fax number or name' }).fill('214');
  await page.getByRole('button', { name: /^Send 1 page/ }).click();
  await expect(
    page.getByRole('alert').getByText('That is not a number outside the office that can ring.'),
  ).toBeVisible();
});

test('paper that comes in is told, and waits for an answer', async ({ office, page }) => {
  await office.open('/outside');
  const outside = page.getByRole('region', { name: 'Fax in' });
  await outside.getByRole('radio', { name: 'Marl & Finch Surveyors' }).click();
  await outside.getByRole('button', { name: /^Fax Field service as Marl/ }).click();
  await expect(page.getByRole('button', { name: /^Marl & Finch Surveyors sent a fax/ })).toContainText(
    '“Access permit, 1 page”',
  );
  await expect(page.getByRole('link', { name: 'Office 2' })).toBeVisible();
  await office.goTo('Loose ends');
  await expect(
    page.getByRole('list', { name: /^Who waits/ }).getByRole('listitem', { name: 'Marl & Finch Surveyors' }),
  ).toContainText('fax');
});
