import { readFileSync } from 'node:fs';

import { decodeWav } from '../../src/core/shared/soundFiles';
import { expect, test } from './office';

test('a colleague is consulted about a caller, and the two are connected', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.consult('Ilse Varga');
  await expect(office.youHear('You hear ringing')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Held: Peg Anstey' })).toContainText('hears music');
  await office.passAndReturn('5 s', 2);
  await expect(office.youHear('You hear Ilse Varga')).toBeVisible();
  await page.getByRole('button', { name: 'Connect, leave' }).click();
  await expect(page.getByText('Peg Anstey and Ilse Varga are connected, and you have left.')).toBeVisible();
  await office.goOutside();
  await office.phone('Peg Anstey').getByText('connected', { exact: true }).waitFor();
  await office
    .phone('Ilse Varga, desk phone')
    .getByRole('button', { name: /Hang up/ })
    .click();
  await office.goToEverything();
  await office.newestOf('Peg Anstey').click();
  await expect(page.getByText('Maren Oyelaran handed it over to Ilse Varga.')).toBeVisible();
  await expect(page.getByText('Together with')).toBeVisible();
});

test('a colleague is consulted, and the worker comes back to the caller', async ({ office, page }) => {
  await office.talkWithIlseAboutPeg();
  await page.getByRole('button', { name: 'End with Ilse Varga' }).click();
  await office.act('Talk again').click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test('a caller sent on to somebody who does not answer comes back, marked as returned', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.chooseTarget('Transfer', 'Tobias Quill');
  await expect(office.sheet()).toContainText('Rings 20 s; not taken, Peg Anstey comes back to you.');
  await office
    .sheet()
    .getByRole('button', { name: /^To their phones now/ })
    .click();
  await expect(page.getByText('Peg Anstey is being connected to Tobias Quill.')).toBeVisible();
  await office.goOutside();
  await office.letPass('5 s');
  await expect(office.answer()).toHaveCount(0);
  await office.letPass('30 s');
  await expect(page.getByText('Comes back: Tobias Quill did not take the call.')).toBeVisible();
  await office.answer().click();
  await expect(page.getByText('Came back: Tobias Quill did not take the call.')).toBeVisible();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test(
  'three are put together, one is taken out, and the others go on alone',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.talkWithIlseAboutPeg();
    await page.getByRole('button', { name: 'All together' }).click();
    await expect(office.youHear('You hear Peg Anstey and Ilse Varga')).toBeVisible();

    await office.chooseTarget('Add', 'Kofi Renner');
    await office.sheet().getByRole('button', { name: 'Ask them in now' }).click();
    await office.passAndReturn('5 s', 2);
    await expect(office.youHear('You hear Peg Anstey, Ilse Varga and Kofi Renner')).toBeVisible();

    await page.getByRole('button', { name: /^Ilse Varga/ }).click();
    await office.sheet().getByRole('button', { name: 'A private word with them' }).click();
    await expect(office.youHear('You hear Ilse Varga')).toBeVisible();
    await page.getByRole('button', { name: /^Ilse Varga/ }).click();
    await office.sheet().getByRole('button', { name: 'Back to everybody' }).click();

    await page.getByRole('button', { name: /^Kofi Renner/ }).click();
    await office.sheet().getByRole('button', { name: 'Remove them from the call' }).click();
    await expect(office.youHear('You hear Peg Anstey and Ilse Varga')).toBeVisible();

    await page.getByRole('button', { name: 'Leave Peg Anstey and Ilse Varga' }).click();
    await office.goOutside();
    await office.phone('Peg Anstey').getByText('connected', { exact: true }).waitFor();
    await office.phone('Ilse Varga, desk phone').getByText('connected', { exact: true }).waitFor();
  },
);

test('a parked caller is taken from another phone, and another comes back here', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.act('Park').click();
  await expect(page.getByText('Peg Anstey waits in slot 01, until any phone takes them back.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Waiting elsewhere' })).toContainText('parked 0:00 by you');
  await office.goOutside();
  await office.callFromPhone('Ilse Varga’s desk phone', '*8401');
  await office.phone('Ilse Varga, desk phone').getByText('connected', { exact: true }).waitFor();
  await office
    .phone('Peg Anstey')
    .getByRole('button', { name: /Hang up/ })
    .click();

  await office.callIn('Cawder Flood Watch', 'Direct');
  await office.answer().click();
  await office.act('Park').click();
  await page.getByRole('button', { name: 'Take Cawder Flood Watch from slot 01' }).click();
  await expect(office.youHear('You hear Cawder Flood Watch')).toBeVisible();
});

