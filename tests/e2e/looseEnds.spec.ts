import { randomBytes } from 'node:crypto';

import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** Who waits, voicemail and texts, as the worker comes back to the van. */

const ends = (page: Page) => page.getByRole('list', { name: 'Who waits, in the order to answer them' });
const end = (page: Page, name: string) => ends(page).getByRole('listitem', { name });

async function openEnds(office: Office) {
  await office.open('/');
  await expect(ends(office.page)).toBeVisible();
}

async function namesInOrder(page: Page) {
  return ends(page)
    .getByRole('listitem')
    .evaluateAll((rows) => rows.map((row) => row.getAttribute('aria-label')));
}

test('who waits stands once each, in the order to answer them, each with why', async ({ office, page }) => {
  await openEnds(office);
  expect(await namesInOrder(page)).toEqual([
    'Cawder Flood Watch',
    'Glenbrae Weather Cooperative',
    'Peg Anstey',
    'Skerrow Harbour',
    expect.any(String),
    expect.any(String),
  ]);
  const cawder = end(page, 'Cawder Flood Watch');
  await expect(cawder).toContainText('3 tries, last 12 min ago, voicemail 0:25, flood desk');
  await expect(cawder).toContainText('Here because: urgent line');
  await expect(end(page, 'Peg Anstey')).toContainText('voicemail 0:14, text');
  await expect(page.getByText('6 people wait for an answer')).toBeVisible();
});

test(
  'a voicemail is played from the list, jumped in by a word, and called back from; reaching them closes it',
  { tag: '@touch' },
  async ({ office, page }) => {
    await openEnds(office);
    const cawder = end(page, 'Cawder Flood Watch');
    await cawder.getByRole('button', { name: /^Play 0:25/ }).click();
    const place = cawder.getByRole('slider', { name: 'Place in the voicemail' });
    await cawder.getByRole('group', { name: 'Words' }).getByText('gate', { exact: true }).click();
    await expect.poll(async () => Number(await place.getAttribute('aria-valuenow'))).toBeGreaterThan(15);
    await cawder.getByRole('button', { name: 'Pause the voicemail' }).click();
    await place.focus();
    await page.keyboard.press('Home');
    await expect(place).toHaveAttribute('aria-valuetext', '0:00 of 0:25');
    await cawder.getByRole('radio', { name: '1.5 ×' }).click();

    await cawder.getByRole('button', { name: 'Call Cawder Flood Watch' }).click();
    await office.passAndReturn('5 s', 1);
    await expect(office.youHear('You hear Cawder Flood Watch')).toBeVisible();
    await office.passAndReturn('30 s', 1);
    await office.end().click();
    await office.goTo('Loose ends');
    await expect(end(page, 'Cawder Flood Watch')).toHaveCount(0);
    await expect(page.getByText(/Cawder Flood Watch was reached by your call/)).toBeVisible();
    await page.getByRole('button', { name: 'Undo: Cawder Flood Watch waits again' }).click();
    await expect(end(page, 'Cawder Flood Watch')).toContainText('3 tries');
  },
);

