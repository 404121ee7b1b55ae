import { expect, test } from './office';
import { ServedOffice } from './servedOffice';
import { heardBy, whistler, type Whistler } from './tones';

const served = new ServedOffice();
const people: Whistler[] = [];

test.beforeAll(async () => {
  await served.start({}, ['--sample']);
  people.push(
    await whistler(served.address, 'maren', 440),
    await whistler(served.address, 'ilse', 880),
    await whistler(served.address, 'sunniva', 1320),
  );
});
test.afterAll(async () => {
  for (const { browser } of people) await browser.close();
  await served.end();
});

/** Exactly these voices are heard, and no other. */
const hears = (who: Whistler, ...whom: readonly Whistler[]) =>
  expect
    .poll(async () => {
      const pitches = await heardBy(who);
      return people
        .filter(({ hertz }) => pitches.some((pitch) => Math.abs(pitch - hertz) < 20))
        .map(({ hertz }) => hertz);
    })
    .toEqual(people.filter((each) => whom.includes(each)).map(({ hertz }) => hertz));

async function call({ office, page }: Whistler, extension: string) {
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill(extension);
  await page.getByRole('button', { name: /^Call/ }).last().click();
}

test('voices are heard by exactly whom the cords show: talking, muted, held, three together, and while the server is away', async () => {
  const [maren, ilse, sunniva] = people;
  if (!maren || !ilse || !sunniva) throw new Error('Somebody is missing.');
  const act = (who: Whistler, name: string) => who.page.getByRole('button', { name, exact: true }).click();
  await call(ilse, '214');
  await maren.office.answer().click();
  await hears(maren, ilse);
  await hears(ilse, maren);

  await act(ilse, 'Mute');
  await hears(maren);
  await hears(ilse, maren);
  await act(ilse, 'Mute');
  await hears(maren, ilse);

  await act(maren, 'Hold');
  await hears(ilse);
  await hears(maren);

  // Held, Maren asks somebody else; nobody of the two hears the other.
  await call(maren, '216');
  await sunniva.office.answer().click();
  await hears(maren, sunniva);
  await hears(sunniva, maren);
  await hears(ilse);
  await maren.page.getByRole('button', { name: /^Join the two calls/ }).click();
  await maren.office
    .sheet()
    .getByRole('button', { name: /^All together/ })
    .click();
  await hears(maren, ilse, sunniva);
  await hears(ilse, maren, sunniva);
  await hears(sunniva, maren, ilse);

  // Without the server they go on; what is done once it is there again is done.
  await served.kill();
  await expect(maren.page.getByText(/No network/).first()).toBeVisible();
  await hears(maren, ilse, sunniva);
  await served.start({}, ['--sample']);
  await expect(maren.page.getByText(/No network/)).toHaveCount(0);
  await hears(sunniva, maren, ilse);
  await sunniva.page.getByRole('button', { name: /^Leave/ }).click();
  await hears(sunniva);
  await hears(maren, ilse);
  await hears(ilse, maren);
});
