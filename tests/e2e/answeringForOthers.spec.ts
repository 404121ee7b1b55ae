import { expect, test } from './office';

test('a call for a colleague whom one answers for rings here, says for whom, and is so in the history', async ({
  office,
  page,
}) => {
  await office.open('/office/people/kofi');
  await page
    .getByRole('group', { name: /^Who answers for them/ })
    .getByRole('checkbox', { name: 'Maren Oyelaran' })
    .click();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Kofi Renner is changed.')).toBeVisible();
  await office.open('/office/lines/main');
  await page.getByRole('radio', { name: /^Kofi Renner/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The line Main is changed.')).toBeVisible();

  await office.callIn('Peg Anstey', 'Main');
  await expect(page.getByText('For Kofi Renner').first()).toBeVisible();
  // Kofi’s phone rings too, and he is not in the call for that.
  await expect(page.getByRole('heading', { name: 'Peg Anstey', exact: true })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await office.answer().click();
  await expect(page.getByText('For Kofi Renner')).toBeVisible();
  await office.end().click();
  await office.goToEverything();
  await expect(page.getByRole('listitem').filter({ hasText: 'Answered for Kofi Renner' })).toHaveCount(1);
});

test('somebody is asked to answer for one, may show one’s numbers, and is taken out again', async ({
  office,
  page,
}) => {
  await office.open('/standing');
  const part = page.getByRole('region', { name: 'Answering for each other' });
  await part.getByRole('button', { name: 'Let somebody answer for you' }).click();
  await page.getByRole('radio', { name: /^Ilse Varga/ }).click();
  await expect(page.getByText('Ilse Varga answers for you from now on.')).toBeVisible();
  const lets = part.getByRole('button', { name: 'May call out with your numbers' });
  await lets.click();
  await expect(lets).toHaveAttribute('aria-pressed', 'true');
  expect(await office.axeViolations()).toEqual([]);
  await part.getByRole('button', { name: 'Take out Ilse Varga' }).click();
  await expect(part.getByText(/^Nobody answers for you/)).toBeVisible();
});

test('a number that is kept to its owner is offered to nobody else', async ({ office, page }) => {
  await office.open('/office/lines/main');
  await page.getByRole('button', { name: /^Only whose it is/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The line Main is changed.')).toBeVisible();
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('07700900155');
  await page.getByRole('button', { name: /^From/ }).click();
  const shown = page.getByRole('radiogroup', { name: 'Which number they see' });
  await expect(shown.getByRole('radio', { name: /^Direct/ })).toBeVisible();
  await expect(shown.getByRole('radio', { name: /^Main/ })).toHaveCount(0);
});
