import { expect, test } from './office';
import { ServedOffice } from './servedOffice';
import { hears, whistler, type Whistler } from './tones';
import { TurnServer } from './turnServer';

/** 120 kbit/s each way: a voice with its copies, and less than the smallest picture beside it, where everything moves in that. */
const narrow = 15_000;

test.describe('on a network that bears little more than a voice', () => {
  const served = new ServedOffice();
  const relay = new TurnServer();
  const people: Whistler[] = [];
  test.beforeAll(async () => {
    await relay.start(narrow);
    await served.start({ CENDRO_ICE: relay.iceServers, CENDRO_RELAY_ONLY: '1' }, ['--sample']);
    people.push(
      await whistler(served.address, 'maren', 440, 'noise'),
      await whistler(served.address, 'ilse', 880),
    );
  });
  test.afterAll(async () => {
    for (const { browser } of people) await browser.close();
    await served.end();
    relay.end();
  });

  test('the voice goes on and the picture rests, which both are told', async () => {
    const [maren, ilse] = people;
    if (!maren || !ilse) throw new Error('Somebody is missing.');
    await maren.office.call('201');
    await ilse.office.answer().click();
    await hears(ilse, maren);
    await maren.office.act('Meeting').click();
    await maren.office.act('Picture').click();
    await maren.office.sheet().getByRole('button', { name: 'Show my picture' }).click();
    await expect(ilse.page.getByText('Rests: the network carries only the voice')).toBeVisible({
      timeout: 90_000,
    });
    await expect(maren.page.getByText('Rests: the network carries only your voice')).toBeVisible();
    await hears(ilse, maren);
    await hears(maren, ilse);
  });
});
