import { expect, test, type Office } from './office';

test('numbers are written as somebody likes, Enter calls or not, and that goes with them @phone', async ({
  office,
  page,
}) => {
  await office.open('/office');
  const part = page.getByRole('region', { name: 'Numbers and dialling' });
  await part.getByRole('radio', { name: /^With the country/ }).click();
  await part.getByRole('button', { name: 'Enter calls what is typed in Dial' }).click();
  expect(await office.axeViolations()).toEqual([]);
  await office.goTo('Dial');
  const field = page.getByRole('textbox', { name: 'Number, extension or name' });
  await field.fill('0117 496 0155');
  await expect(page.getByText('Peg Anstey, +44 117 496 0155').first()).toBeVisible();
  await field.press('Enter');
  await expect(page.getByRole('button', { name: /^Call Peg Anstey/ }).last()).toBeVisible();
  await expect(office.stopCalling()).toHaveCount(0);
  await page.reload();
  await field.fill('0117 496 0155');
  await expect(page.getByText('Peg Anstey, +44 117 496 0155').first()).toBeVisible();
  await page
    .getByRole('button', { name: /^Call Peg Anstey/ })
    .last()
    .click();
  await expect(office.stopCalling()).toBeVisible();
});

test('text is as large as somebody needs on this device, and nothing is cut away', async ({
  office,
  page,
}) => {
  await page.setViewportSize({ width: 320, height: 640 });
  await office.open('/office');
  const heading = page.getByRole('heading', { level: 1, name: 'Orrin Vale Gauging' });
  await expect(heading).toBeVisible();
  const before = await heading.evaluate((element) => parseFloat(getComputedStyle(element).fontSize));
  await page.getByRole('region', { name: 'Size of text' }).getByRole('radio', { name: 'Twice' }).click();
  const size = () => heading.evaluate((element) => parseFloat(getComputedStyle(element).fontSize));
  await expect.poll(size).toBeCloseTo(before * 2, 0);
  for (const path of ['/office', '/', '/dial', '/plan']) {
    await page.goto(path);
    await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
    // Letters come a moment after the rest.
    await expect
      .poll(() => page.evaluate(() => document.documentElement.scrollWidth))
      .toBeLessThanOrEqual(320);
  }
  await page.goto('/office');
  await expect.poll(size).toBeCloseTo(before * 2, 0);
});

test('ring tones are chosen by what a call is, heard, and kept on this device', async ({ office, page }) => {
  await office.open('/office');
  await page.getByRole('button', { name: 'Choose ring tones' }).click();
  await page.getByRole('button', { name: 'Colleagues: Beck' }).click();
  await office.sheet().getByRole('radio', { name: 'Owl' }).click();
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Hear it: Colleagues' }).click();
  await page.getByRole('radiogroup', { name: 'How loud' }).getByRole('radio', { name: 'Silent' }).click();
  await expect(page.getByText('Calls are seen, and not heard, on this device.')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Colleagues: Owl' })).toBeVisible();
  await expect(
    page.getByRole('radiogroup', { name: 'How loud' }).getByRole('radio', { name: 'Silent' }),
  ).toBeChecked();
});

test('a second caller waits, and is taken by itself when the first call ends; or does not ring at all @phone', async ({
  office,
  page,
}) => {
  await office.open('/office');
  const part = page.getByRole('region', { name: 'Calls' });
  await part.getByRole('button', { name: 'It is taken by itself when the first one ends' }).click();
  await office.goOutside();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.goOutside();
  await office.callIn('Skerrow Harbour', 'Direct');
  await expect(page.getByRole('button', { name: /^Answer, hold the other/ })).toBeVisible();
  await office.toTheCall().click();
  await office.end().click();
  await expect(office.youHear('You hear Skerrow Harbour')).toBeVisible();
  await office.end().click();

  await office.goTo('Office');
  await part.getByRole('button', { name: 'A second call may ring during a call' }).click();
  await expect(part.getByRole('button', { name: /^It is taken by itself/ })).toBeDisabled();
  await office.goOutside();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.goOutside();
  await office.callIn('Skerrow Harbour', 'Direct');
  // Her other phones ring; this one does not.
  await expect(page.getByRole('group', { name: 'Skerrow Harbour' }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Answer, hold the other/ })).toHaveCount(0);
});

test('the acts lie under the left thumb for who uses that, and keep their order for keys @phone', async ({
  office,
  page,
}) => {
  await office.open('/office');
  await page.getByRole('radio', { name: 'The left thumb' }).click();
  await office.goOutside();
  await office.callIn('Peg Anstey', 'Direct');
  const left = async (button: ReturnType<Office['answer']>) => (await button.boundingBox())?.x ?? 0;
  await expect(office.answer()).toBeVisible();
  expect(await left(office.answer())).toBeLessThan(await left(office.refuse()));
  expect(await office.axeViolations()).toEqual([]);
  await office.answer().click();
  const name = page.getByRole('group', { name: 'My sound' });
  const groupsEdge = (await name.boundingBox())?.x ?? 0;
  const mute = (await office.act('Mute').boundingBox())?.x ?? 999;
  expect(mute - groupsEdge).toBeLessThan(20);
});

