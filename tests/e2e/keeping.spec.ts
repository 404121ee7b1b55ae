import type { BrowserContext, Page } from '@playwright/test';

import { beforeTheOffice, expect, Office, test } from './office';

const entriesOf = { database: 'cendro', store: 'entries' };

test(
  'a reload in the middle of a call brings it back with its true duration',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.open('/outside');
    await office.callIn('Peg Anstey', 'Direct');
    await office.answer().click();
    await page.getByRole('button', { name: 'Hold' }).click();
    await office.goOutside();
    await office.letPass('30 s');
    // The office has heard of it.
    await expect(office.toTheCall()).toContainText('0:30');
    await page.reload();
    await expect(office.toTheCall()).toContainText('0:30');
    await office.toTheCall().click();
    await expect(page.getByText('held 0:30')).toBeVisible();
    await page.getByRole('button', { name: 'Talk again' }).click();
    await office.end().click();
    await expect(page.getByText('0:30', { exact: true })).toBeVisible();
  },
);

test('what was due while the tab was closed has happened when it opens again', async ({
  office,
  page,
  context,
}) => {
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await expect(office.answer()).toBeVisible();
  await page.close();
  const again = await context.newPage();
  await again.goto('/everything?now=2026-11-26T10:50:00Z');
  await expect(again.getByRole('button', { name: /^10:40 Peg Anstey Missed/ })).toBeVisible();
});

test(
  'an answer, a fax and a message that come while the page is closed are there when it opens again',
  { tag: '@phone' },
  async ({ office, page, context }) => {
    await office.open('/person/contact%3Aangling');
    await page.getByRole('textbox', { name: /^Text to/ }).fill('At two?');
    await page.getByRole('button', { name: 'Send', exact: true }).click();
    await expect(page.getByText('At two?').last()).toBeVisible();
    await office.open('/fax/sample-fax-1');
    await page.getByRole('button', { name: 'Fax back' }).click();
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Add a PDF or picture' }).click();
    await (
      await chooser
    ).setFiles({ name: 'wall.png', mimeType: 'image/png', buffer: await page.screenshot() });
    await page.getByRole('button', { name: 'Send 1 page to Peg Anstey' }).click();
    await expect(page.getByRole('status').getByText('Dialling')).toBeVisible();
    await office.callIn('Bexhollow Reservoir', 'Direct');
    await expect(office.answer()).toBeVisible();
    await page.close();

    const again = await context.newPage();
    await again.goto('/person/contact%3Aangling?now=2026-11-26T10:50:00Z');
    await expect(again.getByText('Thanks. I will leave the gate on the latch.')).toBeVisible();
    await expect(again.getByText(/Delivered/).first()).toBeVisible();
    await again.goto('/fax?now=2026-11-26T10:50:00Z');
    await expect(again.getByRole('button', { name: /^To Peg Anstey/ })).toContainText('Sent, 1 page');
    await again.goto('/voicemails?now=2026-11-26T10:50:00Z');
    await expect(again.getByText('Bexhollow Reservoir').first()).toBeVisible();
    await again.close();
  },
);

/** A tab more, at some place. */
async function anotherTab(context: BrowserContext, path: string): Promise<{ page: Page; office: Office }> {
  const page = await context.newPage();
  await page.goto(path);
  return { page, office: new Office(page) };
}

test(
  'three tabs have one office; the first is closed in the middle, and the others go on',
  { tag: '@phone' },
  async ({ office, page, context }) => {
    await office.open('/outside');
    await office.callIn('Peg Anstey', 'Direct');
    await office.answer().click();
    const second = await anotherTab(context, '/');
    await second.office.toTheCall().click();
    await expect(second.office.youHear('You hear Peg Anstey')).toBeVisible();
    const third = await anotherTab(context, '/person/contact%3Aangling');
    await third.page.getByRole('textbox', { name: /^Text to/ }).fill('The gate is open');
    await third.page.getByRole('button', { name: 'Send', exact: true }).click();
    await expect(third.page.getByText('The gate is open').first()).toBeVisible();

    // The first one hosts the office, and sounds.
    await page.bringToFront();
    await second.office.act('Mute').click();
    await expect(office.act('Mute')).toHaveAttribute('aria-pressed', 'true');
    await page.close();
    await expect(third.page.getByText('The gate is open').first()).toBeVisible();
    await second.office.act('Mute').click();
    await expect(second.office.act('Mute')).not.toHaveAttribute('aria-pressed', 'true');
    await expect(third.office.toTheCall()).toBeVisible();
    await second.office.end().click();
    await expect(third.office.toTheCall()).toHaveCount(0);
    await second.office.goToEverything();
    await expect(second.office.newestOf('Peg Anstey')).toContainText('Answered');
    await third.page.close();
    await second.page.close();
  },
);

