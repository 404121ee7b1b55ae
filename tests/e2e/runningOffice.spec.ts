import { expect, Office, test } from './office';

test('somebody new is here in a few taps, rings, is retired, and is had back', async ({ office, page }) => {
  await office.open();
  await office.goTo('Office');
  await page.getByRole('button', { name: /^People/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'People' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Somebody new' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Wynn Abara');
  await page.getByRole('textbox', { name: 'Extension' }).fill('201');
  await page.getByRole('checkbox', { name: 'Field team' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Ilse Varga has the extension 201 already.').first()).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Give Wynn Abara the extension 202' }).click();
  await expect(page.getByRole('textbox', { name: 'Extension' })).toHaveValue('202');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Wynn Abara is here, and is reached at 202.')).toBeVisible();
  const row = page.getByRole('listitem', { name: 'Wynn Abara' });
  await expect(row).toContainText('desk phone');

  // Their phone rings at once.
  await office.dial('202');
  await expect(page.getByText('Wynn Abara').first()).toBeVisible();
  await office.stopCalling().click();

  await office.goTo('Office');
  await page.getByRole('button', { name: /^People/ }).click();
  await row.getByRole('button').click();
  await page.getByRole('button', { name: 'Retire', exact: true }).click();
  await office.sheet().getByRole('button', { name: 'Retire', exact: true }).click();
  await expect(page.getByText('Say who has their calls from then on.')).toBeVisible();
  await office
    .sheet()
    .getByRole('radio', { name: /^Ilse Varga/ })
    .click();
  await office.sheet().getByRole('button', { name: 'Retire', exact: true }).click();
  await expect(page.getByText('Wynn Abara is retired.')).toBeVisible();
  await expect(row).toBeHidden();
  await page.getByRole('button', { name: 'Undo: Wynn Abara back' }).click();
  await expect(row).toContainText('desk phone');
  await page.reload();
  await expect(row).toContainText('desk phone');
});

test('whoever runs it alone can’t stop doing so; what is filled in stays through a call', async ({
  office,
  page,
}) => {
  await office.open('/office/people/maren');
  await page.getByRole('button', { name: 'Runs the office' }).click();
  await page.getByRole('textbox', { name: 'What they do' }).fill('Lead technician');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/^Somebody has to run the office/).first()).toBeVisible();
  const other = new Office(await page.context().newPage());
  await other.page.setViewportSize({ width: 1280, height: 800 });
  await other.open('/outside');
  await other.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'What they do' })).toHaveValue('Lead technician');
  await page.getByRole('button', { name: 'Runs the office' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Maren Oyelaran is changed.')).toBeVisible();
  await other.page.close();
});

test('what is typed into a form stays there when the window gets wide, and narrow again', async ({
  office,
  page,
}) => {
  await office.open('/office/people/maren');
  const does = page.getByRole('textbox', { name: 'What they do' });
  await does.fill('Lead technician');
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByRole('list', { name: 'People' })).toBeVisible();
  await expect(does).toHaveValue('Lead technician');
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByRole('list', { name: 'People' })).toBeHidden();
  await expect(does).toHaveValue('Lead technician');
});

