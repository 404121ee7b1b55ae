import { readFileSync } from 'node:fs';

import { expect, sampleNow, test } from './office';

/** Finding anything again, and taking all of it elsewhere. */

test('a word is found wherever it was said or written, and leads there', async ({ office, page }) => {
  await office.open('/everything');
  await office.goTo('Loose ends');
  await expect(page.getByRole('list', { name: /^Who waits/ })).toBeVisible();
  await office.goToEverything();
  const find = page.getByRole('textbox', { name: 'Find words, names or numbers' });
  await find.fill('gate code');
  const found = page.getByRole('list', { name: 'Found' });
  await expect(found.getByRole('listitem')).toHaveCount(2);
  await expect(found).toContainText('voicemail from Cawder Flood Watch');
  await found.getByRole('button', { name: /text from Three Becks Angling Club/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Three Becks Angling Club' })).toBeVisible();
  // What was looked for is still there.
  await office.goTo('Loose ends');
  await page.getByRole('link', { name: 'Everything' }).click();
  await expect(find).toHaveValue('gate code');
  await find.fill('0131 496 0142');
  await expect(found).toContainText('Bexhollow Reservoir');
  await find.fill('nobody said this');
  await expect(page.getByRole('heading', { name: 'Nothing found' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
});

test(
  'what is found opens at its line, lit, and not at the newest; a note opens among the notes',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.open('/notes');
    await page.getByRole('textbox', { name: 'A new note' }).fill('Spanner under the seat');
    await page.getByRole('button', { name: 'Keep the note' }).click();
    const goBack = async () => {
      await office.goTo('Loose ends');
      await page.getByRole('link', { name: 'Everything' }).click();
    };
    await goBack();
    const find = page.getByRole('textbox', { name: 'Find words, names or numbers' });
    await find.fill('sends zeros');
    await page.getByRole('list', { name: 'Found' }).getByRole('button').first().click();
    await expect(page.getByRole('heading', { level: 1, name: 'Cawder gauges' })).toBeVisible();
    const lit = page.locator('[aria-current=true]');
    await expect(lit).toContainText('The Cawder logger sends zeros since two.');
    await expect(lit).toBeInViewport();
    // Whoever writes sees what they wrote, wherever they were reading.
    await page.getByRole('textbox', { name: 'Write in Cawder gauges' }).fill('I drive there at noon.');
    await page.getByRole('button', { name: 'Send' }).click();
    await expect(page.getByText('I drive there at noon.')).toBeInViewport();
    await goBack();
    await find.fill('looks from the lane');
    await page.getByRole('list', { name: 'Found' }).getByRole('button').first().click();
    await expect(lit).toContainText('That is how it looks from the lane.');
    await expect(lit).toBeInViewport();
    await page.getByRole('textbox', { name: /^Text to/ }).fill('I bring a new mast.');
    await page.getByRole('button', { name: 'Send', exact: true }).click();
    await expect(page.getByText('I bring a new mast.')).toBeInViewport();
    await goBack();
    await find.fill('spanner');
    await page.getByRole('list', { name: 'Found' }).getByRole('button').first().click();
    await expect(page.getByRole('heading', { level: 1, name: 'Notes' })).toBeVisible();
  },
);

test('the history is narrowed down, summed up, and taken away as a table', async ({ office, page }) => {
  await office.open('/everything');
  await page.getByRole('button', { name: 'Filter' }).click();
  await office.sheet().getByRole('checkbox', { name: 'nobody took' }).click();
  await office.sheet().getByRole('checkbox', { name: 'Flood desk' }).click();
  const download = page.waitForEvent('download');
  await office.sheet().getByRole('button', { name: 'Save as CSV' }).click();
  const lines = readFileSync(await (await download).path(), 'utf8').split('\r\n');
  expect(lines[0]).toMatch(/^began,ended,direction/);
  expect(lines.slice(1).every((line) => line.includes('Flood desk') && line.includes('Missed'))).toBe(true);
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText(/^(\d+) calls · \1 not taken/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'History' })).not.toContainText('Field service');
});

test('the recorded calls are found, and can be listened to', async ({ office, page }) => {
  await office.open('/everything');
  await page.getByRole('button', { name: 'Filter' }).click();
  await office.sheet().getByRole('checkbox', { name: 'were recorded' }).click();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText(/^2 calls · /)).toBeVisible();
  await office.newestOf('Marl & Finch').click();
  const recording = page.getByRole('group', { name: 'Recording' });
  await expect(recording).toContainText('0:30');
  await expect(recording.getByRole('button', { name: 'Play the recording' })).toBeVisible();
});

test(
  'a recording is seen on its row, saved under a name, deleted, had back, and kept as long as is chosen',
  { tag: '@phone' },
  async ({ office, page }) => {
    const summary = page.getByText(/^\d calls? · /);
    const row = office.newestOf('Marl & Finch');
    const filter = async () => {
      await page.getByRole('button', { name: /^Filter/ }).click();
      await office.sheet().getByRole('checkbox', { name: 'were recorded' }).click();
      await office.sheet().getByRole('button', { name: 'Close' }).click();
    };
    await office.open('/everything');
    await filter();
    await expect(row).toContainText('recorded');
    await row.click();
    const recording = page.getByRole('group', { name: 'Recording' });
    const saving = page.waitForEvent('download');
    await recording.getByRole('button', { name: 'Save as WAV: the recording' }).click();
    expect((await saving).suggestedFilename()).toMatch(
      /^Marl & Finch Surveyors 2026-\d\d-\d\d \d\d\.\d\d\.wav$/,
    );

    await recording.getByRole('button', { name: 'Delete the recording' }).click();
    await expect(recording).toContainText('Deleted today. You can have it back for a day.');
    await page.getByRole('button', { name: 'Undo: the recording back' }).click();
    await expect(recording.getByRole('button', { name: 'Play the recording' })).toBeVisible();
    await recording.getByRole('button', { name: 'Delete the recording' }).click();
    await page.getByRole('button', { name: 'Back', exact: true }).click();
    await expect(summary).toHaveText(/^1 call · /);

    await office.open('/archive');
    const kept = page.getByRole('region', { name: 'How long it is kept' });
    await kept
      .getByRole('radiogroup', { name: 'Recordings of calls' })
      .getByRole('radio', { name: '30 days' })
      .click();
    await expect(kept.getByRole('status')).not.toContainText('recordings');
  },
);

test('the office says whether calls are recorded, and a call follows it', async ({ office, page }) => {
  await office.open('/office');
  const choose = async (word: string) => {
    await office.goTo('Office');
    await page
      .getByRole('radiogroup', { name: 'Calls are recorded' })
      .getByRole('radio', { name: word })
      .click();
  };
  await choose('Never');
  await expect(page.getByText('From now on no recording can be begun.')).toBeVisible();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.act('No recording')).toBeDisabled();
  await office.end().click();
  await choose('Always');
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.act('Recorded')).toBeDisabled();
  await office.end().click();
  await office.goToEverything();
  await expect(office.newestOf('Peg Anstey')).toContainText('recorded');
});