test('the sound goes with the tab that is looked at, and moves on when that is closed', async ({
  office,
  page,
  context,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await expect(office.answer()).toBeVisible();
  const second = await anotherTab(context, '/');
  await expect(second.office.answer()).toBeVisible();
  await second.page.close();
  await expect(page.getByText('The sound is in this tab now.')).toBeVisible();
});

test('what is written, removed and chosen in one tab is so in the other', async ({
  office,
  page,
  context,
}) => {
  const today = (tab: Page) => tab.getByRole('img', { name: /^Today: / });
  const notes = (tab: Page) => tab.getByRole('list', { name: 'Notes' }).getByRole('listitem');
  await office.open('/notes');
  await page.getByRole('textbox', { name: 'A new note' }).fill('Of the first tab');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await expect(notes(page)).toHaveCount(1);
  await office.goToEverything();
  const calls = await today(page).getAttribute('aria-label');
  const second = await anotherTab(context, '/notes');
  await second.page.getByRole('button', { name: 'Remove the note: Of the first tab' }).click();
  await expect(notes(second.page)).toHaveCount(0);
  await second.office.goToEverything();
  await expect(today(second.page)).toHaveAttribute('aria-label', calls ?? '');
  await second.page.close();
  await office.goTo('Loose ends');
  await page.getByRole('button', { name: 'Notes', exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'A new note' })).toBeVisible();
  await expect(notes(page)).toHaveCount(0);
  await office.goToEverything();
  await expect(today(page)).toHaveAttribute('aria-label', calls ?? '');
});

test('one damaged record is set aside and told, and all else is there', async ({ office, page }) => {
  await office.open('/everything');
  await expect(page.getByRole('button', { name: /^10:28 Cawder Flood Watch Missed/ })).toBeVisible();
  await page.evaluate(async ({ database, store }) => {
    const open = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open(database);
      request.onsuccess = () => resolve(request.result);
    });
    const entries = open.transaction(store, 'readwrite').objectStore(store);
    const text = await new Promise<string>((resolve) => {
      const request = entries.get('history/2026-11-26/sample');
      request.onsuccess = () => resolve(request.result as string);
    });
    const lines = text.split('\n');
    const spoilt = lines.findIndex(
      (line) => line.includes('"messageMs":25000') && line.includes('"personId":"maren"'),
    );
    lines[spoilt] = lines[spoilt]!.slice(0, 40);
    await new Promise((resolve) => {
      entries.put(lines.join('\n'), 'history/2026-11-26/sample').onsuccess = resolve;
    });
  }, entriesOf);
  await page.reload();
  await expect(
    page.getByText('One stored entry could not be read. It was set aside; all else is here.'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /^10:34 Skerrow Harbour Missed/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^10:28 Cawder Flood Watch Missed/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Understood' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: /^10:34 Skerrow Harbour Missed/ })).toBeVisible();
  await expect(page.getByText('could not be read')).toHaveCount(0);

  // It can be seen, saved, and read again, which this version can't either.
  await page.goto('/archive');
  const aside = page.getByRole('region', { name: 'Set aside' });
  await expect(aside).toContainText('Could not be read, and is kept as it is: days of calls (1).');
  const saved = page.waitForEvent('download');
  await aside.getByRole('button', { name: 'Save it as a file' }).click();
  expect((await saved).suggestedFilename()).toBe('cendro-set-aside.txt');
  await aside.getByRole('button', { name: 'Try to read it again' }).click();
  await expect(aside.getByRole('status')).toHaveText(
    'This version can’t read them either. They stay here as they are.',
  );
  expect(await office.axeViolations()).toEqual([]);
});

