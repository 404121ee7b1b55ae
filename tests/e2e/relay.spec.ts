import { expect, test } from './office';
import { ServedOffice } from './servedOffice';
import { heardBy, whistler, type Whistler } from './tones';
import { TurnServer } from './turnServer';

const served = new ServedOffice();
const relay = new TurnServer();
const people: Whistler[] = [];

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  await relay.start();
  await served.start({ CENDRO_ICE: relay.iceServers, CENDRO_RELAY_ONLY: '1' }, ['--sample']);
  people.push(await whistler(served.address, 'maren', 440), await whistler(served.address, 'ilse', 880));
});
test.afterAll(async () => {
  for (const { browser } of people) await browser.close();
  await served.end();
  relay.end();
});

test('where voices may go by a relay alone they do, both ways, and the call says so', async () => {
  const [maren, ilse] = people;
  if (!maren || !ilse) throw new Error('Somebody is missing.');
  await ilse.office.call('214');
  await maren.office.answer().click();
  for (const [who, other] of [
    [maren, ilse],
    [ilse, maren],
  ] as const)
    await expect
      .poll(async () => (await heardBy(who)).some((pitch) => Math.abs(pitch - other.hertz) < 20))
      .toBe(true);
  await maren.page.getByRole('button', { name: /^Sounds / }).click();
  await expect(maren.page.getByText(/It goes by a relay\./)).toBeVisible();
  await maren.office.end().click();
});

test('the connection to the office is tried: the link, the servers, and what the relay does; calls then travel by it', async () => {
  const [{ page, office } = {}] = people;
  if (!page || !office) throw new Error('Nobody is there.');
  await page.goto('/connection');
  await page.getByRole('textbox', { name: /^Where you are/ }).fill('the weir');
  await page.getByRole('button', { name: 'Test from here' }).click();
  await expect(page.getByText('MOS by codec')).toBeVisible();
  // How well, a machine that does much else at the time decides as well.
  await expect(page.getByRole('heading', { name: /^Calls sound|^They would/ })).toBeVisible();
  await expect(page.getByText(/^Round trip \d+ ms, varies by \d+ ms, \d+\.\d % lost$/)).toBeVisible();
  await expect(page.getByText(/^\d+ ms from end to end, varies by \d+ ms, \d+\.\d % lost$/)).toBeVisible();
  await expect(page.getByText('Reached', { exact: true })).toHaveCount(2);
  await expect(page.getByText(/by the relay$/)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);

  // The relay is gone: the next test says so, and that the office is still reached.
  relay.end();
  await page.getByRole('button', { name: 'Test again' }).click();
  await expect(page.getByText('Not reached: calls through strict networks fail')).toBeVisible();
  await expect(page.getByText(/^Not reached: calls with other networks/)).toBeVisible();
  await expect(page.getByText(/^Round trip \d+ ms/)).toBeVisible();
});