test('whoever was answered and handed to a colleague who talked with them waits no more', async ({
  office,
  page,
}) => {
  await openEnds(office);
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.consult('Ilse Varga');
  await office.passAndReturn('5 s', 2);
  await page.getByRole('button', { name: 'Connect, leave' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await office.goOutside();
  await office.letPass('30 s');
  await office.letPass('30 s');
  await office
    .phone('Ilse Varga, desk phone')
    .getByRole('button', { name: /Hang up/ })
    .click();
  await office.goTo('Loose ends');
  await expect(page.getByText(/^Peg Anstey was reached by Ilse Varga, 10:4/)).toBeVisible();
  await expect(end(page, 'Peg Anstey')).toHaveCount(0);
});

test('whoever was answered at a number of mine outside was reached, and the history says where', async ({
  office,
  page,
}) => {
  await openEnds(office);
  await page.getByRole('button', { name: /^On site.*Change$/ }).click();
  const forward = page.getByRole('region', { name: 'Forward everything' });
  await forward.getByRole('radio', { name: 'a number' }).click();
  await forward.getByRole('textbox', { name: 'Number to forward to' }).fill('0113 496 0133');
  await forward.getByRole('button', { name: 'Forward everything', exact: true }).click();
  await office.callIn('Peg Anstey', 'Direct');
  await office.letPass('5 s');
  await office
    .phone('0113 496 0133')
    .getByRole('button', { name: /Answer/ })
    .click();
  await office.letPass('30 s');
  await page.getByRole('button', { name: 'Peg Anstey: Hang up' }).click();
  await office.goTo('Loose ends');
  await expect(page.getByText(/^Peg Anstey called, and was answered, 10:4/)).toBeVisible();
  await expect(end(page, 'Peg Anstey')).toHaveCount(0);
  await office.goToEverything();
  await expect(office.newest()).toContainText('Answered at 0113 496 0133');
});

test('a new try, a done one, one for later: each where it belongs, also after a reload', async ({
  office,
  page,
}) => {
  await openEnds(office);
  await end(page, 'Skerrow Harbour').getByRole('button', { name: 'Done: Skerrow Harbour' }).click();
  await expect(end(page, 'Skerrow Harbour')).toHaveCount(0);
  await end(page, 'Peg Anstey').getByRole('button', { name: 'Later: Peg Anstey' }).click();
  const when = office.sheet().getByRole('textbox');
  await when.fill('25:00');
  await office.sheet().getByRole('button', { name: 'Then', exact: true }).click();
  await expect(office.sheet().getByRole('alert')).toBeVisible();
  await office.sheet().getByRole('button', { name: 'In 15 min' }).click();
  await expect(end(page, 'Peg Anstey')).toHaveCount(0);
  await page.reload();
  await expect(page.getByText('4 people wait for an answer')).toBeVisible();

  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Skerrow Harbour', 'Direct');
  await office.refuse().click();
  await office.goOutside();
  for (let time = 0; time < 3; time++) await office.letPass('5 min');
  await office.goTo('Loose ends');
  await expect(end(page, 'Peg Anstey')).toBeVisible();
  await expect(end(page, 'Skerrow Harbour')).toContainText(/voicemail 0:0\d/);
});

test('the points of the order are explained and can be set', async ({ office, page }) => {
  await openEnds(office);
  await page.getByRole('button', { name: 'Why this order' }).click();
  const urgent = office
    .sheet()
    .getByRole('group', { name: 'They called an urgent line' })
    .getByRole('textbox');
  await urgent.fill('0');
  const starred = office.sheet().getByRole('group', { name: 'The caller is starred' }).getByRole('textbox');
  await starred.fill('0');
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  expect((await namesInOrder(page))[0]).not.toBe('Cawder Flood Watch');
  await page.reload();
  await page.getByRole('button', { name: 'Why this order' }).click();
  await expect(urgent).toHaveValue('0');
  await office.sheet().getByRole('button', { name: 'The usual points again' }).click();
  await expect(urgent).toHaveValue('60');
});

async function openPerson(office: Office, name: string) {
  await openEnds(office);
  await end(office.page, name)
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
  await expect(office.page.getByRole('heading', { level: 1, name })).toBeVisible();
}

const log = (page: Page) => page.getByRole('list', { name: 'Everything with them' });

test('a text is answered; once it is there, nobody waits any more, and their answer begins anew', async ({
  office,
  page,
}) => {
  await openPerson(office, 'Three Becks Angling Club');
  await expect(log(page)).toContainText('Gate code for the lower beck is 4120.');
  await page.getByRole('textbox', { name: 'Text to 07700 900333' }).fill('At two, with the new logger.');
  await expect(page.getByText('132 left')).toBeVisible();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(log(page).getByText('Sent', { exact: true })).toBeVisible();

  await page.setViewportSize({ width: 1280, height: 800 });
  await office.goOutside();
  await office.letPass('5 s');
  await office.goTo('Loose ends');
  await expect(end(page, 'Three Becks Angling Club')).toHaveCount(0);
  await expect(page.getByText(/Three Becks Angling Club got your text/)).toBeVisible();
  await office.goOutside();
  await office.letPass('30 s');
  await office.goTo('Loose ends');
  await expect(end(page, 'Three Becks Angling Club')).toContainText('I will leave the gate on the latch.');
});

test('texts written without a network wait, and go out in their order, once each', async ({
  office,
  page,
  context,
}) => {
  await openPerson(office, 'Three Becks Angling Club');
  const field = page.getByRole('textbox', { name: 'Text to 07700 900333' });
  await context.setOffline(true);
  for (const text of ['First', 'Second']) {
    await field.fill(text);
    await page.getByRole('button', { name: 'Send', exact: true }).click();
  }
  await expect(log(page).getByText('Waits for the network')).toHaveCount(2);
  await context.setOffline(false);
  await expect(log(page).getByText('Waits for the network')).toHaveCount(0);
  await expect(log(page).getByText('Sent', { exact: true })).toHaveCount(2);
  const texts = await log(page).getByRole('listitem').allTextContents();
  expect(texts.slice(-2).map((text) => text.includes('First'))).toEqual([true, false]);
});

test('a text is written for tomorrow at eight, and can be taken back; a long one is counted', async ({
  office,
  page,
}) => {
  await openPerson(office, 'Three Becks Angling Club');
  const field = page.getByRole('textbox', { name: 'Text to 07700 900333' });
  await field.fill(`${'a'.repeat(75)}→`);
  await expect(page.getByText('2 parts, 58 left')).toBeVisible();
  await expect(page.getByText(/^→ makes it longer/)).toBeVisible();
  await field.fill('On my way.');
  await page.getByRole('button', { name: 'More for what you write' }).click();
  await page.getByRole('button', { name: 'Send later' }).click();
  await office.sheet().getByRole('textbox').fill('Thu 25:00');
  await office.sheet().getByRole('button', { name: 'Send it then' }).click();
  await expect(office.sheet().getByRole('alert')).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Fri 08:00, my first hour' }).click();
  await expect(log(page)).toContainText('Goes out Fri 08:00');
  await page.reload();
  await expect(log(page)).toContainText('Goes out Fri 08:00');
  await page.getByRole('button', { name: 'Take back the text' }).click();
  await expect(log(page)).not.toContainText('On my way.');
});

test('a number that takes no texts says so, a ready reply is filled, and a picture is seen', async ({
  office,
  page,
}) => {
  await openPerson(office, 'Skerrow Harbour');
  await expect(page.getByText('No number of theirs takes texts.')).toBeVisible();
  await office.goTo('Loose ends');
  await openPerson(office, 'Peg Anstey');
  await expect(page.getByRole('img', { name: 'A weather mast bent over a dry-stone wall' })).toBeVisible();
  await page.getByRole('button', { name: 'More for what you write' }).click();
  await page.getByRole('button', { name: 'Ready reply' }).click();
  await office
    .sheet()
    .getByRole('button', { name: /^Hello Peg, I am free at 11:00/ })
    .click();
  await expect(page.getByRole('textbox', { name: /^Text to/ })).toHaveValue(
    'Hello Peg, I am free at 11:00 and call you then. Maren',
  );
});

test('a voicemail left now is heard, passed on with a word, saved, put away and had back', async ({
  office,
  page,
}) => {
  await office.open('/standing');
  await page.getByRole('radio', { name: /^Off duty/ }).click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.callIn('Hallin Rigg Fell Race', 'Field service');
  await office.letPass('30 s');
  await office.goTo('Loose ends');
  const hallin = end(page, 'Hallin Rigg Fell Race');
  await expect(hallin).toContainText('“Please call me back when you are off the hill. Thank you.”');
  await hallin.getByRole('button', { name: /^Hallin Rigg Fell Race/ }).click();
  const voicemail = log(page).getByRole('group', { name: 'Voicemail' }).last();
  await voicemail.getByRole('button', { name: 'Play the voicemail' }).click();
  const more = log(page).getByRole('button', { name: 'More for the voicemail' });
  await more.last().click();
  await expect(log(page).getByRole('button', { name: 'Mark new' })).toBeVisible();

  const words = page.waitForEvent('download');
  await log(page).getByRole('button', { name: 'Save the transcript' }).click();
  expect((await words).suggestedFilename()).toMatch(/\.vtt$/);
  await log(page).getByRole('button', { name: 'Pass it on' }).click();
  await office.sheet().getByRole('textbox', { name: 'A note with it' }).fill('Can you go?');
  await office
    .sheet()
    .getByRole('button', { name: /^To Sunniva Dahl/ })
    .click();
  await expect(page.getByText('The voicemail is in Sunniva Dahl’s mailbox.')).toBeVisible();
  await log(page).getByRole('button', { name: 'Put away the voicemail' }).click();
  await expect(voicemail).toHaveCount(0);
  await page.reload();
  await log(page).getByRole('button', { name: 'Bring the voicemail back' }).click();
  await expect(voicemail).toBeVisible();
  await more.last().click();
  await log(page).getByRole('button', { name: 'Put away the voicemail' }).click();
});

/** A bitmap of 24 bit whose pixels are noise: ten megabytes that nothing folds. */
function noisyPicture(width: number, height: number): Buffer {
  const pixels = randomBytes(width * height * 3);
  const head = Buffer.alloc(54);
  head.write('BM');
  head.writeUInt32LE(head.length + pixels.length, 2);
  head.writeUInt32LE(head.length, 10);
  head.writeUInt32LE(40, 14);
  head.writeInt32LE(width, 18);
  head.writeInt32LE(height, 22);
  head.writeUInt16LE(1, 26);
  head.writeUInt16LE(24, 28);
  return Buffer.concat([head, pixels]);
}

test('a picture of ten megabytes is made small enough to send; a file that is none says so', async ({
  office,
  page,
}) => {
  await openPerson(office, 'Three Becks Angling Club');
  await page.getByRole('button', { name: 'More for what you write' }).click();
  const choose = async (name: string, mimeType: string, buffer: Buffer) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Picture to send' }).click();
    await (await chooser).setFiles({ name, mimeType, buffer });
  };
  await choose('broken.jpg', 'image/jpeg', Buffer.from('no picture'));
  await expect(page.getByText('This picture can’t be read.')).toBeVisible();
  await choose('mast.bmp', 'image/bmp', noisyPicture(1900, 1800));
  await expect(page.getByText(/^With mast\.bmp, shrunk to \d+ kB$/)).toBeVisible();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(log(page).getByRole('img', { name: 'mast.bmp' })).toBeVisible();
  await expect(log(page).getByText('Sent', { exact: true })).toBeVisible();
});

test('a text that comes in while the worker is elsewhere is told quietly, and counted', async ({
  office,
  page,
}) => {
  await openEnds(office);
  await expect(page).toHaveTitle('(6) Cendro');
  await office.goOutside();
  await office.letPass('5 s');
  const text = page.getByRole('region', { name: 'Text in' });
  await text.getByRole('radio', { name: 'Hallin Rigg Fell Race' }).click();
  await text.getByRole('textbox').fill('The gauge stands at nothing.');
  await text.getByRole('button', { name: 'Text Field texts as Hallin Rigg Fell Race' }).click();
  await expect(page.getByRole('button', { name: /^Hallin Rigg Fell Race sent a text/ })).toContainText(
    '“The gauge stands at nothing.”',
  );
  await expect(page).toHaveTitle('(7) Cendro');
  await expect(page.getByRole('link', { name: 'Loose ends 7' })).toBeVisible();
  await text.getByRole('radio', { name: 'carrier is down' }).click();
  await office.goTo('Loose ends');
  await end(page, 'Hallin Rigg Fell Race')
    .getByRole('button', { name: /^Hallin/ })
    .click();
  await page.getByRole('textbox', { name: /^Text to/ }).fill('I come.');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(log(page).getByText(/^Tried 1 ×, again Thu 10:40/)).toBeVisible();
});

test('a colleague is written to from the team, without any carrier, and their message waits like a call', async ({
  office,
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await openEnds(office);
  await page
    .getByRole('complementary')
    .getByRole('button', { name: /^Sunniva Dahl/ })
    .click();
  await page.getByRole('textbox', { name: 'Message to Sunniva Dahl' }).fill('Is the spare logger with you?');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await office.goOutside();
  await office.letPass('5 s');
  const text = page.getByRole('region', { name: 'Text in' });
  await text.getByRole('radio', { name: 'Sunniva Dahl' }).click();
  await text.getByRole('textbox').fill('Yes, in the van.');
  await text.getByRole('button', { name: 'Write as Sunniva Dahl' }).click();
  await office.goTo('Loose ends');
  const sunniva = end(page, 'Sunniva Dahl');
  await expect(sunniva).toContainText('message');
  await sunniva.getByRole('button', { name: /^Sunniva Dahl/ }).click();
  await expect(log(page)).toContainText('Delivered');
  await expect(log(page)).toContainText('Yes, in the van.');
});

test('a reply of one’s own is kept among the ready ones; a field that means nothing is refused', async ({
  office,
  page,
}) => {
  await openPerson(office, 'Peg Anstey');
  await page.getByRole('button', { name: 'More for what you write' }).click();
  await page.getByRole('button', { name: 'Ready reply' }).click();
  const own = office.sheet().getByRole('textbox', { name: 'A reply of your own' });
  await own.fill('{name}, I am on the way.');
  await office.sheet().getByRole('button', { name: 'Keep this reply' }).click();
  await expect(office.sheet().getByRole('alert')).toContainText('{name} means nothing here.');
  await own.fill('{firstName}, I am on the way.');
  await office.sheet().getByRole('button', { name: 'Keep this reply' }).click();
  await office.sheet().getByRole('button', { name: 'Peg, I am on the way.', exact: true }).click();
  await expect(page.getByRole('textbox', { name: /^Text to/ })).toHaveValue('Peg, I am on the way.');
});

test('a colleague is answered by voice into their mailbox, and a voicemail’s words are taken in', async ({
  office,
  page,
}) => {
  await office.open('/person/person%3Ailse');
  await page.getByRole('button', { name: 'More for what you write' }).click();
  await page.getByRole('button', { name: 'Voice into their mailbox' }).click();
  await office.sheet().getByRole('button', { name: 'Speak', exact: true }).click();
  await expect(office.sheet().getByText(/^Recording, [1-9] s/)).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Stop, and leave it there' }).click();
  await expect(page.getByText('It is in Ilse Varga’s mailbox.')).toBeVisible();
  await expect(log(page).getByText(/^You left it in Ilse Varga’s mailbox/)).toBeVisible();
  await log(page).getByRole('button', { name: 'More for the voicemail' }).click();
  // What becomes of it there is hers.
  await expect(log(page).getByRole('button', { name: 'Save WAV' })).toBeVisible();
  await expect(log(page).getByRole('button', { name: 'Mark heard' })).toHaveCount(0);
  const take = async (text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await log(page).getByRole('button', { name: 'Bring in a transcript' }).click();
    await (await chooser).setFiles({ name: 'words.vtt', mimeType: 'text/vtt', buffer: Buffer.from(text) });
  };
  await take('WEBVTT\n\n0:00 -> 0:01\nNo arrow\n\nnever --> ever\nx');
  await expect(log(page).getByRole('alert')).toContainText(
    'words.vtt, line 6: “never --> ever” gives no time.',
  );
  await take('WEBVTT\n\n00:00.000 --> 00:01.000\nBring the key');
  await expect(log(page).getByRole('group', { name: 'Words' })).toContainText('key');
  expect(await office.axeViolations()).toEqual([]);
});

test('on a phone the timeline has most of the screen', { tag: '@tall' }, async ({ office, page }) => {
  await openPerson(office, 'Peg Anstey');
  const visible = await log(page).evaluate((element) => {
    let scroller = element.parentElement;
    while (scroller && getComputedStyle(scroller).overflowY !== 'auto') scroller = scroller.parentElement;
    return (scroller?.clientHeight ?? 0) / window.innerHeight;
  });
  expect(visible).toBeGreaterThan(0.6);
});

test('the loose ends and a timeline have no fault that axe finds', async ({ office, page }) => {
  await openEnds(office);
  await end(page, 'Cawder Flood Watch')
    .getByRole('button', { name: /^Play 0:25/ })
    .click();
  expect(await office.axeViolations()).toEqual([]);
  await openPerson(office, 'Peg Anstey');
  expect(await office.axeViolations()).toEqual([]);
});

test('the voicemails by themselves: heard here they stay in sight, are put away and had back', async ({
  office,
  page,
}) => {
  await openEnds(office);
  await page.getByRole('button', { name: 'Voicemails' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Voicemails' })).toBeVisible();
  await expect(page.getByRole('radio', { name: /^not heard 3$/ })).toBeChecked();
  const rows = page.getByRole('list', { name: 'Voicemails' }).getByRole('listitem');
  // The urgent line's first.
  await expect(rows.first()).toContainText('Cawder Flood Watch');
  await expect(rows.first()).toContainText('urgent');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Open the voicemail from Cawder Flood Watch' }).click();
  await page.getByRole('button', { name: 'More for the voicemail' }).click();
  await page.getByRole('button', { name: 'Mark heard' }).click();
  await expect(page.getByRole('radio', { name: /^not heard 2$/ })).toBeChecked();
  await expect(rows.first()).toContainText('Cawder Flood Watch');
  await page.getByRole('button', { name: 'Put away the voicemail' }).click();
  await page.getByRole('radio', { name: /^put away/ }).click();
  await page.getByRole('button', { name: 'Bring the voicemail from Cawder Flood Watch back' }).click();
  await page.getByRole('radio', { name: /^heard/ }).click();
  await expect(page.getByRole('listitem', { name: 'Cawder Flood Watch' })).toBeVisible();
  await page.getByRole('radio', { name: 'my teams’' }).click();
  await expect(page.getByText('None for your teams')).toBeVisible();
});

test('notes by themselves: written with no call, found by a word, beside those of calls', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.act('Note').click();
  await office.sheet().getByRole('textbox', { name: 'Note' }).fill('The long ladder is at the mill');
  await office.sheet().getByRole('button', { name: 'Keep the note' }).click();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await office.goTo('Loose ends');
  await page.getByRole('button', { name: 'Notes', exact: true }).click();
  const rows = page.getByRole('list', { name: 'Notes' }).getByRole('listitem');
  await page.getByRole('textbox', { name: 'A new note' }).fill('Batteries for logger four');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await expect(rows).toHaveCount(2);
  await expect(rows.first()).toContainText('Batteries for logger four');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('textbox', { name: 'Find in the notes' }).fill('anstey');
  await expect(rows).toHaveCount(1);
  await page.getByRole('button', { name: 'On the call with Peg Anstey' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Peg Anstey' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'Peg Anstey' })).toBeVisible();
  await page.goBack();
  await expect(rows).toHaveCount(2);
  await page.getByRole('button', { name: 'Remove the note: Batteries for logger four' }).click();
  await expect(rows).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo: the note back' }).click();
  await expect(rows).toHaveCount(2);
});
