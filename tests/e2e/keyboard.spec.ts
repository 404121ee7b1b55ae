import type { Locator } from '@playwright/test';

import { expect, test, type Office } from './office';

/** The ways of a whole call once more, with the keys of a keyboard alone, on a wide screen. */
test.use({ viewport: { width: 1280, height: 800 } });

/** Goes to something by the keyboard and presses it. It must be a stop of the Tab key. */
async function press(locator: Locator, key = 'Enter') {
  await locator.focus();
  await expect(locator).toBeFocused();
  expect(await locator.evaluate((element) => (element as HTMLElement).tabIndex)).toBe(0);
  await locator.page().keyboard.press(key);
}

async function answerPeg(office: Office) {
  await office.open('/outside');
  await office.ring('Peg Anstey', 'Direct');
  await expect(office.answer()).toBeVisible();
  await office.page.keyboard.press('a');
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  // What comes next is a key away: the focus has not gone with the ringing screen.
  await expect(office.page.getByRole('main').last()).toBeFocused();
}

/** Talks first with a colleague who answers by themselves. */
async function consult(office: Office, name: string) {
  const { page } = office;
  await page.keyboard.press('t');
  await expect(office.sheet().getByRole('textbox')).toBeFocused();
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  // What is chosen most has the focus, so that one more Enter does it.
  await expect(office.sheet().getByRole('button', { name: /^Talk first/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(office.youHear('You hear ringing')).toBeVisible();
  await expect(page.locator('body')).not.toBeFocused();
  await letPass(office, 2);
}

async function letPass(office: Office, times: number) {
  await office.goOutside();
  for (let time = 0; time < times; time++) await office.letPass('5 s');
  await press(
    office.page
      .getByRole('complementary', { name: 'Live calls and team' })
      .getByRole('button', { name: /^Cords of/ })
      .last(),
  );
}

test('a colleague is consulted and connected', async ({ office, page }) => {
  await answerPeg(office);
  await consult(office, 'ilse');
  await press(page.getByRole('button', { name: 'Connect, leave' }));
  await expect(page.getByText('Peg Anstey and Ilse Varga are connected, and you have left.')).toBeVisible();
});

test('three are put together, one is taken out, and the worker leaves', async ({ office, page }) => {
  await answerPeg(office);
  await consult(office, 'ilse');
  await press(page.getByRole('button', { name: 'All together' }));
  await expect(office.youHear('You hear Peg Anstey and Ilse Varga')).toBeVisible();
  await press(office.act('Add'));
  await expect(office.sheet().getByRole('textbox')).toBeFocused();
  await page.keyboard.type('kofi');
  await page.keyboard.press('Enter');
  await press(office.sheet().getByRole('button', { name: 'Ask them in now' }));
  await letPass(office, 2);
  await press(page.getByRole('button', { name: /^Kofi Renner hears/ }));
  await press(office.sheet().getByRole('button', { name: 'Remove them from the call' }));
  await expect(office.youHear('You hear Peg Anstey and Ilse Varga')).toBeVisible();
  await page.keyboard.press('e');
  await page.keyboard.press('e');
  await expect(page.getByText('Nobody at the moment.')).toBeVisible();
});

test('a caller is parked, sees nobody come, and is taken back', async ({ office, page }) => {
  await answerPeg(office);
  await press(office.act('Park'));
  await press(page.getByRole('button', { name: 'Take Peg Anstey from slot 01' }).first());
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test('a call is recorded, paused, gone on with and moved to the van phone', async ({ office, page }) => {
  await answerPeg(office);
  for (const act of ['Record', 'Pause', 'Resume', 'Stop']) await press(office.act(act), 'Space');
  await expect(page.getByText('The recording is kept when the call ends.')).toBeVisible();
  await press(office.act('Move'));
  await press(office.sheet().getByRole('button', { name: 'My van phone' }));
  await expect(page.getByText('The van phone rings.').first()).toBeVisible();
  await expect(
    page.getByText('The van phone rings. Answer it, and the call moves there.').last(),
  ).toBeVisible();
});

test('a caller is sent on blindly and comes back, and the next, who takes no texts, is remembered', async ({
  office,
  page,
}) => {
  await answerPeg(office);
  await page.keyboard.press('t');
  await expect(office.sheet().getByRole('textbox')).toBeFocused();
  await page.keyboard.type('tobias');
  await page.keyboard.press('Enter');
  await press(office.sheet().getByRole('button', { name: /^To their phones now/ }));
  await office.goOutside();
  await office.letPass('30 s');
  const returned = page.getByRole('region', { name: 'Call from Peg Anstey' });
  await expect(returned).toContainText('did not take the call.');
  await page.keyboard.press('r');
  await expect(returned).toHaveCount(0);

  await office.callIn('Skerrow Harbour', 'Direct');
  await expect(page.getByRole('button', { name: /Refuse and text/ })).toHaveCount(0);
  await press(page.getByRole('button', { name: 'Refuse, call back Skerrow Harbour' }));
  await expect(office.sheet()).toContainText('Skerrow Harbour has no number that takes texts.');
  await press(office.sheet().getByRole('button', { name: 'Refuse, call back Thu 11:40' }));
  await expect(page.getByText('Refused. Skerrow Harbour is in your follow-ups.')).toBeVisible();
});

test('a call is answered, noted on, transferred after a talk, and the last one ended', async ({
  office,
  page,
}) => {
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await expect(office.answer()).toBeVisible();
  const key = (name: string) => page.keyboard.press(name);
  await key('a');
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await key('m');
  await expect(page.getByText('and nobody hears you')).toBeVisible();
  await key('m');
  await key('h');
  await expect(office.youHear('You hear nothing')).toBeVisible();
  await key('h');

  await key('n');
  await expect(office.sheet().getByRole('textbox', { name: 'Note' })).toBeFocused();
  await page.keyboard.type('Gate code is 4471');
  await key('Enter');
  await expect(page.getByText('Note kept with the call.')).toBeVisible();

  await key('t');
  await expect(office.sheet().getByRole('textbox')).toBeFocused();
  await page.keyboard.type('ilse');
  await key('Enter');
  await office.sheet().getByRole('button', { name: 'Talk first' }).focus();
  await key('Enter');
  await expect(office.youHear('You hear ringing')).toBeVisible();
  await key('?');
  await expect(office.sheet()).toContainText('end the call; press it twice');
  await key('Escape');
  await key('e');
  await expect(page.getByText('Press E once more to end the call.')).toBeVisible();
  await key('e');
  await expect(page.getByText('held 0:00')).toBeVisible();
});

test('a name and Enter mean somebody also in the first seconds, before names can be looked up', async ({
  office,
  page,
}) => {
  let letIn: () => void = () => undefined;
  const isLetIn = new Promise<void>((resolve) => (letIn = resolve));
  await page.route(/\/inboxScreens-[0-9a-f]+\.js/, async (route) => {
    await isLetIn;
    await route.continue();
  });
  await answerPeg(office);
  await page.keyboard.press('t');
  await expect(office.sheet().getByRole('textbox')).toBeFocused();
  await page.keyboard.type('ilse');
  await page.keyboard.press('Enter');
  await expect(office.sheet().getByText('Names can’t be looked up yet.')).toBeVisible();
  letIn();
  await expect(office.sheet().getByRole('button', { name: /^Talk first/ })).toBeFocused();
});

test('what is typed at once after the key of a sheet goes into it, and is no shortcut', async ({
  office,
  page,
}) => {
  await answerPeg(office);
  // The letters of a name are keys as well: p leads to the ring plan, e twice ends the call.
  for (const [key, name] of [
    ['t', 'peee'],
    ['n', 'press'],
  ] as const) {
    await page.keyboard.press(key);
    await page.keyboard.type(name);
    await expect(office.sheet().getByRole('textbox').first()).toHaveValue(name);
    await page.keyboard.press('Escape');
    await expect(office.sheet()).toHaveCount(0);
  }
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await expect(page.getByText('Press E once more')).toHaveCount(0);
});
