import { expect, test, type Office } from './office';

/** What lies between two calls: who may be joined with whom, who was sent where, and what was a slip. */

async function secondCaller(office: Office, name: string) {
  await office.callIn(name, 'Flood desk');
  await office.page.getByRole('button', { name: 'Answer, hold the other' }).click();
  await expect(office.youHear(`You hear ${name}`)).toBeVisible();
}

test('two strangers are not joined by a tap: each way says first what will be true', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await secondCaller(office, 'Cawder Flood Watch');
  await expect(page.getByRole('button', { name: /^Connect, leave/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Join the two calls/ }).click();
  await expect(office.sheet()).toContainText(
    'Peg Anstey and Cawder Flood Watch talk to each other. You are out.',
  );
  await office
    .sheet()
    .getByRole('button', { name: /^All together/ })
    .click();
  await expect(
    office
      .youHear('You hear Cawder Flood Watch and Peg Anstey')
      .or(office.youHear('You hear Peg Anstey and Cawder Flood Watch')),
  ).toBeVisible();
});

test('an emergency call is offered to nobody who is held', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.dial('999');
  await expect(page.getByRole('group', { name: 'Held: Peg Anstey' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^(Connect, leave|Join the two)/ })).toHaveCount(0);
});

test(
  'two who were connected by a slip are taken back: one hears music, the other me',
  { tag: '@phone' },
  async ({ office, page }) => {
    await office.talkWithIlseAboutPeg();
    await page.getByRole('button', { name: /^Connect, leave/ }).click();
    await expect(page.getByText('Handed to Ilse Varga')).toBeVisible();
    await page.getByRole('button', { name: 'Take back Peg Anstey' }).click();
    await expect(office.youHear('You hear Ilse Varga')).toBeVisible();
    await expect(page.getByText('put aside, hears music', { exact: true })).toBeVisible();
  },
);

