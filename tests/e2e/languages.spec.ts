import { expect, test } from './office';

test('a menu speaks another language to whoever presses its key', async ({ office, page }) => {
  await office.open('/office/menus/night');
  await page.getByRole('button', { name: 'Speak another language too' }).click();
  const part = page.getByRole('group', { name: 'Other languages' });
  await part.getByRole('textbox', { name: 'Key' }).fill('1');
  await part.getByRole('textbox', { name: 'Language 1', exact: true }).fill('Cymraeg');
  await part.getByRole('textbox', { name: 'What it says in language 1' }).fill('Nid oes neb yma.');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  const clash = 'Key 1 of Night menu does something else: Cymraeg can’t be chosen by it.';
  await expect(page.getByText(clash).first()).toBeVisible();
  await part.getByRole('textbox', { name: 'Key' }).fill('*');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The menu Night menu is changed.')).toBeVisible();
  await office.open('/office/lines/main');
  await page.getByRole('radio', { name: /^Night menu/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Main' })).toContainText('to Night menu');

  await office.callIn('Peg Anstey', 'Main');
  await expect(page.getByText(/^hears: “You have reached Orrin Vale Gauging/)).toBeVisible();
  await page.getByRole('button', { name: 'Press *, Cymraeg' }).click();
  await expect(page.getByText('hears: “Nid oes neb yma.”')).toBeVisible();
});
