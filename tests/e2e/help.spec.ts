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
