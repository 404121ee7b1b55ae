import { expect, test } from './office';
import { ServedOffice } from './servedOffice';
import { heardBy, hears, whistler, sees, showPicture, type Whistler } from './tones';

test.describe('by way of the office', () => {
  // The second goes on where the first has come to.
  test.describe.configure({ mode: 'serial' });
  const served = new ServedOffice();
  const people: Whistler[] = [];
  test.beforeAll(async () => {
    await served.start({}, ['--sample']);
    people.splice(
      ...([0, people.length] as const),
      await whistler(served.address, 'maren', 440, 'red'),
      await whistler(served.address, 'ilse', 880, 'blue'),
      await whistler(served.address, 'sunniva', 1320, 'green'),
    );
    for (const { page } of people) await page.evaluate(shareGreen);
  });
  test.afterAll(async () => {
    for (const { browser } of people) await browser.close();
    await served.end();
  });

  /** The longest that somebody has heard nothing since they were listened to, in milliseconds. */
  const listen = ({ page }: Whistler) =>
    page.evaluate(() => {
      const state = { at: performance.now(), longest: 0 };
      Object.assign(window, { silence: state });
      window.setInterval(() => {
        const isHeard = [...document.querySelectorAll('audio')].some((element) => {
          const { analyser } = element as HTMLAudioElement & { analyser?: AnalyserNode };
          const samples = new Float32Array(256);
          if (!analyser || element.muted || element.paused) return false;
          analyser.getFloatTimeDomainData(samples);
          return samples.some((sample) => Math.abs(sample) > 0.01);
        });
        const now = performance.now();
        if (isHeard) state.at = now;
        state.longest = Math.max(state.longest, now - state.at);
      }, 20);
    });
  const longestSilence = ({ page }: Whistler) =>
    page.evaluate(() => (window as unknown as { silence: { longest: number } }).silence.longest);

  test('more pictures than go from each to each come from the office, and nobody misses a word', async () => {
    const [maren, ilse, sunniva] = people;
    if (!maren || !ilse || !sunniva) throw new Error('Somebody is missing.');
    await maren.office.call('201');
    await ilse.office.answer().click();
    await hears(maren, ilse);
    await maren.office.act('Meeting').click();
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
    await hears(sunniva, maren);
    for (const who of people) await showPicture(who);
    await maren.office.act('Screen').click();
    await sees(sunniva, 'Maren Oyelaran’s screen', 'green');
    await hears(maren, ilse);
    await listen(maren);
    // The fifth.
    await ilse.office.act('Screen').click();
    await sees(sunniva, 'Ilse Varga’s screen', 'green');
    await sees(maren, 'Sunniva Dahl’s camera', 'green');
    await sees(maren, 'Ilse Varga’s camera', 'blue');
    await sees(ilse, 'Maren Oyelaran’s camera', 'red');
    for (const [who, whom] of [
      [maren, ilse],
      [maren, sunniva],
      [ilse, sunniva],
      [sunniva, maren],
    ] as const)
      await hears(who, whom);
    expect(await longestSilence(maren)).toBeLessThan(1_000);
    await expect(maren.page.getByText('speaks', { exact: true }).first()).toBeVisible();

    // Looked at larger, it comes larger.
    const widthOf = (who: Whistler, label: string) =>
      who.page
        .getByRole('img', { name: label })
        .evaluate((picture) => picture.querySelector('video')?.videoWidth);
    await expect.poll(() => widthOf(sunniva, 'Maren Oyelaran’s camera')).toBe(160);
    const dense = await sunniva.page.context().newCDPSession(sunniva.page);
    await dense.send('Emulation.setDeviceMetricsOverride', {
      ...{ width: 390, height: 844, deviceScaleFactor: 3, mobile: true },
    });
    await sunniva.page.getByRole('button', { name: 'Maren Oyelaran’s camera, large' }).click();
    await expect.poll(() => widthOf(sunniva, 'Maren Oyelaran’s camera')).toBe(320);
  });

  test('who is muted is not heard, who holds is not seen, and who loads the page anew comes back', async () => {
    const [maren, ilse, sunniva] = people;
    if (!maren || !ilse || !sunniva) throw new Error('Somebody is missing.');
    await ilse.office.act('Mute').click();
    await expect.poll(() => heardBy(maren)).not.toContainEqual(near(ilse.hertz));
    await hears(maren, sunniva);
    await ilse.office.act('Mute').click();
    await hears(maren, ilse);

    await sunniva.page.getByRole('button', { name: 'The rest' }).click();
    await sunniva.office.act('Hold').click();
    await expect(maren.page.getByRole('img', { name: 'Sunniva Dahl’s camera' })).toHaveCount(0);
    await expect.poll(() => heardBy(maren)).not.toContainEqual(near(sunniva.hertz));
    await sunniva.office.act('Talk again').click();
    await sees(maren, 'Sunniva Dahl’s camera', 'green');
    await hears(maren, sunniva);

    await ilse.page.reload();
    await expect(maren.page.getByRole('img', { name: 'Ilse Varga’s camera' })).toHaveCount(0);
    await hears(maren, ilse);
    await hears(ilse, maren);
    await sees(ilse, 'Maren Oyelaran’s camera', 'red');
    await showPicture(ilse);
    await sees(sunniva, 'Ilse Varga’s camera', 'blue');
  });

  test('when the server is killed and begun again they hear each other again by themselves', async () => {
    const [maren, ilse, sunniva] = people;
    if (!maren || !ilse || !sunniva) throw new Error('Somebody is missing.');
    await served.kill();
    await expect.poll(() => heardBy(maren)).toEqual([]);
    await served.start({}, ['--sample']);
    await hears(maren, ilse);
    await hears(ilse, sunniva);
    await sees(maren, 'Ilse Varga’s camera', 'blue');
    await sees(ilse, 'Sunniva Dahl’s camera', 'green');
  });
});

/** A pitch as one is heard of that many hertz. */
const near = (hertz: number) => expect.closeTo(hertz, -1.5);

/** In the page: its screen is green all over, with something in it that moves. */
function shareGreen(): void {
  navigator.mediaDevices.getDisplayMedia = async () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 640, height: 360 });
    const context = canvas.getContext('2d');
    let at = 0;
    window.setInterval(() => {
      if (!context) return;
      context.fillStyle = 'rgb(0, 160, 0)';
      context.fillRect(0, 0, 640, 360);
      context.fillStyle = 'white';
      context.fillRect((at += 8) % 600, 300, 40, 40);
    }, 100);
    return canvas.captureStream(10);
  };
}
