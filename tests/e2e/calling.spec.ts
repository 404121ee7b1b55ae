import { expect, test } from './office';

test(
  'a colleague’s extension: calling, ringing, answered, held, muted, ended, and kept',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.open('/dial');
    await office.dial('201');
    await expect(page.getByRole('heading', { name: 'Ilse Varga' })).toBeVisible();
    await expect(office.youHear('You hear ringing')).toBeVisible();

    await office.goOutside();
    await office.letPass('5 s');
    await office.letPass('5 s');
    await office.toTheCall().click();
    await expect(office.youHear('You hear Ilse Varga')).toBeVisible();
    await expect(page.getByText('“Dispatch, Ilse.”')).toBeVisible();

    await page.getByRole('button', { name: 'Hold' }).click();
    await expect(page.getByText('hears music', { exact: true })).toBeVisible();
    await expect(office.youHear('You hear nothing')).toBeVisible();
    await page.getByRole('button', { name: 'Talk again' }).click();
    await expect(page.getByText('hears you', { exact: true })).toBeVisible();

    await page.getByRole('button', { name: 'Mute' }).click();
    await expect(page.getByText('and nobody hears you')).toBeVisible();
    await expect(page.getByText('hears nobody', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Mute' }).click();

    await office.end().click();
    await expect(page.getByText('Called')).toBeVisible();
    await expect(page.getByText('0:04')).toBeVisible();
    await page.getByRole('button', { name: 'Done' }).click();
    await office.goToEverything();
    await expect(office.newest()).toContainText('Ilse Varga');
    await expect(office.newest()).toContainText('Called · inside · 0:04');
  },
);

for (const writing of ['0131 496 0142', '+44 131 496 0142', '0044 131 496 0142']) {
  test(`an outside number written as ${writing}`, async ({ office, page }) => {
    await office.open('/dial');
    await office.dial(writing);
    await expect(page.getByRole('heading', { name: 'Bexhollow Reservoir' })).toBeVisible();
    await expect(office.youHear('You hear nothing')).toBeVisible();
    await office.goOutside();
    await office.letPass('5 s');
    await office.toTheCall().click();
    await expect(office.youHear('You hear ringing')).toBeVisible();
    await office.goOutside();
    await office.letPass('5 s');
    await office.toTheCall().click();
    await expect(page.getByText('“Bexhollow gate house, hello.”')).toBeVisible();
    await office.end().click();
    await page.getByRole('button', { name: 'Done' }).click();
    await office.goToEverything();
    await office.newest().getByRole('button').first().click();
    await expect(page.getByText('data call on this app')).toBeVisible();
    await expect(page.getByText('Field service, 0131 496 0120')).toBeVisible();
  });
}

test('a voice menu hears the keys and answers', async ({ office, page }) => {
  await office.open('/dial');
  await office.dial('0131 496 0188');
  await office.goOutside();
  await office.letPass('5 s');
  await office.toTheCall().click();
  await expect(page.getByText(/For today's forecast press 1/)).toBeVisible();
  await page.getByRole('button', { name: 'Keys' }).click();
  await page.getByRole('button', { name: '2', exact: true }).click();
  await expect(page.getByText('Sent so far').locator('..')).toContainText('2');
  await expect(office.end()).toBeVisible();
  await office.goOutside();
  await office.letPass('5 s');
  await office.toTheCall().click();
  await expect(page.getByText(/two point one metres and rising/)).toBeVisible();
  await page.getByRole('button', { name: 'Keys' }).click();
  await page.keyboard.press('9');
  await expect(page.getByText('Sent so far').locator('..')).toContainText('29');
  await office.goOutside();
  await office.letPass('5 s');
  await expect(office.toTheCall()).toHaveCount(0);
  await office.goToEverything();
  await expect(office.newest()).toContainText('Called');
});

test('busy, refused, unknown and unanswered are each said, heard and kept as such', async ({
  office,
  page,
}) => {
  await office.open('/dial');
  const outcomes = [
    ['07700 900482', 'Busy', 'You hear busy tone', 'Busy'],
    ['+61 491 570 156', 'Number unknown', 'You hear the number-unknown tone', 'Number unknown'],
    ['299', 'Number unknown', 'You hear the number-unknown tone', 'Number unknown'],
  ] as const;
  for (const [number, word, hear, kept] of outcomes) {
    await office.dial(number);
    await office.goOutside();
    await office.letPass('5 s');
    await office.toTheCall().click();
    await expect(page.getByText(word, { exact: true }).first()).toBeVisible();
    await expect(office.youHear(hear)).toBeVisible();
    await office.end().click();
    await office.goToEverything();
    await expect(office.newest()).toContainText(kept);
  }
  await office.dial('07700 900155');
  await office.stopCalling().click();
  await office.goToEverything();
  await expect(office.newest()).toContainText('Ended before an answer');
});

test.describe('nonsense in the field', () => {
  const cases = [
    ['zebra', 'Nobody by that name has a number here.'],
    ['0131 496 01?2', '“?” can’t be part of a number.'],
    ['+999123456', 'No country has that calling code.'],
    ['01314960142000', 'That number is too long: no number there has so many digits.'],
    ['withheld', 'This caller withheld their number, so it can’t be called back.'],
    ['tel:+44-gate', 'That link can’t be dialled: its number has characters other than digits.'],
  ] as const;
  for (const [typed, sentence] of cases) {
    test(`“${typed}” is explained where it was typed`, async ({ office, page }) => {
      await office.open('/dial');
      const field = page.getByRole('textbox', { name: 'Number, extension or name' });
      await field.fill(typed);
      await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible();
      await expect(page.getByRole('button', { name: 'Call', exact: true })).toBeDisabled();
      await expect(field).toHaveValue(typed);
    });
  }

  test('15 digits are dialled where a country has such numbers', async ({ office, page }) => {
    await office.open('/dial');
    await office.dial('+49 1234567890123');
    await expect(office.stopCalling()).toBeVisible();
    await expect(page.getByText('not in your contacts')).toBeVisible();
  });

  test('a pasted link is understood with its extension, which is sent after the answer', async ({
    office,
    page,
  }) => {
    await office.open('/dial');
    const field = page.getByRole('textbox', { name: 'Number, extension or name' });
    await field.fill('tel:+44-131-496-0142;ext=214');
    await expect(page.getByText('Bexhollow Reservoir, then extension 214')).toBeVisible();
    await field.press('Enter');
    await expect(office.stopCalling()).toBeVisible();
    await office.goOutside();
    for (let times = 0; times < 3; times++) await office.letPass('5 s');
    await office.toTheCall().click();
    await page.getByRole('button', { name: 'Keys' }).click();
    await expect(page.getByText('Sent so far').locator('..')).toContainText('214');
  });

  test('a link in the address fills the field and calls nobody', async ({ office, page }) => {
    await page.goto('/dial?now=2026-11-26T10:40:00Z&to=tel:214');
    await expect(page.getByRole('textbox', { name: 'Number, extension or name' })).toHaveValue('tel:214');
    await expect(page.getByRole('button', { name: 'Call Maren Oyelaran, 214', exact: true })).toBeVisible();
    await expect(office.stopCalling()).toHaveCount(0);
  });
});

test('a digit can be put into the middle of a number without losing the place', async ({ office, page }) => {
  await office.open('/dial');
  const field = page.getByRole('textbox', { name: 'Number, extension or name' });
  await field.pressSequentially('0131496142');
  await expect(field).toHaveValue('0131 496 142');
  for (let times = 0; times < 3; times++) await page.keyboard.press('ArrowLeft');
  await page.keyboard.type('0');
  await page.keyboard.type('9');
  await expect(field).toHaveValue('0131 496 09142');
  await page.keyboard.press('Backspace');
  await expect(field).toHaveValue('0131 496 0142');
  await expect(page.getByText('Bexhollow Reservoir', { exact: true }).last()).toBeVisible();
});

test('names are found as they are typed, and another line can be shown', async ({ office, page }) => {
  await office.open('/dial');
  await page.getByRole('button', { name: /^From Field service/ }).click();
  await page.getByRole('radio', { name: /^Direct/ }).click();
  await expect(page.getByRole('button', { name: /^From Direct/ })).toBeVisible();
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('an pe');
  await page.getByRole('button', { name: /^Peg Anstey home 0117/ }).click();
  await expect(page.getByRole('heading', { name: 'Peg Anstey' })).toBeVisible();
  await office.stopCalling().click();
  await page.getByRole('button', { name: 'Done' }).click();
  await office.goToEverything();
  await office.newest().getByRole('button').first().click();
  await expect(page.getByText('Direct, 0131 496 0214')).toBeVisible();
});