test('whom I sent on can be seen until they are taken', { tag: '@phone' }, async ({ office, page }) => {
  await office.talkWithPeg();
  await office.chooseTarget('Transfer', 'Ilse Varga');
  await office
    .sheet()
    .getByRole('button', { name: /^To their phones now/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Peg Anstey' })).toBeVisible();
  await expect(page.getByText('Rings at Ilse Varga, comes back in 0:20')).toBeVisible();
  await office.goOutside();
  await office.letPass('5 s');
  await office.letPass('5 s');
  await page.getByRole('button', { name: /^Peg Anstey talks with Ilse Varga/ }).click();
  await expect(page.getByText(/^Talks with Ilse Varga, 0:1/)).toBeVisible();
});

test('after somebody was handed over, the next call is parked and taken back, or said how it ended', async ({
  office,
  page,
}) => {
  await office.open('/outside');
  await office.talkWithIlseAboutPeg();
  await page.getByRole('button', { name: /^Connect/ }).click();
  await expect(page.getByRole('heading', { name: 'Peg Anstey' })).toBeVisible();
  await office.callIn('Skerrow Harbour', 'Direct');
  await office.answer().click();
  await office.act('Park').click();
  await page.getByRole('button', { name: 'Take Skerrow Harbour from slot 01' }).click();
  await expect(office.youHear('You hear Skerrow Harbour')).toBeVisible();
  await office.passAndReturn('5 s', 1);
  await office.end().click();
  await expect(page.getByRole('heading', { name: 'Skerrow Harbour' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Call again: Skerrow Harbour' })).toBeVisible();
});

test('several who come back are named, all of them, and refused they stay together', async ({
  office,
  page,
}) => {
  await office.talkWithIlseAboutPeg();
  await page.getByRole('button', { name: /^All together/ }).click();
  await office.chooseTarget('Transfer', 'Tobias Quill');
  await expect(office.sheet().getByRole('button', { name: /^Straight to the mailbox/ })).toHaveCount(0);
  await office
    .sheet()
    .getByRole('button', { name: /^To their phones now/ })
    .click();
  await office.goOutside();
  await office.letPass('30 s');
  await expect(page.getByRole('heading', { name: 'Peg Anstey and Ilse Varga' })).toBeVisible();
  await expect(page.getByText('Refuse: they stay together without you')).toBeVisible();
  await office.refuse().click();
  await office.phone('Peg Anstey').getByText('connected', { exact: true }).waitFor();
  await office.phone('Ilse Varga, desk phone').getByText('connected', { exact: true }).waitFor();
});

test('a caller who leaves while a colleague is asked is not gone in silence', async ({ office, page }) => {
  await office.talkWithIlseAboutPeg();
  await office.goOutside();
  await page.getByRole('button', { name: 'Peg Anstey: Hang up' }).click();
  await expect(page.getByText('Peg Anstey hung up while on hold.')).toBeVisible();
});

test('of a colleague who is not to be disturbed it is said before whom one would reach', async ({
  office,
  page,
}) => {
  await office.open('/outside');
  const colleague = page.getByRole('radiogroup', { name: 'Colleague' });
  await colleague.getByRole('radio', { name: 'Tobias Quill' }).click();
  await page
    .getByRole('radiogroup', { name: 'They are' })
    .getByRole('radio', { name: /do not disturb/i })
    .click();
  await office.callIn('Peg Anstey', 'Direct');
  await office.answer().click();
  await office.chooseTarget('Transfer', 'Tobias Quill');
  await expect(office.sheet().getByRole('button', { name: /^Talk first/ })).toContainText(
    'you would reach Tobias Quill’s mailbox',
  );
  await expect(office.sheet().getByRole('button', { name: /^To their phones now/ })).toBeDisabled();
});

test('a call-back that rings has nothing to pass on and nobody to text', async ({ office, page }) => {
  await office.open('/dial');
  await office.dial('07700 900482');
  await office.passAndReturn('5 s', 1);
  await page.getByRole('button', { name: 'Call automatically when they are free' }).click();
  await office.end().click();
  await office.goOutside();
  await office.letPass('30 s');
  await office.letPass('5 s');
  await expect(office.answer()).toBeVisible();
  await expect(page.getByRole('button', { name: /^(Pass on|Refuse and text)/ })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Why it rings' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Not now' }).click();
  await expect(office.answer()).toHaveCount(0);
});

test('a call moved to the desk phone rings there, and says so', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.act('Move').click();
  await office.sheet().getByRole('button', { name: 'My desk phone' }).click();
  await expect(
    page.getByText('The desk phone rings. Answer it, and the call moves there.').last(),
  ).toBeVisible();
  await expect(page.getByText(/van phone rings/)).toHaveCount(0);
});

test('a collapse of the network is told with the second measurement, in figures that agree', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.goOutside();
  await office.letPass('5 s');
  await page.getByRole('radio', { name: 'Nearly gone' }).click();
  await office.letPass('5 s');
  await office.letPass('5 s');
  await office.toTheCall().click();
  await expect(page.getByText('The network is too poor for you to be understood')).toBeVisible();
  await expect(page.getByText(/^MOS 1\.0 · R 0 · /)).toBeVisible();
  await office.goOutside();
  await page.getByRole('radio', { name: 'Good mast' }).click();
  await office.letPass('5 s');
  await office.letPass('5 s');
  await office.toTheCall().click();
  await page.getByRole('button', { name: 'Sounds well' }).click();
  await expect(page.getByText(/^MOS 4\.3 · R 89 · /)).toBeVisible();
  await expect(page.getByText(/the sound stays on this device/)).toBeVisible();
});

test('what belongs to a moment leaves by itself', async ({ office, page }) => {
  await office.talkWithPeg();
  await office.act('Park').click();
  const notice = page.getByText('Peg Anstey waits in slot 01, until any phone takes them back.');
  await expect(notice).toBeVisible();
  await office.goOutside();
  await office.letPass('5 s');
  await expect(notice).toBeVisible();
  await office.letPass('5 s');
  await expect(notice).toHaveCount(0);
});