test('all that can be chosen is found by a word, and leads to where its effect is @phone', async ({
  office,
  page,
}) => {
  await office.open('/office');
  await page.getByRole('button', { name: /^All that can be chosen/ }).click();
  await expect(page.getByRole('heading', { name: 'All that can be chosen' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  const field = page.getByRole('textbox', { name: 'Look for' });
  await field.fill('vibration');
  await expect(page.getByText(/^One of \d+/)).toBeVisible();
  await field.fill('nonsense');
  await expect(page.getByText('Nothing goes by that')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await field.fill('wind');
  await page.getByRole('button', { name: /^Noise around you is taken out/ }).click();
  await expect(office.sheet().getByRole('radio', { name: /^Strongly/ })).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await field.fill('automatic');
  await page.getByRole('button', { name: /^The waiting call is taken by itself/ }).click();
  await expect(page.getByRole('heading', { name: 'Calls', exact: true })).toBeInViewport();
  await page.goBack();
  await page.getByRole('textbox', { name: 'Look for' }).fill('voicemail');
  await page.getByRole('button', { name: /^Greetings/ }).click();
  await expect(page.getByRole('region', { name: 'Greetings' })).toBeVisible();
});

test('before driving off all is gone over, each with its last reading @phone', async ({ office, page }) => {
  await office.open('/ready');
  await expect(page.getByText(/^\d things are to be looked at/)).toBeVisible();
  const line = (title: string) => page.getByRole('listitem').filter({ hasText: title });
  await expect(line('PIN').getByRole('img', { name: 'not done yet' })).toBeVisible();
  await page.getByRole('button', { name: 'PIN: Choose it' }).click();
  const sheet = office.sheet();
  await sheet.getByRole('textbox', { name: 'New PIN' }).fill('4829');
  await sheet.getByRole('textbox', { name: 'The same again' }).fill('4829');
  await sheet.getByRole('button', { name: 'Keep this PIN' }).click();
  await expect(line('PIN').getByRole('img', { name: 'well' })).toBeVisible();
  await expect(line('PIN')).toContainText('*88 opens your mailbox');
  await page.getByRole('button', { name: 'Sound: Try it' }).click();
  await page.context().grantPermissions(['microphone']);
  await sheet.getByRole('button', { name: /^Speak for 3 seconds/ }).click();
  await expect(sheet.getByText(/dB over the noise/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(line('Sound').getByRole('img', { name: 'well' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
});

test('who wants to be asked chooses before each call outside whether a number is shown @phone', async ({
  office,
  page,
}) => {
  await office.open('/office');
  await page.getByRole('button', { name: 'Ask before each call whether my number is shown' }).click();
  await office.goTo('Dial');
  const field = page.getByRole('textbox', { name: 'Number, extension or name' });
  const call = async (number: string) => {
    await field.fill(number);
    await page
      .getByRole('button', { name: /^Call / })
      .last()
      .click();
  };
  await call('0117 496 0155');
  await expect(office.sheet().getByText('Which number shall they see?')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await expect(office.stopCalling()).toHaveCount(0);
  await office.sheet().getByRole('button', { name: 'Show none, and call' }).click();
  await expect(office.stopCalling()).toBeVisible();
  await office.stopCalling().click();
  await office.goToEverything();
  await page
    .getByRole('button', { name: /^10:40 Peg Anstey/ })
    .first()
    .click();
  await expect(page.getByText(/withheld/i).first()).toBeVisible();

  // A colleague, and whoever something is remembered for, are called at once.
  await office.goTo('Dial');
  await call('201');
  await expect(office.stopCalling()).toBeVisible();
  await office.stopCalling().click();
  await office.goTo('Dial');
  await call('141 0117 496 0155');
  await expect(office.stopCalling()).toBeVisible();
});

test('a call that begins stays in its strip for who likes that @phone', async ({ office, page }) => {
  await office.open('/office');
  await page.getByRole('button', { name: 'A call that begins comes to the front' }).click();
  await office.goTo('Directory');
  await page.getByRole('textbox', { name: /^Find by name/ }).fill('Peg');
  await page.getByRole('button', { name: 'Call Peg Anstey' }).click();
  // Docked where the worker is.
  await expect(page.getByRole('button', { name: /Peg Anstey.*Back to call/ })).toBeVisible();
  await expect(page).toHaveURL(/directory/);
});

test('times of day are written as somebody reads them, everywhere at once', async ({ office, page }) => {
  await office.open('/office');
  await page.getByRole('radio', { name: '4:40 pm' }).click();
  await expect(page.getByRole('radio', { name: '4:40 pm' })).toBeChecked();
  await expect(page.getByRole('radio', { name: '4:40 pm' })).toBeInViewport();
  await office.goToEverything();
  await expect(page.getByText('10:34 am').first()).toBeVisible();
  await page.reload();
  await expect(page.getByText('10:34 am').first()).toBeVisible();
});
