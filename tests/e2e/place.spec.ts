import { expect, test, type Office } from './office';

async function say({ page }: Office, street: string) {
  await page.getByRole('textbox', { name: 'Street and number' }).fill(street);
  await page.getByRole('textbox', { name: 'Town' }).fill('Cawder');
  await page.getByRole('textbox', { name: 'Postcode' }).fill('EH1 1AA');
  await page.getByRole('button', { name: 'It is there' }).click();
}

test('where help is sent is said, told by an emergency call, and asked again when the network changes @phone', async ({
  office,
  page,
}) => {
  await office.open('/place');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'It is there' }).click();
  await expect(page.getByText('Street and number is missing.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Postcode' }).fill('12345');
  await page.getByRole('button', { name: 'It is there' }).click();
  await expect(page.getByText('No postcode there is written so.')).toBeVisible();
  await say(office, 'Weir Lane 4');
  await expect(
    page.getByText('Help that is called from there is sent to Weir Lane 4, Cawder, EH1 1AA.'),
  ).toBeVisible();

  await page.context().setOffline(true);
  await expect(page.getByText(/^No network\./)).toBeVisible();
  await page.context().setOffline(false);
  const asked = page.getByText(/^The network is another one\. Is this device still at Weir Lane 4/);
  await expect(asked).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.reload();
  await expect(asked).toBeVisible();
  await page.getByRole('button', { name: 'Elsewhere' }).click();
  await say(office, 'Lathmoor Farm');
  await expect(asked).toHaveCount(0);
  // Where it was before is one tap away.
  await page.getByRole('button', { name: 'It is at Weir Lane 4, Cawder, EH1 1AA' }).click();
  await expect(page.getByText(/sent to Weir Lane 4, Cawder/)).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'Everybody’s phones' })
      .getByRole('listitem')
      .filter({ hasText: 'This app' }),
  ).toContainText('Weir Lane 4');

  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('999');
  await expect(page.getByText('Emergency: help is sent to Weir Lane 4, Cawder, EH1 1AA')).toBeVisible();
  await office.dial('999');
  await expect(page.getByText('Weir Lane 4, Cawder, EH1 1AA').first()).toBeVisible();
});

test('after another network the first call asks whether help still finds this device, and never again; a call for help is never asked', async ({
  office,
  page,
}) => {
  await office.open('/place');
  await say(office, 'Weir Lane 4');
  await expect(page.getByText(/^Help that is called from there is sent to Weir Lane 4/)).toBeVisible();
  await page.context().setOffline(true);
  await expect(page.getByText(/^No network\./)).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText(/^The network is another one\./)).toBeVisible();
  const dial = async (number: string) => {
    await office.goTo('Dial');
    await page.getByRole('textbox', { name: 'Number, extension or name' }).fill(number);
    await page.getByRole('button', { name: /^Call/ }).last().click();
  };
  const hangUp = () => office.stopCalling().or(office.end()).click();
  await dial('999');
  await hangUp();

  await dial('212');
  await expect(office.sheet()).toContainText('Is this device still at Weir Lane 4, Cawder, EH1 1AA?');
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Call now, say it later' }).click();
  await hangUp();
  await dial('212');
  await hangUp();
  await expect(office.sheet()).toHaveCount(0);
});