test('recorded in two pieces, a call leaves one WAV that holds what was heard, with the pause marked', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.act('Record').click();
  await expect(page.getByText('Recording. Everybody is told.')).toBeVisible();
  await office.passAndReturn('5 s', 1);
  await office.act('Pause').click();
  await office.passAndReturn('5 s', 1);
  await office.act('Resume').click();
  await office.passAndReturn('5 s', 1);
  await office.end().click();
  await office.goToEverything();
  await office.newestOf('Peg Anstey').click();
  const recording = page.getByRole('group', { name: 'Recording' });
  await expect(recording).toContainText('in 2 pieces, the pause marked');
  await expect(recording).toContainText('0:10');

  await recording.getByRole('button', { name: 'Play the recording' }).click();
  await expect(recording.getByText(/^0:0[1-9] of 0:10$/)).toBeVisible();
  await recording.getByRole('button', { name: 'Stop the recording' }).click();

  const downloading = page.waitForEvent('download');
  await recording.getByRole('button', { name: 'Save as WAV: the recording' }).click();
  const wav = decodeWav(readFileSync(await (await downloading).path()));
  if (!wav.ok) throw new Error(wav.sentence);
  const power = (from: number, to: number) =>
    wav.samples
      .slice(from * wav.sampleRate, to * wav.sampleRate)
      .reduce((sum, sample) => sum + sample * sample, 0);
  expect(wav.samples.length / wav.sampleRate).toBeCloseTo(10.6, 1);
  expect(wav.marks).toEqual([{ atSeconds: 5, text: 'Paused for 5 s' }]);
  expect(power(0, 2), 'the announcement and the caller').toBeGreaterThan(1);
  expect(power(5.6, 7.5), 'the second announcement').toBeGreaterThan(1);
});

test(
  'a call moves from the desk phone to here, with its timer running on',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.open('/outside');
    await office.callFromPhone('Maren Oyelaran’s desk phone', '0131 496 0142');
    for (let times = 0; times < 3; times++) await office.letPass('5 s');
    await page.getByRole('button', { name: /See the cords$/ }).click();
    await page.getByRole('button', { name: 'Bring here the call with Bexhollow Reservoir' }).click();
    await expect(office.youHear('You hear Bexhollow Reservoir')).toBeVisible();
    await expect(page.getByText('0:09', { exact: true })).toBeVisible();
    await office.goOutside();
    await office.letPass('5 s');
    await expect(office.phone('Maren Oyelaran, desk phone')).toHaveCount(0);
    await office.toTheCall().click();
    await office.end().click();
    await office.goToEverything();
    await office.newest().getByRole('button').first().click();
    await expect(page.getByText('Maren Oyelaran moved it to Maren Oyelaran’s Cendro.')).toBeVisible();
  },
);

test('the network goes bad: a warning, and the call goes on at the van phone', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.goOutside();
  await office.letPass('5 s');
  await page.getByRole('radio', { name: 'Behind the hill' }).click();
  await office.letPass('5 s');
  await office.letPass('5 s');
  await office.toTheCall().click();
  await expect(page.getByText('The network is too poor for you to be understood')).toBeVisible();
  await expect(office.youHear('You hear Peg Anstey')).toBeInViewport({ ratio: 1 });
  await page.getByRole('button', { name: 'Continue on my van phone' }).click();
  await office.goOutside();
  await office
    .phone('Maren Oyelaran, van phone')
    .getByRole('button', { name: /Answer/ })
    .click();
  await office.letPass('5 s');
  await office.phone('Maren Oyelaran, van phone').getByText('connected', { exact: true }).waitFor();
  await office.phone('Peg Anstey').getByText('connected', { exact: true }).waitFor();
  await expect(page.getByText('on your van phone')).toBeVisible();
});

test('a call is refused with a promised time, which becomes a follow-up', async ({ office, page }) => {
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await page.getByRole('button', { name: 'Refuse and text' }).click();
  await office.sheet().getByRole('button', { name: 'I’ll call you at 11:40.' }).click();
  await expect(page.getByText('Texted Peg Anstey: “I’ll call you at 11:40.”')).toBeVisible();
  await office.goTo('Loose ends');
  const peg = page.getByRole('listitem', { name: 'Peg Anstey' });
  await expect(peg).toContainText('Promised for Thu 11:40');
  await page.reload();
  await peg.getByRole('button', { name: /^Peg Anstey/ }).click();
  await page.getByRole('button', { name: 'Done: Call back, as promised by text' }).click();
  await expect(page.getByText('Follow-up, Thu 11:40, done')).toBeVisible();
  await office.goTo('Loose ends');
  await expect(peg).not.toContainText('Promised');
});