test('each further filter leaves fewer calls, never more', async ({ office, page }) => {
  await office.open('/everything');
  const summary = page.getByText(/^\d+ calls · \d+ not taken/);
  let before = Infinity;
  for (const word of ['went out', 'nobody took']) {
    await page.getByRole('button', { name: /^Filter/ }).click();
    await expect(office.sheet().getByRole('button', { name: 'Save as CSV' })).toBeEnabled();
    await office.sheet().getByRole('checkbox', { name: word }).click();
    await office.sheet().getByRole('button', { name: 'Close' }).click();
    await expect(summary).not.toHaveText(new RegExp(`^${before} calls`));
    const count = Number.parseInt(await summary.innerText(), 10);
    expect(count).toBeGreaterThan(0);
    expect(count).toBeLessThan(before);
    before = count;
  }
  await expect(page.getByText(/^(\d+) calls · \1 not taken/)).toBeVisible();
});

test('everything is saved, brought back into an empty app, and is there, sound included', async ({
  office,
  page,
  browser,
}) => {
  // Two apps are started, and all of one is written and read.
  test.slow();
  await office.open('/');
  await expect(page.getByRole('list', { name: /^Who waits/ })).toBeVisible();
  await office.goTo('Office');
  await page.getByRole('button', { name: /^Everything in one file/ }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save everything' }).click();
  const archive = readFileSync(await (await download).path());
  expect(await office.axeViolations()).toEqual([]);

  const bringIn = async (on: typeof page, buffer: Buffer) => {
    const chooser = on.waitForEvent('filechooser');
    await on.getByRole('button', { name: 'Choose the file' }).click();
    await (await chooser).setFiles({ name: 'cendro.zip', mimeType: 'application/zip', buffer });
  };
  await bringIn(page, archive.subarray(0, archive.length - 100));
  await expect(page.getByRole('alert').filter({ hasText: 'cut off' })).toContainText('Nothing was changed.');

  const elsewhere = await browser.newContext();
  const other = await elsewhere.newPage();
  await other.goto(`/archive?now=${sampleNow}`);
  await expect(other.getByRole('button', { name: 'Choose the file' })).toBeEnabled();
  await bringIn(other, archive);
  const change = other.getByRole('region', { name: 'What would change' });
  await expect(change).toContainText(/Would be added: .*voicemails \(3\)/);
  await change.getByRole('button', { name: 'Bring it in' }).click();
  const cawder = other
    .getByRole('list', { name: /^Who waits/ })
    .getByRole('listitem', { name: 'Cawder Flood Watch' });
  await cawder.getByRole('button', { name: /^Play 0:25/ }).click();
  await expect(cawder.getByRole('slider', { name: 'Place in the voicemail' })).toHaveAttribute(
    'aria-valuetext',
    /of 0:25$/,
  );

  const goTo = async (place: string) =>
    other.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place }).click();
  const goToArchive = async () => {
    await goTo('Office');
    await other.getByRole('button', { name: /^Everything in one file/ }).click();
  };
  const marl = other.getByRole('listitem', { name: 'Marl & Finch Surveyors' });
  await other.getByRole('button', { name: 'Done: Marl & Finch Surveyors' }).click();
  await goToArchive();
  await bringIn(other, archive);
  await change.getByRole('button', { name: 'Bring it in' }).click();
  await expect(marl).toBeVisible();
  await goToArchive();
  await other.getByRole('button', { name: 'Undo: put back what was here' }).click();
  await expect(cawder).toBeVisible();
  await expect(marl).toHaveCount(0);
  await elsewhere.close();
});

test('texts are kept as long as is chosen, and what nobody has read stays', async ({ office, page }) => {
  await office.open('/');
  await expect(page.getByRole('list', { name: /^Who waits/ })).toBeVisible();
  await office.open('/archive', '2027-01-10T10:00:00Z');
  const keep = page.getByRole('region', { name: 'How long it is kept' });
  await expect(keep.getByRole('status')).toContainText('Nothing is older than that.');
  await keep
    .getByRole('radiogroup', { name: 'Texts and messages that were read' })
    .getByRole('radio', { name: '30 days' })
    .click();
  await expect(keep.getByRole('status')).toContainText(/deleted at the next start: \d+ texts\./);
  // At once: what is asked for in the moment of the page's going is done before what is too old is looked for.
  await page.reload();
  await expect(keep.getByRole('status')).toContainText('Nothing is older than that.');
  await office.goToEverything();
  const field = page.getByRole('textbox', { name: 'Find words, names or numbers' });
  await field.fill('race control');
  await expect(page.getByText('Nothing found')).toBeVisible();
  await field.fill('gate code');
  await expect(page.getByRole('list', { name: 'Found' })).toContainText('Gate code for the lower beck');
});
