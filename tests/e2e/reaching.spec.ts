import { expect, test, type Office } from './office';

/** What somebody does who has never seen the app, on a phone: each tap is counted, and none is a wrong turn. */
function countTaps(office: Office) {
  let taps = 0;
  return {
    count: () => taps,
    tap: async (name: string | RegExp, within = office.page.locator('body')) => {
      taps++;
      await within.getByRole('button', { name }).first().click();
    },
  };
}

test('a call is answered in one tap', { tag: '@phone' }, async ({ office }) => {
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  const { tap, count } = countTaps(office);
  await tap('Answer');
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  expect(count()).toBe(1);
});

test('a colleague is consulted and connected in four', async ({ office, page }) => {
  await office.talkWithPeg();
  const { tap, count } = countTaps(office);
  await tap('Transfer');
  await tap(/Ilse Varga/, office.sheet());
  await tap(/^Talk first/, office.sheet());
  await office.passAndReturn('5 s', 2);
  await tap(/^Connect, leave/);
  await expect(page.getByRole('heading', { name: 'Peg Anstey' })).toBeVisible();
  await expect(page.getByText('Handed to Ilse Varga')).toBeVisible();
  expect(count()).toBe(4);
});

test('a caller is parked and taken back in two', async ({ office }) => {
  await office.talkWithPeg();
  const { tap, count } = countTaps(office);
  await tap('Park');
  await tap('Take Peg Anstey from slot 01');
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  expect(count()).toBe(2);
});

test('whoever was missed is called back in one', async ({ office }) => {
  await office.open('/');
  const { tap, count } = countTaps(office);
  await tap(/^Call .*Skerrow Harbour$/);
  await expect(office.stopCalling().or(office.end())).toBeVisible();
  expect(count()).toBe(1);
});

test('an unknown caller becomes a contact in two, while the call goes on', async ({ office, page }) => {
  await office.open('/outside');
  await page.getByRole('radiogroup', { name: 'Line to call' }).getByRole('radio', { name: 'Direct' }).click();
  await page
    .getByRole('radiogroup', { name: 'Caller' })
    .getByRole('radio', { name: 'Another number' })
    .click();
  await page.getByRole('textbox', { name: 'The caller’s number' }).fill('07700 900877');
  await page.getByRole('button', { name: /^Ring Direct as/ }).click();
  await office.answer().click();
  const { tap, count } = countTaps(office);
  await tap('Add contact');
  await page.getByRole('textbox', { name: 'Name' }).fill('Rowan at the ford');
  await tap('Keep');
  await office.toTheCall().click();
  await expect(office.youHear('You hear Rowan at the ford')).toBeVisible();
  expect(count()).toBe(2);
});
