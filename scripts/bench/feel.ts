import type { Browser, Locator, Page } from '@playwright/test';

import { Office } from '../../tests/e2e/office';
import { newPage } from './browser';
import { percentile, type Figure } from './figures';

/** A tap, or a key, of somebody at work, and what it is done to. The list is one that can be gone through again and again. */
interface Touch {
  name: string;
  on: (office: Office, page: Page) => Locator;
  /** A key in that field, in the place of a tap. */
  key?: string;
  /** What has to be so before; not measured. */
  before?: (office: Office, page: Page) => Promise<void>;
}

const named =
  (name: string | RegExp, exact = typeof name === 'string') =>
  (_: Office, page: Page) =>
    page.getByRole('button', { name, exact }).first();
const place = (name: string) => (_: Office, page: Page) =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name });
const inSheet = (name: string | RegExp) => (office: Office) =>
  office.sheet().getByRole('button', { name }).first();
const act = (word: string) => (office: Office) => office.act(word);
const waiting = (_: Office, page: Page) => page.getByRole('list', { name: /^Who waits/ });
const goToLoose = async (office: Office) => office.goTo('Loose ends');
/** A call comes in while the worker looks at who waits: Outside, where it is made, is not what they have under it. */
const calledAtLoose =
  (...call: Parameters<Office['callIn']>) =>
  async (office: Office, page: Page) => {
    await goToLoose(office);
    await painted(page);
    await office.callIn(...call);
    await office.refuse().waitFor();
    // Outside is opened from the office.
    await page.evaluate(() => window.history.go(-2));
    await page.waitForFunction(() => window.location.pathname === '/');
  };

/** The thirty-odd commonest, in the order of a morning. */
const touches: readonly Touch[] = [
  { name: 'Place: Office', on: place('Office'), before: goToLoose },
  { name: 'Place: Directory', on: place('Directory') },
  { name: 'Place: Ring plan', on: place('Ring plan') },
  { name: 'Place: Dial', on: place('Dial') },
  { name: 'A digit on Dial', on: named(/^5/) },
  {
    name: 'First letter on Dial',
    on: (_, page) => page.getByRole('textbox', { name: 'Number, extension or name' }),
    key: 'p',
    before: async (_, page) => page.getByRole('textbox', { name: 'Number, extension or name' }).fill(''),
  },
  { name: 'Place: Loose ends', on: place('Loose ends') },
  { name: 'Everything', on: (_, page) => page.getByRole('link', { name: 'Everything' }) },
  {
    name: 'First letter of the history search',
    on: (_, page) => page.getByRole('textbox', { name: /^Find words/ }),
    key: 'g',
  },
  {
    name: 'An entry of the history',
    on: (office) => office.newestOf('Skerrow Harbour'),
    before: async (_, page) => page.getByRole('textbox', { name: /^Find words/ }).fill(''),
  },
  {
    name: 'Rooms',
    on: (_, page) => page.getByRole('link', { name: 'Rooms' }),
    before: goToLoose,
  },
  { name: 'A room', on: named(/^Cawder/) },
  {
    name: 'A message sent in a room',
    on: named('Send'),
    before: async (_, page) => page.getByRole('textbox').last().fill('The gate is open.'),
  },
  {
    name: 'A person',
    on: (office, page) => waiting(office, page).getByRole('button', { name: /^Peg Anstey/ }),
    before: goToLoose,
  },
  {
    name: 'A text sent',
    on: named('Send'),
    before: async (_, page) => page.getByRole('textbox', { name: /^Text to/ }).fill('I come at noon.'),
  },
  { name: 'A voicemail played', on: named(/^Play/, false) },
  { name: 'Done in a row of loose ends', on: named(/^Done/), before: goToLoose },
  { name: 'Undo', on: named(/^Undo/) },
  {
    name: 'Call in a row of loose ends',
    on: (office, page) => waiting(office, page).getByRole('button', { name: /^Call .*Skerrow/ }),
  },
  { name: 'Stop calling', on: (office) => office.stopCalling() },
  {
    name: 'Refuse',
    on: (office) => office.refuse(),
    before: calledAtLoose('Bexhollow Reservoir', 'Field service'),
  },
  {
    name: 'Answer',
    on: (office) => office.answer(),
    before: calledAtLoose('Hallin Rigg Fell Race', 'Direct'),
  },
  { name: 'Mute', on: act('Mute') },
  { name: 'Keys', on: act('Keys') },
  { name: 'A digit in a call', on: named(/^5/) },
  {
    name: 'Hold',
    on: act('Hold'),
    before: async (office) => {
      await office.act('Keys').click();
      await office.act('Mute').click();
    },
  },
  { name: 'Talk again', on: named('Talk again') },
  { name: 'Note', on: act('Note') },
  { name: 'A sheet closed', on: inSheet('Close') },
  { name: 'Transfer', on: act('Transfer') },
  { name: 'Whom to transfer to', on: inSheet(/Ilse Varga/) },
  { name: 'Talk first', on: inSheet('Talk first') },
  {
    name: 'Connect, leave',
    on: named(/^Connect/),
    before: async (office) => office.passAndReturn('5 s', 2),
  },
  {
    name: 'Park',
    on: act('Park'),
    before: async (office, page) => {
      await office.goOutside();
      // The phones outside are drawn after what the worker sees; whoever still talks would be busy the second time.
      await painted(page);
      const hangUp = page.getByRole('button', { name: /: Hang up$/ });
      while ((await hangUp.count()) > 0) {
        await hangUp.first().click();
        await painted(page);
      }
      await office.callIn('Skerrow Harbour', 'Direct');
      await office.answer().click();
    },
  },
  { name: 'Taken back from its slot', on: named(/^Take .* from slot/) },
  { name: 'End', on: (office) => office.end() },
];

