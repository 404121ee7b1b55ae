// `npm run bench:meeting`: a meeting of real browsers on this machine. How soon somebody who answers hears and sees the others; and what pictures in
// mesh leave of the main threads, and of the voices.
import type { Page } from '@playwright/test';

import { ServedOffice } from '../../tests/e2e/servedOffice';
import { whistler, type Paint, type Whistler } from '../../tests/e2e/tones';
import { asTable, percentile, type Figure } from './figures';

const joins = 6;
const seconds = 15;
/** So many show themselves in mesh: four are more than two cores bear, on which all of their browsers run. */
const shown = Number(process.env['BENCH_MESH'] ?? 3);

/** What a page has of its own to be measured by. */
interface Measured {
  cendroConnections: RTCPeerConnection[];
  cendroLongTasks: number[];
}

/** From the page’s start on: every connection that it makes, and every task that keeps it from drawing for longer than 50 ms. */
function watch(): void {
  const all = window as unknown as Measured;
  all.cendroConnections = [];
  all.cendroLongTasks = [];
  window.RTCPeerConnection = new Proxy(window.RTCPeerConnection, {
    construct: (Original, [configuration]: [RTCConfiguration?]) => {
      const connection = new Original(configuration);
      all.cendroConnections.push(connection);
      return connection;
    },
  });
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) all.cendroLongTasks.push(duration);
  }).observe({ type: 'longtask' });
}

/** Milliseconds from the next tap until a voice is heard, and until a picture is seen. */
const untilHeardAndSeen = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<{ heard: number; seen: number }>((resolve) => {
        const tapped = new Promise<Event>((tap) =>
          window.addEventListener('click', tap, { capture: true, once: true }),
        );
        void tapped.then(() => {
          const began = performance.now();
          let heard: number | null = null;
          let seen: number | null = null;
          const timer = window.setInterval(() => {
            for (const element of document.querySelectorAll('audio')) {
              const { analyser } = element as HTMLAudioElement & { analyser?: AnalyserNode };
              if (!analyser || element.muted) continue;
              const samples = new Float32Array(512);
              analyser.getFloatTimeDomainData(samples);
              if (samples.some((sample) => Math.abs(sample) > 0.01)) heard ??= performance.now() - began;
            }
            for (const video of document.querySelectorAll('[aria-label$="camera"] video'))
              if ((video as HTMLVideoElement).videoWidth > 0) seen ??= performance.now() - began;
            if (heard === null || seen === null) return;
            window.clearInterval(timer);
            resolve({ heard, seen });
          }, 10);
        });
      }),
  );

/** Packets of voices that came to a page, and that were lost, in all; and tasks of more than 50 ms. */
const lookAt = ({ page }: Whistler) =>
  page.evaluate(async () => {
    const { cendroConnections, cendroLongTasks } = window as unknown as Measured;
    const counts = { received: 0, lost: 0, long: cendroLongTasks.length };
    for (const connection of cendroConnections) {
      if (connection.connectionState !== 'connected') continue;
      (await connection.getStats()).forEach(
        (each: { type: string; kind?: string; packetsReceived?: number; packetsLost?: number }) => {
          if (each.type !== 'inbound-rtp' || each.kind !== 'audio') return;
          counts.received += each.packetsReceived ?? 0;
          counts.lost += each.packetsLost ?? 0;
        },
      );
    }
    return counts;
  });

async function show({ office, page }: Whistler): Promise<void> {
  await office.act('Picture').click();
  await office.sheet().getByRole('button', { name: 'Show my picture' }).click();
  await page.getByRole('button', { name: 'Picture', exact: true, pressed: true }).waitFor();
}

async function askIn({ office, page }: Whistler, extension: string, name: string): Promise<void> {
  await page.getByRole('button', { name: /^People/ }).click();
  await office.sheet().getByRole('button', { name: 'Add somebody' }).click();
  await office.sheet().getByRole('textbox').first().fill(extension);
  await office
    .sheet()
    .getByRole('button', { name: new RegExp(name) })
    .click();
  await office
    .sheet()
    .getByRole('button', { name: /^Ask them in now/ })
    .click();
}

async function run(): Promise<Figure[]> {
  const served = new ServedOffice();
  await served.start({}, ['--sample']);
  const open = async (chair: string, hertz: number, paint: Paint) => {
    const who = await whistler(served.address, chair, hertz, paint);
    // What runs this marks functions by a helper, which no page has.
    await who.page.addInitScript('globalThis.__name = (each) => each');
    await who.page.addInitScript(watch);
    await who.page.reload();
    return who;
  };
  const maren = await open('maren', 440, 'red');
  const ilse = await open('ilse', 880, 'blue');
  const sunniva = await open('sunniva', 1320, 'green');
  const odile = shown > 3 ? await open('odile', 1_760, 'red') : null;
  const all = [maren, ilse, sunniva, ...(odile ? [odile] : [])];
  const figures: Figure[] = [];
  try {
    await maren.office.call('201');
    await ilse.office.answer().click();
    await maren.office.act('Meeting').click();
    await show(maren);
    await show(ilse);
    const [heard, seen]: number[][] = [[], []];
    for (let time = 0; time < joins; time++) {
      await askIn(maren, '216', 'Sunniva Dahl');
      await sunniva.office.answer().waitFor();
      const joined = untilHeardAndSeen(sunniva.page);
      await sunniva.office.answer().click();
      const took = await joined;
      heard?.push(took.heard);
      seen?.push(took.seen);
      await sunniva.page.getByRole('button', { name: /^Leave/ }).click();
    }
    const row = (name: string, value: number, unit: string, bound: Partial<Figure>) =>
      figures.push({ name, value: Math.round(value), unit, aim: '', ...bound });
    const aim = { aim: '< 1,500 ms', most: 1_500 };
    row('Answered, until the first voice is heard, p95', percentile(heard ?? [], 0.95), 'ms', aim);
    row('Answered, until the first picture is seen, p95', percentile(seen ?? [], 0.95), 'ms', {
      aim: 'less',
    });

    await askIn(maren, '216', 'Sunniva Dahl');
    await sunniva.office.answer().click();
    await show(sunniva);
    if (odile) {
      await askIn(maren, '203', 'Odile');
      await odile.office.answer().click();
      await show(odile);
    }
    for (const { page } of all)
      await page.waitForFunction(
        (least) =>
          [...document.querySelectorAll<HTMLVideoElement>('[aria-label$="camera"] video')].filter(
            ({ videoWidth }) => videoWidth > 0,
          ).length >= least,
        all.length - 1,
      );
    const before = await Promise.all(all.map(lookAt));
    await maren.page.waitForTimeout(seconds * 1_000);
    const after = await Promise.all(all.map(lookAt));
    const sum = (of: 'received' | 'lost' | 'long') =>
      after.reduce((total, each, at) => total + each[of] - (before[at]?.[of] ?? 0), 0);
    const packets = sum('received') + sum('lost');
    row(`${all.length} in mesh, all seen: voices lost`, (100 * sum('lost')) / packets, '%', {
      aim: '0 %',
      most: 1,
    });
    row(`${all.length} in mesh: tasks over 50 ms on all their pages in ${seconds} s`, sum('long'), '', {
      aim: '0 on two cores for one page',
    });
  } finally {
    for (const { browser } of all) await browser.close();
    await served.end();
  }
  return figures;
}

void run().then((figures) => {
  console.log(asTable(figures));
  process.exit(0);
});
