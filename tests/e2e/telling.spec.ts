import { randomUUID } from 'node:crypto';

import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** Missed calls, voicemails and texts told elsewhere: by mail, and to another program. */

/** The server remembers what it has told, and all runs of these tests happen at the same moment. */
const newAddress = () => `v-${randomUUID()}@orrinvale.example`;

const mails = (page: Page) => page.getByRole('region', { name: 'Mail that arrived' });
const program = (page: Page) => page.getByRole('region', { name: 'A program that is told' });
const told = (page: Page) => page.getByRole('region', { name: 'What was told' });

async function goToTelling(office: Office) {
  await office.goTo('Office');
  await office.page.getByRole('button', { name: /^Told elsewhere/ }).click();
  await expect(office.page.getByRole('heading', { level: 1, name: 'Told elsewhere' })).toBeVisible();
}

test('a voicemail arrives as a mail with its sound; what is not told of does not', async ({
  office,
  page,
}) => {
  await office.open('/');
  await goToTelling(office);
  const voicemails = newAddress();
  const byMail = page.getByRole('region', { name: 'By mail' });
  const address = byMail.getByRole('textbox', { name: 'Mail address' });
  await address.fill('maren at orrinvale');
  await byMail.getByRole('button', { name: 'Tell this address' }).click();
  await expect(byMail.getByRole('alert')).toHaveText(
    'That is not a mail address: it looks like name@place.example.',
  );
  await address.fill(voicemails);
  await byMail.getByRole('button', { name: 'Tell this address' }).click();
  const place = byMail.getByRole('group', { name: voicemails });
  await place.getByRole('checkbox', { name: 'Texts' }).click();
  expect(await office.axeViolations()).toEqual([]);

  await office.callIn('Skerrow Harbour', 'Direct');
  await office.refuse().click();
  await office.letPass('30 s');
  await office.letPass('30 s');
  const mail = mails(page).getByRole('article', { name: /^Mail: Voicemail of .* from Skerrow Harbour/ });
  await expect(mail).toContainText(`To ${voicemails}`);
  await expect(mail.getByRole('button', { name: /^Save voicemail-.*\.wav$/ })).toBeVisible();
  await page.getByRole('button', { name: /^Text .* as/ }).click();
  await goToTelling(office);
  await expect(told(page).getByRole('listitem')).toHaveCount(1);
  await expect(told(page)).toContainText('Delivered.');

  await place.getByRole('button', { name: /^Stop telling it/ }).click();
  await expect(place).toHaveCount(0);
  await page.getByRole('button', { name: `Undo: tell ${voicemails} again` }).click();
  await expect(place.getByRole('checkbox', { name: 'Texts' })).not.toBeChecked();
});

test('a program is told with a signature; while it is down it is tried again, and by hand', async ({
  office,
  page,
}) => {
  await office.open('/outside');
  const door = await program(page).getByText('/api/standins/webhooks/').textContent();
  await program(page).getByRole('radio', { name: 'is down (503)' }).click();
  await goToTelling(office);
  const programs = page.getByRole('region', { name: 'To another program' });
  await programs.getByRole('textbox', { name: 'Web address of the program' }).fill(door ?? '');
  await programs.getByRole('button', { name: 'Tell this program' }).click();
  await programs.getByRole('button', { name: 'Send a test' }).click();
  await expect(told(page)).toContainText('It answered 503. It will be tried again.');

  // While it is down still: by itself it is tried again only half a minute after the second try.
  const tryNow = told(page).getByRole('button', { name: /^Try now/ });
  await tryNow.click();
  const elsewhere = await page.context().newPage();
  await elsewhere.goto('/outside');
  await expect(program(elsewhere).getByRole('article').nth(1)).toContainText('Answered 503');
  await program(elsewhere).getByRole('radio', { name: 'takes everything' }).click();
  await tryNow.click();
  await expect(told(page)).toContainText(/Delivered at try \d/);
  await elsewhere.close();
  await office.goOutside();
  const hook = program(page).getByRole('article').first();
  await expect(hook).toContainText('call.missed');
  await expect(hook).toContainText('The signature is valid.');
  await expect(hook).toContainText('Answered 204');
});

test('an address inside a network is refused by the server, and said so', async ({ office, page }) => {
  await office.open('/telling');
  const programs = page.getByRole('region', { name: 'To another program' });
  await programs
    .getByRole('textbox', { name: 'Web address of the program' })
    .fill('http://192.168.0.7/calls');
  await programs.getByRole('button', { name: 'Tell this program' }).click();
  await programs.getByRole('button', { name: 'Send a test' }).click();
  await expect(told(page)).toContainText(
    'Given up after 1 try. 192.168.0.7 is inside a private network, and this server was not allowed to tell it.',
  );
});

test('without a network it waits, and is delivered when there is one', async ({ office, page, context }) => {
  await office.open('/telling');
  const byMail = page.getByRole('region', { name: 'By mail' });
  await byMail.getByRole('textbox', { name: 'Mail address' }).fill(newAddress());
  await byMail.getByRole('button', { name: 'Tell this address' }).click();
  await context.setOffline(true);
  await byMail.getByRole('button', { name: 'Send a test' }).click();
  await expect(told(page)).toContainText('Waits for the office’s server.');
  await context.setOffline(false);
  await expect(told(page)).toContainText('Delivered.');
});