test('many come at once out of a table; who can’t is told by line; and all are had out again', async ({
  office,
  page,
}) => {
  await office.open();
  await office.goTo('Office');
  await page.getByRole('button', { name: /^People/ }).click();
  await page.getByRole('button', { name: 'Many at once' }).click();
  const rows = Array.from({ length: 300 }, (_, index) => `Person ${index},Surveyor,,desk,Field team`);
  rows[9] = ',Surveyor,,desk,';
  rows[49] = 'Kim Tarn,Surveyor,214,desk,';
  rows[149] = 'Lou Tarn,Surveyor,,pager,';
  rows[299] = 'Max Tarn,Surveyor,,desk,Orchestra';
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await (
    await chooser
  ).setFiles({
    name: 'people.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['name,role,extension,phones,teams', ...rows].join('\n')),
  });
  await expect(page.getByText('296 people can come.')).toBeVisible();
  await expect(page.getByText('Line 51: Maren Oyelaran has the extension 214 already.')).toBeVisible();
  await expect(
    page.getByText('Line 151: There is no phone “pager”: it can be app, desk or mobile.'),
  ).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Take in 296 people' }).click();
  await expect(page.getByText('296 people are here.')).toBeVisible();
  await expect(page.getByText('305 people', { exact: true })).toBeVisible();
  await page.getByRole('textbox', { name: 'Find among people' }).fill('Person 298');
  await expect(page.getByRole('listitem', { name: 'Person 298' })).toContainText('desk phone');
  await page.getByRole('button', { name: 'Undo: 296 people out again' }).click();
  await expect(page.getByText('9 people', { exact: true })).toBeVisible();
});

test('two who change the same: what others changed stays, and the very same is said', async ({
  office,
  page,
}) => {
  await office.open();
  const other = await page.context().newPage();
  for (const each of [page, other]) {
    await each.goto('/office/people/kofi');
    // Open in both before either changes it.
    await expect(each.getByRole('textbox', { name: 'What they do' })).toHaveValue('Owner');
  }
  await page.getByRole('textbox', { name: 'What they do' }).fill('Founder');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Kofi Renner is changed.')).toBeVisible();
  // The other one saw him as he was before.
  await other.getByRole('textbox', { name: 'What they do' }).fill('Chair');
  await other.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(other.getByText(/^Somebody else has changed the same while this was open/)).toBeVisible();
  await expect(other.getByRole('textbox', { name: 'What they do' })).toHaveValue('Chair');
  await other.getByRole('textbox', { name: 'What they do' }).fill('Owner');
  await other.getByRole('textbox', { name: 'Name', exact: true }).fill('Kofi A. Renner');
  await other.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(other.getByText('Kofi A. Renner is changed.')).toBeVisible();
  await page.goto('/office/people');
  await expect(page.getByRole('listitem', { name: 'Kofi A. Renner' })).toContainText('Founder');
  await other.close();
});

test('a line is taken, and its calls come to whom it was given', async ({ office, page }) => {
  await office.open();
  await office.goTo('Office');
  await page.getByRole('button', { name: /^Lines/ }).click();
  await page.getByRole('button', { name: 'A new line' }).click();
  await page.getByRole('textbox', { name: 'What it is for' }).fill('Depot');
  await page.getByRole('radio', { name: 'Freephone' }).click();
  await page.getByRole('radio', { name: '0808 157 0001' }).click();
  await page.getByRole('radio', { name: /^Maren Oyelaran/ }).click();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('0808 157 0001 is taken, and is Depot.')).toBeVisible();
  await expect(page.getByRole('listitem', { name: 'Depot' })).toContainText('to Maren Oyelaran');
  await office.callIn('Peg Anstey', 'Depot');
  await expect(office.answer()).toBeVisible();
  await office.answer().click();
  // Given back while somebody talks on it: the talk goes on, and the history knows its name.
  const other = await page.context().newPage();
  await other.setViewportSize({ width: 1280, height: 800 });
  await other.goto('/office/lines');
  await other.getByRole('listitem', { name: 'Depot' }).getByRole('button').click();
  await other.getByRole('button', { name: 'Retire', exact: true }).click();
  await other.getByRole('dialog').getByRole('button', { name: 'Retire', exact: true }).click();
  await expect(other.getByRole('listitem', { name: 'Depot' })).toBeHidden();
  await other.close();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await office.goToEverything();
  await page
    .getByRole('button', { name: /Peg Anstey/ })
    .first()
    .click();
  await expect(page.getByText(/Depot/).first()).toBeVisible();
});

