import { expect, sampleNow, test } from './office';

test('an office of one’s own is begun, called and kept beside the sample @phone', async ({
  office,
  page,
}) => {
  await office.open();
  await office.goTo('Office');
  await page.getByRole('button', { name: 'Begin an office of your own' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Begin an office of your own' })).toBeVisible();
  await page.getByRole('textbox', { name: 'The line’s number' }).fill('0131');
  await page.getByRole('textbox', { name: 'Time zone' }).fill('Europe/Atlantis');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByText('Say what the office is called.')).toBeVisible();
  await expect(page.getByText('Say who you are.')).toBeVisible();
  await expect(page.getByText(/^Type a whole phone number/)).toBeVisible();
  await expect(page.getByText(/^There is no such time zone/)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('textbox', { name: 'What the office is called' }).fill('Tarn Edge Nurseries');
  await page.getByRole('textbox', { name: 'Your name' }).fill('Ada Ferris');
  await page.getByRole('textbox', { name: 'The line’s number' }).fill('01632 960171');
  await page.getByRole('textbox', { name: 'Time zone' }).fill('Europe/London');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();

  // Nobody waits, nothing has happened.
  await expect(page.getByText('Ada', { exact: false }).first()).toBeVisible();
  await expect(page.getByText('Nobody waits')).toBeVisible();
  await page.goto(`/?now=${sampleNow}`);
  await office.goOutside();
  await page
    .getByRole('radiogroup', { name: 'Caller' })
    .getByRole('radio', { name: 'Another number' })
    .click();
  await page.getByRole('textbox', { name: 'The caller’s number' }).fill('07700 900482');
  await page.getByRole('button', { name: /^Ring Main as/ }).click();
  await office.answer().click();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await office.goToEverything();
  await expect(page.getByRole('button', { name: /07700 900482/ }).first()).toBeVisible();

  // The sample stands beside it, and knows nothing of that.
  await office.goTo('Office');
  await expect(page.getByRole('heading', { level: 1, name: 'Tarn Edge Nurseries' })).toBeVisible();
  await page.getByRole('button', { name: 'Open the sample' }).click();
  await expect(page.getByText('Maren', { exact: false }).first()).toBeVisible();
  await office.goTo('Office');
  await expect(page.getByRole('heading', { level: 1, name: 'Orrin Vale Gauging' })).toBeVisible();
  await page.getByRole('button', { name: 'Open Tarn Edge Nurseries' }).click();
  await office.goToEverything();
  await expect(page.getByRole('button', { name: /07700 900482/ }).first()).toBeVisible();

  // A browser that has forgotten which is opened loses nothing of it.
  await page.evaluate(() => localStorage.clear());
  await page.goto('/begin');
  await page.getByRole('textbox', { name: 'What the office is called' }).fill('Another');
  await page.getByRole('textbox', { name: 'Your name' }).fill('Bea Moor');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Tarn Edge Nurseries is here already' })).toBeVisible();
});

test('an office that was taken out of the browser is said to be gone, and the sample opens', async ({
  office,
  page,
}) => {
  await office.open();
  await page.evaluate(() => localStorage.setItem('cendro/office', 'own'));
  await page.reload();
  await expect(
    page.getByText('There is no office of your own here any more.', { exact: false }),
  ).toBeVisible();
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
});
