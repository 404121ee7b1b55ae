import { expect, test } from './office';
import { ServedOffice } from './servedOffice';
import { heardBy, hears, paintOf, whistler, type Whistler } from './tones';

test.describe('by way of the office', () => {
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
    for (const { page } of people) {
      page.on('console', (m) => console.log('page', m.text()));
      await page.evaluate(() => {
        const Real = RTCPeerConnection;
        (window as any).peers = [];
        (window as any).RTCPeerConnection = function (c: any) {
          const p = new Real(c);
          (window as any).peers.push(p);
          return p;
        };
      });
    }
    for (const { page } of people)
      // A screen that is green all over, with something in it that moves.
      await page.evaluate(() => {
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
      });
  });
  test.afterAll(async () => {
    for (const { browser } of people) await browser.close();
    await served.end();
  });

  const showPicture = async ({ office }: Whistler) => {
    await office.act('Picture').click();
    await office.sheet().getByRole('button', { name: 'Show my picture' }).click();
    await expect(office.act('Picture')).toHaveAttribute('aria-pressed', 'true');
  };
  const sees = (who: Whistler, label: string, paint: string | null) =>
    expect.poll(() => paintOf(who, label)).toBe(paint);
  /** How many connections a page has open now. */
  const connections = ({ page }: Whistler) =>
    page.evaluate(
      () =>
        (window as unknown as { peers: RTCPeerConnection[] }).peers.filter(
          ({ connectionState }) => connectionState !== 'closed',
        ).length,
    );

  test('more pictures than go from each to each come from the office, and every voice goes on', async () => {
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
    await sees(ilse, 'Maren Oyelaran’s camera', 'red');
    await maren.office.act('Screen').click();
    await sees(sunniva, 'Maren Oyelaran’s screen', 'green');
    // The fifth.
    await ilse.office.act('Screen').click();
    await maren.page.waitForTimeout(6000);
    await sunniva.page.screenshot({ path: '/tmp/zz_s.png' });
    for (const w of people)
      console.log(
        w.hertz,
        await w.page.evaluate(() =>
          (window as any).peers?.map((p: any) =>
            [p.connectionState, p.signalingState, p.getTransceivers().length].join(' '),
          ),
        ),
        await w.page.evaluate(() =>
          [...document.querySelectorAll('video')].map((v) =>
            [v.closest('[aria-label]')?.getAttribute('aria-label'), v.videoWidth].join(),
          ),
        ),
      );
    await sees(sunniva, 'Ilse Varga’s screen', 'green');
    await sees(maren, 'Ilse Varga’s screen', 'green');
    await sees(maren, 'Sunniva Dahl’s camera', 'green');
    await sees(ilse, 'Maren Oyelaran’s camera', 'red');
    await hears(maren, ilse);
    await hears(maren, sunniva);
    await hears(ilse, sunniva);
    await hears(sunniva, maren);
  });
});