test('a menu with a key that leads nowhere is mended by one tap, and leads a caller to a team', async ({
  office,
  page,
}) => {
  await office.open();
  await office.goTo('Office');
  await page.getByRole('button', { name: /^Teams/ }).click();
  await page.getByRole('button', { name: 'A new team' }).click();
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Night watch');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Nobody would ring: a team needs somebody.')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Maren Oyelaran' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Night watch' })).toContainText('Maren');

  await page.getByRole('button', { name: 'Office', exact: true }).click();
  await page.getByRole('button', { name: /^Menus/ }).click();
  await page.getByRole('button', { name: 'A new menu' }).click();
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Front');
  await page.getByRole('textbox', { name: 'Key 1 leads to' }).fill('202');
  await expect(page.getByText('Night watch', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Another key' }).click();
  await page.getByRole('textbox', { name: 'Key 2 leads to' }).fill('298');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Key 2 of Front leads nowhere: “298”.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Take key 2 away' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/^The menu Front is here, and is reached at/)).toBeVisible();

  // The line is given to the menu; whoever calls it presses the key, and the team rings.
  await page.getByRole('button', { name: 'Office', exact: true }).click();
  await page.getByRole('button', { name: /^Lines/ }).click();
  await page.getByRole('listitem', { name: 'Main' }).getByRole('button').click();
  await page.getByRole('radio', { name: /^Front/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Main' })).toContainText('to Front');
  await office.callIn('Peg Anstey', 'Main');
  await page.getByRole('button', { name: /^Press 1/ }).click();
  await expect(office.answer()).toBeVisible();
});

test('the rules of the house: a number that can’t be called, told with its own word', async ({
  office,
  page,
}) => {
  await office.open();
  await office.goTo('Office');
  await page.getByRole('button', { name: /^Rules of the house/ }).click();
  await page.getByRole('button', { name: 'Bar more numbers' }).click();
  await page.getByRole('textbox', { name: 'They begin with' }).last().fill('0131');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/^Begin with \+ and the country/)).toBeVisible();
  await page.getByRole('textbox', { name: 'They begin with' }).last().fill('+6149');
  await page.getByRole('textbox', { name: 'What they are' }).last().fill('numbers of the Australian survey');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The rules of the house are changed.')).toBeVisible();
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('+61 491 570 156');
  await expect(page.getByText(/numbers of the Australian survey/).first()).toBeVisible();
});

test('calls out are bound by country and price, which says what it would have changed; who is left out still calls', async ({
  office,
  page,
}) => {
  await office.open('/office/rules');
  const out = page.getByRole('group', { name: 'Calls out' });
  await expect(out.getByRole('status')).toContainText(
    /^Of \d+ calls out in the last 30 days each would have been placed/,
  );
  await out.getByRole('radio', { name: 'Some other countries' }).click();
  await out.getByRole('textbox', { name: /^How their numbers begin/ }).fill('Ireland');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByText('“Ireland” is no beginning of a country’s numbers: +353 is Ireland’s.'),
  ).toBeVisible();
  await out.getByRole('textbox', { name: /^How their numbers begin/ }).fill('+353');
  await out.getByRole('textbox', { name: /^The most a minute may cost/ }).fill('2');
  await expect(out.getByRole('status')).toContainText(
    /\d+ would not have been placed, which cost .*numbers that cost more than 2 p a minute/,
  );
  await out.getByRole('textbox', { name: /^When no other country is called/ }).fill('after work');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/“after work”/)).toBeVisible();
  await out.getByRole('textbox', { name: /^When no other country is called/ }).fill('Mon–Fri 18–24');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The rules of the house are changed.')).toBeVisible();

  await office.goTo('Dial');
  const field = page.getByRole('textbox', { name: 'Number, extension or name' });
  await field.fill('+1 202 555 0147');
  await expect(page.getByText('The office doesn’t let numbers in North America be called.')).toBeVisible();
  await field.fill('+353 1 234 5678');
  await expect(page.getByText(/^The office doesn’t let/)).toHaveCount(0);
  await field.fill('07700 900321');
  await expect(
    page.getByText('The office doesn’t let numbers that cost more than 2 p a minute be called.'),
  ).toBeVisible();

  await office.goTo('Office');
  await page.getByRole('button', { name: /^Rules of the house/ }).click();
  await out.getByRole('checkbox', { name: 'Maren Oyelaran' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The rules of the house are changed.')).toBeVisible();
  await office.goTo('Dial');
  await field.fill('+1 202 555 0147');
  await expect(page.getByRole('button', { name: /^Call / })).toBeEnabled();
  await expect(page.getByText(/^The office doesn’t let/)).toHaveCount(0);
});

