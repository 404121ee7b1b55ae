import { expect, test } from './office';

test.use({ viewport: { width: 1280, height: 800 } });

test('the whole plan by keyboard: a second phone, a bar too long, its repair, into force, do not disturb', async ({
  office,
  page,
}) => {
  await office.open('/');
  await page.keyboard.press('p');
  const end = page.getByRole('slider', { name: 'Van phone ends' });
  await end.focus();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('ArrowRight');
  await expect(end).toHaveAttribute('aria-valuenow', '31');
  await page.getByRole('button', { name: 'Let this stage last 31 s' }).press('Enter');
  await page.getByRole('button', { name: 'Move Field service up' }).press('Enter');
  await expect(
    page.getByRole('list', { name: 'Rules, the first that fits decides' }).getByRole('listitem').nth(3),
  ).toContainText('4. Field service');
  await page.getByRole('button', { name: 'Put it into force' }).press('Enter');
  await expect(page.getByText('Your ring plan is in force.')).toBeVisible();

  await page.keyboard.press('s');
  await page.getByRole('button', { name: 'Do not disturb me' }).press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Do not disturb until 11:40');
  await page.getByRole('button', { name: 'End it now' }).press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('On site: Cawder Weir');
});
