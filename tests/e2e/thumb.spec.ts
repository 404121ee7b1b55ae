import type { Locator } from '@playwright/test';

import { expect, test, type Office } from './office';

/** A thumb that slips: two taps at one place in a moment, whatever stands there by then. */
async function tapTwice(locator: Locator) {
  await locator.scrollIntoViewIfNeeded();
  // As a person would: only what can be seen and is not covered is tapped.
  await locator.click({ trial: true });
  const box = await locator.boundingBox();
  if (!box) throw new Error('Nothing to tap');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await locator.page().mouse.click(x, y, { clickCount: 2, delay: 30 });
}

test.describe('a second tap that was none', () => {
  test('does not end a call that has just been placed', async ({ office, page }) => {
    await office.open('/dial');
    await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('207');
    await tapTwice(page.getByRole('button', { name: 'Call Tobias Quill, 207' }));
    await expect(office.stopCalling()).toBeVisible();
    await expect(office.youHear('You hear ringing')).toBeVisible();
  });

  test('does not end the call of somebody who waits for an answer', async ({ office, page }) => {
    await office.open('/');
    const peg = page.getByRole('listitem', { name: 'Peg Anstey' });
    await tapTwice(peg.getByRole('button', { name: /^Call .*Peg Anstey$/ }));
    await expect(office.stopCalling()).toBeVisible();
  });

  test('does not leave a call that has just been answered', async ({ office, page }) => {
    await office.open('/outside');
    await office.callIn('Peg Anstey', 'Direct');
    await tapTwice(office.answer());
    await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
    await expect(page).toHaveURL(/\/call$/);
  });

  test('does not end the second call that was answered', async ({ office, page }) => {
    await office.talkWithPeg();
    await office.callIn('Cawder Flood Watch', 'Flood desk');
    await office.toTheCall().click();
    await tapTwice(page.getByRole('button', { name: 'Answer, hold the other' }));
    await expect(office.youHear('You hear Cawder Flood Watch')).toBeVisible();
    await expect(page.getByRole('group', { name: 'Held: Peg Anstey' })).toBeVisible();
  });

  test('does not end a call that was taken back from its slot', async ({ office, page }) => {
    await office.talkWithPeg();
    await office.act('Park').click();
    await tapTwice(page.getByRole('button', { name: 'Take Peg Anstey from slot 01' }));
    await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  });

  test('does not pause the recording that was begun', async ({ office, page }) => {
    await office.talkWithPeg();
    await tapTwice(office.act('Record'));
    await expect(page.getByText('Recording', { exact: true })).toBeVisible();
    await expect(office.act('Pause')).toBeVisible();
  });

  test('does not unmute', async ({ office }) => {
    await office.talkWithPeg();
    await tapTwice(office.act('Mute'));
    await expect(office.youHear('and nobody hears you')).toBeVisible();
  });

  test('is meant on the keys, where a digit comes twice; and one tap ends a call', async ({
    office,
    page,
  }) => {
    await office.talkWithPeg();
    await office.act('Keys').click();
    await tapTwice(page.getByRole('button', { name: '5', exact: true }));
    await expect(page.getByText('55', { exact: true })).toBeVisible();
    await office.end().click();
    await expect(page.getByRole('heading', { name: 'Peg Anstey' })).toBeVisible();
    await expect(office.end()).toHaveCount(0);
  });
});

/** Peg was sent to Tobias, who does not lift; she comes back after 20 s. */
async function pegIsOnHerWayBack(office: Office) {
  const { page } = office;
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await office.chooseTarget('Transfer', 'Tobias Quill');
  await office
    .sheet()
    .getByRole('button', { name: /^To their phones now/ })
    .click();
  await expect(page.getByText('Handed to Tobias Quill')).toBeVisible();
}