/** The first shows what has to be fetched and drawn anew; of the later ones the median counts. */
const rounds = 4;

/** Milliseconds from each touch to the next paint, by the Event Timing API, at a phone's size and slowed down four times. */
export async function feel(browser: Browser, address: string): Promise<Figure[]> {
  const page = await newPage(browser, address);
  const office = new Office(page);
  await page.addInitScript(watchEvents);
  await office.open('/');
  await waiting(office, page).getByRole('listitem').first().waitFor();
  await page.waitForLoadState('networkidle');
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const took: Record<string, number[]> = {};
  const yardsticks = [await yardstick(page)];
  for (let round = 0; round < rounds; round++) {
    for (const touch of touches) (took[touch.name] ??= []).push(await measured(office, page, touch));
    yardsticks.push(await yardstick(page));
  }
  await page.context().close();
  const machine: Figure = {
    name: 'This machine, slowed down: the same piece of work in every run',
    value: Math.round(percentile(yardsticks, 0.5)),
    unit: 'ms',
    aim: 'for comparison',
  };
  const figures = touches.flatMap(({ name }): Figure[] => {
    const [first = NaN, ...later] = took[name] ?? [];
    return [
      { name: `${name}, the first time`, value: first, unit: 'ms', aim: 'under 200', most: 199 },
      { name: `${name}, later`, value: percentile(later, 0.5), unit: 'ms', aim: 'under 150', most: 149 },
    ];
  });
  return [machine, ...figures];
}

/** Milliseconds of a fixed piece of work in the page: by it runs on different days are compared. */
const yardstick = (page: Page) =>
  page.evaluate(() => {
    const began = performance.now();
    const seen = new Map<number, string>();
    for (let number = 0; number < 200_000; number++)
      seen.set((number * 2_654_435_761) % 65_536, String(number));
    return performance.now() - began;
  });

async function measured(office: Office, page: Page, { on, key, before }: Touch): Promise<number> {
  await before?.(office, page);
  const target = on(office, page);
  await target.waitFor();
  if (key !== undefined) await target.focus();
  // What was done before is painted, so that only this touch is measured.
  await painted(page);
  await page.evaluate(() => (window as unknown as Watched).touchMs.splice(0));
  if (key === undefined) await target.click();
  else await target.press(key);
  await painted(page);
  return page.evaluate(() => Math.max(0, ...(window as unknown as Watched).touchMs));
}

interface Watched {
  touchMs: number[];
}

/** In the page: keeps how long each event took to its next paint. Those under 16 ms are not told, and count as none. */
function watchEvents(): void {
  const watched = window as unknown as Watched;
  watched.touchMs = [];
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) watched.touchMs.push(entry.duration);
  }).observe({ type: 'event', durationThreshold: 16, buffered: true } as PerformanceObserverInit);
}

/** Once the page has painted, and has had nothing to do for a while; the observer is told after the paint. */
const painted = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        let quiet = 0;
        const look = (deadline: IdleDeadline) => {
          quiet = deadline.timeRemaining() > 5 ? quiet + 1 : 0;
          if (quiet > 5) resolve();
          else requestAnimationFrame(() => requestIdleCallback(look));
        };
        requestAnimationFrame(() => requestIdleCallback(look));
      }),
  );
