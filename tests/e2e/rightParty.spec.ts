import { expect, test, type Office } from './office';

/** Whom the button names is who is called, and nobody else. */

const field = ({ page }: Office) => page.getByRole('textbox', { name: 'Number, extension or name' });
const callButton = ({ page }: Office) => page.getByRole('button', { name: /^Call( |$)/ }).last();

test('a scrap of a number calls nobody, whoever has it in theirs', async ({ office, page }) => {
  await office.open('/dial');
  await field(office).fill('0155');
  await expect(page.getByRole('region', { name: 'Found' })).toContainText('Peg Anstey');
  await expect(callButton(office)).toBeDisabled();
  await page.keyboard.press('Enter');
  await expect(page.getByText('That number is too short to dial.')).toBeVisible();
  await expect(office.stopCalling()).toHaveCount(0);
});

test('nor is anybody sent to whoever has it in theirs', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.act('Transfer').click();
  await office.sheet().getByRole('textbox').fill('0142');
  await expect(
    office
      .sheet()
      .getByRole('button', { name: /^Bexhollow/ })
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(office.sheet().getByRole('alert')).toHaveText('That number is too short to dial.');
  await expect(office.sheet().getByRole('group', { name: 'Where to' })).toHaveCount(0);
});

test('an empty link calls nobody whose name has the same letters', async ({ office, page }) => {
  await office.open('/dial');
  await field(office).fill('tel:');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'it holds no number' })).toBeVisible();
  await expect(office.stopCalling()).toHaveCount(0);
});

test('a link with pauses and digits calls its number, and sends them after the answer', async ({
  office,
  page,
}) => {
  await office.open('/dial');
  await field(office).fill('tel:+441314960142,,12#');
  await expect(callButton(office)).toHaveAccessibleName('Call Bexhollow Reservoir, 0131 496 0142, then 12#');
  await page.keyboard.press('Enter');
  await expect(office.stopCalling()).toBeVisible();
  await office.passAndReturn('5 s', 3);
  await expect(office.youHear('You hear Bexhollow Reservoir')).toBeVisible();
  await office.act('Keys').click();
  await expect(page.getByText('12#', { exact: true })).toBeVisible();
});

test('a name that several have calls none of them by Enter; one that one has is on the button', async ({
  office,
  page,
}) => {
  await office.open('/dial');
  await field(office).fill('a');
  await expect(callButton(office)).toBeDisabled();
  await page.keyboard.press('Enter');
  await expect(page.getByText('That may be several people: tap the one you mean.')).toBeVisible();
  await field(office).fill('tobias');
  await expect(callButton(office)).toHaveAccessibleName('Call Tobias Quill, 207');
});

test('a barred number says so before anything is tapped', async ({ office, page }) => {
  await office.open('/dial');
  await field(office).fill('0900 123 4567');
  await expect(page.getByText('The office doesn’t let premium numbers be called.')).toBeVisible();
  await expect(callButton(office)).toBeDisabled();
});

test('an emergency call without a network is left to the phone itself', async ({ office, page, context }) => {
  await office.open('/dial');
  await field(office).fill('999');
  await expect(callButton(office)).toBeEnabled();
  await context.setOffline(true);
  await expect(
    page.getByRole('button', { name: 'No network here: call 999 with the phone itself' }),
  ).toBeVisible();
  await expect(callButton(office)).toHaveCount(0);
  await context.setOffline(false);
});

test('another line shown for this call is shown for this call only', async ({ office, page }) => {
  await office.open('/dial');
  await field(office).fill('0131 496 0142');
  await page.getByRole('button', { name: /^From Field service/ }).click();
  await expect(office.sheet().getByRole('radio', { name: 'this call' })).toBeChecked();
  await office
    .sheet()
    .getByRole('radio', { name: /^Direct/ })
    .click();
  await expect(page.getByRole('button', { name: /^From Direct/ })).toBeVisible();
  await callButton(office).click();
  await office.stopCalling().click();
  await office.goTo('Dial');
  await expect(page.getByRole('button', { name: /^From Field service/ })).toBeVisible();
});
