import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** Opens the ring plan and waits for its seconds. */
async function openPlan(office: Office) {
  await office.open('/plan');
  await expect(office.page.getByRole('heading', { name: 'Seconds', exact: true })).toBeVisible();
}

const see = (page: Page, view: string) =>
  page.getByRole('radiogroup', { name: 'See' }).getByRole('radio', { name: view, exact: true }).click();
const bar = (page: Page, name: RegExp) => page.getByRole('button', { name });
const rules = (page: Page) => page.getByRole('list', { name: 'Rules, the first that fits decides' });

async function ask(page: Page, part: RegExp, answer: RegExp) {
  await page.getByRole('group', { name: 'The question' }).getByRole('button', { name: part }).click();
  await page.getByRole('dialog').getByRole('radio', { name: answer }).click();
}

test('without a network the ring plan says that it was not fetched, and comes once there is one', async ({
  office,
  page,
}) => {
  let isAway = true;
  await page.route(/\/deciding-[0-9a-f]+\.js/, (route) =>
    isAway ? route.abort('internetdisconnected') : route.continue(),
  );
  await office.talkWithPeg();
  await office.goTo('Ring plan');
  await expect(page.getByText('has not been fetched')).toBeVisible();
  await expect(office.toTheCall()).toBeVisible();
  isAway = false;
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'Seconds', exact: true })).toBeVisible();
});

test('a call is tried before it happens, and then happens so', async ({ office, page }) => {
  await openPlan(office);
  await ask(page, /^Line:/, /^Flood desk/);
  await expect(
    page.getByText('Rule “Flood desk, any time” decided, since this line was called.'),
  ).toBeVisible();
  await expect(bar(page, /^Van phone key 5–30 s$/)).toBeVisible();
  await expect(bar(page, /^Kofi Renner’s desk phone 30–45 s$/)).toBeVisible();

  await office.callIn('Cawder Flood Watch', 'Flood desk');
  await expect(page.getByRole('img').first()).toHaveAccessibleName(
    /Van phone: second 5 to 30; Ilse: second 10 to 30; Kofi: second 30 to 45; then your mailbox$/,
  );
  await expect(page.getByRole('region', { name: 'Why it rings' })).toContainText(
    'Rule “Flood desk, any time” decided',
  );
});

test(
  'a bar pulled too long is found out, mended by one tap, put into force, and rings so',
  { tag: '@tall' },
  async ({ office, page }) => {
    await openPlan(office);
    const end = page.getByRole('slider', { name: 'Van phone ends' });
    await end.scrollIntoViewIfNeeded();
    const box = await end.boundingBox();
    if (!box) throw new Error('The bar has no place');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 70, box.y + box.height / 2, { steps: 6 });
    await expect(page.getByRole('note').first()).toContainText('but the next stage comes after');
    await page.mouse.up();
    const seconds = Number(await end.getAttribute('aria-valuenow'));
    expect(seconds).toBeGreaterThan(28);
    await expect(page.getByText(/Your van phone is to ring \d+ s, but the next stage comes/)).toBeVisible();
    await page.getByRole('button', { name: `Let this stage last ${seconds} s` }).click();
    await expect(page.getByText(/Your van phone is to ring/)).toHaveCount(0);

    await page.getByRole('button', { name: 'Compare' }).click();
    await expect(page.getByRole('region', { name: 'Changes of the plan' })).toContainText(
      `Changed: This app 0–${seconds} s, Your desk phone 0–${seconds} s, Your van phone 5–${seconds} s`,
    );
    await page.getByRole('button', { name: 'Put it into force' }).click();
    await expect(page.getByText('Your ring plan is in force.')).toBeVisible();
    await office.callIn('Skerrow Harbour', 'Field service');
    await expect(page.getByRole('img').first()).toHaveAccessibleName(
      new RegExp(`Van phone: second 5 to ${seconds}; Ilse: second ${seconds} to`),
    );
  },
);

