import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** What the worker still means to do; and the history narrowed down. */

const followUps = (page: Page) => page.getByRole('list', { name: 'Follow-ups' });

async function goToFollowUps(office: Office) {
  await office.goTo('Loose ends');
  await office.page.getByRole('button', { name: /^Follow-ups/ }).click();
  await expect(office.page.getByRole('heading', { level: 1, name: 'Follow-ups' })).toBeVisible();
}

test('two follow-ups come from one call, and both are promised', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.act('Note').click();
  await office.sheet().getByRole('textbox', { name: 'Note' }).fill('Send the permit');
  await office.sheet().getByRole('radio', { name: 'in 1 h' }).click();
  await office.sheet().getByRole('button', { name: 'Keep it, and write another' }).click();
  await office.sheet().getByRole('textbox', { name: 'Note' }).fill('Order a mast foot');
  await office.sheet().getByRole('radio', { name: 'tomorrow morning' }).click();
  await office.sheet().getByRole('button', { name: 'Keep the follow-up' }).click();
  await office.end().click();
  await goToFollowUps(office);
  await expect(page.getByText('2 are left to do.')).toBeVisible();
  await expect(followUps(page).getByRole('listitem').first()).toContainText('Send the permit');
  await expect(followUps(page).getByRole('listitem').first()).toContainText('Peg Anstey');
});

test('one by itself has priority, list and words; lists and words narrow down; done goes and comes back', async ({
  office,
  page,
}) => {
  await office.open('/followups');
  const write = async (text: string, list: string, words: string, priority: string) => {
    await page.getByRole('button', { name: 'A new one' }).click();
    const sheet = office.sheet();
    await sheet.getByRole('textbox', { name: 'What is to be done' }).fill(text);
    await sheet.getByRole('textbox', { name: 'List' }).fill(list);
    await sheet.getByRole('textbox', { name: /^Words/ }).fill(words);
    await sheet.getByRole('radio', { name: priority }).click();
    await sheet.getByRole('button', { name: 'Keep the follow-up' }).click();
  };
  await page.getByRole('button', { name: 'A new one' }).click();
  await office.sheet().getByRole('radio', { name: 'another time' }).click();
  await office
    .sheet()
    .getByRole('textbox', { name: /^A time/ })
    .fill('25:00');
  await office.sheet().getByRole('button', { name: 'Keep the follow-up' }).click();
  await expect(office.sheet().getByText('Write what is to be done.')).toBeVisible();
  await expect(office.sheet().getByText(/^There is no 25:00/)).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Close' }).click();

  await write('Grease the winch', 'Van', 'winch, Grease', 'low');
  await write('Change the batteries', 'Gauges', 'cawder', 'high');
  await write('Paint the hut', 'Gauges', 'hut', 'usual');
  const texts = () =>
    followUps(page)
      .getByRole('listitem')
      .evaluateAll((rows) => rows.map((row) => row.ariaLabel));
  expect(await texts()).toEqual(['Change the batteries', 'Paint the hut', 'Grease the winch']);
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('radio', { name: 'Gauges' }).click();
  await page.getByRole('checkbox', { name: 'hut', exact: true }).click();
  expect(await texts()).toEqual(['Paint the hut']);
  await page.getByRole('checkbox', { name: 'hut', exact: true }).click();
  await page.getByRole('button', { name: 'Done: Change the batteries' }).click();
  expect(await texts()).toEqual(['Paint the hut']);
  await page.getByRole('button', { name: 'Show what is done as well' }).click();
  await page.getByRole('button', { name: 'Not done: Change the batteries' }).click();
  await page.reload();
  await expect(followUps(page).getByRole('listitem')).toHaveCount(3);
  await page.getByRole('button', { name: 'Change: Paint the hut' }).click();
  await office
    .sheet()
    .getByRole('textbox', { name: /^Who it is for/ })
    .fill('peg');
  await office
    .sheet()
    .getByRole('button', { name: /^Peg Anstey/ })
    .first()
    .click();
  await office.sheet().getByRole('radio', { name: 'in 15 min' }).click();
  await office.sheet().getByRole('button', { name: 'Keep the follow-up' }).click();
  await expect(followUps(page).getByRole('listitem', { name: 'Paint the hut' })).toContainText('Peg Anstey');
});

