import { expect, test } from './office';

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
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
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
