import { expect, test } from './office';

/** What can’t be done is said where it was asked, and no call is lost. */

test('a transfer to oneself, to the other party, to nobody, and to what no number is', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  const tries = [
    ['214', 'That is you. Choose somebody else.'],
    ['0117 496 0155', 'They are in this call already.'],
    ['299', 'A call can’t be sent there: nobody has that number.'],
    ['0900 123 4567', 'The office doesn’t let premium numbers be called.'],
    ['999', 'Nobody can be sent to an emergency number: call it yourself, and say where help is needed.'],
  ] as const;
  await office.act('Transfer').click();
  for (const [number, sentence] of tries) {
    await office.sheet().getByRole('textbox').fill(number);
    await page.keyboard.press('Enter');
    await expect(office.sheet().getByRole('button', { name: `Not there ${sentence}` })).toBeDisabled();
    await office.sheet().getByRole('button', { name: 'Somebody else', exact: true }).click();
  }
  await office.sheet().getByRole('textbox').fill('12+3');
  await expect(office.sheet().getByRole('alert')).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test('a room’s code that none has, and a microphone that is refused', async ({ office, page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('', 'NotAllowedError'));
  });
  await office.talkWithPeg();
  await office.act('Move').click();
  await office.sheet().getByRole('textbox', { name: 'Code of a room’s phone' }).fill('9999');
  await page.keyboard.press('Enter');
  await expect(office.sheet().getByRole('alert')).toHaveText('No call and no room has that code.');
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await office.act('Sound').click();
  await office.sheet().getByRole('button', { name: 'Try the microphone' }).click();
  await expect(office.sheet().getByRole('alert')).toContainText('The microphone was refused.');
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test('a fifth caller finds no park slot, and stays on the line', async ({ office, page }) => {
  await office.open('/outside');
  const callers = ['Peg Anstey', 'Cawder Flood Watch', 'Skerrow Harbour', 'Marl & Finch Surveyors'];
  for (const caller of callers) {
    await office.callIn(caller, 'Direct');
    await office.answer().click();
    await office.act('Park').click();
  }
  await office.callIn('Bexhollow Reservoir', 'Direct');
  await office.answer().click();
  await office.act('Park').click();
  await expect(page.getByText('All 4 park slots are taken.')).toBeVisible();
  // Whoever waits elsewhere takes no room from the call.
  await expect(office.youHear('You hear Bexhollow Reservoir')).toBeInViewport({ ratio: 1 });
  await expect(page.getByRole('region', { name: 'Waiting elsewhere' })).toContainText(
    '4 wait elsewherePeg Anstey, Cawder Flood Watch, Skerrow Harbour, Marl & Finch Surveyors',
  );
  await page.getByRole('button', { name: 'Show who waits elsewhere' }).click();
  await expect(page.getByRole('button', { name: 'Take Skerrow Harbour from slot 03' })).toBeVisible();
  await page.getByRole('button', { name: 'Fold who waits elsewhere' }).click();
  await expect(office.youHear('You hear Bexhollow Reservoir')).toBeVisible();
});

test('the page is closed in the middle of a conference with a recording, and all goes on', async ({
  office,
  page,
}) => {
  await office.talkWithIlseAboutPeg();
  await page.getByRole('button', { name: 'All together' }).click();
  await office.act('Record').click();
  await expect(page.getByText('Recording. Everybody is told.')).toBeVisible();
  await page.reload();
  await expect(office.youHear('You hear Peg Anstey and Ilse Varga')).toBeVisible();
  await expect(office.act('Pause')).toBeVisible();
  await page.getByRole('button', { name: 'Leave Peg Anstey and Ilse Varga' }).click();
});