test('a damaged office loses its live calls only, and goes on without using a number twice', async ({
  office,
  page,
}) => {
  await office.open('/');
  // Once the sample is there, nothing more is written by itself.
  await expect(
    page
      .getByRole('list', { name: /^Who waits/ })
      .getByRole('listitem')
      .first(),
  ).toBeVisible();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.end()).toBeVisible();
  await page.evaluate(async ({ database, store }) => {
    const open = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open(database);
      request.onsuccess = () => resolve(request.result);
    });
    await new Promise((resolve) => {
      open.transaction(store, 'readwrite').objectStore(store).put('nonsense', 'office').onsuccess = resolve;
    });
  }, entriesOf);
  await page.goto('/everything');
  await expect(page.getByText('One stored entry could not be read.')).toBeVisible();
  await office.callIn('Cawder Flood Watch', 'Direct');
  await office.answer().click();
  await office.end().click();
  await office.goToEverything();
  await expect(office.newest()).toContainText('Cawder Flood Watch');
  await expect(page.getByRole('button', { name: /^10:34 Skerrow Harbour Missed/ })).toBeVisible();
});

test('an office of the version before is opened as it was configured, and kept in the form of now', async ({
  office,
  page,
}) => {
  await office.open('/standing');
  await page
    .getByRole('region', { name: 'Situation', exact: true })
    .getByRole('radio', { name: /^Off duty/ })
    .click();
  await expect(page.getByText('Off duty. Colleagues see it now.')).toBeVisible();
  /** What is stored of the office; or makes of it what the version before would have stored. */
  const stored = (isOlder: boolean) =>
    page.evaluate(
      async ({ database, store, isOlder }) => {
        const open = await new Promise<IDBDatabase>((resolve) => {
          const request = indexedDB.open(database);
          request.onsuccess = () => resolve(request.result);
        });
        const entries = open.transaction(store, 'readwrite').objectStore(store);
        const read = (key: string) =>
          new Promise<string | undefined>((resolve) => {
            const request = entries.get(key);
            request.onsuccess = () => resolve(request.result as string | undefined);
          });
        const [state, setup] = [await read('office'), await read('setup')].map(
          (text) => JSON.parse(text?.split('\n')[1] ?? 'null') as object | null,
        );
        if (!isOlder) return { state, setup };
        entries.put(`{"v":2}\n${JSON.stringify({ ...state, setup })}`, 'office');
        await new Promise((resolve) => (entries.delete('setup').onsuccess = resolve));
        return null;
      },
      { ...entriesOf, isOlder },
    );
  await stored(true);
  await page.goto('/standing');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Off duty/);
  await expect.poll(async () => (await stored(false))?.setup).toMatchObject({ name: 'Orrin Vale Gauging' });
  expect((await stored(false))?.state).not.toHaveProperty('setup');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Off duty/);
});

test('a full storage is told, calls go on, and nothing is lost once there is room', async ({
  office,
  page,
}) => {
  await beforeTheOffice(
    page,
    `let isFull = false;
    new BroadcastChannel('room').onmessage = ({ data }) => (isFull = data);
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = function (...given) {
      if (isFull) throw new DOMException('The current transaction exceeded its quota limitations.', 'QuotaExceededError');
      return put.apply(this, given);
    };`,
  );
  const setFull = (isFull: boolean) =>
    page.evaluate((is) => new BroadcastChannel('room').postMessage(is), isFull);
  await office.open('/outside');
  await setFull(true);
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.end().click();
  await expect(page.getByText('This device has no room left.')).toBeVisible();
  await office.goToEverything();
  await expect(office.newest()).toContainText('Peg Anstey');

  await setFull(false);
  await office.callIn('Bexhollow Reservoir', 'Direct');
  await office.answer().click();
  await expect(page.getByText('This device has no room left.')).toHaveCount(0);
  await page.reload();
  await office.goToEverything();
  await expect(page.getByRole('button', { name: /^10:40 Peg Anstey Answered/ })).toBeVisible();
});

