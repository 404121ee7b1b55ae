import type { BrowserContext, Page } from '@playwright/test';

import { chromiumFlags, wholeChromiumPath } from '../../playwright.config';
import { expect, test, type Office } from './office';

// Without a window, a browser shows no notices of the system.
test.use({
  launchOptions: { executablePath: wholeChromiumPath, args: chromiumFlags },
  serviceWorkers: 'allow',
});

/** The first call is answered here, and from then on the system is to tell of calls. */
async function haveCallsTold(office: Office, context: BrowserContext) {
  await context.grantPermissions(['notifications']);
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.act('Sound').click();
  await office.sheet().getByRole('button', { name: 'Tell me of calls' }).click();
  await expect(office.sheet().getByRole('button', { name: 'Tell me of calls', pressed: true })).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
}

/** Nobody looks at the page any more; `isShown` is there once the system has shown something. */
const lookAway = (page: Page) =>
  page.evaluate(() => {
    // Chromium forgets a notification whose list is asked for while it is being shown: it is awaited first.
    const { showNotification } = ServiceWorkerRegistration.prototype;
    ServiceWorkerRegistration.prototype.showNotification = async function (...parameters) {
      await showNotification.apply(this, parameters);
      Object.assign(window, { isShown: true });
    };
    Object.defineProperty(document, 'visibilityState', { value: 'hidden' });
  });

const notifications = (page: Page) =>
  page.evaluate(async () => {
    const registration = await navigator.serviceWorker.getRegistration();
    return (await registration?.getNotifications())?.map(({ title, body }) => `${title} ${body}`);
  });

test('while the app is not in front, the system tells who calls and can answer', async ({
  office,
  page,
  context,
}) => {
  await haveCallsTold(office, context);
  await expect.poll(() => page.evaluate(() => navigator.mediaSession.metadata?.title)).toBe('Peg Anstey');
  await office.end().click();
  await office.goOutside();
  await lookAway(page);
  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await page.waitForFunction(() => 'isShown' in window);
  expect(await notifications(page)).toEqual(['Cawder Flood Watch calls Flood desk']);
  await page.evaluate(async () => {
    const registration = await navigator.serviceWorker.getRegistration();
    const [notification] = (await registration?.getNotifications()) ?? [];
    const data = { callId: (notification?.data as { callId: string }).callId, action: 'answer' };
    navigator.serviceWorker.dispatchEvent(new MessageEvent('message', { data }));
  });
  await expect(office.toTheCall()).toBeVisible();
  await expect.poll(() => notifications(page)).toEqual([]);
});

test('a call that is over before the system could show it is not told of for ever', async ({
  office,
  page,
  context,
}) => {
  await haveCallsTold(office, context);
  await office.end().click();
  await office.goOutside();
  // A browser that takes its time to show a notification.
  await page.evaluate(() => {
    const held = window as unknown as { show?: () => void; isShown?: boolean };
    const { showNotification } = ServiceWorkerRegistration.prototype;
    ServiceWorkerRegistration.prototype.showNotification = async function (...parameters) {
      await new Promise<void>((resolve) => (held.show = resolve));
      await showNotification.apply(this, parameters);
      held.isShown = true;
    };
    Object.defineProperty(document, 'visibilityState', { value: 'hidden' });
  });
  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await page.waitForFunction(() => 'show' in window);
  await office.refuse().click();
  await expect(office.refuse()).toHaveCount(0);
  await page.evaluate(() => (window as unknown as { show: () => void }).show());
  await page.waitForFunction(() => 'isShown' in window);
  await expect.poll(() => notifications(page)).toEqual([]);
});

test('who wants to come into a meeting is told of while it is not looked at, until they are in', async ({
  office,
  page,
  context,
}) => {
  await haveCallsTold(office, context);
  await office.act('Meeting').click();
  await office.act('People').click();
  await office.sheet().getByRole('button', { name: 'Invite by a link …' }).click();
  await office.sheet().getByRole('button', { name: 'Make the link' }).click();
  await expect(office.sheet().getByRole('img', { name: /as a code to photograph/ })).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await office.goOutside();
  await lookAway(page);
  await office.letPass('5 s');
  await page.waitForFunction(() => 'isShown' in window);
  expect(await notifications(page)).toEqual(['Zofia Kern wants to come in in your meeting']);
  await page.getByRole('button', { name: 'Let in: Zofia Kern' }).click();
  await expect.poll(() => notifications(page)).toEqual([]);
});
