import { expect, test } from './office';
import { ServedOffice } from './servedOffice';
import { hears, whistler, sees, showPicture, type Whistler } from './tones';

test('alone in the demo: a call becomes a meeting; Ilse comes with her picture, the customer stays as sound', async ({
  office,
  page,
}) => {
  await office.meetWithIlse();
  await expect(page.getByRole('button', { name: /Peg Anstey .*sound only/ })).toBeVisible();
  const picture = page.getByRole('img', { name: 'Ilse Varga’s camera' });
  await expect(picture).toBeVisible();
  await expect
    .poll(() => picture.locator('video').evaluate((video: HTMLVideoElement) => video.videoWidth))
    .toBe(480);
  await expect(picture.getByText(/On its way|Stands still/)).toHaveCount(0);
  // Peg called the worker, whoever was asked in since.
  await expect(page.getByText('For Ilse Varga')).toHaveCount(0);
  expect(await office.axeViolations()).toEqual([]);
  // In its original size; what is chosen there is of a browser with windows for pictures.
  await page.getByRole('button', { name: 'Sizes: Ilse Varga’s camera' }).click();
  await expect(office.sheet().getByText('480 by 270 points, each as it is sent here.')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  // In a window of its own, which goes with the picture.
  await office.sheet().getByRole('button', { name: 'In a window of its own' }).click();
  await expect(office.sheet()).toHaveCount(0);
  const own = () =>
    page.evaluate(() => {
      const { documentPictureInPicture } = window as unknown as {
        documentPictureInPicture: { window: Window | null };
      };
      const there = documentPictureInPicture.window?.document;
      return there ? [there.body.innerText, there.querySelector('video')?.videoWidth] : null;
    });
  await expect.poll(own).toEqual(['Ilse Varga’s camera', 480]);
  // Put on hold she neither hears nor is seen.
  await page.getByRole('button', { name: 'The rest' }).click();
  await office.act('Hold').click();
  await expect(picture).toHaveCount(0);
  await expect.poll(own).toBeNull();
  await office.act('Talk again').click();
  await expect(picture).toBeVisible();
});

test('alone in the demo: the customer is texted the link and is seen; a guest comes by another one and is let in', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.act('Meeting').click();
  await office.act('People').click();
  await office.sheet().getByRole('button', { name: 'Send a link …: Peg Anstey' }).click();
  expect(await office.axeViolations()).toEqual([]);
  await office
    .sheet()
    .getByRole('button', { name: /^Text it to/ })
    .click();
  await expect(page.getByText(/^The link is on its way to Peg/)).toBeVisible();
  await office.letPassElsewhere('5 s', '5 s');
  await expect(page.getByRole('img', { name: 'Peg Anstey’s camera' })).toBeVisible();
  await office.act('People').click();
  await office.sheet().getByRole('button', { name: 'Invite by a link …' }).click();
  await office.sheet().getByRole('button', { name: 'Make the link' }).click();
  await expect(office.sheet().getByRole('img', { name: /as a code to photograph/ })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await office.letPassElsewhere('5 s');
  await expect(page.getByText('Zofia Kern wants to come in', { exact: true })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Let in: Zofia Kern' }).click();
  await expect(office.youHear('You hear Peg Anstey and Zofia Kern')).toBeVisible();
  await office.letPassElsewhere('5 s');
  await expect(page.getByRole('button', { name: 'Zofia Kern’s camera, large' })).toBeVisible();
});

test('hands are raised in their order; a host lowers them, lets nobody in, and puts the minutes into a room', async ({
  office,
  page,
}) => {
  await office.meetWithIlse();
  await office.act('Hand').click();
  await expect(office.act('Hand')).toHaveAttribute('aria-pressed', 'true');
  await office.act('React').click();
  await office.sheet().getByRole('button', { name: 'Well done' }).click();
  await page.getByRole('button', { name: 'People 1' }).click();
  const people = office.sheet().getByRole('list', { name: 'People' }).getByRole('listitem');
  await expect(people.first()).toContainText('You“well done” · hand 1 · host');
  await office.sheet().getByRole('button', { name: 'Lower hand: You' }).click();
  await expect(people.first()).toContainText('You“well done” · host');
  await office.sheet().getByRole('button', { name: 'Let nobody else in' }).click();
  await expect(office.sheet().getByRole('button', { name: 'Add somebody' })).toHaveCount(0);
  await office.sheet().getByRole('button', { name: 'Let people in again' }).click();
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Minutes into a room …' }).click();
  await office.sheet().getByRole('button', { name: 'Minutes into Cawder gauges' }).click();
  await expect(page.getByText('The minutes are in Cawder gauges.')).toBeVisible();
  await page.getByRole('button', { name: /^People/ }).click();
  await office.sheet().getByRole('button', { name: 'End it for everybody' }).click();
  await expect(page.getByRole('button', { name: /^Leave/ })).toHaveCount(0);
  await page.goto('/rooms/cawder');
  await expect(page.getByText(/There: .*Peg Anstey .*, by phone.*Ilse Varga/s)).toBeVisible();
});

test('without a camera that is said where it is asked for, and everybody is heard as before', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await office.act('Meeting').click();
  await page.evaluate(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('', 'NotAllowedError'));
  });
  await office.act('Picture').click();
  await expect(office.sheet().getByText(/^The camera was refused/)).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Close' }).click();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
});

