import type { Page } from '@playwright/test';

import { expect, test, type Office } from './office';

/** Ring plans and hours as files, written here and elsewhere. */

const see = (page: Page, view: string) =>
  page.getByRole('radiogroup', { name: 'See' }).getByRole('radio', { name: view, exact: true }).click();
const heldOf = (page: Page) => page.getByRole('region', { name: 'What the file holds' });

async function openFiles(office: Office) {
  await office.open('/plan');
  await expect(office.page.getByRole('heading', { name: 'Seconds', exact: true })).toBeVisible();
  await see(office.page, 'Files');
}

async function bringIn(page: Page, name: string, mimeType: string, text: string) {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Bring in a file' }).click();
  await (await chooser).setFiles({ name, mimeType, buffer: Buffer.from(text) });
}

test('a script written elsewhere comes in with what it can’t hold named, and a calendar brings days off', async ({
  office,
  page,
}) => {
  await openFiles(office);
  const held = heldOf(page);
  await bringIn(page, 'broken.cpl', 'text/xml', '<cpl>\n<incoming>\n</cpl>');
  await expect(held).toContainText(/It can’t be read. Line [23]/);
  await held.getByRole('button', { name: 'Don’t use it' }).click();

  await bringIn(
    page,
    'holidays.ics',
    'text/calendar',
    'BEGIN:VCALENDAR\nVERSION:2.0\nBEGIN:VEVENT\nDTSTART;VALUE=DATE:20261225\nDTEND;VALUE=DATE:20261229\nSUMMARY:Yard closed\nEND:VEVENT\nBEGIN:VEVENT\nSUMMARY:Nothing\nEND:VEVENT\nEND:VCALENDAR',
  );
  await expect(held).toContainText('2026-12-25 to 2026-12-28 Yard closed');
  await expect(held).toContainText('Line 8: The event is left out');
  await held.getByRole('button', { name: 'Use it in my plan' }).click();
  await see(page, 'Hours');
  await expect(page.getByRole('textbox', { name: 'Days off, one on each line' })).toHaveValue(
    '2026-12-25 to 2026-12-28 Yard closed',
  );
  await see(page, 'Files');

  await bringIn(
    page,
    'plan.cpl',
    'text/xml',
    `<?xml version="1.0"?>
<cpl xmlns="urn:ietf:params:xml:ns:cpl"><incoming>
<location url="sip:maren-desk@devices.office.invalid"><proxy timeout="12"><default>
<mail url="mailto:maren@example.com"><location url="tel:+441314960142"><redirect/></location></mail>
</default></proxy></location></incoming></cpl>`,
  );
  await expect(held).toContainText('When anybody calls: desk phone for 12 s, then on to 0131 496 0142.');
  await expect(held).toContainText('Line 4: A plan sends no mail');
  await held.getByRole('button', { name: 'Use it in my plan' }).click();
  await see(page, 'A call');
  await expect(page.getByRole('button', { name: /^Desk phone 0–12 s$/ })).toBeVisible();
});

test('a small calendar that asks for endless work freezes nothing: its good events come in', async ({
  office,
  page,
}) => {
  await openFiles(office);
  const event = (rule: string, name: string) =>
    `BEGIN:VEVENT\nDTSTART:20261127T100000Z\nDTEND:20261127T110000Z\n${rule}SUMMARY:${name}\nEND:VEVENT\n`;
  const never = event('RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=31\n', 'Never');
  const secondly = event('RRULE:FREQ=SECONDLY\n', 'Secondly');
  await bringIn(
    page,
    'hostile.ics',
    'text/calendar',
    `BEGIN:VCALENDAR\nVERSION:2.0\n${never}${secondly}${event('', 'Survey')}END:VCALENDAR`,
  );
  await expect(heldOf(page)).toContainText('0 stretches of days off and 1 meeting.');
  await expect(heldOf(page)).toContainText(
    'Line 3: The event is left out: no date that fits its rule was found.',
  );
  await expect(heldOf(page)).toContainText('Line 9: The event is left out: it repeats within the day.');
});

test('without a network the reader of files says that it was not fetched', async ({ office, page }) => {
  await openFiles(office);
  await page.route(/planFile/, (route) => route.abort('internetdisconnected'));
  await bringIn(page, 'plan.cpl', 'text/xml', '<cpl/>');
  await expect(heldOf(page)).toContainText('this part of the app has not been fetched');
});