test(
  'changes are kept without saving, and every step goes back and forth',
  { tag: '@tall' },
  async ({ office, page }) => {
    await openPlan(office);
    await bar(page, /^Desk phone \d/).click();
    await page.getByRole('button', { name: 'Remove it: desk phone' }).click();
    await expect(bar(page, /^Desk phone \d/)).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole('button', { name: 'Put it into force' })).toBeVisible();
    await expect(bar(page, /^Desk phone \d/)).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(bar(page, /^Desk phone \d/)).toBeVisible();
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(bar(page, /^Desk phone \d/)).toHaveCount(0);
    await page.getByRole('button', { name: 'Drop the changes' }).click();
    await expect(bar(page, /^Desk phone \d/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Put it into force' })).toHaveCount(0);
  },
);

test('rules go up and down by their grip and by buttons, and a rule in the way is found out', async ({
  office,
  page,
}) => {
  await openPlan(office);
  await page.getByRole('button', { name: 'Move Any other call up' }).click();
  await expect(rules(page).getByRole('listitem').nth(4)).toContainText('5. Any other call');
  await page.getByRole('button', { name: 'Show the seconds of Field service' }).click();
  await expect(
    page.getByText(
      '“Field service” is never reached: “Off duty”, “In the van”, “At the bench” and “Any other call” take all its calls before.',
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Put it before them' }).click();
  await expect(rules(page).getByRole('listitem').nth(4)).toContainText('5. Field service');
});

test('nothing that can’t ring is taken, and what was typed stays to be mended', async ({ office, page }) => {
  await openPlan(office);
  await bar(page, /^Van phone key/).click();
  const rings = page.getByRole('group', { name: 'Rings for' }).getByRole('textbox');
  await rings.fill('0');
  await expect(page.getByText('It has to ring for at least one second, or one ring.')).toBeVisible();
  await expect(bar(page, /^Van phone key 5–25 s$/)).toBeVisible();
  await rings.fill('12');
  await expect(bar(page, /^Van phone key 5–17 s$/)).toBeVisible();

  await page.getByRole('button', { name: 'Ring something else too in stage 1' }).click();
  const number = office.sheet().getByRole('textbox', { name: 'A number outside' });
  await number.fill('12');
  await office.sheet().getByRole('button', { name: 'Ring that number' }).click();
  await expect(office.sheet().getByRole('alert')).toBeVisible();
  await expect(number).toHaveValue('12');
  await number.fill('+1 202 555 0147');
  await office.sheet().getByRole('button', { name: 'Ring that number' }).click();
  await expect(page.getByText(/\+1 202 555 0147 is abroad \(North America\)/)).toBeVisible();
});

test('a new rule rings at once, takes no urgent call, and is in force after two taps', async ({
  office,
  page,
}) => {
  await openPlan(office);
  await page.getByRole('button', { name: 'New rule', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Seconds', exact: true })).toBeInViewport();
  await expect(bar(page, /^Desk phone 0–20 s$/)).toBeVisible();
  await expect(rules(page).getByRole('listitem').nth(1)).toContainText('2. New rule');
  await page.getByRole('button', { name: 'Put it into force' }).click();
  await expect(page.getByText('Your ring plan is in force.')).toBeVisible();
  await office.callIn('Skerrow Harbour', 'Field service');
  await expect(page.getByRole('region', { name: 'Why it rings' })).toContainText('Rule “New rule” decided');
});

test('a stage comes after another, before it, and where none is left', async ({ office, page }) => {
  await openPlan(office);
  const choose = (name: RegExp) => office.sheet().getByRole('button', { name }).click();
  await page.getByRole('button', { name: 'New rule', exact: true }).click();
  await page.getByRole('button', { name: 'Then ring something else, after stage 1' }).click();
  await choose(/^Kofi Renner/);
  await expect(bar(page, /^Kofi Renner.* 20–40 s$/)).toBeVisible();
  await page.getByRole('button', { name: 'Change stage 1' }).click();
  await page.getByRole('button', { name: 'Ring something before stage 1' }).click();
  await choose(/^Hugh/);
  await expect(bar(page, /^Hugh.* 0–20 s$/)).toBeVisible();
  await expect(bar(page, /^Kofi Renner.* 40–60 s$/)).toBeVisible();
  for (const number of [1, 1, 1]) {
    const out = page.getByRole('button', { name: `Remove this stage: ${number}` });
    if ((await out.count()) === 0) await page.getByRole('button', { name: `Change stage ${number}` }).click();
    await out.click();
  }
  await expect(page.getByText('Nothing rings.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Ring something', exact: true }).click();
  await choose(/^Van phone/);
  await expect(bar(page, /^Van phone key 0–20 s$/)).toBeVisible();
});

test('a plan that loses calls takes force only after it was said which', async ({ office, page }) => {
  await openPlan(office);
  await page.getByRole('button', { name: 'New rule', exact: true }).click();
  await page.getByRole('button', { name: 'Change stage 1' }).click();
  await page.getByRole('button', { name: 'Remove this stage: 1' }).click();
  await page.getByRole('button', { name: 'Put it into force' }).dblclick();
  const asked = page.getByRole('alert').filter({ hasText: 'This plan loses calls' });
  await expect(asked).toContainText(
    /Nothing rings at any hour for Field service.*Direct.* and your extension\./,
  );
  await expect(page.getByText('Your ring plan is in force.')).toHaveCount(0);
  await asked.getByRole('button', { name: 'Go on changing' }).click();
  await page.getByRole('button', { name: 'Ring something', exact: true }).click();
  await office
    .sheet()
    .getByRole('button', { name: /^Desk phone/ })
    .click();
  await page.getByRole('button', { name: 'Put it into force' }).click();
  await expect(page.getByText('Your ring plan is in force.')).toBeVisible();

  await page.getByRole('button', { name: 'Remove the rule Flood desk, any time' }).click();
  await bar(page, /^Desk phone 0–20 s$/).click();
  await page.getByRole('button', { name: 'Remove it: desk phone' }).click();
  await page.getByRole('button', { name: 'Put it into force' }).click();
  await expect(asked).toContainText('Flood desk is an urgent line');
  await asked.getByRole('button', { name: 'Put it into force anyway' }).click();
  await expect(page.getByText('Your ring plan is in force.')).toBeVisible();
});

test('a template is drawn before it is taken, and rings everything', async ({ office, page }) => {
  await openPlan(office);
  await page.getByRole('button', { name: 'Begin from a template' }).click();
  await expect(office.sheet().getByRole('img').first()).toHaveAccessibleName(/van phone: second 0 to 25/);
  await office.sheet().getByRole('button', { name: 'Take this one: Mobile only' }).click();
  await expect(rules(page).getByRole('listitem').nth(1)).toContainText('2. Mobile only');
  await expect(rules(page).getByRole('listitem').nth(1)).toContainText('This call goes by it');
  await expect(bar(page, /^Van phone ?key ?0–25 s/)).toBeVisible();
});

test('the whole plan is in one look, and a tap shows the seconds of a rule', async ({ office, page }) => {
  await openPlan(office);
  const glance = page.getByRole('list', { name: /^The plan in one look/ });
  await expect(glance.getByRole('listitem')).toHaveCount(6);
  await expect(glance.getByRole('listitem').nth(4)).toContainText('Field service: this call');
  await expect(glance.getByRole('listitem').nth(4)).toContainText(
    'this app, desk phone, van phone, then Ilse Varga’s desk phone, then your mailbox',
  );
  await expect(glance.getByRole('listitem').first()).toBeInViewport({ ratio: 1 });
  await glance.getByRole('button', { name: /At the bench/ }).click();
  await expect(page.getByRole('heading', { name: 'Seconds of “At the bench”' })).toBeInViewport();
  for (const name of ['Greetings', 'Find me', 'Files']) {
    await see(page, name);
    await expect(page.getByRole('heading', { level: 2, name })).toBeVisible();
  }
});

test('a template says where its rule will stand, and whether the call asked about goes by it', async ({
  office,
  page,
}) => {
  await openPlan(office);
  await page.getByRole('button', { name: 'Begin from a template' }).click();
  await expect(office.sheet()).toContainText(
    'It becomes rule 2, after “Flood desk, any time”. The rules below it get no calls any more; none is removed. The call asked about goes by it.',
  );
  await expect(office.sheet()).toContainText(
    'It becomes the first rule. The call asked about does not go by it.',
  );
});

test('some phones together this evening: six taps, the effect is seen, and it is gone afterwards', async ({
  office,
  page,
}) => {
  await office.open('/');
  await office.goTo('Ring plan');
  await page.getByRole('button', { name: 'For once' }).click();
  await office.sheet().getByRole('checkbox', { name: 'this app' }).click();
  await office.sheet().getByRole('checkbox', { name: 'desk phone' }).click();
  await expect(office.sheet()).toContainText('It is on Thu 26 Nov 17:00–24:00');
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('button', { name: 'Moment: Thu 17:00' })).toBeVisible();
  await expect(bar(page, /^Van phone ?key ?0–25 s/)).toBeVisible();
  await expect(bar(page, /^Desk phone/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it into force' }).click();
  await expect(page.getByText('Your ring plan is in force.')).toBeVisible();
  await expect(rules(page).getByRole('listitem').nth(1)).toContainText('2. Van phone, once');
  await office.open('/plan', '2026-11-27T08:40:00Z');
  await expect(page.getByRole('heading', { name: 'Seconds', exact: true })).toBeVisible();
  await expect(rules(page).getByRole('listitem')).toHaveCount(6);
});

test('a rule is for once in words, and refuses what is none at its field', async ({ office, page }) => {
  await openPlan(office);
  await page.getByRole('button', { name: 'New rule', exact: true }).click();
  await page.getByRole('button', { name: 'Change when New rule is for' }).click();
  const once = office.sheet().getByRole('textbox', { name: /^Only once/ });
  await once.fill('soonish');
  await expect(office.sheet().getByRole('alert')).toContainText('Write when, such as this evening');
  await once.fill('tomorrow until noon');
  await expect(office.sheet()).toContainText(
    'Once: on Fri 27 Nov 00:00–12:00. Then the rule removes itself.',
  );
  await office
    .sheet()
    .getByRole('textbox', { name: /^Only at these hours/ })
    .fill('Mon–Fri 22:00–6:00');
  await expect(office.sheet()).toContainText('Mon–Fri 22:00–06:00, on Fri 27 Nov 00:00–12:00');
});

test('hours are kept as they are typed, past midnight and of one line', async ({ office, page }) => {
  await openPlan(office);
  await see(page, 'Hours');
  const week = page.getByRole('textbox', { name: /^My working week/ });
  await week.fill('Mon–Fri 22:00–6:00');
  const flood = page.getByRole('textbox', { name: 'Flood desk, if it has other hours' });
  await flood.fill('every day 0–24');
  await expect(week).toHaveValue('Mon–Fri 22:00–06:00');
  // Left without any button: it is kept.
  await office.goTo('Directory');
  await office.goTo('Ring plan');
  await see(page, 'Hours');
  await expect(page.getByRole('textbox', { name: 'Flood desk, if it has other hours' })).toHaveValue(
    'every day 00:00–24:00',
  );
  await page.getByRole('textbox', { name: /^My working week/ }).fill('Mun 8–9');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: 'weekday' })).toContainText(
    '“Mun” is not a weekday.',
  );
});

test('find me: a caller in the mailbox hears the greeting, presses 1, and is put through', async ({
  office,
  page,
}) => {
  await openPlan(office);
  await see(page, 'Find me');
  const findMe = page.getByRole('region', { name: 'Find me' });
  await findMe.getByRole('button', { name: 'Try the desk phone' }).click();
  await findMe.getByRole('button', { name: 'Try the van phone' }).click();
  await page.getByRole('button', { name: 'Put it into force' }).click();
  await office.open('/standing');
  await page.getByRole('radio', { name: /^Off duty/ }).click();
  await office.callIn('Skerrow Harbour', 'Field service');
  const caller = page.getByRole('group', { name: /^Skerrow Harbour/ });
  await expect(caller).toContainText('hears: “This is Maren Oyelaran of Orrin Vale Gauging. I am at a gauge');
  await caller.getByRole('button', { name: 'Press 1, find them' }).click();
  await expect(caller).toContainText('hears: “Say your name.”');
  await office.letPass('5 s');
  const desk = office.phone('Maren Oyelaran, desk phone');
  await desk.getByRole('button', { name: /Answer$/ }).click();
  await desk.getByRole('button', { name: /Press 1, take it$/ }).click();
  await expect(desk.getByRole('button', { name: /Hold$/ })).toBeVisible();
});

test('look back reads what would have changed in ninety days', async ({ office, page }) => {
  await openPlan(office);
  await bar(page, /^This app \d/).click();
  await page.getByRole('button', { name: 'Remove it: this app' }).click();
  await see(page, 'Look back');
  await page.getByRole('region', { name: 'Look back' }).getByRole('button', { name: 'Look back' }).click();
  await expect(page.getByText(/^Of \d+ calls you would have taken \d+ instead of \d+/)).toBeVisible();
  await page
    .getByRole('button', { name: /hung up at second|the finish at second/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/everything\/./);
  await expect(page.getByRole('heading', { name: 'Why' })).toBeVisible();
});

test('the ring plan has no fault that axe finds, in any of its views', async ({ office, page }) => {
  await openPlan(office);
  await bar(page, /^Van phone key/).click();
  expect(await office.axeViolations()).toEqual([]);
  for (const view of ['Week', 'Look back', 'Hours', 'Greetings', 'Find me', 'Files']) {
    await see(page, view);
    expect(await office.axeViolations()).toEqual([]);
  }
});

test('the asked call is placed for real, from whoever is asked for', async ({ office, page }) => {
  await office.open('/plan');
  await page.getByRole('button', { name: 'Place it for real' }).click();
  await expect(office.answer()).toBeVisible();
  await office.refuse().click();
  await expect(office.answer()).toHaveCount(0);
  await page.getByRole('button', { name: /^Caller:/ }).click();
  await office.sheet().getByRole('radio', { name: 'a colleague' }).click();
  await page.getByRole('button', { name: 'Place it for real' }).click();
  await expect(office.answer()).toBeVisible();
});