test('a line that is never recorded takes the act away, whatever holds elsewhere', async ({
  office,
  page,
}) => {
  await office.open('/office/lines/direct');
  await page
    .getByRole('radiogroup', { name: 'Whether its calls are recorded' })
    .getByRole('radio', { name: /^Never/ })
    .click();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The line Direct is changed.')).toBeVisible();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await expect(office.act('No recording')).toBeDisabled();
  await office.end().click();
  await office.callIn('Peg Anstey', 'Field service');
  await office.answer().click();
  await expect(office.act('Record')).toBeEnabled();
});

test('a circle over a colleague and the menu is told, mended by one tap, and had back from the log', async ({
  office,
  page,
}) => {
  await office.open('/office/menus/night');
  // At night Ilse’s plan sends the main line to the menu; a key of it that dials the main line closes a circle.
  await page.getByRole('textbox', { name: 'Key 2 leads to' }).fill('0131 496 0100');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('button', { name: 'Office', exact: true }).click();
  const row = page.getByRole('button', { name: /^What is wrong/ });
  await expect(row).toContainText('Ilse Varga: Forwards go round in a circle');
  await row.click();
  const wrong = page.getByRole('region', { name: 'What is wrong' });
  await expect(wrong).toContainText('Ilse Varga is told of their plan: “Forwards go round in a circle');
  expect(await office.axeViolations()).toEqual([]);
  await wrong.getByRole('button', { name: /^For Ilse Varga/ }).click();
  await expect(page.getByText('Ilse Varga’s plan is mended.')).toBeVisible();
  await expect(page.getByText('Nothing is wrong')).toBeVisible();
  await page.getByRole('button', { name: 'Office', exact: true }).click();
  await page.getByRole('button', { name: /^Log/ }).click();
  await page.getByRole('button', { name: /^Take it back: The plan of Ilse Varga/ }).click();
  await page.getByRole('button', { name: 'Office', exact: true }).click();
  await expect(row).toContainText('Ilse Varga: Forwards go round in a circle');
});

test('what can’t be looked at is said so, and is not said to be right', async ({ office, page }) => {
  await office.open();
  // A browser that starts no more workers.
  await page.evaluate(() => {
    class NoWorker {
      onerror: ((event: ErrorEvent) => void) | null = null;
      postMessage() {
        queueMicrotask(() => this.onerror?.(new ErrorEvent('error')));
      }
      terminate() {}
    }
    Object.assign(window, { Worker: NoWorker });
  });
  await office.goTo('Office');
  const row = page.getByRole('button', { name: /^What is wrong/ });
  await expect(row).toContainText('Calls can’t be looked at now');
  await row.click();
  await expect(page.getByText('Calls can’t be looked at now')).toBeVisible();
});

