import { expect, test } from './office';
import { RedisServer } from './redisServer';
import { ServedOffice } from './servedOffice';
import { hears, whistler, type Whistler } from './tones';

const redis = new RedisServer();
const [one, other] = [new ServedOffice(), new ServedOffice()];
const people: Whistler[] = [];
let env: Record<string, string> = {};

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  env = { CENDRO_REDIS: await redis.start() };
  await one.start(env, ['--sample']);
  await other.start(env, ['--sample']);
  people.push(await whistler(one.address, 'maren', 440), await whistler(other.address, 'ilse', 880));
});
test.afterAll(async () => {
  for (const { browser } of people) await browser.close();
  await one.end();
  await other.end();
  redis.end();
});

test('people of two processes talk; the one that has the office is killed, the other takes it over with the call, and the first hands on to it', async () => {
  const [maren, ilse] = people;
  if (!maren || !ilse) throw new Error('Somebody is missing.');
  await ilse.office.call('214');
  await maren.office.answer().click();
  await hears(maren, ilse);
  await hears(ilse, maren);

  await one.kill();
  // Voices need neither of them; what Ilse does is done by the other one.
  await hears(ilse, maren);
  await expect(maren.page.getByText(/No network/).first()).toBeVisible();
  await expect(ilse.page.getByText(/No network/).first()).toBeVisible();
  await expect(ilse.page.getByText(/No network/)).toHaveCount(0, { timeout: 30_000 });
  await ilse.page.getByRole('button', { name: 'Hold', exact: true }).click();
  await expect(ilse.page.getByRole('button', { name: 'Talk again' })).toBeVisible();

  // Begun again, the first one finds that the other has the office.
  await one.start(env, ['--sample']);
  await expect(maren.page.getByText(/No network/)).toHaveCount(0, { timeout: 30_000 });
  await ilse.page.getByRole('button', { name: 'Talk again' }).click();
  await hears(maren, ilse);
  await maren.office.end().click();
  await expect(ilse.office.end()).toHaveCount(0);
});
