import { expect, test, type Office } from './office';

/** Uses the sample as somebody else of it. */
async function be(office: Office, name: string) {
  const { page } = office;
  await office.goTo('Office');
  await page.getByRole('button', { name: 'Be somebody else' }).click();
  await office
    .sheet()
    .getByRole('radio', { name: new RegExp(`^${name}`) })
    .click();
  await page.waitForURL(({ pathname }) => pathname === '/');
  const first = name.split(' ')[0] ?? name;
  await expect(page.getByText(new RegExp(`^${first} · \\d{3}$`))).toBeVisible();
}

test('the sample is seen from another chair: their calls, their plan, nothing they may not @phone', async ({
  office,
  page,
}) => {
  await office.open();
  await expect(page.getByText(/people wait for an answer/)).toBeVisible();
  await be(office, 'Ilse Varga');
  await expect(page.getByText(/people wait for an answer/)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  // She does not run the office.
  await office.goTo('Office');
  await expect(page.getByRole('button', { name: /^Rules of the house/ })).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Lines and their cords' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);

  // Her line rings here, with her desk phone.
  await office.callIn('Peg Anstey', 'Main');
  await office.answer().click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  // Nobody changes chairs in a call.
  await office.goTo('Office');
  await page.getByRole('button', { name: 'Be somebody else' }).click();
  await office
    .sheet()
    .getByRole('radio', { name: /^Hugh Pellow/ })
    .click();
  await expect(page.getByText('You are in a call. End it first.')).toBeVisible();
  await office.toTheCall().click();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();

  await office.goToEverything();
  await page.reload();
  await expect(office.newestOf('Peg Anstey')).toBeVisible();

  // Back in the first chair nothing of that is in the own history, and all of one's own is there.
  await be(office, 'Maren Oyelaran');
  await office.goToEverything();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Main' }).filter({ hasText: '10:40' }),
  ).toHaveCount(0);
  await office.goTo('Office');
  await expect(page.getByRole('button', { name: /^Rules of the house/ })).toBeVisible();
});

test('one calls out in the name of whom one answers for, once they let it; it is in both histories', async ({
  office,
  page,
}) => {
  await office.open();
  await be(office, 'Ilse Varga');
  await office.goTo('Loose ends');
  await page
    .getByRole('button', { name: /Change/ })
    .first()
    .click();
  const part = page.getByRole('region', { name: 'Answering for each other' });
  await part.getByRole('button', { name: 'Let somebody answer for you' }).click();
  await page.getByRole('radio', { name: /^Maren Oyelaran/ }).click();
  await part.getByRole('button', { name: 'May call out with your numbers' }).click();
  await expect(page.getByText('Maren Oyelaran may call out with your numbers.')).toBeVisible();

  await be(office, 'Maren Oyelaran');
  await page
    .getByRole('button', { name: /Change/ })
    .first()
    .click();
  await expect(page.getByRole('group', { name: 'You answer for' })).toContainText('Ilse Varga');
  expect(await office.axeViolations()).toEqual([]);
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('0117 496 0155');
  await page.getByRole('button', { name: /^From/ }).click();
  await page
    .getByRole('radiogroup', { name: 'Which number they see' })
    .getByRole('radio', { name: /^Main.*Ilse Varga/ })
    .click();
  await page
    .getByRole('button', { name: /^Call .*/ })
    .last()
    .click();
  await office.stopCalling().click();
  await office.goToEverything();
  await expect(page.getByRole('listitem').filter({ hasText: 'Peg Anstey' }).first()).toContainText('Main');

  await be(office, 'Ilse Varga');
  await office.goToEverything();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Maren Oyelaran called in their name' }),
  ).toHaveCount(1);
});

test('two tabs change chairs together', async ({ office, page }) => {
  await office.open();
  const other = await page.context().newPage();
  await other.goto('/dial');
  await expect(other.getByRole('heading').first()).toBeVisible();
  await be(office, 'Hugh Pellow');
  await expect(other.getByText(/^Hugh · \d{3}$/)).toBeVisible();
  await other.close();
});
