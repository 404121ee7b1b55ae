import { expect, test, type Office } from './office';
import { unreachable } from './reachable';

/** The small phone, the phone held across, and letters of twice the size: all that can be tapped can be reached. */
const views = [
  { name: 'the smallest phone', width: 320, height: 568 },
  { name: 'a phone held across', width: 844, height: 390 },
  { name: 'a phone with letters of twice the size', width: 390, height: 844, rootPixels: 32 },
] as const;

const screens = [
  '/',
  '/everything',
  '/rooms',
  '/rooms/cawder',
  '/person/contact%3Apeg',
  '/dial',
  '/plan',
  '/standing',
  '/directory',
  '/contact',
  '/import',
  '/sources',
  '/alike',
  '/office',
  '/outside',
  '/fax',
  '/fax/new',
  '/voicemails',
  '/notes',
  '/followups',
  '/archive',
  '/telling',
  '/tones',
  '/connection',
  '/devices',
  '/ready',
  '/share',
  '/place',
  '/settings',
  '/begin',
  '/office/people',
  '/office/people/new',
  '/office/lines/new',
  '/office/lines',
  '/office/menus/new',
  '/office/teams/field-team',
  '/office/log',
  '/office/findings',
  '/office/route',
  '/office/figures',
  '/office/rules',
  '/office/many',
  '/office/port',
  '/office/conferences',
  '/office/conferences/new',
] as const;

async function isRight(office: Office, what: string) {
  expect(await unreachable(office.page), `${what}: reached`).toEqual([]);
  expect(await office.axeViolations(), `${what}: axe`).toEqual([]);
  const wider = () =>
    office.page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(await wider(), `${what}: wider than the window`).toBeLessThanOrEqual(0);
}

for (const view of views)
  test.describe(view.name, () => {
    test.use({ viewport: { width: view.width, height: view.height } });
    test.beforeEach(async ({ page }) => {
      if (!('rootPixels' in view)) return;
      await page.addInitScript((pixels) => {
        document.addEventListener('readystatechange', () => {
          document.documentElement.style.fontSize = `${pixels}px`;
        });
      }, view.rootPixels);
    });

    for (const half of [0, 1])
      test(`every screen, part ${half + 1}`, async ({ office, page }) => {
        test.slow();
        for (const path of screens.filter((_, at) => at % 2 === half)) {
          await office.open(path);
          await expect(page.getByRole('heading').first()).toBeVisible();
          await isRight(office, path);
        }
      });

    test('a call: answered, its keys, each sheet, a colleague consulted, a second caller', async ({
      office,
      page,
    }) => {
      test.slow();
      await office.open('/outside');
      await office.callIn('Cawder Flood Watch', 'Flood desk');
      await expect(office.answer()).toBeInViewport({ ratio: 1 });
      await isRight(office, 'ringing');
      await office.answer().click();
      await expect(office.end()).toBeInViewport({ ratio: 1 });
      await isRight(office, 'talking');
      await office.act('Keys').click();
      await isRight(office, 'keys');
      await page
        .getByRole('button', { name: '5jkl' })
        .or(page.getByRole('button', { name: /^5/ }))
        .first()
        .click();
      await expect(page.getByText('Sent so far')).toBeVisible();
      await office.act('Keys').click();
      for (const act of ['Add', 'Move', 'Sound', 'Note']) {
        await office.act(act).click();
        await expect(office.sheet()).toBeVisible();
        await isRight(office, act);
        await office.sheet().getByRole('button', { name: 'Close' }).click();
      }
      await office.act('Transfer').click();
      await isRight(office, 'whom to transfer to');
      await office
        .sheet()
        .getByRole('button', { name: /Ilse Varga/ })
        .click();
      await isRight(office, 'what a transfer would do');
      await office.sheet().getByRole('button', { name: 'Talk first' }).click();
      await office.passAndReturn('5 s', 2);
      await isRight(office, 'consulting');
      await office.callIn('Peg Anstey', 'Direct');
      await expect(page.getByRole('button', { name: /^Answer, hold the other/ })).toBeInViewport({
        ratio: 1,
      });
      await isRight(office, 'a second caller');
    });

    test('a meeting: its acts, its sheets, and somebody who is seen', async ({ office, page }) => {
      test.slow();
      await office.meetWithIlse();
      await expect(page.getByRole('img', { name: 'Ilse Varga’s camera' })).toBeAttached();
      await isRight(office, 'a meeting');
      for (const act of ['People', 'React', 'Picture']) {
        await office.act(act).click();
        await expect(office.sheet()).toBeVisible();
        await isRight(office, act);
        await office.sheet().getByRole('button', { name: 'Close' }).click();
      }
      await office.act('People').click();
      await office.sheet().getByRole('button', { name: 'Invite by a link …' }).click();
      await office.sheet().getByRole('button', { name: 'Make the link' }).click();
      await isRight(office, 'a link');
      await office.sheet().getByRole('button', { name: 'Close' }).click();
      await office.letPassElsewhere('5 s');
      await expect(page.getByRole('button', { name: 'Let in: Zofia Kern' })).toBeInViewport({ ratio: 1 });
      await isRight(office, 'a guest who wants to come in');
    });

    test('the frequent jobs: a call parked and taken back, a missed caller called, somebody texted, the phones chosen', async ({
      office,
      page,
    }) => {
      test.slow();
      await office.open('/outside');
      await office.callIn('Peg Anstey', 'Direct');
      await office.answer().click();
      await office.act('Park').click();
      await page.getByRole('button', { name: 'Take Peg Anstey from slot 01' }).click();
      await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
      await office.end().click();
      await office.goTo('Loose ends');
      await page
        .getByRole('list', { name: /^Who waits/ })
        .getByRole('button', { name: /^Call .*Skerrow Harbour/ })
        .click();
      await office.stopCalling().click();
      await office.goTo('Loose ends');
      await page
        .getByRole('button', { name: /^Hallin Rigg|^Peg Anstey/ })
        .first()
        .click();
      await page.getByRole('textbox', { name: /^Text to/ }).fill('I come at noon.');
      await page.getByRole('button', { name: 'Send', exact: true }).click();
      await expect(page.getByText('I come at noon.').last()).toBeVisible();
      await office.dial('0131 496 0177');
      await office.stopCalling().click();
      await office.goTo('Ring plan');
      await page.getByRole('button', { name: 'For once' }).click();
      await office.sheet().getByRole('button', { name: 'Add it' }).click();
      const changes = page.getByRole('region', { name: 'Changes of the plan' });
      const height = (await changes.boundingBox())?.height ?? Infinity;
      expect(height, 'the bar of changes leaves the plan its room').toBeLessThan(view.height * 0.4);
      await changes.getByRole('button', { name: 'More for the changes' }).click();
      await expect(changes.getByRole('button', { name: 'Undo', exact: true })).toBeInViewport({ ratio: 1 });
      await page.getByRole('button', { name: 'Put it into force' }).click();
      await expect(page.getByText(/^Your ring plan is in force/)).toBeVisible();
    });
  });