test('what is behind somebody can’t be hidden where what it takes can’t be fetched: said before anybody sees them', async ({
  office,
  page,
}) => {
  await page.context().grantPermissions(['camera', 'microphone']);
  await page.route('**/segmenter/**', (route) => route.abort());
  await office.talkWithPeg();
  await office.act('Meeting').click();
  await office.act('Picture').click();
  await office.sheet().getByRole('radio', { name: 'Blurred' }).click();
  await expect(office.sheet().getByText(/^What is behind you can’t be hidden/)).toBeVisible();
  await expect(office.sheet().getByRole('radio', { name: 'As it is' })).toHaveAttribute(
    'aria-checked',
    'true',
  );
  expect(await office.axeViolations()).toEqual([]);
  await office.sheet().getByRole('button', { name: 'Show my picture' }).click();
  await expect(office.act('Picture')).toHaveAttribute('aria-pressed', 'true');
});

const songHertz = 2_000;

/** In the place of what a browser lets somebody choose: a sheet with a song, louder than any voice. */
function shareASong(hertz: number): void {
  navigator.mediaDevices.getDisplayMedia = async () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 1_600, height: 900 });
    const brush = canvas.getContext('2d');
    window.setInterval(() => {
      if (brush) brush.fillStyle = brush.fillStyle === '#ffffff' ? '#eeeeee' : '#ffffff';
      brush?.fillRect(0, 0, 1_600, 900);
    }, 100);
    const context = new AudioContext();
    const out = context.createMediaStreamDestination();
    const song = new OscillatorNode(context, { frequency: hertz });
    song.connect(out);
    song.start();
    return new MediaStream([...canvas.captureStream().getTracks(), ...out.stream.getTracks()]);
  };
}

/** Goes on once so much of a recording has been made: what is recorded takes its time. */
async function lasts(ms: number): Promise<void> {
  const begun = performance.now();
  await expect.poll(() => performance.now() - begun).toBeGreaterThan(ms);
}