test('the log says what was changed, takes one back, and all since', async ({ office, page }) => {
  await office.open();
  await page.goto('/office/people/odile');
  await page.getByRole('textbox', { name: 'What they do' }).fill('Books');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Odile Marchetti is changed.')).toBeVisible();
  await page.goto('/office/people/hugh');
  await page.getByRole('textbox', { name: 'Extension' }).fill('299');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Hugh Pellow is changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Office', exact: true }).click();
  await page.getByRole('button', { name: /^Log/ }).click();
  const log = page.getByRole('list', { name: 'Log' }).getByRole('listitem');
  await expect(log).toHaveCount(2);
  await expect(log.first()).toContainText('Hugh Pellow: extension 211 is 299 now');
  await expect(log.first()).toContainText('Maren Oyelaran');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Take it back: Hugh Pellow: extension 211 is 299 now' }).click();
  await expect(log).toHaveCount(3);
  await page.getByRole('button', { name: /^All since: Odile Marchetti/ }).click();
  await office.sheet().getByRole('button', { name: 'Take it all back' }).click();
  await expect(log).toHaveCount(4);
  await page.goto('/office/people');
  await expect(page.getByRole('listitem', { name: 'Odile Marchetti' })).toContainText('Accounts');
  await expect(page.getByRole('listitem', { name: 'Hugh Pellow' })).toContainText('211');
});

test('a menu lets names be spelled: two have the letters, and the caller chooses', async ({
  office,
  page,
}) => {
  await office.open('/office/menus/night');
  await page.getByRole('button', { name: /^Callers may dial an extension/ }).click();
  await page.getByRole('textbox', { name: /^The key by which callers spell a name/ }).fill('2');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByText('Key 2 of Night menu leads somewhere: names can’t be spelled by it.').first(),
  ).toBeVisible();
  await page.getByRole('textbox', { name: /^The key by which callers spell a name/ }).fill('9');
  await page.getByRole('button', { name: 'Have it say what its keys do' }).click();
  await expect(page.getByRole('textbox', { name: 'What it says', exact: true })).toHaveValue(
    /To spell a name, press 9\.$/,
  );
  await page.getByRole('button', { name: 'Say something else at certain hours' }).click();
  await page.getByRole('textbox', { name: /^When it says something else/ }).fill('weekdays');
  // Nothing is said to be wrong with what nobody could have filled in yet.
  await expect(page.getByRole('group', { name: 'At certain hours' }).getByRole('alert')).toHaveCount(0);
  await page
    .getByRole('textbox', { name: 'What it says then' })
    .fill('We are at the gauges. Dial whom you know.');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/“weekdays” can’t be read as hours/)).toBeVisible();
  await page.getByRole('textbox', { name: /^When it says something else/ }).fill('Mon–Fri 8–17');
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('The menu Night menu is changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Office', exact: true }).click();
  await page.getByRole('button', { name: /^Lines/ }).click();
  await page.getByRole('listitem', { name: 'Main' }).getByRole('button').click();
  await page.getByRole('radio', { name: /^Night menu/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Main' })).toContainText('to Night menu');

  await office.callIn('Peg Anstey', 'Main');
  await expect(page.getByText('hears: “We are at the gauges. Dial whom you know.”')).toBeVisible();
  await page.getByRole('button', { name: 'Press 9, to spell a name' }).click();
  await expect(page.getByText('hears: “Spell the name on your keys, and press hash.”')).toBeVisible();
  // M, A, R: Maren, and Odile Marchetti.
  await page.getByRole('textbox', { name: /^Keys of the name/ }).fill('627');
  await page.getByRole('button', { name: 'Press these, and hash' }).click();
  await expect(page.getByText('hears: “Press 1 for Maren Oyelaran, 2 for Odile Marchetti.”')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Press 1, Maren Oyelaran' }).click();
  await expect(office.answer()).toBeVisible();
});

test('beside its form the row that is open is marked', async ({ office, page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await office.open('/office/people/kofi');
  const rowOf = (name: string) => page.getByRole('listitem', { name }).getByRole('button');
  await expect(rowOf('Kofi Renner')).toHaveAttribute('aria-current', 'true');
  await rowOf('Ilse Varga').click();
  await expect(rowOf('Ilse Varga')).toHaveAttribute('aria-current', 'true');
  await expect(rowOf('Kofi Renner')).not.toHaveAttribute('aria-current');
  expect(await office.axeViolations()).toEqual([]);
});
