import AxeBuilder from 'axe-core';
import { expect, test as base, type Page, type TestInfo } from '@playwright/test';

import { walkByKeys } from './byKeys';

/** The sample's fixed moment: a Thursday, 10:40. */
export const sampleNow = '2026-11-26T10:40:00Z';

const pathOf = {
  'Loose ends': '/',
  Dial: '/dial',
  'Ring plan': '/plan',
  Directory: '/directory',
  Office: '/office',
};

/** Ways through the app as a person would go them. */
export class Office {
  constructor(readonly page: Page) {}

  async open(path = '/', now = sampleNow) {
    await this.page.goto(`${path}?now=${now}`);
    await expect(this.page.getByRole('heading').first()).not.toHaveText('Starting');
    await expect(this.page.getByRole('navigation', { name: 'Places' }).or(this.answer())).toBeVisible();
  }

  async goTo(place: keyof typeof pathOf) {
    const link = this.page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place });
    // A tap in the very moment in which a call changes the screen does not count.
    await expect(async () => {
      await link.click();
      await expect(link).toHaveAttribute('aria-current', 'page', { timeout: 1_000 });
      // The mark comes before the screen.
      await this.page.waitForURL(({ pathname }) => pathname === pathOf[place], { timeout: 5_000 });
    }).toPass();
  }

  async goOutside() {
    await this.goTo('Office');
    await this.page.getByRole('button', { name: 'Go outside' }).click();
    await expect(this.page.getByRole('region', { name: 'Call in' })).toBeVisible();
  }

  /** Dials an extension, with nobody's help. */
  async call(extension: string) {
    await this.goTo('Dial');
    await this.page.getByRole('textbox', { name: 'Number, extension or name' }).fill(extension);
    await this.page.getByRole('button', { name: /^Call/ }).last().click();
  }

  async goToEverything() {
    await this.goTo('Loose ends');
    await this.page.getByRole('link', { name: 'Everything' }).click();
    await expect(this.page.getByRole('region', { name: 'History' })).toBeVisible();
  }

  /** Lets somebody call in; from anywhere but a ringing screen. */
  async callIn(caller: string, line = 'Field service') {
    await this.goOutside();
    await this.ring(caller, line);
  }

  /** The same where Outside is open already. */
  async ring(caller: string, line: string) {
    await this.page
      .getByRole('radiogroup', { name: 'Line to call' })
      .getByRole('radio', { name: line })
      .click();
    await this.page.getByRole('radiogroup', { name: 'Caller' }).getByRole('radio', { name: caller }).click();
    await this.page.getByRole('button', { name: new RegExp(`^Ring ${line} as`) }).click();
  }

  /** Moves the clock on; the page must not be covered by a call. */
  async letPass(step: '5 s' | '30 s' | '5 min' | '1 h') {
    await this.page.getByRole('button', { name: `${step} on`, exact: true }).click();
  }

  /** The same by another tab, for one that is busy. */
  async letPassElsewhere(...steps: ('5 s' | '30 s' | '5 min' | '1 h')[]) {
    const elsewhere = new Office(await this.page.context().newPage());
    // Where whoever calls covers nothing.
    await elsewhere.page.setViewportSize({ width: 1280, height: 800 });
    await elsewhere.page.goto('/outside');
    for (const step of steps) await elsewhere.letPass(step);
    await elsewhere.page.close();
  }

  async dial(text: string) {
    await this.goTo('Dial');
    await this.page.getByRole('textbox', { name: 'Number, extension or name' }).fill(text);
    await this.page
      .getByRole('button', { name: /^Call .*/ })
      .last()
      .click();
    await expect(this.stopCalling().or(this.end())).toBeVisible();
  }

  /** What the app makes its loudspeaker play, as the screen says it. */
  youHear(text: string | RegExp) {
    // What is hidden behind a locked device shows the same.
    return this.page.getByText(text).filter({ visible: true });
  }

  answer = () => this.page.getByRole('button', { name: 'Answer', exact: true });
  refuse = () => this.page.getByRole('button', { name: 'Refuse', exact: true });
  end = () => this.page.getByRole('button', { name: /^End with/ });
  stopCalling = () => this.page.getByRole('button', { name: 'Stop calling' });
  /** The way back to a call that goes on; a wide window has its cords at the side instead. */
  toTheCall = () =>
    this.page.getByRole('button', { name: /Back to call$/ }).or(
      this.page
        .getByRole('complementary', { name: 'Live calls and team' })
        .getByRole('button', { name: /^Cords of/ })
        .last(),
    );

  /** An act of the call that is shown, as a word under the cords. */
  act = (word: string) =>
    this.page
      .getByRole('group', { name: /^(My sound|Meeting|This call|Keep)$/ })
      .getByRole('button', { name: word, exact: true });

  /** What lies open over the screen. */
  sheet = () => this.page.getByRole('dialog');

  /** A phone that is in a call, as Outside shows it. */
  phone = (name: string) => this.page.getByRole('group', { name, exact: true });

  /** Lets time pass while the call goes on, and comes back to it. */
  async passAndReturn(step: '5 s' | '30 s', times: number) {
    await this.goOutside();
    for (let time = 0; time < times; time++) await this.letPass(step);
    await this.toTheCall().click();
  }

  /** Peg Anstey calls the direct line, and is answered here. */
  async talkWithPeg() {
    await this.open('/outside');
    await this.callIn('Peg Anstey', 'Direct');
    await this.answer().click();
    await expect(this.youHear('You hear Peg Anstey')).toBeVisible();
  }

  /** Opens the sheet for whom the call is to go to, and chooses a colleague there. */
  async chooseTarget(act: 'Transfer' | 'Add', name: string) {
    await this.act(act).click();
    await this.sheet()
      .getByRole('button', { name: new RegExp(name) })
      .click();
  }

  async consult(name: string) {
    await this.chooseTarget('Transfer', name);
    await this.sheet().getByRole('button', { name: 'Talk first' }).click();
  }

  /** Talks with Ilse, while Peg, who called, is put aside. */
  async talkWithIlseAboutPeg() {
    await this.talkWithPeg();
    await this.consult('Ilse Varga');
    await this.passAndReturn('5 s', 2);
  }

  /** Peg and Ilse are in a meeting with the worker, Ilse with her picture. */
  async meetWithIlse() {
    await this.talkWithPeg();
    await this.act('Meeting').click();
    await this.act('People').click();
    await this.sheet().getByRole('button', { name: 'Add somebody' }).click();
    await this.sheet()
      .getByRole('button', { name: /Ilse Varga/ })
      .click();
    await this.sheet()
      .getByRole('button', { name: /^Ask them in now/ })
      .click();
    await this.letPassElsewhere('5 s', '5 s');
    await expect(this.youHear('You hear Peg Anstey and Ilse Varga')).toBeVisible();
  }

  /** Dials as somebody else of the office. */
  async callFromPhone(phone: string, to: string) {
    await this.page
      .getByRole('radiogroup', { name: 'Phone to call from' })
      .getByRole('radio', { name: phone })
      .click();
    await this.page.getByRole('textbox', { name: 'Number to call' }).fill(to);
    await this.page.getByRole('button', { name: /^Call .* from/ }).click();
  }

  /** The newest entry of the history that is about somebody. */
  newestOf = (name: string) =>
    this.page
      .getByRole('region', { name: 'History' })
      .getByRole('button', { name: new RegExp(name) })
      .first();

  /** The newest entry of the history. */
  newest = () => this.page.getByRole('region', { name: 'History' }).getByRole('listitem').nth(1);

  /** Rules that axe finds broken on the screen as it stands. */
  async axeViolations(): Promise<string[]> {
    await this.page.evaluate(AxeBuilder.source);
    return this.page.evaluate(async () => {
      const { axe } = window as unknown as { axe: typeof AxeBuilder };
      const { violations } = await axe.run(document, { resultTypes: ['violations'] });
      return violations.map(
        ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
      );
    });
  }
}

