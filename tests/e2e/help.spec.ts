import { expect, test } from './office';

test('any screen tells what it is for and which keys it has, by a tap and by a key @phone', async ({
  office,
  page,
}) => {
  const mark = page.getByRole('button', { name: 'What this screen is for' }).first();
  await office.open('/');
  await mark.click();
  await expect(office.sheet().getByRole('heading', { name: 'Loose ends' })).toBeVisible();
  await expect(office.sheet().getByText(/^Whoever still waits/)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  for (const [path, title] of [
    ['/dial', 'Dial'],
    ['/plan', 'Ring plan'],
    ['/office/teams', 'Teams'],
  ] as const) {
    await office.open(path);
    await mark.click();
    await expect(office.sheet().getByRole('heading', { name: title, exact: true })).toBeVisible();
    await office.sheet().getByRole('button', { name: 'Close' }).click();
  }
  await page.keyboard.press('?');
  await expect(office.sheet().getByRole('heading', { name: 'Teams', exact: true })).toBeVisible();
});

test('the first call is told in three lines, and no other ever is @phone', async ({ office, page }) => {
  const lines = page.getByRole('note', { name: 'Your first call' });
  await office.open('/');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(lines).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await lines.getByRole('button', { name: 'Understood' }).click();
  await expect(lines).toHaveCount(0);
  await office.end().click();
  await page.reload();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await expect(lines).toHaveCount(0);
});

test('who let the first call end has been told all the same', async ({ office, page }) => {
  const lines = page.getByRole('note', { name: 'Your first call' });
  await office.open('/');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(lines).toBeVisible();
  await office.end().click();
  await expect(lines).toHaveCount(0);
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await expect(lines).toHaveCount(0);
});

test('who has no greeting is reminded, and where they put it off, the day after @phone', async ({
  office,
  page,
}) => {
  await page.goto('/begin');
  await page.getByRole('textbox', { name: 'What the office is called' }).fill('Tarn Edge Nurseries');
  await page.getByRole('textbox', { name: 'Your name' }).fill('Ada Ferris');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByText('Nobody waits')).toBeVisible();
  // An office that was begun today has no time before it.
  await office.open('/', '2030-01-01T10:00:00Z');
  const words = page.getByText(/^No PIN and no greeting yet/);
  await expect(words).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Later', exact: true }).click();
  await expect(words).toHaveCount(0);
  await page.reload();
  await expect(page.getByText('Nobody waits')).toBeVisible();
  await expect(words).toHaveCount(0);
  await office.open('/', '2030-01-02T11:00:00Z');
  await expect(words).toBeVisible();
  await page.getByRole('button', { name: 'Set it up' }).click();
  await expect(page.getByRole('heading', { name: 'Ready to go' })).toBeVisible();
});
