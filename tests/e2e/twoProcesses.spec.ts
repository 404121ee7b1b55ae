import { expect, test } from './office';
import { RedisServer } from './redisServer';
import { ServedOffice } from './servedOffice';
import { hears, whistler, type Whistler } from './tones';

const redis = new RedisServer();
const [one, other] = [new ServedOffice(), new ServedOffice()];
const people: Whistler[] = [];
const token = 'over-the-weir';
let env: Record<string, string> = {};

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  env = { CENDRO_REDIS: await redis.start(), CENDRO_OPERATOR_TOKEN: token };
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
  // That she is held she has from the other one: by now what she does is heard there too.
  await expect(maren.office.youHear('You hear music')).toBeVisible();
  await ilse.page.getByRole('button', { name: 'Talk again' }).click();
  await hears(maren, ilse);
  await maren.office.end().click();
  await expect(ilse.office.end()).toHaveCount(0);
});

test('whoever runs the processes gives it over to the other one: the call goes on, and nobody has to do anything', async () => {
  const [maren, ilse] = people;
  if (!maren || !ilse) throw new Error('Somebody is missing.');
  await ilse.office.call('214');
  await maren.office.answer().click();
  await hears(maren, ilse);
  const giveOver = (from: ServedOffice, authorization: string) =>
    fetch(`${from.address}/give-over`, { method: 'POST', headers: { authorization } });
  expect((await giveOver(other, 'Bearer somebody')).status).toBe(403);
  expect((await giveOver(one, `Bearer ${token}`)).status).toBe(409);
  const given = await giveOver(other, `Bearer ${token}`);
  expect([given.status, await given.text()]).toEqual([
    200,
    `It is run by ${one.address.replace('localhost', '127.0.0.1')} now.\n`,
  ]);
  await hears(maren, ilse);
  await hears(ilse, maren);
  await ilse.page.getByRole('button', { name: 'Hold', exact: true }).click();
  // That she is held she has from where the office is now: by then what she does is done there.
  await expect(maren.office.youHear('You hear music')).toBeVisible();
  await ilse.page.getByRole('button', { name: 'Talk again' }).click();
  await hears(maren, ilse);
  await maren.office.end().click();
  await expect(ilse.office.end()).toHaveCount(0);
});

test('one that is stopped as it should be is followed at once, and whoever was connected to it is there again once it is', async () => {
  const [maren, ilse] = people;
  if (!maren || !ilse) throw new Error('Somebody is missing.');
  await one.stop();
  await one.start(env, ['--sample']);
  await ilse.office.call('214');
  await maren.office.answer().click();
  await hears(maren, ilse);
  await maren.office.end().click();
});
