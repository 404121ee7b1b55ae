import { expect, test } from './office';

test('numbers are brought along as lines: what is wrong is said by line, and all of it taken back by one tap', async ({
  office,
  page,
}) => {
  await office.open('/office/lines');
  await page.getByRole('button', { name: 'Bring numbers along' }).click();
  const field = page.getByRole('textbox', { name: 'Numbers, or ranges of them' });
  await field.fill('0131 496 0300 - 0302, Depot\n+353 1 496 0300\n0131 496 0100');
  const wrong = page.getByRole('region', { name: 'What can’t come' });
  await expect(wrong).toContainText('Line 2: “+353 1 496 0300” is a number of another country.');
  await expect(wrong).toContainText('Line 3: 0131 496 0100 is a line of the office already: Main.');
  await expect(page.getByRole('list', { name: 'What comes' }).getByRole('listitem')).toHaveCount(3);
  await page.getByRole('radio', { name: /^Field team/ }).click();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Bring 3 numbers along' }).click();
  await expect(page.getByText('3 numbers are here.')).toBeVisible();
  await expect(page.getByRole('listitem', { name: 'Depot' })).toHaveCount(3);
  await expect(page.getByRole('listitem', { name: 'Depot' }).first()).toContainText('to Field team');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('listitem', { name: 'Depot' })).toHaveCount(0);
});