test.describe('a call that comes while something is being written', () => {
  test('is answered over an open sheet, and what was typed is there afterwards', async ({ office, page }) => {
    await pegIsOnHerWayBack(office);
    await office.goTo('Loose ends');
    await page.getByRole('button', { name: /^Follow-ups/ }).click();
    await page.getByRole('button', { name: 'A new one' }).click();
    const words = office.sheet().getByRole('textbox', { name: 'What is to be done' });
    await words.fill('Bring the long ladder');
    await office.letPassElsewhere('5 s', '5 s', '5 s', '5 s', '5 s');
    const band = page.getByRole('region', { name: 'Call from Peg Anstey' });
    await expect(band).toContainText('Comes back: Tobias Quill did not take the call.');
    await band.getByRole('button', { name: /^Answer/ }).click();
    await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
    await expect(words).toBeHidden();
    await office.end().click();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(words).toHaveValue('Bring the long ladder');
  });

  test('is answered by a key in the middle of a word', async ({ office, page }) => {
    await pegIsOnHerWayBack(office);
    await office.goTo('Loose ends');
    await page.getByRole('button', { name: /^Follow-ups/ }).click();
    await page.getByRole('button', { name: 'A new one' }).click();
    const words = office.sheet().getByRole('textbox', { name: 'What is to be done' });
    await words.click();
    await office.letPassElsewhere('5 s', '5 s', '5 s', '5 s', '5 s');
    await expect(page.getByRole('region', { name: 'Call from Peg Anstey' })).toBeVisible();
    // What is being typed goes on into the field, whatever letters it has.
    await page.keyboard.type('Ask Peg about a rear gate');
    await expect(words).toHaveValue('Ask Peg about a rear gate');
    await page.keyboard.press('Alt+a');
    await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  });

  test('during a call leaves the note as it is; it is taken up again with a tap', async ({
    office,
    page,
  }) => {
    await pegIsOnHerWayBack(office);
    await office.dial('0131 496 0142');
    await office.act('Note').click();
    await office.sheet().getByRole('textbox', { name: 'Note' }).fill('The sluice sticks at 40');
    await office.letPassElsewhere('5 s', '5 s', '5 s', '5 s', '5 s');
    await page
      .getByRole('region', { name: 'Call from Peg Anstey' })
      .getByRole('button', { name: /^Answer/ })
      .click();
    await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
    await expect(office.sheet()).toHaveCount(0);
    await page.getByRole('button', { name: /^Go on with: Note on the call with Bexhollow/ }).click();
    await expect(office.sheet().getByRole('textbox', { name: 'Note' })).toHaveValue(
      'The sluice sticks at 40',
    );
  });
});

test('whoever hangs up takes along nothing that is being written', async ({ office, page }) => {
  await office.open('/dial');
  // The bailiff of the Three Becks talks for 45 s.
  await office.dial('07700 900333');
  await office.letPassElsewhere('5 s', '5 s', '5 s');
  await office.act('Note').click();
  const note = office.sheet().getByRole('textbox', { name: 'Note' });
  await note.fill('The key hangs behind the second');
  await office.letPassElsewhere('30 s', '30 s');
  await expect(note).toHaveValue('The key hangs behind the second');
  await office.sheet().getByRole('button', { name: 'Keep the note' }).click();
  await expect(page.getByText('Note kept with the call.')).toBeVisible();

  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await office.callIn('Peg Anstey', 'Direct');
  await page.getByRole('button', { name: 'Refuse and text Peg Anstey' }).click();
  await office.sheet().getByRole('textbox', { name: 'Own words' }).fill('Under the weir, ring you at two');
  await office.letPassElsewhere('30 s', '30 s');
  await expect(office.sheet()).toHaveAccessibleName('Peg Anstey has stopped ringing');
  await office.sheet().getByRole('button', { name: 'Send own words' }).click();
  await expect(page.getByText('Texted Peg Anstey: “Under the weir, ring you at two”')).toBeVisible();
});

test('the page reloaded and gone back from runs on, also in a call', async ({ office, page }) => {
  await office.open('/');
  await office.goTo('Directory');
  await office.dial('0131 496 0142');
  await page.reload();
  await expect(office.stopCalling().or(office.end())).toBeVisible();
  await page.goBack();
  await expect(office.toTheCall()).toBeVisible();
  await page.goForward();
  await expect(office.stopCalling().or(office.end())).toBeVisible();
});