test.describe('from browser to browser', () => {
  const served = new ServedOffice();
  const people: Whistler[] = [];
  test.beforeAll(async () => {
    await served.start({}, ['--sample']);
    people.push(
      await whistler(served.address, 'maren', 440, 'red'),
      await whistler(served.address, 'ilse', 880, 'blue'),
      await whistler(served.address, 'sunniva', 1320, 'green'),
    );
  });
  test.afterAll(async () => {
    for (const { browser } of people) await browser.close();
    await served.end();
  });

  test('pictures are seen by who is in the meeting and by nobody else; who leaves and comes back is seen again', async () => {
    const [maren, ilse, sunniva] = people;
    if (!maren || !ilse || !sunniva) throw new Error('Somebody is missing.');
    await maren.office.call('201');
    await ilse.office.answer().click();
    await hears(maren, ilse);
    await maren.office.act('Meeting').click();
    await showPicture(maren);
    await sees(ilse, 'Maren Oyelaran’s camera', 'red');
    await showPicture(ilse);
    await sees(maren, 'Ilse Varga’s camera', 'blue');
    await hears(ilse, maren);
    // Who speaks is marked; who is muted does not.
    await expect(maren.page.getByText('speaks', { exact: true })).toBeVisible();
    await ilse.office.act('Mute').click();
    await expect(maren.page.getByText('speaks', { exact: true })).toHaveCount(0);
    await ilse.office.act('Mute').click();
    await expect(maren.page.getByText('speaks', { exact: true })).toBeVisible();

    // Whoever comes later sees those who are shown, and is seen.
    await maren.page.getByRole('button', { name: 'People', exact: true }).click();
    await maren.office.sheet().getByRole('button', { name: 'Add somebody' }).click();
    await maren.office.sheet().getByRole('textbox').first().fill('216');
    await maren.office
      .sheet()
      .getByRole('button', { name: /Sunniva Dahl/ })
      .click();
    await maren.office
      .sheet()
      .getByRole('button', { name: /^Ask them in now/ })
      .click();
    await sunniva.office.answer().click();
    await showPicture(sunniva);
    await sees(sunniva, 'Ilse Varga’s camera', 'blue');
    await sees(ilse, 'Sunniva Dahl’s camera', 'green');
    await sees(maren, 'Sunniva Dahl’s camera', 'green');

    // The page loaded anew shows nothing until it is asked to, and nobody thinks that it does.
    await ilse.page.reload();
    await expect(ilse.office.act('Picture')).toHaveAttribute('aria-pressed', 'false');
    await expect(maren.page.getByRole('img', { name: 'Ilse Varga’s camera' })).toHaveCount(0);
    await hears(maren, ilse);
    await showPicture(ilse);
    await sees(maren, 'Ilse Varga’s camera', 'blue');

    // Held, one is neither heard nor seen.
    await ilse.page.getByRole('button', { name: 'The rest' }).click();
    await ilse.office.act('Hold').click();
    await expect(maren.page.getByRole('img', { name: 'Ilse Varga’s camera' })).toHaveCount(0);
    await expect(maren.page.getByRole('img', { name: 'Sunniva Dahl’s camera' })).toBeVisible();
    await ilse.office.act('Talk again').click();
    await sees(maren, 'Ilse Varga’s camera', 'blue');

    // What is behind somebody is hidden before anybody sees it: of a sheet of red paper nothing is left.
    await maren.office.act('Picture').click();
    await expect(ilse.page.getByRole('img', { name: 'Maren Oyelaran’s camera' })).toHaveCount(0);
    await showPicture(maren, 'Plain');
    await sees(ilse, 'Maren Oyelaran’s camera', 'green');

    // What is shared is heard where it has a sound, with the voice of whoever shares it; and is seen in its original size.
    await sunniva.page.evaluate(shareASong, songHertz);
    await sunniva.office.act('Screen').click();
    await expect(sunniva.page.getByText(/^What you share is heard as well/)).toBeVisible();
    await hears(maren, { hertz: songHertz });
    await hears(ilse, { hertz: songHertz });
    await maren.page.getByRole('button', { name: 'Sizes: Sunniva Dahl’s screen' }).click();
    // How large it is sent is as the network and this machine bear it.
    await expect(
      maren.office.sheet().getByText(/^\d+ by \d+ points, each as it is sent here\.$/),
    ).toBeVisible();
    expect(await maren.office.axeViolations()).toEqual([]);
    await maren.office.sheet().getByRole('button', { name: 'Close' }).click();
    await sunniva.office.act('Screen').click();
    await hears(maren, sunniva);

    // What is recorded is marked with who speaks: Ilse alone, then Maren alone.
    await sunniva.office.act('Mute').click();
    await maren.office.act('Mute').click();
    await maren.page.getByRole('button', { name: 'The rest' }).click();
    await maren.office.act('Record').click();
    await lasts(3_000);
    await ilse.office.act('Mute').click();
    await maren.office.act('Mute').click();
    await lasts(3_000);

    await maren.page.getByRole('button', { name: 'People', exact: true }).click();
    await maren.office.sheet().getByRole('button', { name: 'End it for everybody' }).click();
    await expect(ilse.page.getByRole('button', { name: /^Leave/ })).toHaveCount(0);
    await maren.page.getByRole('button', { name: 'Done', exact: true }).click();
    await maren.page.goto(`${served.address}/everything`);
    await maren.office.newestOf('Ilse Varga').click();
    const chapters = maren.page.getByRole('list', { name: 'Places in the recording' }).getByRole('button');
    await expect(chapters.nth(0)).toContainText('Ilse Varga');
    await expect(chapters.nth(1)).toContainText('Maren Oyelaran');
    await chapters.nth(1).click();
    await expect(chapters.nth(1)).toHaveAttribute('aria-current', 'true');
    expect(await maren.office.axeViolations()).toEqual([]);
  });
});
