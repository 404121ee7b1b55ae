import { expect, test, type Office } from './office';

const builtIn = [
  { kind: 'audioinput', deviceId: 'm1', label: 'Built-in microphone', groupId: '' },
  { kind: 'audiooutput', deviceId: 's1', label: 'Built-in speaker', groupId: '' },
];
const headset = [
  { kind: 'audioinput', deviceId: 'm2', label: 'Tarn headset', groupId: '' },
  { kind: 'audiooutput', deviceId: 's2', label: 'Tarn headset', groupId: '' },
];

/** The sound devices that the browser has from now on, as if they were plugged in and out. */
async function plug({ page }: Office, devices: readonly object[]) {
  await page.evaluate((now) => {
    navigator.mediaDevices.enumerateDevices = async () => now as MediaDeviceInfo[];
    navigator.mediaDevices.dispatchEvent(new Event('devicechange'));
  }, devices);
}

/** A headset is plugged in, once that is watched for: which is fetched after the start. */
async function comes(office: Office) {
  await expect(async () => {
    await plug(office, builtIn);
    await plug(office, [...builtIn, ...headset]);
    await expect(office.page.getByText('Tarn headset is plugged in.')).toBeVisible({ timeout: 1_000 });
  }).toPass();
}

test('one’s own voice is heard as others hear it, and how far it stands over the noise @phone', async ({
  office,
  page,
}) => {
  await page.context().grantPermissions(['microphone']);
  await office.talkWithPeg();
  await office.act('Sound').click();
  const sheet = office.sheet();
  expect(await office.axeViolations()).toEqual([]);
  await sheet.getByRole('radio', { name: /^Strongly/ }).click();
  await sheet.getByRole('button', { name: /^Speak for 3 seconds/ }).click();
  // The browser's stand-in for a microphone beeps.
  await expect(sheet.getByText(/^Microphone: speech \d+ dB over the noise/)).toBeVisible();
  await expect(sheet.getByRole('button', { name: /^Speak for 3 seconds/ })).toBeEnabled();
  // With less taken out it is opened once more, while it listens.
  await sheet.getByRole('button', { name: 'Try the microphone' }).click();
  await expect(sheet.getByRole('meter')).toBeVisible();
  await sheet.getByRole('radio', { name: /^Not at all/ }).click();
  await expect(sheet.getByRole('meter')).toBeVisible();
  await sheet.getByRole('button', { name: 'Close' }).click();
});

test('a headset that is plugged in is offered; gone in a call it is said, and the call goes on @phone', async ({
  office,
  page,
}) => {
  await office.talkWithPeg();
  await comes(office);
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Use it for calls' }).click();
  await expect(page.getByText('Calls go by Tarn headset now. What rings stays where it was.')).toBeVisible();
  await office.act('Sound').click();
  const microphones = office.sheet().getByRole('radiogroup', { name: 'Microphone' });
  await expect(microphones.getByRole('radio', { name: 'Tarn headset' })).toBeChecked();
  await office.sheet().getByRole('button', { name: 'Close' }).click();

  await plug(office, builtIn);
  await expect(
    page.getByText(/^Tarn headset is gone\. The call goes on by this device’s own choice/),
  ).toBeVisible();
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await office.act('Sound').click();
  await expect(microphones.getByRole('radio', { name: /Tarn headset.*not plugged in now/ })).toBeChecked();
  await office.sheet().getByRole('button', { name: 'Close' }).click();

  // Back, it is used again, and nobody is asked.
  await plug(office, [...builtIn, ...headset]);
  await office.act('Sound').click();
  await expect(microphones.getByRole('radio', { name: 'Tarn headset', exact: true })).toBeChecked();
  await expect(page.getByText('Tarn headset is plugged in.')).toHaveCount(0);
});

test('a headset that nobody wants is left', async ({ office, page }) => {
  await office.open();
  await comes(office);
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByText('Tarn headset is plugged in.')).toHaveCount(0);
});
