import { expect, test } from './office';

test(
  'a customer calls field service, a second call comes in, they are swapped and ended',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.open('/outside');
    await office.callIn('Skerrow Harbour');
    await expect(page.getByRole('heading', { name: 'Skerrow Harbour' })).toBeVisible();
    await expect(page.getByText('Field service · 0131 496 0120', { exact: true })).toBeVisible();
    await expect(page.getByText(/^4th try today, last 6 min ago$/)).toBeVisible();
    await office.answer().click();
    await expect(office.youHear('You hear Skerrow Harbour')).toBeVisible();

    await office.callIn('Cawder Flood Watch', 'Flood desk');
    const second = page.getByRole('region', { name: 'Call from Cawder Flood Watch' });
    await expect(second).toContainText('Flood desk');
    await office.toTheCall().click();
    await expect(office.end()).toBeVisible();
    await second.getByRole('button', { name: 'Answer, hold the other' }).click();
    await expect(office.youHear('You hear Cawder Flood Watch')).toBeVisible();
    await expect(page.getByText('hears music', { exact: true })).toBeVisible();

    await page.getByRole('button', { name: 'Swap' }).click();
    await expect(office.youHear('You hear Skerrow Harbour')).toBeVisible();
    await page.getByRole('button', { name: /^Cawder Flood Watch .* Talk$/ }).click();
    await expect(office.youHear('You hear Cawder Flood Watch')).toBeVisible();

    await page.getByRole('button', { name: 'End with Cawder Flood Watch' }).click();
    await expect(page.getByText('Held', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'End with Skerrow Harbour' }).click();
    await office.goToEverything();
    const rows = page.getByRole('region', { name: 'History' }).getByRole('listitem');
    await expect(rows.nth(1)).toContainText('Answered · Field service');
    await expect(rows.nth(2)).toContainText('Answered · Flood desk');
  },
);

test('answering a second call can end the first', { tag: '@phone' }, async ({ office, page }) => {
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.callIn('Bexhollow Reservoir', 'Direct');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: /^Answer, end the other/ }).click();
  await expect(office.youHear('You hear Bexhollow Reservoir')).toBeVisible();
  await expect(page.getByRole('button', { name: /^End with/ })).toHaveCount(1);
});

test('refused and rung out are kept differently, with why', async ({ office, page }) => {
  await office.open('/outside');
  await office.callIn('Bexhollow Reservoir', 'Direct');
  await office.refuse().click();
  await office.letPass('30 s');
  await office.goToEverything();
  await expect(office.newest()).toContainText('Bexhollow Reservoir');
  await expect(office.newest()).toContainText('Refused');
  await office.newest().getByRole('button').first().click();
  await expect(
    page.getByText(/Maren Oyelaran’s Cendro rang from second 0 to 0, then the call was refused/),
  ).toBeVisible();
  await expect(
    page.getByText(/The finish was Maren Oyelaran’s mailbox, where a message of 0:0\d was left/),
  ).toBeVisible();
});

test('a call that nobody takes rings as the plan says and is missed', async ({ office, page }) => {
  await office.open('/outside');
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Peg Anstey', 'Direct');
  const ringing = page.getByRole('region', { name: 'Call from Peg Anstey' });
  await expect(ringing.getByRole('img')).toHaveAccessibleName(
    'This app: second 0 to 25; Desk phone: second 0 to 25; Van phone: second 5 to 25; then your mailbox',
  );
  await ringing.getByRole('button', { name: 'Refuse', exact: true }).waitFor();
  await office.letPass('30 s');
  await expect(ringing).toHaveCount(0);
  await office.letPass('30 s');
  await office.goToEverything();
  await expect(office.newest()).toContainText('Missed · Direct · message 0:0');
  await office.newest().getByRole('button').first().click();
  await expect(
    page.getByText('Maren Oyelaran’s van phone rang from second 5 to 25 and its time was over.'),
  ).toBeVisible();
});

