import { expect, test } from './office';
import { invite, joinBy, ServedOffice, signIn } from './servedOffice';
import { heardBy, hears, whistler, type Whistler } from './tones';

const served = new ServedOffice();
const people: Whistler[] = [];

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  await served.start();
  for (const hertz of [440, 880, 1320]) people.push(await whistler(served.address, null, hertz));
});
test.afterAll(async () => {
  for (const { browser } of people) await browser.close();
  await served.end();
});

test('each device of somebody rings; one answers and the other says which; a talk is brought from one to the other', async () => {
  const [laptop, phone, bela] = people;
  const { wayIn } = served;
  if (!laptop || !phone || !bela || !wayIn) throw new Error('Somebody is missing.');
  await joinBy(laptop, wayIn.path, wayIn.pin);
  await signIn(phone, '201', wayIn.pin);
  const way = await invite(laptop, 'Bela Sorrel');
  await joinBy(bela, way.path, way.pin);

  // Both ring; the phone answers, and the laptop says so.
  await bela.office.call('201');
  await expect(laptop.office.answer()).toBeVisible();
  await phone.office.answer().click();
  await expect(laptop.office.answer()).toHaveCount(0);
  await expect(laptop.page.getByText(/^Answered on your .+\.$/)).toBeVisible();
  await hears(bela, phone);
  await hears(phone, bela);

  // It is brought to the laptop, whose microphone takes its time: until then the phone is heard.
  await laptop.page.evaluate(() => {
    const { mediaDevices } = navigator;
    const open = mediaDevices.getUserMedia.bind(mediaDevices);
    mediaDevices.getUserMedia = async (asked) => {
      await new Promise<void>((resolve) => Object.assign(window, { openMicrophone: resolve }));
      return open(asked);
    };
  });
  await laptop.page.getByRole('button', { name: /See the cords$/ }).click();
  await laptop.page.getByRole('button', { name: 'Bring here the call with Bela Sorrel' }).click();
  await expect(laptop.office.end()).toBeVisible();
  await expect(phone.office.end()).toHaveCount(0);
  await hears(bela, phone);
  await laptop.page.waitForFunction(() => {
    const { openMicrophone } = window as { openMicrophone?: () => void };
    openMicrophone?.();
    return openMicrophone !== undefined;
  });

  // Then it is the laptop’s voice that Bela hears from then on, and the phone’s no more.
  await hears(bela, laptop);
  await hears(laptop, bela);
  await expect.poll(() => heardBy(phone)).toEqual([]);
  await bela.office.end().click();

  // Both answer at once: one of them is in the call.
  await bela.office.call('201');
  await expect(laptop.office.answer()).toBeVisible();
  await expect(phone.office.answer()).toBeVisible();
  // By keys, which wait for nothing: whose came second may have been taken the button from, and what is said of that goes by itself.
  for (const { office } of [laptop, phone]) await office.answer().focus();
  await Promise.all([laptop, phone].map(({ page }) => page.keyboard.press('Enter')));
  await expect
    .poll(async () => Promise.all([laptop, phone].map(({ office }) => office.end().count())))
    .toEqual(expect.arrayContaining([0, 1]));
  const [isLaptop] = await Promise.all(
    [laptop, phone].map(async ({ office }) => (await office.end().count()) === 1),
  );
  const loser = isLaptop ? phone : laptop;
  await expect(loser.page.getByText(/^Answered on your .+\.$/)).toBeVisible();
  await bela.office.end().click();
});
