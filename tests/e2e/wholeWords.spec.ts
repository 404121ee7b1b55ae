import type { Locator } from '@playwright/test';

import { expect, test } from './office';

/** The texts of a place that are cut, by "…" or by an edge, instead of going on in the next line. */
const cut = (place: Locator) =>
  place.evaluate((element) =>
    [...element.querySelectorAll('*')]
      .filter((each) => each.children.length === 0 && each.textContent?.trim() !== '')
      .filter((each) => each.scrollWidth > each.clientWidth + 1 || each.scrollHeight > each.clientHeight + 1)
      .map((each) => each.textContent),
  );

test.describe('on the smallest phone', () => {
  test.use({ viewport: { width: 320, height: 568 } });

  test('who is among the favourites is read whole', async ({ office, page }) => {
    await office.open('/person/contact%3Acawder');
    await page
      .getByRole('button', { name: /^More for/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Favourite' }).click();
    await office.goTo('Directory');
    await page.getByRole('radio', { name: 'Favourites' }).click();
    const row = page.getByRole('listitem').getByText('Cawder Flood Watch');
    await expect(row).toBeVisible();
    expect(await cut(row.locator('..'))).toEqual([]);
  });

  test('how a fax fared, and whose words were found, is read whole', async ({ office, page }) => {
    await office.open('/fax');
    const fax = page.getByRole('button', { name: /^From Peg Anstey/ });
    await expect(fax).toBeVisible();
    expect(await cut(fax)).toEqual([]);
    await office.goToEverything();
    const find = page.getByRole('textbox', { name: 'Find words, names or numbers' });
    const room = await find.evaluate((field: HTMLInputElement) => {
      const { font } = getComputedStyle(field);
      const drawn = document.createElement('canvas').getContext('2d');
      if (drawn) drawn.font = font;
      return field.clientWidth - 24 - (drawn?.measureText(field.placeholder).width ?? Infinity);
    });
    expect(room, 'what can be found is said whole').toBeGreaterThanOrEqual(0);
    await find.fill('gate code');
    const facts = page.getByRole('list', { name: 'Found' }).getByText(/text from Three Becks Angling Club/);
    await expect(facts).toBeVisible();
    expect(await cut(facts.locator('..'))).toEqual(
      expect.not.arrayContaining([expect.stringContaining('from')]),
    );
  });
});

test.describe('on a wide window', () => {
  test.use({ viewport: { width: 1280, height: 800 } });

  test('the whole ring plan is in one look beside the seconds of a call', async ({ office, page }) => {
    await office.open('/plan');
    const rules = page.getByRole('list', { name: /^The plan in one look/ });
    await expect(rules.getByRole('listitem')).toHaveCount(6);
    await expect(rules.getByRole('listitem').last()).toBeInViewport({ ratio: 1 });
  });

  test('who calls is seen with the rule that decided', async ({ office, page }) => {
    await office.open('/outside');
    await office.callIn('Bexhollow Reservoir', 'Field service');
    const call = page.getByRole('region', { name: /^Call from Bexhollow Reservoir/ });
    await expect(call.getByText(/^Rule “Field service” decided/)).toBeInViewport({ ratio: 1 });
    await expect(call.getByRole('button', { name: /^Answer/ })).toBeInViewport({ ratio: 1 });
  });
});