test('two calls wait while a third is talked on; one is passed on, the other answered', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await office.callIn('Hallin Rigg Fell Race', 'Field service');
  const hallin = page.getByRole('region', { name: 'Call from Hallin Rigg Fell Race' });
  await hallin.getByRole('button', { name: /^More/ }).click();
  await hallin.getByRole('button', { name: /^Pass on/ }).click();
  await office
    .sheet()
    .getByRole('button', { name: /Sunniva Dahl/ })
    .click();
  await office
    .sheet()
    .getByRole('button', { name: /^To their phones now/ })
    .click();
  await expect(hallin).toHaveCount(0);
  await page
    .getByRole('region', { name: 'Call from Cawder Flood Watch' })
    .getByRole('button', { name: 'Answer, hold the other' })
    .click();
  await expect(office.youHear('You hear Cawder Flood Watch')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Held: Peg Anstey' })).toBeVisible();
});

test('a busy number calls by itself when it is free', async ({ office, page }) => {
  await office.open('/dial');
  await office.dial('07700 900482');
  await office.passAndReturn('5 s', 1);
  await page.getByRole('button', { name: 'Call automatically when they are free' }).click();
  await office.end().click();
  await expect(page.getByText('busy; rings you when they are free')).toBeVisible();
  await office.goOutside();
  await office.letPass('30 s');
  await office.letPass('5 s');
  await expect(
    page.getByText('Hallin Rigg Fell Race can be reached now. Answer, and they are called.'),
  ).toBeVisible();
  await office.answer().click();
  await office.passAndReturn('5 s', 1);
  await expect(office.youHear('You hear Hallin Rigg Fell Race')).toBeVisible();
});

test('the office calls the van phone first, which hears who is to be called', async ({ office, page }) => {
  await office.open('/dial');
  await page.getByRole('button', { name: /^By/ }).click();
  await page.getByRole('radio', { name: /My mobile first/ }).click();
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('0131 496 0142');
  await page
    .getByRole('button', { name: /^Call .*/ })
    .last()
    .click();
  await expect(page.getByText('your van phone rings: answer it, and they are called')).toBeVisible();
  await office.goOutside();
  const van = office.phone('Maren Oyelaran, van phone');
  await van.getByRole('button', { name: /Answer/ }).click();
  await expect(van).toContainText('hears who is calling');
  await van.getByRole('button', { name: /Press 1/ }).click();
  await office.letPass('5 s');
  await office.letPass('5 s');
  await office.phone('Bexhollow Reservoir').getByText('connected', { exact: true }).waitFor();
});

test('an emergency call says where it is, and is neither held nor moved', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.dial('999');
  await expect(page.getByText('Cawder Weir gauge hut, left bank')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Held: Peg Anstey' })).toBeVisible();
  for (const act of ['Hold', 'Transfer', 'Park', 'Move', 'Record'])
    await expect(office.act(act)).toBeDisabled();
});

test('a colleague comes in by a code, and one takes over by another', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.act('Add').click();
  await office.sheet().getByRole('button', { name: 'Let somebody join by a code' }).click();
  const code = /\*87\d+/.exec(await page.getByText(/^Whoever dials/).innerText())?.[0] ?? '';
  await office.goOutside();
  await office.callFromPhone('Ilse Varga’s desk phone', code);
  await office.toTheCall().click();
  await expect(office.youHear('You hear Peg Anstey and Ilse Varga')).toBeVisible();
  await page.getByRole('button', { name: 'Withdraw the invitation' }).click();
  await expect(page.getByText(/^Whoever dials/)).toHaveCount(0);

  await office.chooseTarget('Transfer', 'Kofi Renner');
  await expect(office.sheet()).toContainText('The 2 others stay together.');
  await office
    .sheet()
    .getByRole('button', { name: /^By a code/ })
    .click();
  const second = /\*87\d+/.exec(await page.getByText(/^Whoever dials/).innerText())?.[0] ?? '';
  await office.goOutside();
  await office.callFromPhone('Kofi Renner’s desk phone', second);
  await expect(office.toTheCall()).toHaveCount(0);
  await office.phone('Kofi Renner, desk phone').getByText('connected', { exact: true }).waitFor();
});

test(
  'what rings at a colleague of the own team is picked up here',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.open('/outside');
    await office.callIn('Marl & Finch Surveyors', 'Main');
    await page.getByRole('button', { name: /See the cords$/ }).click();
    await page.getByRole('button', { name: 'Pick up Marl & Finch Surveyors for Ilse Varga' }).click();
    await expect(office.youHear('You hear Marl & Finch Surveyors')).toBeVisible();
  },
);
