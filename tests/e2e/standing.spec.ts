import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

async function openStanding(office: Office) {
  await office.open('/');
  await office.page.getByRole('button', { name: /^On site.*Change$/ }).click();
  await expect(office.page.getByRole('heading', { level: 1, name: /^On site/ })).toBeVisible();
}

const part = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

test('a situation is one tap, decides what rings, and its end may be typed', async ({ office, page }) => {
  await openStanding(office);
  const situation = part(page, 'Situation');
  await situation.getByRole('radio', { name: /^Off duty/ }).click();
  await expect(page.getByText('Off duty. Colleagues see it now.')).toBeVisible();
  await situation.getByRole('radio', { name: 'at a time' }).click();
  await situation.getByRole('textbox', { name: /^Time/ }).fill('25:00');
  await situation.getByRole('button', { name: 'Set it, with its end' }).click();
  await expect(situation.getByText(/^There is no 25:00 o’clock/)).toBeVisible();
  await situation.getByRole('textbox', { name: /^Time/ }).fill('15:00');
  await situation.getByRole('button', { name: 'Set it, with its end' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Off duty until 15:00');

  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Skerrow Harbour', 'Field service');
  await expect(office.answer()).toHaveCount(0);
  await office.letPass('5 s');
  await office.goTo('Loose ends');
  await expect(page.getByRole('button', { name: /^Off duty until 15:00 ?nothing rings/ })).toBeVisible();
});

test('in a meeting until three, in one step, quiet if so wanted; what was before comes back', async ({
  office,
  page,
}) => {
  await openStanding(office);
  const situation = part(page, 'Situation');
  const words = situation.getByRole('textbox', { name: /^In your own words/ });
  await words.fill('In a meeting until three');
  await words.press('Enter');
  await expect(page.getByText('On site: In a meeting until 15:00. Colleagues see it now.')).toBeVisible();
  await situation.getByRole('radio', { name: /^In the van/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('In the van');
  await words.fill('At the bank until 11');
  await situation.getByRole('button', { name: 'Set “At the bank” until 11:00' }).click();
  await expect(page.getByText(/At the bank until 11:00\. Colleagues see it now/)).toBeVisible();
  await situation.getByRole('radio', { name: /^At the bench/ }).click();
  await words.fill('With Kofi until 11am');
  await words.press('Enter');
  await situation.getByRole('button', { name: 'Do not disturb until 11:00 too' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Do not disturb until 11:00');
  await office.goOutside();
  await office.letPass('30 s');
  await office.letPass('1 h');
  await office.goTo('Loose ends');
  await expect(page.getByRole('button', { name: /^At the bench ?desk phone/ })).toBeVisible();
});

test('a situation of one’s own is added with what rings in it, moved, taken out and put back', async ({
  office,
  page,
}) => {
  await openStanding(office);
  const situation = part(page, 'Situation');
  await situation.getByRole('button', { name: 'Add or change situations' }).click();
  await office.sheet().getByRole('button', { name: 'Add a situation' }).click();
  await office.sheet().getByRole('button', { name: 'Keep it' }).click();
  await expect(office.sheet().getByRole('alert')).toHaveText('Give it a name, such as At the bench.');
  await office.sheet().getByRole('textbox', { name: 'Name' }).fill('In the tunnel');
  await office.sheet().getByRole('radio', { name: 'away' }).click();
  await office.sheet().getByRole('radio', { name: 'only these phones' }).click();
  await office.sheet().getByRole('checkbox', { name: 'desk phone' }).click();
  await office.sheet().getByRole('checkbox', { name: /app/ }).click();
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Keep it' }).click();
  const rows = office.sheet().getByRole('listitem');
  await expect(rows.last()).toContainText('In the tunnel');
  await expect(rows.last()).toContainText('Then: van phone');
  await office.sheet().getByRole('button', { name: 'Up: In the tunnel' }).click();
  await expect(rows.last()).toContainText('Off duty');
  await office.sheet().getByRole('button', { name: 'Remove In the tunnel' }).click();
  await expect(rows).toHaveCount(4);
  await office.sheet().getByRole('button', { name: 'Undo: In the tunnel back' }).click();
  await expect(rows).toHaveCount(5);
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await situation.getByRole('radio', { name: /^In the tunnel/ }).click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Skerrow Harbour', 'Field service');
  await expect(office.answer()).toHaveCount(0);
  await office
    .phone('Maren Oyelaran, van phone')
    .getByRole('button', { name: /Answer/ })
    .waitFor();
});

test('do not disturb for an hour lets the flood desk through, and ends by itself', async ({
  office,
  page,
}) => {
  await openStanding(office);
  await part(page, 'Do not disturb').getByRole('button', { name: 'Do not disturb me' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Do not disturb until 11:40');

  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Skerrow Harbour', 'Field service');
  await expect(office.answer()).toHaveCount(0);
  await office.letPass('1 h');
  await expect(page.getByText('Do not disturb until 11:40.')).toHaveCount(0);
  await office.callIn('Skerrow Harbour', 'Field service');
  await expect(office.answer()).toBeVisible();
});

test('the flood desk passes do not disturb', async ({ office, page }) => {
  await openStanding(office);
  await part(page, 'Do not disturb').getByRole('button', { name: 'Do not disturb me' }).click();
  await expect(page.getByText(/^Do not disturb until 11:40\./).first()).toBeVisible();
  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await expect(office.answer()).toBeVisible();
  await expect(page.getByText('was not to be disturbed, but this call may.')).toBeVisible();
});

test('everything is forwarded from Tuesday noon to Friday morning, which the week shows', async ({
  office,
  page,
}) => {
  await openStanding(office);
  const forward = part(page, 'Forward everything');
  await forward.getByRole('radio', { name: 'a colleague' }).click();
  await forward.getByRole('radio', { name: 'Ilse Varga' }).click();
  await forward.getByRole('textbox', { name: /^From/ }).fill('Tue 12:00');
  await forward.getByRole('textbox', { name: /^Until/ }).fill('Tue 8:00');
  await forward.getByRole('button', { name: 'Forward everything' }).click();
  await expect(forward.getByRole('alert')).toHaveCount(0);
  await expect(
    page.getByText(/Everything goes to Ilse Varga from Tue 12:00 until Tue 8 Dec 08:00/).first(),
  ).toBeVisible();
  await forward.getByRole('button', { name: 'Turn it off' }).click();
  await forward.getByRole('radio', { name: 'a colleague' }).click();
  await forward.getByRole('radio', { name: 'Ilse Varga' }).click();
  await forward.getByRole('textbox', { name: /^From/ }).fill('2026-12-01 12:00');
  await forward.getByRole('textbox', { name: /^Until/ }).fill('2026-11-30 8:00');
  await forward.getByRole('button', { name: 'Forward everything' }).click();
  await expect(forward.getByRole('alert')).toHaveText('It ends before it begins.');
  await forward.getByRole('textbox', { name: /^Until/ }).fill('Fri 8:00');
  await forward.getByRole('button', { name: 'Forward everything' }).click();
  await expect(
    page.getByText('Everything goes to Ilse Varga from Tue 12:00 until Fri 4 Dec 08:00.').first(),
  ).toBeVisible();

  await office.goTo('Ring plan');
  await page.getByRole('radiogroup', { name: 'See' }).getByRole('radio', { name: 'Week' }).click();
  await expect(
    page.getByRole('button', {
      name: 'Tue 1 12:00 to 24:00: Nothing rings: at once forwarded to Ilse Varga.',
    }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Week after' }).click();
  await expect(page.getByRole('button', { name: /^Fri 4 00:00 to 08:00: Nothing rings/ })).toBeVisible();
});

test('what a forward of everything would lose is said before it is set, with its repair', async ({
  office,
  page,
}) => {
  await office.open('/outside');
  const colleagues = part(page, 'What colleagues say of themselves');
  await colleagues.getByRole('radio', { name: 'Ilse Varga' }).click();
  await colleagues.getByRole('textbox', { name: 'Forward everything of theirs to' }).fill('214');
  await colleagues.getByRole('button', { name: 'Forward theirs' }).click();
  await office.goTo('Loose ends');
  await page.getByRole('button', { name: /^On site.*Change$/ }).click();
  const forward = part(page, 'Forward everything');
  const set = forward.getByRole('button', { name: 'Forward everything', exact: true });
  await set.click();
  await expect(forward.getByRole('alert')).toHaveText('Choose where everything goes.');

  // To the mailbox: the urgent line would reach nobody, which is said; that nothing rings is meant.
  await forward.getByRole('radio', { name: 'my mailbox' }).click();
  await expect(forward.getByRole('note')).toHaveCount(1);
  await expect(forward.getByRole('note')).toContainText('Flood desk is an urgent line');

  // A circle with a colleague.
  await forward.getByRole('radio', { name: 'a colleague' }).click();
  await forward.getByRole('radio', { name: 'Ilse Varga' }).click();
  await expect(forward.getByRole('note')).toContainText(
    'Forwards go round in a circle: you → Ilse Varga → you',
  );

  // My own line is one too, and what the office bars can't be meant.
  await forward.getByRole('radio', { name: 'a number' }).click();
  const number = forward.getByRole('textbox', { name: 'Number to forward to' });
  await number.fill('0131 496 0214');
  await expect(forward.getByRole('note')).toContainText('Forwards go round in a circle: you → you');
  await number.fill('0909 879 0123');
  await set.click();
  await expect(forward.getByRole('alert')).toHaveText(
    'This office doesn’t call premium numbers, or forward to them.',
  );

  // A mobile is asked for a key, so that its own mailbox takes nobody; without it, it is said.
  await number.fill('07700 900321');
  await expect(forward.getByRole('note')).toHaveCount(0);
  await forward.getByRole('checkbox', { name: /^Whoever answers presses a key/ }).click();
  await expect(forward.getByRole('note')).toContainText('those of the urgent line Flood desk too');
  expect(await page.evaluate(() => document.scrollingElement!.scrollWidth - innerWidth)).toBeLessThanOrEqual(
    0,
  );
  await set.click();
  await expect(forward.getByRole('alert')).toContainText('This forward loses calls');
  await forward.getByRole('button', { name: 'Go on changing' }).click();
  await forward.getByRole('button', { name: 'Ask for a key to take the call there' }).click();
  await expect(forward.getByRole('note')).toHaveCount(0);
  await set.click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Everything goes to 07700 900321');
});

test('a circle of forwards with a colleague is told, and ended by one tap', async ({ office, page }) => {
  await office.open('/outside');
  const colleagues = part(page, 'What colleagues say of themselves');
  await colleagues.getByRole('radio', { name: 'Ilse Varga' }).click();
  await colleagues.getByRole('textbox', { name: 'Forward everything of theirs to' }).fill('214');
  await colleagues.getByRole('button', { name: 'Forward theirs' }).click();
  await office.goTo('Ring plan');
  // The rule for any call, which decides by the extension too: that of a line would end in its mailbox there.
  await page
    .getByRole('group', { name: 'The question' })
    .getByRole('button', { name: /^Line:/ })
    .click();
  await office
    .sheet()
    .getByRole('radio', { name: /^Direct/ })
    .click();
  await page.getByRole('button', { name: 'Change the finish when nobody answers' }).click();
  await office
    .sheet()
    .getByRole('button', { name: /^On to Ilse Varga/ })
    .click();
  await expect(page.getByText(/Forwards go round in a circle: you → Ilse Varga → you/)).toBeVisible();
  await page.getByRole('button', { name: 'End it in your mailbox instead' }).click();
  await expect(page.getByText(/Forwards go round in a circle/)).toHaveCount(0);
});

test('colleagues show what they say of themselves', async ({ office, page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.open('/outside');
  const colleagues = part(page, 'What colleagues say of themselves');
  await colleagues.getByRole('radio', { name: 'Tobias Quill' }).click();
  await colleagues.getByRole('radio', { name: 'do not disturb' }).click();
  await expect(page.getByRole('complementary', { name: 'Live calls and team' })).toContainText(
    'do not disturb',
  );
});

test('where I stand has no fault that axe finds', async ({ office }) => {
  await openStanding(office);
  expect(await office.axeViolations()).toEqual([]);
});
