import { expect, test, type Office } from './office';

/** A team of Maren, Tobias and Hugh, whose calls wait; the line Main is theirs. */
async function openYardDesk(office: Office, fill?: () => Promise<void>) {
  const { page } = office;
  await office.open('/office/teams');
  await page.getByRole('button', { name: 'A new team' }).click();
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Yard desk');
  for (const name of ['Maren Oyelaran', 'Tobias Quill', 'Hugh Pellow'])
    await page.getByRole('checkbox', { name }).click();
  await page.getByRole('radio', { name: /^Waits for a member/ }).click();
  await fill?.();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/^The team Yard desk is here/)).toBeVisible();
  await page.getByRole('button', { name: 'Office', exact: true }).click();
  await page.getByRole('button', { name: /^Lines/ }).click();
  await page.getByRole('listitem', { name: 'Main' }).getByRole('button').click();
  await page.getByRole('radio', { name: /^Yard desk/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Main' })).toContainText('to Yard desk');
}

const strip = ({ page }: Office) => page.getByRole('region', { name: 'Calls for Yard desk' });

async function choose(office: Office, ...radios: RegExp[]) {
  await office.goTo('Loose ends');
  await strip(office)
    .getByRole('button', { name: /^Change/ })
    .click();
  for (const name of radios) await office.sheet().getByRole('radio', { name }).click();
}

const closeSheet = (office: Office) => office.sheet().getByRole('button', { name: 'Close' }).click();

const phoneOf = ({ page }: Office, name: string) =>
  page.getByRole('region', { name: 'Phones in a call' }).getByText(name, { exact: true });

test('on a break nothing rings; who waits is seen with time and line, and taken', async ({
  office,
  page,
}) => {
  await openYardDesk(office);
  await choose(office, /^Break/, /^Paperwork/);
  await expect(office.sheet()).toContainText('On a break: Paperwork');
  expect(await office.axeViolations()).toEqual([]);
  await closeSheet(office);
  await office.callIn('Peg Anstey', 'Main');
  await expect(page.getByText(/hears: “You are next\. Press 1, and we call you/)).toBeVisible();
  await office.goTo('Office');
  const glance = page.getByRole('region', { name: 'Who waits for a team' });
  await expect(glance).toContainText('Yard desk: one waits');
  await expect(glance.getByRole('listitem').first()).toContainText('on a break: Paperwork');
  await office.goTo('Loose ends');
  const waiting = page.getByRole('list', { name: 'Who waits for Yard desk' }).getByRole('listitem');
  await expect(waiting).toContainText('1. Peg Anstey');
  await expect(waiting).toContainText('Main');
  expect(await office.axeViolations()).toEqual([]);
  await page.setViewportSize({ width: 320, height: 640 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  await waiting.getByRole('button', { name: 'Take Peg Anstey' }).click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await office.goTo('Loose ends');
  await expect(strip(office)).toContainText('nobody waits');
});

test('who does not take it is told, and it goes on to the next; after a call there is time to write it up', async ({
  office,
  page,
}) => {
  await openYardDesk(office, () => page.getByRole('radio', { name: /^In the order of/ }).click());
  await office.callIn('Peg Anstey', 'Main');
  await expect(office.answer()).toBeVisible();
  await expect(page.getByText(/For Yard desk, waited/).first()).toBeVisible();
  // Whoever waits is the only one at the other end.
  await expect(page.getByText('Lathmoor Farm').first()).toBeVisible();
  await office.refuse().click();
  await expect(
    page.getByText('A call for Yard desk goes on to the next: nobody took it here.'),
  ).toBeVisible();
  await office.goTo('Loose ends');
  await expect(strip(office)).toContainText('rings at Tobias');
  await strip(office).getByRole('button', { name: 'Take Peg Anstey' }).click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await office.end().click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await office.goTo('Loose ends');
  await expect(strip(office)).toContainText(/After a call: 0:1\d without another/);
  await strip(office)
    .getByRole('button', { name: /^Change/ })
    .click();
  await office.sheet().getByRole('button', { name: 'Done, ring me again' }).click();
  await expect(office.sheet()).toContainText('You are signed in');
});

test('whoever presses 1 hangs up, keeps their place, and is called in their turn', async ({
  office,
  page,
}) => {
  await openYardDesk(office);
  await choose(office, /^Break/);
  await closeSheet(office);
  await office.callIn('Peg Anstey', 'Main');
  await page.getByRole('button', { name: 'Press 1, be called back' }).click();
  await expect(phoneOf(office, 'Peg Anstey')).toHaveCount(0);
  await office.goTo('Loose ends');
  await expect(strip(office).getByRole('listitem')).toContainText('waits to be called back');
  await strip(office).getByRole('button', { name: 'Call Peg Anstey back now' }).click();
  await expect(office.stopCalling().or(office.end())).toBeVisible();
  await office.passAndReturn('5 s', 2);
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test('somebody of the office who calls the team sees what they wait for', async ({ office, page }) => {
  await openYardDesk(office);
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('202');
  await expect(page.getByText('Yard desk, a team whose callers wait')).toBeVisible();
  await page.getByRole('button', { name: 'Call Yard desk, 202' }).click();
  await expect(page.getByText('Waiting', { exact: true }).first()).toBeVisible();
  await expect(page.getByText('you are next', { exact: true })).toBeVisible();
  await expect(office.youHear('You hear music, and how far on it is')).toBeVisible();
  await expect(page.getByText('Tobias Quill')).toHaveCount(0);
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: /^(End with|Stop calling|Leave) ?Yard desk/ }).click();
});

test('nobody signed in: the caller goes where the team says, and its own queue is not somewhere else', async ({
  office,
  page,
}) => {
  await openYardDesk(office, async () => {
    const nobody = page.getByRole('textbox', { name: 'While nobody is signed in' });
    await nobody.fill(await page.getByRole('textbox', { name: 'Extension' }).inputValue());
    await page.getByRole('textbox', { name: /^At most wait/ }).fill('0');
    await expect(page.getByText('It has to be 1 at least.')).toBeVisible();
    await page
      .getByRole('textbox', { name: /^When it takes calls/ })
      .fill('Mon–Thu 8:00–12:00, Thu 11:00–17:00');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('The hours of Yard desk overlap on Thursday.').first()).toBeVisible();
    await expect(page.getByText('Yard desk would forward its calls to itself.')).toBeVisible();
    await page.getByRole('button', { name: 'Make them one' }).click();
    await expect(page.getByRole('textbox', { name: /^When it takes calls/ })).toHaveValue(/Thu 08:00–17:00/);
    await nobody.fill('209');
  });
  // Maren signs out in the app, the others as whoever plays them.
  await choose(office, /^Signed out/);
  await closeSheet(office);
  await office.goOutside();
  for (const name of ['Tobias Quill', 'Hugh Pellow'])
    await page.getByRole('button', { name: `Sign ${name} out of Yard desk` }).click();
  await office.callIn('Peg Anstey', 'Main');
  await expect(phoneOf(office, 'Nadia Feroz, desk phone')).toBeVisible();
});