test('a row calls, opens its call, and is taken out and had back; no filter hides by what is gone', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.act('Note').click();
  const sheet = office.sheet();
  await sheet.getByRole('textbox', { name: 'Note' }).fill('Send the permit');
  await sheet.getByRole('radio', { name: 'some time' }).click();
  await sheet.getByRole('button', { name: /^More for the follow-up/ }).click();
  await sheet.getByRole('radio', { name: 'high' }).click();
  await sheet.getByRole('textbox', { name: 'List' }).fill('Permits');
  await sheet.getByRole('textbox', { name: /^Words/ }).fill('permit');
  expect(await office.axeViolations()).toEqual([]);
  await sheet.getByRole('button', { name: 'Keep the follow-up' }).click();
  await office.end().click();
  await office.open('/followups');
  await page.getByRole('button', { name: 'A new one' }).click();
  await sheet.getByRole('textbox', { name: 'What is to be done' }).fill('Grease the winch');
  await sheet.getByRole('button', { name: 'Keep the follow-up' }).click();

  const permit = followUps(page).getByRole('listitem', { name: 'Send the permit' });
  await expect(permit).toContainText('high priority, Permits, permit');
  await page.getByRole('radio', { name: 'Permits' }).click();
  await page.getByRole('checkbox', { name: 'permit', exact: true }).click();
  await expect(followUps(page).getByRole('listitem')).toHaveCount(1);
  await permit.getByRole('button', { name: 'More for Send the permit' }).click();
  await permit.getByRole('button', { name: 'Remove: Send the permit' }).click();
  await expect(followUps(page).getByRole('listitem', { name: 'Grease the winch' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo: Send the permit back' }).click();
  await permit.getByRole('button', { name: 'Done: Send the permit' }).click();
  await page.getByRole('button', { name: 'Undo: Send the permit is to be done' }).click();
  await permit.getByRole('button', { name: 'More for Send the permit' }).click();
  await permit.getByRole('button', { name: /^The call it came from/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Peg Anstey' })).toBeVisible();
  await goToFollowUps(office);
  await permit.getByRole('button', { name: /^Call Peg Anstey/ }).click();
  await expect(office.stopCalling()).toBeVisible();
});

test('a person’s page begins a follow-up about them', async ({ office, page }) => {
  await office.open('/person/contact%3Apeg');
  await page.getByRole('button', { name: 'More for Peg Anstey' }).click();
  await page.getByRole('button', { name: 'Follow up', exact: true }).click();
  const sheet = office.sheet();
  await expect(sheet.getByRole('textbox', { name: /^Who it is for/ })).toHaveValue('Peg Anstey');
  await sheet.getByRole('textbox', { name: 'What is to be done' }).fill('Bring the gate key');
  await sheet.getByRole('radio', { name: 'in 15 min' }).click();
  await sheet.getByRole('button', { name: 'Keep the follow-up' }).click();
  await expect(page.getByRole('list', { name: 'Everything with them' })).toContainText('Bring the gate key');
});

test('the history is narrowed by person, days, length and outcome', async ({ office, page }) => {
  await office.open('/');
  await office.goToEverything();
  const open = async () => page.getByRole('button', { name: /^Filter/ }).click();
  const close = async () => office.sheet().getByRole('button', { name: 'Close' }).click();
  const sums = page.getByRole('status').filter({ hasText: ' call' });
  await open();
  const sheet = office.sheet();
  await sheet.getByRole('textbox', { name: 'With whom (empty: anybody)' }).fill('skerrow');
  await sheet
    .getByRole('button', { name: /^Skerrow Harbour/ })
    .first()
    .click();
  await sheet.getByRole('radio', { name: 'from day to day' }).click();
  await sheet.getByRole('textbox', { name: 'First day' }).fill('32 Nov');
  await sheet.getByRole('button', { name: 'Only these days' }).click();
  await expect(sheet.getByText('There is no such day as 32 nov.')).toBeVisible();
  await sheet.getByRole('textbox', { name: 'First day' }).fill('today');
  await sheet.getByRole('button', { name: 'Only these days' }).click();
  await sheet.getByRole('checkbox', { name: 'missed', exact: true }).click();
  expect(await office.axeViolations()).toEqual([]);
  await close();
  await expect(sums).toContainText('Skerrow Harbour · 3 calls · 3 not taken');
  await open();
  await sheet.getByRole('radio', { name: 'over 10 min' }).click();
  await close();
  await expect(sums).toContainText('0 calls');
  await open();
  await sheet.getByRole('button', { name: 'All calls again' }).click();
  await close();
  await expect(sums).toHaveCount(0);
});

test('a person in figures, and only their calls', async ({ office, page }) => {
  await office.open('/');
  await page
    .getByRole('listitem', { name: 'Skerrow Harbour' })
    .getByRole('button', { name: /^Skerrow Harbour/ })
    .click();
  await page
    .getByRole('button', { name: /^More for/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Figures' }).click();
  const figures = office.sheet().getByRole('list', { name: 'Figures' });
  await expect(figures).toContainText('Calls from them');
  expect(await office.axeViolations()).toEqual([]);
  const incoming = await figures.getByRole('listitem').first().textContent();
  expect(Number(incoming?.replace(/\D/g, ''))).toBeGreaterThan(5);
  await office.sheet().getByRole('button', { name: 'See only their calls' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Skerrow Harbour ·' })).toBeVisible();
});

test('one that is about nobody stands among the loose ends once it is due, as people write times', async ({
  office,
  page,
}) => {
  await office.open('/followups');
  await page.getByRole('button', { name: 'A new one' }).click();
  const sheet = office.sheet();
  await sheet.getByRole('textbox', { name: 'What is to be done' }).fill('Charge the loggers');
  await sheet.getByRole('radio', { name: 'another time' }).click();
  await sheet.getByRole('textbox', { name: /^A time/ }).fill('in half an hour');
  await expect(sheet.getByText(/^That is .*11:10\.$/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep the follow-up' }).click();
  const ends = page.getByRole('list', { name: /^Who waits/ });
  await office.goTo('Loose ends');
  await expect(ends.getByRole('listitem').first()).toBeVisible();
  await expect(ends.getByRole('listitem', { name: 'Charge the loggers' })).toHaveCount(0);
  await office.goOutside();
  await office.letPass('1 h');
  await office.goTo('Loose ends');
  const task = ends.getByRole('listitem', { name: 'Charge the loggers' });
  await expect(task).toContainText('Overdue since Thu 11:10');
  await expect(page.getByText(/one follow-up is due/)).toBeVisible();
  await task.getByRole('button', { name: 'Done: Charge the loggers' }).click();
  await expect(task).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo: Charge the loggers waits again' }).click();
  await expect(task).toBeVisible();
});
