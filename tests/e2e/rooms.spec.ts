import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** Colleagues among each other: rooms, the chat of a call, call-back requests, and who takes on whom. */

const rooms = (page: Page) => page.getByRole('list', { name: 'Rooms' });
const written = (page: Page) => page.getByRole('list', { name: 'What was written' });
const end = (page: Page, name: string) =>
  page.getByRole('list', { name: /^Who waits/ }).getByRole('listitem', { name });

async function goToRooms(office: Office) {
  await office.goTo('Loose ends');
  await office.page.getByRole('link', { name: /^Rooms/ }).click();
  await expect(rooms(office.page)).toBeVisible();
}

/** Writes as a colleague, as Outside lets one. */
async function writeAs(page: Page, name: string, text: string, where = 'to you alone') {
  const part = page.getByRole('region', { name: 'Text in' });
  await part.getByRole('radiogroup', { name: 'Who texts' }).getByRole('radio', { name }).click();
  await part.getByRole('radio', { name: where }).click();
  await part.getByRole('textbox', { name: 'What they text' }).fill(text);
  await part.getByRole('button', { name: `Write as ${name}` }).click();
}

test('a room is read, written in, and its unread count goes', { tag: '@phone' }, async ({ office, page }) => {
  await office.open('/');
  await goToRooms(office);
  await expect(page.getByRole('link', { name: 'Rooms 2' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await rooms(page)
    .getByRole('button', { name: /^Cawder gauges/ })
    .click();
  await expect(written(page)).toContainText('Rain is due at three.');
  await page.getByRole('textbox', { name: 'Write in Cawder gauges' }).fill('I drive there at noon.');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(written(page).getByRole('listitem').last()).toContainText('I drive there at noon.');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByRole('link', { name: 'Rooms 1' })).toBeVisible();
  await expect(rooms(page).getByRole('button').first()).toContainText('You: I drive there at noon.');
});

test('a new room needs a name of its own; who leaves a closed one reads it no more', async ({
  office,
  page,
}) => {
  await office.open('/rooms');
  await expect(rooms(page)).toContainText('Cawder gauges');
  await page.getByRole('button', { name: 'Open a new room' }).click();
  const sheet = office.sheet();
  await sheet.getByRole('textbox', { name: 'Name of the room' }).fill('cawder gauges');
  await sheet.getByRole('button', { name: 'Open the room' }).click();
  await expect(sheet.getByRole('alert')).toHaveText('There is a room of that name already.');
  await sheet.getByRole('textbox', { name: 'Name of the room' }).fill('Saturday race');
  await sheet.getByRole('radio', { name: /^Closed/ }).click();
  await sheet.getByRole('checkbox', { name: 'Sunniva Dahl' }).click();
  await sheet.getByRole('button', { name: 'Open the room' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Saturday race' })).toBeVisible();
  await expect(page.getByText('closed, with Sunniva Dahl')).toBeVisible();
  await page.getByRole('button', { name: 'Invite somebody' }).click();
  await sheet.getByRole('button', { name: /^Bryn Castellan/ }).click();
  await expect(page.getByText('closed, with Sunniva Dahl and Bryn Castellan')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Leave Saturday race' }).click();
  await expect(rooms(page)).not.toContainText('Saturday race');
  await page.getByRole('button', { name: 'Undo: back in Saturday race' }).click();
  await rooms(page)
    .getByRole('button', { name: /^Saturday race/ })
    .click();
  await expect(page.getByText('closed, with Sunniva Dahl and Bryn Castellan')).toBeVisible();
});

test('an open room is read from outside it, and entered to write', async ({ office, page }) => {
  await office.open('/rooms');
  await rooms(page)
    .getByRole('button', { name: /^Stores and batteries/ })
    .click();
  await expect(page.getByRole('textbox')).toHaveCount(0);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('textbox', { name: 'Write in Stores and batteries' })).toBeVisible();
});

test('who speaks to me in a room waits for an answer, and an answer there is one', async ({
  office,
  page,
}) => {
  await office.open('/outside');
  await writeAs(page, 'Nadia Feroz', 'Anybody near the weir?', 'Cawder gauges');
  await writeAs(page, 'Ilse Varga', 'Maren, who has the key to the hut?', 'Cawder gauges');
  await office.goTo('Loose ends');
  await expect(end(page, 'Ilse Varga')).toContainText('“Maren, who has the key to the hut?”');
  await expect(end(page, 'Nadia Feroz')).toHaveCount(0);
  await goToRooms(office);
  await rooms(page)
    .getByRole('button', { name: /^Cawder gauges/ })
    .click();
  await page.getByRole('textbox', { name: /^Write in/ }).fill('I have it.');
  await page.getByRole('button', { name: 'Send' }).click();
  await office.goOutside();
  await office.letPass('5 s');
  await office.goTo('Loose ends');
  await expect(page.getByText('Ilse Varga got your text')).toBeVisible();
  await expect(end(page, 'Ilse Varga')).toHaveCount(0);
});

test('a colleague asks for a call; asked for one, a colleague calls', async ({ office, page }) => {
  await office.open('/outside');
  const part = page.getByRole('region', { name: 'Text in' });
  await part
    .getByRole('radiogroup', { name: 'Who texts' })
    .getByRole('radio', { name: 'Odile Marchetti' })
    .click();
  await part.getByRole('button', { name: 'Ask for a call as Odile Marchetti' }).click();
  await office.goTo('Loose ends');
  await expect(end(page, 'Odile Marchetti')).toContainText('asks for a call');
  await end(page, 'Odile Marchetti')
    .getByRole('button', { name: /^Odile Marchetti/ })
    .click();
  await expect(page.getByText('Asks to be called')).toBeVisible();
  await page.getByRole('button', { name: 'More for what you write' }).click();
  await page.getByRole('button', { name: 'Ask for a call from Odile Marchetti' }).click();
  await expect(page.getByText('Odile Marchetti is asked to call you.')).toBeVisible();
  await office.goOutside();
  await office.letPass('30 s');
  await office.answer().click();
  await expect(office.youHear('You hear Odile Marchetti')).toBeVisible();
});

test('the colleagues of a call write to each other until it ends, and it stays with the record', async ({
  office,
  page,
}) => {
  await office.open('/outside');
  await office.callFromPhone('Ilse Varga’s desk phone', '214');
  await office.answer().click();
  await office.act('Chat').click();
  await office
    .sheet()
    .getByRole('textbox', { name: 'Write in Chat of the call' })
    .fill('Gate 4120, hut left.');
  await office.sheet().getByRole('button', { name: 'Send' }).click();
  await expect(office.sheet().getByRole('list', { name: 'What was written' })).toContainText(
    'Gate 4120, hut left.',
  );
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await office.goOutside();
  await writeAs(page, 'Ilse Varga', 'Got it.', 'Chat of the call');
  await office.toTheCall().click();
  await office.act('Chat 1').click();
  await expect(office.sheet()).toContainText('Got it.');
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await office.goOutside();
  await writeAs(page, 'Ilse Varga', 'One more thing.', 'Chat of the call');
  await office.toTheCall().click();
  await office.end().click();
  await office.goTo('Loose ends');
  await expect(page.getByRole('link', { name: 'Rooms 2', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Reply: Ilse Varga' }).click();
  await expect(page.getByText('It ended with its call.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Invite somebody' })).toHaveCount(0);
  await office.goToEverything();
  await office.newestOf('Ilse Varga').click();
  await expect(page.getByText('Gate 4120, hut left.')).toBeVisible();
  await expect(page.getByText('Ilse, in the chat').first()).toBeVisible();
});

test('who waits for the team is taken on by one of it, and let go of', async ({ office, page }) => {
  await office.open('/outside');
  for (const phone of ['Sunniva Dahl’s desk phone', 'Bryn Castellan’s desk phone']) {
    await page.getByRole('radio', { name: phone }).click();
    await page.getByRole('button', { name: `Sign it out: ${phone}` }).click();
  }
  await office.callFromPhone('Hugh Pellow’s desk phone', '250');
  await office.refuse().click();
  for (let times = 0; times < 2; times++) await office.letPass('30 s');
  await page.getByRole('button', { name: 'Hugh Pellow, desk phone: Hang up' }).click();
  await office.goTo('Loose ends');
  const hugh = end(page, 'Hugh Pellow');
  await expect(hugh).toContainText('for Field team');
  await hugh.getByRole('button', { name: 'I take it on: Hugh Pellow' }).click();
  await hugh.getByRole('button', { name: 'Let go of it: Hugh Pellow' }).click();
  await office.goOutside();
  await page.getByRole('button', { name: 'Sunniva Dahl takes it on' }).click();
  await office.goTo('Loose ends');
  await expect(hugh).toContainText('Sunniva Dahl has taken it on');
});
