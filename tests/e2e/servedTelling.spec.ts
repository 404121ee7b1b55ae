import { MailIn } from '../../server/standins/MailIn';
import { expect, test } from './office';
import { invite, joinBy, ServedOffice } from './servedOffice';
import { whistler, type Whistler } from './tones';

const served = new ServedOffice();
const mailIn = new MailIn();
const people: Whistler[] = [];
const address = 'runner@home.example';

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  await served.start({ CENDRO_SMTP: await mailIn.open() });
  for (const hertz of [440, 880]) people.push(await whistler(served.address, null, hertz));
});
test.afterAll(async () => {
  for (const { browser } of people) await browser.close();
  await served.end();
  await mailIn.close();
});

const mails = () => mailIn.of([address]);

test('a missed call is told by mail while nobody is there, at an address that a code has confirmed', async () => {
  const [runner, bela] = people;
  const { wayIn } = served;
  if (!runner || !bela || !wayIn) throw new Error('Somebody is missing.');
  await joinBy(runner, wayIn.path, wayIn.pin);
  const way = await invite(runner, 'Bela Sorrel');
  await joinBy(bela, way.path, way.pin);

  await runner.page.goto('/telling');
  const { page } = runner;
  await page.getByRole('textbox', { name: 'Mail address' }).fill(address);
  await page.getByRole('button', { name: 'Tell this address' }).click();
  const place = page.getByRole('group', { name: address });
  await expect(place.getByText(/^A code is on its way there/)).toBeVisible();
  await expect.poll(() => mails().length).toBe(1);
  const code = /\d{6}/.exec(mails()[0]?.text ?? '')?.[0] ?? '';

  // What is typed wrong is said where it was typed, and nothing is told yet.
  const field = place.getByRole('textbox', { name: 'Code that was sent there' });
  await field.fill(code === '123456' ? '123457' : '123456');
  await place.getByRole('button', { name: 'Confirm' }).click();
  await expect(place.getByText('That is not the code that was sent.')).toBeVisible();
  await expect(place.getByRole('button', { name: 'Send a test' })).toHaveCount(0);
  await field.fill(code);
  await place.getByRole('button', { name: 'Confirm' }).click();
  await place.getByRole('button', { name: 'Send a test' }).click();
  await expect(page.getByRole('region', { name: 'What was told' }).getByText('Delivered.')).toBeVisible();
  await expect.poll(() => mails().length).toBe(2);

  // Nobody is there any more; the call is told all the same.
  await runner.browser.close();
  await bela.office.call('201');
  await bela.office.end().click();
  await expect
    .poll(() => mails().map(({ subject }) => subject))
    .toContainEqual('Missed call from Bela Sorrel');
});
