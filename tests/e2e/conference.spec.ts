import { expect, test, type Office } from './office';

const opens = /^The office comes in without a PIN/;

/** A conference that is made with these PINs; by choice it asks everybody for one. */
async function begin(office: Office, { isOpen }: { isOpen: boolean }) {
  const { page } = office;
  await office.open('/office/conferences/new');
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Site meeting');
  const extension = await page.getByRole('textbox', { name: 'Extension' }).inputValue();
  await page.getByRole('textbox', { name: /^PIN/ }).fill('1234');
  await page.getByRole('textbox', { name: /^Host PIN/ }).fill('80412');
  await expect(page.getByText('Figures in a row are guessed first.')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('textbox', { name: /^PIN/ }).fill('4711');
  await expect(page.getByRole('button', { name: opens })).toHaveAttribute('aria-pressed', 'true');
  if (!isOpen) await page.getByRole('button', { name: opens }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByText(`The conference Site meeting is here, and is reached at ${extension}.`),
  ).toBeVisible();
  return extension;
}

test('a conference is begun with PINs that are not easily guessed, given a line, and held with callers from outside', async ({
  office,
  page,
}) => {
  const extension = await begin(office, { isOpen: false });
  await office.open('/office/lines/main');
  await page.getByRole('radio', { name: /^Site meeting/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Main' })).toContainText('to Site meeting');

  // Maren comes in as the host, by her keys.
  await office.dial(extension);
  await expect(page.getByText('Before a conference').first()).toBeVisible();
  await page.getByRole('button', { name: 'Keys' }).click();
  for (const digit of '80412') await page.getByRole('button', { name: digit, exact: true }).click();
  await page.keyboard.press('#');
  await expect(page.getByText('Alone in the conference').first()).toBeVisible();

  await office.callIn('Peg Anstey', 'Main');
  await expect(page.getByText('hears: “Type the PIN, and press hash.”')).toBeVisible();
  const pin = page.getByRole('textbox', { name: 'PIN they type' });
  await pin.fill('9999');
  await page.getByRole('button', { name: 'Press these, and hash' }).click();
  await expect(page.getByText(/^hears: “That was not the PIN/)).toBeVisible();
  await office.letPass('5 s');
  await pin.fill('4711');
  await page.getByRole('button', { name: 'Press these, and hash' }).click();
  await office.toTheCall().click();
  await expect(page.getByText('You hear Peg Anstey').first()).toBeVisible();
  await expect(page.getByText('In the conference Site meeting, as its host')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);

  await office.goTo('Office');
  await page.getByRole('button', { name: /^Conferences/ }).click();
  await page.getByRole('listitem', { name: 'Site meeting' }).getByRole('button').click();
  await expect(page.getByText('In it now: 2')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Who is in it' })).toContainText('Maren Oyelaran, host');
});

test('one that is open for the office is found by its name, and is a meeting as soon as it is joined', async ({
  office,
  page,
}) => {
  await begin(office, { isOpen: true });
  await office.goTo('Dial');
  await page.getByRole('textbox').first().fill('site meet');
  await expect(page.getByText('meeting room', { exact: false }).first()).toBeVisible();
  await page
    .getByRole('button', { name: /^(Call )?Site meeting/ })
    .first()
    .click();
  await expect(page.getByText('In the conference Site meeting, as its host')).toBeVisible();
  await expect(page.getByText('Meeting', { exact: true }).first()).toBeVisible();
  await expect(office.act('Picture')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
});