/** Has something run in the worker that hosts the office, before all else. */
export async function beforeTheOffice(page: Page, run: string): Promise<void> {
  await page.route(/\/office-[0-9a-f]+\.js$/, async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, body: `${run}\n${await response.text()}` });
  });
}

/** A test that takes the network away expects that something can't be fetched. */
const isOfflineError = (text: string) => text.includes('ERR_INTERNET_DISCONNECTED');

/** What a test taps with. */
export type Hand = 'thumb' | 'keys';

/** The end of a way in the walk: nothing is wrong with the screen it came to, and there is a picture of it. */
async function lookAt(office: Office, { project, titlePath, file, line }: TestInfo) {
  const name = `${file.split('/').at(-1)?.split('.')[0] ?? ''}-${line} ${titlePath.at(-1) ?? ''}`;
  await office.page.screenshot({
    path: `test-results/walk/${project.name}/${name.replaceAll('/', ' ')}.png`,
  });
  const wider = await office.page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect.soft(wider, 'wider than the window').toBeLessThanOrEqual(0);
  expect.soft(await office.axeViolations(), 'axe').toEqual([]);
}

/** Every test fails on an error in the page's console, a policy violation among them. */
export const test = base.extend<{ office: Office; hand: Hand; isLookedAt: boolean }>({
  hand: ['thumb', { option: true }],
  isLookedAt: [false, { option: true }],
  office: async ({ page, hand, isLookedAt }, provide, info) => {
    const errors: string[] = [];
    page.on(
      'console',
      (message) =>
        message.type() === 'error' &&
        !isOfflineError(message.text()) &&
        errors.push(`${message.text()} (${message.location().url})`),
    );
    page.on('pageerror', (error) => errors.push(error.message));
    const office = new Office(page);
    const stopKeys = hand === 'keys' ? walkByKeys(page) : () => undefined;
    await provide(office);
    stopKeys();
    if (isLookedAt && !page.isClosed()) await lookAt(office, info);
    expect(errors).toEqual([]);
  },
});

export { expect };
