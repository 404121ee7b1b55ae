import { expect, test, type Office } from './office';

const screens: readonly [name: string, path: string][] = [
  ['Loose ends', '/'],
  ['Everything', '/everything'],
  ['Dial', '/dial'],
  ['Ring plan', '/plan'],
  ['Where I stand', '/standing'],
  ['Directory', '/directory'],
  ['Office', '/office'],
  ['Outside', '/outside'],
  ['Voicemails', '/voicemails'],
  ['Notes', '/notes'],
  ['Begin an office', '/begin'],
  ['Call', '/call'],
];

const views = [
  { name: 'phone, light', width: 390, height: 844, dark: false },
  { name: 'small phone, dark, large text', width: 360, height: 740, dark: true, rootPixels: 24 },
  { name: 'narrowest phone', width: 320, height: 568, dark: false },
  { name: 'wide, enlarged to 200 %', width: 640, height: 400, dark: true },
  { name: 'wide, light', width: 1280, height: 800, dark: false },
  { name: 'widest, dark', width: 1600, height: 900, dark: true },
] as const;

for (const view of views) {
  test.describe(view.name, () => {
    test.use({
      viewport: { width: view.width, height: view.height },
      colorScheme: view.dark ? 'dark' : 'light',
    });
    test.beforeEach(async ({ page }) => {
      if ('rootPixels' in view) {
        await page.addInitScript((pixels) => {
          document.addEventListener('readystatechange', () => {
            document.documentElement.style.fontSize = `${pixels}px`;
          });
        }, view.rootPixels);
      }
    });

    test('axe finds nothing, and nothing runs out of the sides', async ({ office, page }) => {
      // Twelve screens, each opened anew.
      test.slow();
      for (const [, path] of screens) {
        await office.open(path);
        await expect(page.getByRole('heading').first()).toBeVisible();
        expect(await office.axeViolations(), path).toEqual([]);
        expect(await overflow(office), path).toBeLessThanOrEqual(0);
      }
    });

    test('the same with a call that rings, is talked on, and is held beside another', async ({
      office,
      page,
    }) => {
      await office.open('/outside');
      await office.callIn('Cawder Flood Watch', 'Flood desk');
      await expect(office.answer()).toBeInViewport({ ratio: 1 });
      await expect(office.refuse()).toBeInViewport({ ratio: 1 });
      expect(await office.axeViolations(), 'incoming').toEqual([]);
      expect(await overflow(office), 'incoming').toBeLessThanOrEqual(0);
      await office.answer().click();
      await office.callIn('Glenbrae Weather Cooperative', 'Field service');
      await expect(page.getByRole('region', { name: /^Call from/ })).toBeVisible();
      expect(await office.axeViolations(), 'second call').toEqual([]);
      await expect(page.getByRole('button', { name: 'Answer, hold the other' })).toBeInViewport({ ratio: 1 });
      await page.getByRole('button', { name: 'Answer, hold the other' }).click();
      await expect(page.getByRole('button', { name: 'Swap' })).toBeVisible();
      await expect(office.end().first()).toBeInViewport({ ratio: 1 });
      expect(await office.axeViolations(), 'cords').toEqual([]);
      await page.getByRole('button', { name: 'Keys' }).click();
      expect(await office.axeViolations(), 'keys').toEqual([]);
      expect(await overflow(office), 'keys').toBeLessThanOrEqual(0);
    });

    test('the same with three together, every sheet, a record that is recorded, and a parked call', async ({
      office,
      page,
    }) => {
      const looksRight = async (what: string) => {
        expect(await office.axeViolations(), what).toEqual([]);
        expect(await overflow(office), what).toBeLessThanOrEqual(0);
      };
      await office.open('/outside');
      await office.callIn('Cawder Flood Watch', 'Flood desk');
      await page.getByRole('button', { name: 'Refuse, call back' }).click();
      await office.sheet().getByRole('button', { name: 'Close' }).waitFor();
      await looksRight('refuse with text');
      await office.sheet().getByRole('button', { name: 'Close' }).click();
      await office.answer().click();
      await expect(office.answer()).toHaveCount(0);
      await expect(office.act('Record').or(office.toTheCall()).first()).toBeVisible();
      // Answered, the app may be on its way to the call by itself.
      await expect(async () => {
        if (await office.toTheCall().isVisible()) await office.toTheCall().click({ timeout: 2_000 });
        await expect(office.act('Record')).toBeVisible({ timeout: 2_000 });
      }).toPass();
      await office.act('Record').click();
      await office.act('Add').click();
      await looksRight('targets');
      await office
        .sheet()
        .getByRole('button', { name: /Ilse Varga/ })
        .click();
      await looksRight('target');
      await office
        .sheet()
        .getByRole('button', { name: /^Ask them in now/ })
        .click();
      await looksRight('one on the way');
      for (const act of ['Move', 'Sound', 'Note']) {
        await office.act(act).click();
        await office.sheet().getByRole('button', { name: 'Close' }).waitFor();
        await looksRight(act);
        await office.sheet().getByRole('button', { name: 'Close' }).click();
      }
      await page.getByRole('button', { name: /^Ilse Varga .*More$/ }).click();
      await office.sheet().getByRole('button', { name: 'Stop calling them' }).click();
      await office.act('Park').click();
      await looksRight('parked');
      await page.getByRole('button', { name: 'Take Cawder Flood Watch from slot 01' }).click();
      await office.end().click();
      await office.goToEverything();
      await office.newestOf('Cawder Flood Watch').click();
      await page.getByRole('group', { name: 'Recording' }).waitFor();
      await looksRight('recording');
    });
  });
}