test('a sheet that was never fetched says so without a network, and the call goes on', async ({
  office,
  page,
  context,
}) => {
  // What is fetched later is held back, as by a network that went away right after the start.
  await page.route(/\/index-[0-9a-f]+\.js/, (route) => route.abort('internetdisconnected'));
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await context.setOffline(true);
  await office.act('Transfer').click();
  await expect(office.sheet()).toContainText('has not been fetched');
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test('with no network the app says so and goes on', async ({ office, page, context }) => {
  await office.open('/everything');
  await context.setOffline(true);
  await expect(page.getByText('No network.')).toBeVisible();
  await office.dial('201');
  // Without data the call goes by the mobile network, and that phone rings first.
  await expect(page.getByText('your van phone rings: answer it, and they are called')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('No network.')).toHaveCount(0);
});

test('settings stay', async ({ office, page }) => {
  await office.open('/office');
  await page.getByRole('radio', { name: /^Dark/ }).click();
  await page.reload();
  await expect(page.getByRole('radio', { name: /^Dark/ })).toBeChecked();
});

for (const path of ['/nowhere/at-all', '/_sitemap'])
  test(`an address that leads nowhere says so, and leads back: ${path}`, async ({ office, page }) => {
    await office.open(path);
    await expect(page.getByRole('heading', { level: 1, name: 'Nothing here' })).toBeVisible();
    await expect(page.getByText(`Cendro has no page at ${path}.`)).toBeVisible();
    await expect(page.getByText(/\.tsx/)).toHaveCount(0);
    await page.getByRole('button', { name: 'To the loose ends' }).click();
    await expect(page.getByRole('heading', { level: 1, name: /Loose ends/ })).toBeVisible();
  });

/** Every reading of storage fails for so long after the page, and the office, have begun; null: for ever. */
async function breakReading(page: Page, forMs: number | null) {
  const run = `{
    const { get } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.get = function (...given) {
      if (${forMs} === null || performance.now() < ${forMs}) throw new DOMException('Internal error.', 'UnknownError');
      return get.apply(this, given);
    };
  }`;
  await page.addInitScript(run);
  await beforeTheOffice(page, run);
}

test('a storage that can’t be read for a moment loses nothing', async ({ office, page }) => {
  await office.open('/');
  await page
    .getByRole('list', { name: /^Who waits/ })
    .getByRole('button', { name: 'Done: Skerrow Harbour' })
    .click();
  await expect(page.getByText('5 people wait for an answer')).toBeVisible();
  await breakReading(page, 1500);
  await page.reload();
  await expect(page.getByText('5 people wait for an answer')).toBeVisible();
});

test('one that can’t be read at all is not written over: the office refuses to start', async ({
  office,
  page,
  context,
}) => {
  await office.open('/');
  await expect(page.getByText('6 people wait for an answer')).toBeVisible();
  await page.close();
  const broken = await context.newPage();
  await breakReading(broken, null);
  await broken.goto('/');
  await expect(broken.getByRole('heading', { name: 'The office did not start' })).toBeVisible();
  await expect(broken.getByText('What is kept on this device can’t be read just now.')).toBeVisible();
  await broken.close();
  const again = await context.newPage();
  await again.goto('/');
  await expect(again.getByText('6 people wait for an answer')).toBeVisible();
});

test('what a newer version has written is neither read nor touched', async ({ office, page }) => {
  await office.open('/');
  await expect(page.getByText('6 people wait for an answer')).toBeVisible();
  const settings = (write: string | null) =>
    page.evaluate(
      ({ database, store, text }) =>
        new Promise<string>((resolve) => {
          const request = indexedDB.open(database);
          request.onsuccess = () => {
            const entries = request.result.transaction(store, 'readwrite').objectStore(store);
            if (text !== null) entries.put(text, 'settings');
            const read = entries.get('settings');
            read.onsuccess = () => resolve(read.result as string);
          };
        }),
      { ...entriesOf, text: write },
    );
  const newer = '{"v":99}\n{"theme":"of a later year"}';
  await settings(newer);
  await page.reload();
  await expect(page.getByText(/was written by a newer version of Cendro/)).toBeVisible();
  expect(await settings(null)).toBe(newer);
});

test('a browser that lets no site keep anything runs the office in memory, and says so', async ({
  office,
  page,
}) => {
  const run = `for (const name of ['localStorage', 'sessionStorage', 'indexedDB'])
    Object.defineProperty(globalThis, name, {
      get: () => {
        throw new DOMException('Access is denied', 'SecurityError');
      },
    });`;
  await page.addInitScript(run);
  await beforeTheOffice(page, run);
  await office.open('/');
  await expect(page.getByRole('alert').getByText(/^This browser can’t keep anything/)).toBeVisible();
  await expect(page.getByText('6 people wait for an answer')).toBeVisible();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await office.end().click();
  await office.goToEverything();
  await expect(office.newestOf('Peg Anstey')).toContainText('Answered');
});
