import { readFile } from 'node:fs/promises';

import { expect, test } from './office';

test('the hour in which most gave up is opened, one of its calls heard, and how many people it wants is seen', async ({
  office,
  page,
}) => {
  await office.open('/office');
  await page.getByRole('button', { name: /^Figures/ }).click();
  const hours = page.getByRole('list', { name: 'Calls by hour' });
  await expect(hours.getByRole('listitem').first()).toBeVisible();
  const all = page.getByRole('list', { name: 'All together' });
  await expect(all.getByRole('listitem').filter({ hasText: 'Calls that came in' })).toContainText(/\d+/);
  expect(await office.axeViolations()).toEqual([]);

  await hours
    .getByRole('button', { name: /gave up/ })
    .first()
    .click();
  const wants = office.sheet().getByRole('region', { name: 'How many people it wants' });
  await expect(wants).toContainText(/four of five are taken within 20 s/);
  await expect(wants.getByRole('list', { name: 'With so many people' }).getByRole('listitem')).toHaveCount(5);
  const first = await wants.getByRole('listitem').first().textContent();
  await wants.getByRole('textbox', { name: /^What if more/ }).fill('900');
  await expect(wants.getByRole('listitem').first()).not.toHaveText(first ?? '');
  expect(await office.axeViolations()).toEqual([]);
  await office
    .sheet()
    .getByRole('list', { name: /^Calls:/ })
    .getByRole('button')
    .first()
    .click();
  await expect(
    page.getByRole('heading', { name: 'What happened' }).or(page.getByText(/^Why/)).first(),
  ).toBeVisible();
});

test('what was recorded plays beside the call behind a figure', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.act('Record').click();
  await expect(office.act('Pause')).toBeVisible();
  await office.passAndReturn('5 s', 1);
  await office.end().click();
  await office.goTo('Office');
  await page.getByRole('button', { name: /^Figures/ }).click();
  await page.getByRole('radio', { name: 'Today' }).click();
  await page
    .getByRole('list', { name: 'Calls by hour' })
    .getByRole('button', { name: /^10:00/ })
    .click();
  const play = office
    .sheet()
    .getByRole('button', { name: 'Play the recording of Maren Oyelaran, with Peg Anstey' });
  await play.click();
  await expect(
    office.sheet().getByRole('button', { name: /^(Stop|Play again): the recording of Maren Oyelaran/ }),
  ).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
});

test('figures go by what is chosen, and out as CSV', async ({ office, page }) => {
  await office.open('/office/figures');
  await page.getByRole('radio', { name: 'Line', exact: true }).click();
  const lines = page.getByRole('list', { name: 'Calls by line' });
  await expect(lines.getByRole('button', { name: /^Field service ?\d+ calls/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Last month' }).click();
  await expect(page.getByText('Behind each what it was in the month before.')).toBeVisible();
  const saved = async (word: string) => {
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    const saving = page.waitForEvent('download');
    await office.sheet().getByRole('button', { name: word }).click();
    return readFile(await (await saving).path());
  };
  const text = (await saved('Table (CSV)')).toString('utf8');
  expect(text.split('\r\n')[0]).toBe(
    'line,calls,taken,gave up,went on,"wait, mean (s)","wait, median (s)","wait, 90 of 100 (s)","wait, longest (s)",talked (s),within 20 s (%)',
  );
  expect(text).toMatch(/\r\nField service,\d+,/);
  expect((await saved('Picture in lines (SVG)')).toString('utf8')).toMatch(/^<svg .*>Field service<\/text>/s);
  // The signature of a PNG, then its width in pixels, twice that of the drawing.
  const png = await saved('Picture in pixels (PNG)');
  expect(png.subarray(1, 4).toString('latin1')).toBe('PNG');
  expect(png.readUInt32BE(16)).toBe(2 * 778);
});

test('two choices at once count each call once', async ({ office, page }) => {
  const counted = () =>
    page
      .getByRole('list', { name: 'All together' })
      .getByRole('listitem')
      .filter({ hasText: 'Calls that came in' });
  await office.open('/office/figures');
  await page.getByRole('radio', { name: '13 weeks' }).click();
  await expect(page.getByRole('heading', { name: 'All of 13 weeks' })).toBeVisible();
  await page.getByRole('radio', { name: 'Person', exact: true }).click();
  await expect(
    page.getByRole('list', { name: 'Calls by person' }).getByRole('listitem').first(),
  ).toBeVisible();
  const slowly = await counted().textContent();
  const rows = await page.getByRole('list', { name: 'Calls by person' }).allTextContents();

  await office.open('/office/figures');
  await expect(counted()).toBeVisible();
  await page.evaluate(() => {
    for (const word of ['Last month', '13 weeks', 'Person'])
      for (const radio of document.querySelectorAll<HTMLElement>('[role=radio]'))
        if (radio.textContent === word) radio.click();
  });
  await expect(counted()).toHaveText(slowly ?? '');
  await expect
    .poll(() => page.getByRole('list', { name: 'Calls by person' }).allTextContents())
    .toEqual(rows);
});

test('where they can’t be reckoned it is said, and tried again', async ({ office, page }) => {
  await page.route(/\/figures-[0-9a-f]+\.js/, (route) => route.abort());
  await office.open('/office/figures');
  await expect(page.getByText('The figures can’t be reckoned now')).toBeVisible();
  await page.unrouteAll();
  await page.getByRole('radio', { name: 'Last month' }).click();
  await expect(page.getByRole('list', { name: 'Calls by hour' }).getByRole('listitem').first()).toBeVisible();
});

test('whoever does not run the office sees no figures', async ({ office, page }) => {
  await office.open('/office/people');
  // Kofi runs it from now on, and Maren no longer.
  for (const [name, other] of [
    ['Kofi Renner', 'Maren Oyelaran'],
    ['Maren Oyelaran', 'Kofi Renner'],
  ] as const) {
    await page.getByRole('listitem', { name }).getByRole('button').click();
    await page.getByRole('button', { name: /^Runs the office/ }).click();
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    if (other === 'Maren Oyelaran') await expect(page.getByText(`${name} is changed.`)).toBeVisible();
  }
  await page.goto('/office/figures');
  await expect(
    page.getByText('Only whoever runs the office sees its figures, and whom they let.'),
  ).toBeVisible();
});

test('whom the office lets see them finds the figures, and nothing else of how it is run', async ({
  office,
  page,
}) => {
  await office.open('/office/people/maren');
  await page.getByRole('checkbox', { name: 'see the figures' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Maren Oyelaran is changed.')).toBeVisible();
  // Kofi runs it from now on, and Maren no longer.
  for (const name of ['Kofi Renner', 'Maren Oyelaran']) {
    await page.getByRole('listitem', { name }).getByRole('button').click();
    await page.getByRole('button', { name: /^Runs the office/ }).click();
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    if (name === 'Kofi Renner') await expect(page.getByText('Kofi Renner is changed.')).toBeVisible();
  }
  await expect(page.getByText('Only whoever runs the office sees this.')).toBeVisible();
  await office.goTo('Office');
  await page.getByRole('button', { name: 'See the figures' }).click();
  await expect(page.getByRole('list', { name: 'Calls by hour' })).toBeVisible();
});

test('what recording every call would take is said from the usual traffic', async ({ office, page }) => {
  await office.open('/office');
  const part = page.getByRole('region', { name: 'Recording calls' });
  await part.getByRole('button', { name: 'What recording all would take' }).click();
  await expect(part.getByRole('status')).toHaveText(
    /^Of the last 30 days, \d+ calls from outside with .+ of talk: about [\d.]+ MB/,
  );
});