test('every screen has one heading of the first level, also with a call', async ({ office, page }) => {
  test.slow();
  const ones = () => page.getByRole('heading', { level: 1 });
  for (const [, path] of screens) {
    await office.open(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect(ones(), path).toHaveCount(1);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Peg Anstey', 'Direct');
  await expect(ones()).toHaveCount(1);
  await office.answer().click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await expect(ones()).toHaveCount(1);
});

test('enlarged to 200 % on a phone, a call can be answered and ended', async ({ office, page }) => {
  await office.open('/outside');
  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await page.setViewportSize({ width: 195, height: 422 });
  await expect(office.answer()).toBeInViewport({ ratio: 1 });
  await expect(office.refuse()).toBeInViewport({ ratio: 1 });
  expect(await overflow(office)).toBeLessThanOrEqual(0);
  await office.answer().click();
  await expect(office.end()).toBeInViewport({ ratio: 1 });
  expect(await overflow(office)).toBeLessThanOrEqual(0);
});

/** Pixels by which the page is wider than the window. */
function overflow({ page }: Office): Promise<number> {
  return page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
}

test.describe('by keyboard alone', () => {
  test.use({ viewport: { width: 1280, height: 800 } });

  test('a call is placed, held and ended', async ({ office, page }) => {
    await office.open('/dial');
    await expect(page.getByRole('textbox', { name: 'Number, extension or name' })).toBeFocused();
    await page.keyboard.type('201');
    await page.keyboard.press('Enter');
    await expect(office.stopCalling()).toBeVisible();
    await tabTo(office, 'Stop calling');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Call again' })).toBeVisible();
  });

  test('a call is answered, held, taken up again and ended', async ({ office, page }) => {
    await office.open('/outside');
    await tabTo(office, /^Ring Field service as/);
    await page.keyboard.press('Enter');
    await tabTo(office, 'Answer');
    await page.keyboard.press('Space');
    await expect(office.end()).toBeVisible();
    await tabTo(office, 'Hold');
    await page.keyboard.press('Enter');
    await expect(page.getByText('hears music', { exact: true }).first()).toBeVisible();
    await tabTo(office, 'Talk again');
    await page.keyboard.press('Enter');
    await tabTo(office, /^End with/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Call again' })).toBeVisible();
  });

  test('the history is one stop for Tab, walked with the arrow keys', async ({ office, page }) => {
    await office.open('/everything');
    const first = page.getByRole('button', { name: /^10:34 Skerrow/ });
    await tabTo(office, /^10:34 Skerrow/);
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('button', { name: /^10:28 Cawder/ })).toBeFocused();
    await page.keyboard.press('End');
    await expect(first).toHaveCount(0);
    await page.keyboard.press('Home');
    await expect(first).toBeFocused();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Why' })).toBeVisible();
  });

  test('the picker of the shown line opens, is left with Escape, and gives the focus back', async ({
    office,
    page,
  }) => {
    await office.open('/dial');
    await tabTo(office, /^From Field service/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('radiogroup', { name: 'Which number they see' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('radiogroup', { name: 'Which number they see' })).toHaveCount(0);
    await expect(page.getByRole('button', { name: /^From Field service/ })).toBeFocused();
  });
});

/** Presses Tab until a button of that name has the focus. */
async function tabTo({ page }: Office, name: string | RegExp) {
  const wanted = page.getByRole('button', { name, exact: typeof name === 'string' }).first();
  await expect(wanted).toBeVisible();
  for (let presses = 0; presses < 150; presses++) {
    if (await wanted.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab never reaches ${String(name)}`);
}

test('a call that comes in is announced', async ({ office, page }) => {
  await office.open('/outside');
  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await expect(
    page.getByRole('alert').filter({ hasText: 'Cawder Flood Watch calls on Flood desk.' }),
  ).toHaveCount(1);
});
