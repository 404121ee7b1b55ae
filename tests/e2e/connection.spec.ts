import { expect, test, type Office } from './office';

/** Tests from a place over a network that is played there. */
async function testFrom(office: Office, network: string, place: string) {
  const { page } = office;
  await office.goOutside();
  await page.getByRole('radio', { name: network }).click();
  await office.goTo('Office');
  await page.getByRole('button', { name: 'Test how calls sound from here' }).click();
  await page.getByRole('textbox', { name: /^Where you are/ }).fill(place);
  await page.getByRole('button', { name: 'Test from here' }).click();
  await expect(page.getByText('MOS by codec')).toBeVisible();
}

const placesIn = ({ page }: Office) =>
  page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: /^Forget the last test/ }) })
    .evaluateAll((all) => all.map((each) => each.getAttribute('aria-label')));

test('a bad place stands first, and how a call travels goes by what was tried; a test is forgotten, and brought back @phone', async ({
  office,
  page,
}) => {
  await office.open('/connection');
  await expect(page.getByText('Nothing tested yet')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await testFrom(office, 'Good mast', 'Cawder yard');
  await expect(page.getByText('Calls sound well from here.')).toBeVisible();
  await testFrom(office, 'Behind the hill', 'the bend below the dam');
  await expect(page.getByText(/^Calls sound poor|^They would hardly/)).toBeVisible();
  expect(await placesIn(office)).toEqual(['the bend below the dam', 'Cawder yard']);
  expect(await office.axeViolations()).toEqual([]);

  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('07700 900333');
  await expect(page.getByText(/data sounds poor here \(MOS/i)).toBeVisible();

  await page.goto('/connection');
  await expect.poll(() => placesIn(office)).toEqual(['the bend below the dam', 'Cawder yard']);
  await page.getByRole('button', { name: 'Forget the last test: the bend below the dam' }).click();
  await expect.poll(() => placesIn(office)).toEqual(['Cawder yard']);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => placesIn(office)).toEqual(['the bend below the dam', 'Cawder yard']);
});

test('a place can be said after the test; with no network that is what is found, and kept', async ({
  office,
  page,
}) => {
  await office.open('/connection');
  await page.getByRole('button', { name: 'Test from here' }).click();
  await expect(page.getByText('MOS by codec')).toBeVisible();
  await expect.poll(() => placesIn(office)).toEqual(['No place named']);
  await page.getByRole('textbox', { name: /^Where you are/ }).fill('Weir Lane');
  await expect.poll(() => placesIn(office)).toEqual(['Weir Lane']);
  await page.context().setOffline(true);
  await page.getByRole('textbox', { name: /^Where you are/ }).fill('Weir Lane');
  await page.getByRole('button', { name: 'Test again' }).click();
  await expect(page.getByText('The office is not reached from here.')).toBeVisible();
  await page.getByRole('textbox', { name: /^Where you are/ }).fill('tunnel');
  await expect.poll(() => placesIn(office)).toEqual(['tunnel', 'Weir Lane']);
});