test('the van phone answers: this app stops ringing and counts no missed call', async ({ office, page }) => {
  await office.open('/outside');
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Peg Anstey', 'Direct');
  await office.letPass('5 s');
  await page.getByRole('button', { name: 'Maren Oyelaran, van phone: Answer' }).click();
  // Lifted alone it might be the phone's own mailbox: only the key takes the call.
  await expect(page.getByRole('region', { name: 'Call from Peg Anstey' })).toBeVisible();
  await page.getByRole('button', { name: 'Maren Oyelaran, van phone: Press 1, take it' }).click();
  await expect(page.getByRole('region', { name: 'Call from Peg Anstey' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Maren Oyelaran, van phone: Hang up' }).click();
  await office.goToEverything();
  await expect(office.newest()).toContainText('Answered · Direct');
  await office.newest().getByRole('button').first().click();
  await expect(page.getByText('Maren Oyelaran’s van phone', { exact: true })).toBeVisible();
});

test('a withheld caller is shown as such and cannot be called back', async ({ office, page }) => {
  await office.open('/outside');
  await office.callIn('A withheld caller', 'Direct');
  await expect(page.getByRole('heading', { name: 'Withheld number' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Refuse(,| and)/ })).toHaveCount(0);
  await office.answer().click();
  await office.end().click();
  await expect(page.getByRole('button', { name: 'Call again' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Done' }).click();
  await office.goToEverything();
  await expect(office.newest().getByRole('button')).toHaveCount(1);
  await office.newest().getByRole('button').first().click();
  await expect(
    page.getByText('This caller withheld their number, so they can’t be called back.'),
  ).toBeVisible();
});

test(
  'the ring can be silenced, and the other side hanging up ends the call here',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.open('/outside');
    await office.callIn('Peg Anstey', 'Direct');
    await page.getByRole('button', { name: 'Silence the ring here' }).click();
    await expect(page.getByRole('button', { name: /^Silent/ })).toBeDisabled();
    await office.answer().click();
    await office.goOutside();
    await page.getByRole('button', { name: 'Peg Anstey: Hold' }).click();
    await office.toTheCall().click();
    await expect(office.youHear('You hear music')).toBeVisible();
    await expect(page.getByText('has you on hold', { exact: true })).toBeVisible();
    await office.goOutside();
    await page.getByRole('button', { name: 'Peg Anstey: Hang up' }).click();
    await expect(office.toTheCall()).toHaveCount(0);
  },
);

test('two who ring at the same time are both shown', async ({ office, page }) => {
  await office.open('/outside');
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Peg Anstey', 'Direct');
  await office.callIn('Bexhollow Reservoir', 'Field service');
  await expect(page.getByRole('region', { name: /^Call from/ })).toHaveCount(2);
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByRole('heading', { name: 'Peg Anstey' })).toBeVisible();
  const second = page.getByRole('region', { name: 'Call from Bexhollow Reservoir' });
  await expect(second).toContainText('Field service');
  await expect(second.getByRole('button', { name: /^Answer/ })).toBeInViewport({ ratio: 1 });
  await page.getByRole('button', { name: 'Refuse Peg Anstey' }).click();
  await expect(page.getByRole('heading', { name: 'Bexhollow Reservoir' })).toBeVisible();
});

for (const size of [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
])
  test(`two who call during a call are both seen with why, and in reach, at ${size.width}`, async ({
    office,
    page,
  }) => {
    await office.open('/');
    await expect(page.getByRole('listitem', { name: 'Peg Anstey' })).toBeVisible();
    await office.callIn('Bexhollow Reservoir', 'Direct');
    await office.answer().click();
    await office.callIn('Skerrow Harbour', 'Field service');
    await office.callIn('Peg Anstey', 'Direct');
    await page.setViewportSize(size);
    const [skerrow, peg] = ['Skerrow Harbour', 'Peg Anstey'].map((name) =>
      page.getByRole('region', { name: `Call from ${name}` }),
    );
    await expect(skerrow!).toContainText('4th try today, last 6 min ago');
    await expect(peg!).toContainText('“That is how it looks from the lane.”');
    for (const region of [skerrow!, peg!])
      for (const word of [/^Answer, hold the other/, /^Refuse: /])
        await expect(region.getByRole('button', { name: word })).toBeInViewport({ ratio: 1 });
    await peg!.getByRole('button', { name: /^Refuse: / }).click();
    await expect(peg!).toHaveCount(0);
    await page.getByRole('button', { name: 'Answer, hold the other', exact: true }).click();
    await expect(page.getByRole('button', { name: 'End with Skerrow Harbour' })).toBeVisible();
  });

test('a caller from the menu is announced with the key they pressed', async ({ office, page }) => {
  await office.open('/outside', '2026-11-26T22:40:00Z');
  await office.callIn('Cawder Flood Watch', 'Main');
  await page
    .getByRole('group', { name: 'Cawder Flood Watch' })
    .getByRole('button', { name: /Press 1/ })
    .click();
  await expect(page.getByText(/^Pressed 1 in the Night menu/)).toBeVisible();
});

test('a colleague calls from a desk phone', async ({ office, page }) => {
  await office.open('/outside');
  await page.getByRole('button', { name: 'Call 214 from Ilse Varga’s desk phone' }).click();
  await expect(page.getByRole('heading', { name: 'Ilse Varga' })).toBeVisible();
  await office.answer().click();
  await expect(page.getByText('Dispatch · 201')).toBeVisible();
  await office.end().click();
});
