import { expect, test } from './office';

test('without a network the ring plan says that it was not fetched, and comes once there is one', async ({
  office,
  page,
}) => {
  let isAway = true;
  await page.route(/\/PlanScreen-[0-9a-f]+\.js/, (route) =>
    isAway ? route.abort('internetdisconnected') : route.continue(),
  );
  await office.talkWithPeg();
  await office.goTo('Ring plan');
  await expect(page.getByText('has not been fetched')).toBeVisible();
  await expect(office.toTheCall()).toBeVisible();
  isAway = false;
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'Seconds' })).toBeVisible();
});

test('a call is tried before it happens, and then happens so', async ({ office, page }) => {
  await office.open('/plan');
  await page
    .getByRole('radiogroup', { name: 'calls' })
    .getByRole('radio', { name: /Flood desk/ })
    .click();
  await expect(
    page.getByText('Rule “Flood desk, any time” decided, since this line was called.'),
  ).toBeVisible();
  const week = page.getByRole('region', { name: 'The week to come' });
  await expect(week).toContainText('Maren Oyelaran’s van phone 5–30 s');
  await expect(week).toContainText('Kofi Renner’s desk phone 30–45 s; then Maren Oyelaran’s mailbox.');

  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await expect(page.getByRole('img').first()).toHaveAccessibleName(
    /Van phone: second 5 to 30; Ilse: second 10 to 30; Kofi: second 30 to 45; then your mailbox$/,
  );
});
