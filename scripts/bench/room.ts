import type { Browser, Page } from '@playwright/test';

import { Office, sampleNow } from '../../tests/e2e/office';
import { newPage } from './browser';
import { percentile, type Figure } from './figures';

const count = 10_000;
/** So often each is done; the median counts. */
const times = 7;

/** A room of very many messages: how soon its newest lines are there, and how soon one's own line is. */
export async function roomWithMany(browser: Browser, address: string): Promise<Figure[]> {
  const page = await newPage(browser, address);
  const office = new Office(page);
  await office.open('/rooms');
  await page.getByRole('button', { name: /^Cawder/ }).waitFor();
  await page.waitForLoadState('networkidle');
  await fillRoom(page, count);
  await office.open('/rooms');
  const row = page.getByRole('button', { name: /^Cawder/ });
  await row.getByText(`Line ${count - 1}`).waitFor({ timeout: 60_000 });
  await page.waitForLoadState('networkidle');
  const opened: number[] = [];
  const sent: number[] = [];
  let newest = `Line ${count - 1}`;
  for (let time = 1; time <= times; time++) {
    opened.push(await untilText(page, /^Cawder/, newest));
    newest = `The gate is open, ${time}.`;
    await page.getByRole('textbox').last().fill(newest);
    await page.waitForLoadState('networkidle');
    sent.push(await untilText(page, /^Send$/, newest));
    await office.goTo('Loose ends');
    await page.getByRole('link', { name: 'Rooms' }).click();
    await row.getByText(newest).waitFor();
  }
  await page.context().close();
  return [
    {
      name: 'A room of 10,000 messages opens',
      value: percentile(opened, 0.5),
      unit: 'ms',
      aim: 'under 200',
      most: 199,
    },
    { name: 'A message is sent in it', value: percentile(sent, 0.5), unit: 'ms', aim: 'under 50', most: 49 },
  ];
}

/** Writes messages of a colleague into the room's storage, as the office would have kept them: like the sample's own there. */
async function fillRoom(page: Page, messages: number): Promise<void> {
  await page.evaluate(
    async ({ wanted, last }) => {
      const database = await new Promise<IDBDatabase>((resolve) => {
        const request = indexedDB.open('cendro');
        request.onsuccess = () => resolve(request.result);
      });
      const entries = database.transaction('entries', 'readwrite').objectStore('entries');
      const text = await new Promise<string>((resolve) => {
        const request = entries.get('message/sample-room-1');
        request.onsuccess = () => resolve(request.result as string);
      });
      const [head = '', line = ''] = text.split('\n');
      const model = JSON.parse(line) as object;
      const done = new Promise((resolve) => (entries.transaction.oncomplete = resolve));
      for (let index = 0; index < wanted; index++) {
        const id = `many-${index}`;
        const at = last - (wanted - index) * 1000;
        const written = {
          ...model,
          id,
          at,
          sentAt: at,
          deliveredAt: at,
          readBy: { maren: at },
          text: `Line ${index}`,
        };
        entries.put(`${head}\n${JSON.stringify(written)}`, `message/${id}`);
      }
      await done;
    },
    { wanted: messages, last: Date.parse(sampleNow) },
  );
}

/** Milliseconds from a tap until that text is painted as a line of the room. */
async function untilText(page: Page, tapped: RegExp, text: string): Promise<number> {
  const ms = await page
    .getByRole('button', { name: tapped })
    .first()
    .evaluate(
      (element, wanted) =>
        new Promise<number>((resolve) => {
          const began = performance.now();
          const look = () => {
            const lines = document.querySelectorAll('[aria-label="What was written"] [role=listitem]');
            const isThere = [...lines].some(({ textContent }) => textContent?.includes(wanted));
            if (isThere) setTimeout(() => resolve(performance.now() - began));
            else requestAnimationFrame(look);
          };
          (element as HTMLElement).click();
          requestAnimationFrame(look);
        }),
      text,
    );
  return Math.round(ms);
}
