import { expect, sampleNow, test, type Office } from './office';

async function begin({ page }: Office, country = 'United Kingdom') {
  await page.goto(`/begin?now=${sampleNow}`);
  await page.getByRole('textbox', { name: 'What the office is called' }).fill('Tarn Edge Nurseries');
  await page.getByRole('textbox', { name: 'Your name' }).fill('Ada Ferris');
  if (country !== 'United Kingdom') {
    await page.getByRole('button', { name: /^Country/ }).click();
    await page.getByRole('radio', { name: country }).click();
  }
}

async function handIn({ page }: Office) {
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByText('Nobody waits')).toBeVisible();
  await page.goto(`/?now=${sampleNow}`);
}

const keep = ({ page }: Office) => page.getByRole('button', { name: 'Keep', exact: true }).click();

async function openPart(office: Office, part: RegExp) {
  await office.goTo('Office');
  await office.page.getByRole('button', { name: part }).click();
}

async function addPerson(office: Office, name: string) {
  const { page } = office;
  await openPart(office, /^People/);
  await page.getByRole('button', { name: 'Somebody new' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill(name);
  await keep(office);
  await expect(page.getByRole('listitem', { name })).toBeVisible();
}

const phoneOf = ({ page }: Office, name: string) =>
  page.getByRole('region', { name: 'Phones in a call' }).getByText(name, { exact: true });

async function ringMain({ page }: Office, number: string) {
  await page
    .getByRole('radiogroup', { name: 'Caller' })
    .getByRole('radio', { name: 'Another number' })
    .click();
  await page.getByRole('textbox', { name: 'The caller’s number' }).fill(number);
  await page.getByRole('button', { name: /^Ring Main as/ }).click();
}

test('an empty office becomes one: people, lines, a team and a menu; a caller waits, is handed out, and overflows @phone', async ({
  office,
  page,
}) => {
  await begin(office);
  await handIn(office);
  await addPerson(office, 'Bea Moor');
  await addPerson(office, 'Cal Denny');

  await openPart(office, /^Lines/);
  await page.getByRole('button', { name: 'A new line' }).click();
  await page.getByRole('textbox', { name: 'What it is for' }).fill('Deliveries');
  await keep(office);
  await expect(page.getByRole('listitem', { name: 'Deliveries' })).toContainText('to Ada Ferris');

  await openPart(office, /^Teams/);
  await page.getByRole('button', { name: 'A new team' }).click();
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Plant desk');
  for (const name of ['Bea Moor', 'Cal Denny']) await page.getByRole('checkbox', { name }).click();
  await page.getByRole('radio', { name: /^Waits for a member/ }).click();
  await page.getByRole('radio', { name: /^In the order of/ }).click();
  await page.getByRole('radio', { name: 'Rain on slate' }).click();
  await page.getByRole('button', { name: 'Hear Rain on slate' }).click();
  await page.getByRole('textbox', { name: 'While nobody is signed in' }).fill('07700 900777');
  await keep(office);
  await expect(page.getByText(/^The team Plant desk is here/)).toBeVisible();

  await openPart(office, /^Menus/);
  await page.getByRole('button', { name: 'A new menu' }).click();
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Front');
  await page.getByRole('textbox', { name: 'Key 1 leads to' }).fill('203');
  await page.getByRole('button', { name: 'Another key' }).click();
  await page.getByRole('textbox', { name: 'Key 2 leads to' }).fill('200');
  await keep(office);
  await expect(page.getByText(/^The menu Front is here/)).toBeVisible();

  await openPart(office, /^Lines/);
  await page.getByRole('listitem', { name: 'Main' }).getByRole('button').click();
  await page.getByRole('radio', { name: /^Front/ }).click();
  await keep(office);
  await expect(page.getByRole('listitem', { name: 'Main' })).toContainText('to Front');

  // Through the menu to the team: the first of its order rings.
  await office.goOutside();
  await ringMain(office, '07700 900482');
  await page.getByRole('button', { name: 'Press 1, Plant desk' }).click();
  await expect(phoneOf(office, 'Bea Moor, desk phone')).toBeVisible();
  await page.getByRole('button', { name: 'Bea Moor, desk phone: Answer' }).click();

  // The next one goes to Cal, and whoever comes then waits and is told their place.
  await ringMain(office, '07700 900483');
  await page.getByRole('button', { name: 'Press 1, Plant desk' }).click();
  await page.getByRole('button', { name: 'Cal Denny, desk phone: Answer' }).click();
  await ringMain(office, '07700 900484');
  await page.getByRole('button', { name: 'Press 1, Plant desk' }).click();
  await expect(page.getByText(/hears: “You are next\./)).toBeVisible();
  await expect(page.getByText(/and music$/).first()).toBeVisible();

  // The team's hours change while somebody waits: they keep their place.
  await openPart(office, /^Teams/);
  await page.getByRole('listitem', { name: 'Plant desk' }).getByRole('button').click();
  await page.getByRole('textbox', { name: /^When it takes calls/ }).fill('Mon–Fri 9:00–9:30');
  await keep(office);
  await expect(page.getByText('The team Plant desk is changed.')).toBeVisible();
  await office.goOutside();
  await expect(page.getByText(/hears: “You are next\./)).toBeVisible();
  await ringMain(office, '07700 900485');
  await page.getByRole('button', { name: 'Press 1, Plant desk' }).click();
  await expect(page.getByText(/hears: “You are next\./)).toHaveCount(1);

  // Somebody who is retired is had back, with their extension.
  await openPart(office, /^People/);
  await page.getByRole('listitem', { name: 'Cal Denny' }).getByRole('button').click();
  await page.getByRole('button', { name: 'Retire', exact: true }).click();
  await office
    .sheet()
    .getByRole('radio', { name: /^Bea Moor/ })
    .click();
  await office.sheet().getByRole('button', { name: 'Retire', exact: true }).click();
  await page.getByRole('button', { name: 'Undo: Cal Denny back' }).click();
  await expect(page.getByRole('listitem', { name: 'Cal Denny' })).toContainText('202');
});

test('on breaks all: the caller overflows to the mobile that the team names', async ({ office, page }) => {
  await begin(office);
  await handIn(office);
  await openPart(office, /^Teams/);
  await page.getByRole('button', { name: 'A new team' }).click();
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Plant desk');
  await page.getByRole('checkbox', { name: 'Ada Ferris' }).click();
  await page.getByRole('radio', { name: /^Waits for a member/ }).click();
  await page.getByRole('textbox', { name: /^Nobody waits longer than/ }).fill('1');
  await page.getByRole('textbox', { name: 'After the longest wait' }).fill('07700 900777');
  await keep(office);
  await expect(page.getByText(/^The team Plant desk is here/)).toBeVisible();
  await openPart(office, /^Lines/);
  await page.getByRole('listitem', { name: 'Main' }).getByRole('button').click();
  await page.getByRole('radio', { name: /^Plant desk/ }).click();
  await keep(office);
  await office.goTo('Loose ends');
  const strip = page.getByRole('region', { name: 'Calls for Plant desk' });
  await strip.getByRole('button', { name: /^Change/ }).click();
  await office
    .sheet()
    .getByRole('radio', { name: /^Break/ })
    .click();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await office.goOutside();
  await ringMain(office, '07700 900482');
  await expect(page.getByText(/hears: “You are next\./)).toBeVisible();
  await office.letPass('30 s');
  await office.letPass('30 s');
  await office.letPass('5 s');
  await expect(phoneOf(office, '07700 900777')).toBeVisible();
});

test('an office elsewhere reads and writes numbers, and calls help, as they do there', async ({
  office,
  page,
}) => {
  await begin(office, 'United States');
  await expect(page.getByRole('textbox', { name: 'The line’s number' })).toHaveValue('(202) 555-0100');
  await handIn(office);
  await office.goTo('Dial');
  const field = page.getByRole('textbox', { name: 'Number, extension or name' });
  await field.fill('911');
  await expect(page.getByText(/^Emergency/).first()).toBeVisible();
  await field.fill('999');
  await expect(page.getByText(/^Emergency/)).toHaveCount(0);
  await field.fill('+1 202 555 0147');
  await expect(page.getByText(/\(202\) 555-0147/).first()).toBeVisible();
  await field.fill('');

  // Its extensions can begin with 2 no more only once nobody has such a one.
  await openPart(office, /^Rules of the house/);
  await page.getByRole('textbox', { name: 'What extensions begin with' }).fill('3');
  await page.getByRole('textbox', { name: /^What help is called by/ }).fill('911, 112');
  await keep(office);
  await expect(page.getByText(/“201” is not an extension of this office/).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'What extensions begin with' }).fill('2, 3');
  await keep(office);
  await expect(page.getByText('The rules of the house are changed.')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await office.goTo('Dial');
  await field.fill('112');
  await expect(page.getByText(/^Emergency/).first()).toBeVisible();
});

test('where the carrier has no numbers of the country, one’s own are brought along', async ({
  office,
  page,
}) => {
  await begin(office, 'Ireland');
  await page.getByRole('textbox', { name: 'The line’s number' }).fill('01 234 5678');
  await handIn(office);
  await openPart(office, /^Lines/);
  await page.getByRole('button', { name: 'A new line' }).click();
  await expect(page.getByRole('heading', { name: 'No number to take' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Bring numbers along' }).last().click();
  await page.getByRole('textbox').first().fill('01 234 5600 - 5602, Orders');
  await page.getByRole('button', { name: /^Bring 3/ }).click();
  await openPart(office, /^Lines/);
  await expect(page.getByRole('listitem', { name: 'Orders' })).toHaveCount(3);
});
