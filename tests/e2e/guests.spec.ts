import { MailIn } from '../../server/standins/MailIn';
import { expect, test } from './office';
import { unreachable } from './reachable';
import { ServedOffice } from './servedOffice';
import { heardBy, hears, whistler, sees, type Whistler } from './tones';

test('a link of an office that lives in a browser, or one that is not whole, says so', async ({
  office,
  page,
}) => {
  await page.setViewportSize({ width: 320, height: 568 });
  await page.goto('/guest#the-link-of-an-office-in-a-browser');
  await expect(page.getByRole('heading', { name: 'That meeting is not here' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.goto('about:blank');
  await page.goto('/guest#half');
  await expect(page.getByRole('heading', { name: 'This link is not whole' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
});

test.describe('by a link', () => {
  const served = new ServedOffice();
  const people: Whistler[] = [];
  const mailIn = new MailIn();
  test.beforeAll(async () => {
    await served.start({ CENDRO_SMTP: await mailIn.open() }, ['--sample']);
    people.splice(
      ...([0, people.length] as const),
      await whistler(served.address, 'maren', 440, 'red'),
      await whistler(served.address, 'ilse', 880),
      await whistler(served.address, null, 1320, 'green'),
    );
  });
  test.afterAll(async () => {
    for (const { browser } of people) await browser.close();
    await served.end();
    await mailIn.close();
  });

  test('a guest waits, is let in, hears and is heard, is seen, comes back after the page was loaded anew, and is removed', async () => {
    const [maren, ilse, guest] = people;
    if (!maren || !ilse || !guest) throw new Error('Somebody is missing.');
    await maren.office.call('201');
    await ilse.office.answer().click();
    await hears(maren, ilse);
    await maren.office.act('Meeting').click();
    await maren.page.getByRole('button', { name: 'People', exact: true }).click();
    await maren.office.sheet().getByRole('button', { name: 'Invite by a link …' }).click();
    await maren.office.sheet().getByRole('button', { name: 'Make the link' }).click();
    const link = await maren.office.sheet().getByText(/^http/).innerText();
    const mailTo = maren.office.sheet().getByRole('textbox', { name: 'Mail it to' });
    await mailTo.fill('Zofia');
    await maren.office.sheet().getByRole('button', { name: 'Mail the invitation' }).click();
    await expect(maren.page.getByText('That is no mail address.')).toBeVisible();
    await mailTo.fill('zofia@kern.example');
    await maren.office.sheet().getByRole('button', { name: 'Mail the invitation' }).click();
    await expect(maren.page.getByText('The invitation is on its way to zofia@kern.example.')).toBeVisible();
    const [mail] = mailIn.of(['zofia@kern.example']);
    expect(mail?.text).toContain(link);
    const calendar = mail?.files.find(({ contentType }) => contentType === 'text/calendar');
    expect(Buffer.from(calendar?.base64 ?? '', 'base64').toString()).toContain('METHOD:REQUEST');
    await maren.office.sheet().getByRole('button', { name: 'Close' }).click();

    await guest.page.goto(`${link.slice(0, -3)}xxx`);
    await guest.page.reload();
    await guest.page.getByRole('button', { name: 'Ask to come in' }).click();
    await expect(guest.page.getByText('Type your name.')).toBeVisible();
    await guest.page.getByRole('textbox', { name: 'Your name' }).fill('Zofia Kern');
    await guest.page.getByRole('button', { name: 'Ask to come in' }).click();
    await expect(guest.page.getByText(/^This link is good no more/)).toBeVisible();

    await guest.page.goto(link);
    await guest.page.reload();
    const comes = async () => {
      await guest.page.getByRole('textbox', { name: 'Your name' }).fill('Zofia Kern');
      await guest.page.getByRole('button', { name: /^Ask (to come in|once more)/ }).click();
    };
    await comes();
    await expect(guest.page.getByRole('heading', { name: 'Waiting to be let in' })).toBeVisible();
    expect(await guest.office.axeViolations()).toEqual([]);
    // Nothing of the office is there.
    await expect(guest.page.getByText('Maren')).toHaveCount(0);
    expect(await heardBy(guest)).toEqual([]);

    await maren.page.getByRole('button', { name: 'Let in: Zofia Kern' }).click();
    await expect(guest.page.getByText('Maren Oyelaran', { exact: true })).toBeVisible();
    await hears(maren, guest);
    await hears(ilse, guest);
    await hears(guest, maren);
    await hears(guest, ilse);
    await guest.office.act('Picture').click();
    await guest.office.sheet().getByRole('button', { name: 'Show my picture' }).click();
    await sees(maren, 'Zofia Kern’s camera', 'green');
    await sees(ilse, 'Zofia Kern’s camera', 'green');
    await guest.office.act('Hand').click();
    await expect(maren.page.getByText(/hand 1/)).toBeVisible();
    // Who speaks is marked, also for whoever is not of the office.
    await expect(guest.page.getByText(/^speaks · you hear each other/)).toHaveCount(2);
    await ilse.office.act('Mute').click();
    await expect(guest.page.getByText(/^speaks · you hear each other/)).toHaveCount(1);
    await ilse.office.act('Mute').click();
    expect(await guest.office.axeViolations()).toEqual([]);

    // On the smallest phone, and on one held across, all of it is reached.
    for (const size of [
      { width: 320, height: 568 },
      { width: 844, height: 390 },
      { width: 1280, height: 800 },
      { width: 390, height: 844 },
    ]) {
      await guest.page.setViewportSize(size);
      await expect(guest.page.getByRole('button', { name: 'Leave the meeting' })).toBeVisible();
      expect(await unreachable(guest.page), `${size.width}`).toEqual([]);
    }

    // Muted they are heard by nobody, which they are told.
    await guest.office.act('Mute').click();
    await expect(guest.page.getByText('nobody hears you')).toBeVisible();
    await guest.office.act('Mute').click();
    await expect(guest.page.getByText(/^heard by Maren Oyelaran, Ilse Varga/)).toBeVisible();

    await guest.page.reload();
    await comes();
    await hears(maren, guest);
    await hears(guest, ilse);
    await expect(guest.office.act('Picture')).toHaveAttribute('aria-pressed', 'false');
    await expect(maren.page.getByRole('img', { name: 'Zofia Kern’s camera' })).toHaveCount(0);

    // The server dies and is there again: those who hear each other go on, and the guest is where they were.
    await served.kill();
    await expect(guest.page.getByText(/^The office is not reached now/)).toBeVisible();
    await served.start({}, ['--sample']);
    await expect(guest.page.getByText(/^The office is not reached now/)).toHaveCount(0);
    await hears(maren, guest);
    await hears(guest, maren);

    // Put on hold they are told so.
    await maren.page.getByRole('button', { name: /^Zofia Kern[^’]/ }).click();
    await maren.office.sheet().getByRole('button', { name: 'Hold them, with music' }).click();
    await expect(guest.page.getByText(/^You are on hold/)).toBeVisible();
    await maren.page.getByRole('button', { name: /^Zofia Kern[^’]/ }).click();
    await maren.office.sheet().getByRole('button', { name: 'Remove them from the call' }).click();
    await expect(guest.page.getByRole('heading', { name: 'It is over for you' })).toBeVisible();
    await hears(maren, ilse);

    await comes();
    await maren.page.getByRole('button', { name: 'Turn away: Zofia Kern' }).click();
    await expect(guest.page.getByRole('heading', { name: 'You were not let in' })).toBeVisible();
  });

  test('a phone outside is given a link: its owner is seen on another screen, and heard by the phone alone', async () => {
    const [maren, , guest] = people;
    if (!maren || !guest) throw new Error('Somebody is missing.');
    await maren.office.call('0191 498 0162');
    await maren.office.act('Meeting').click();
    await maren.page.getByRole('button', { name: 'People', exact: true }).click();
    await maren.office
      .sheet()
      .getByRole('button', { name: /^Send a link …/ })
      .click();
    await maren.office.sheet().getByRole('button', { name: 'Make the link' }).click();
    const link = await maren.office.sheet().getByText(/^http/).innerText();
    await maren.office.sheet().getByRole('button', { name: 'Close' }).click();
    await guest.page.goto('about:blank');
    await guest.page.goto(link);
    await guest.page.getByRole('button', { name: 'See it' }).click();
    await guest.office.act('Picture').click();
    await guest.office.sheet().getByRole('button', { name: 'Show my picture' }).click();
    const picture = maren.page.getByRole('img', { name: /’s camera$/ });
    await sees(maren, (await picture.getAttribute('aria-label')) ?? '', 'green');
    await expect(guest.office.act('Mute')).toHaveCount(0);
    expect(await heardBy(guest)).toEqual([]);
    expect(await heardBy(maren)).toEqual([]);
    await guest.page.getByRole('button', { name: 'Close it here' }).click();
    await expect(picture).toHaveCount(0);
  });
});
