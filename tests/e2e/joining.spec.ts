import { expect, sampleNow, test, type Office } from './office';

/** An office of one's own, open. */
async function begin({ page }: Office) {
  await page.goto(`/begin?now=${sampleNow}`);
  await page.getByRole('textbox', { name: 'What the office is called' }).fill('Tarn Edge Nurseries');
  await page.getByRole('textbox', { name: 'Your name' }).fill('Ada Ferris');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByText('Nobody waits')).toBeVisible();
  await page.goto(`/?now=${sampleNow}`);
}

async function openDevices(office: Office) {
  await office.goTo('Office');
  await office.page.getByRole('button', { name: /^PIN and devices/ }).click();
  await expect(office.page.getByRole('heading', { name: 'PIN and devices', level: 1 })).toBeVisible();
}

async function typePin(office: Office, pin: string, again = pin) {
  const sheet = office.sheet();
  await sheet.getByRole('textbox', { name: 'New PIN' }).fill(pin);
  await sheet.getByRole('textbox', { name: 'The same again' }).fill(again);
  await sheet.getByRole('button', { name: 'Keep this PIN' }).click();
}

async function signIn({ page }: Office, extension: string | null, pin: string) {
  if (extension !== null) await page.getByRole('textbox', { name: 'Extension' }).fill(extension);
  await page.getByRole('textbox', { name: 'PIN' }).fill(pin);
  await page.getByRole('button', { name: extension === null ? 'Join' : 'Sign in', exact: true }).click();
}

test('a PIN is chosen, refused for the right reason, and asked for at the door @phone', async ({
  office,
  page,
}) => {
  await begin(office);
  await openDevices(office);
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  expect(await office.axeViolations()).toEqual([]);
  await typePin(office, '1234');
  await expect(office.sheet().getByRole('alert')).toContainText('Figures in a row');
  await typePin(office, '0150');
  await expect(office.sheet().getByRole('alert')).toContainText('01632 960150, which everybody knows');
  await typePin(office, '4829', '4820');
  await expect(office.sheet().getByText('That is not the same as above.')).toBeVisible();
  await typePin(office, '4829');
  await expect(page.getByText('Your PIN is kept.')).toBeVisible();
  // This device is signed in by that, and stays so.
  await expect(page.getByText(/: this device/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/: this device/)).toBeVisible();

  await page.getByRole('button', { name: 'Sign out here' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in to Tarn Edge Nurseries' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText('Type your extension.')).toBeVisible();
  await signIn(office, '201', '4820');
  await expect(page.getByText(/^Extension and PIN don’t fit\./)).toBeVisible();
  await signIn(office, '201', '4829');
  await expect(page.getByText('Nobody waits')).toBeVisible();
});

test('wrong PINs make a pause that no reload ends @phone', async ({ office, page }) => {
  await begin(office);
  await openDevices(office);
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  await typePin(office, '4829');
  await page.getByRole('button', { name: 'Sign out here' }).click();
  for (const pin of ['1111', '2222', '3333']) {
    await signIn(office, '201', pin);
    await expect(page.getByText(/^Extension and PIN don’t fit\./)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeEnabled();
  }
  await signIn(office, '201', '4444');
  await expect(page.getByText('After one more there is a pause.')).toBeVisible();
  await signIn(office, '201', '5555');
  await expect(
    page.getByText(/^Too many wrong PINs\. The next one is looked at from \d\d:\d\d:\d\d on\.$/),
  ).toBeVisible();
  await page.reload();
  await signIn(office, '201', '4829');
  await expect(page.getByText(/The next one is looked at from/)).toBeVisible();
});

test('a colleague’s device joins by a link and the PIN they were told; the link works once @phone', async ({
  office,
  page,
}) => {
  await begin(office);
  await openDevices(office);
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  await typePin(office, '4829');
  await office.goTo('Office');
  await page.getByRole('button', { name: /^People/ }).click();
  await page.getByRole('button', { name: 'Somebody new' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Bea Moor');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('listitem', { name: 'Bea Moor' }).getByRole('button').first().click();
  await page.getByRole('button', { name: 'Let a device of theirs join' }).click();
  const sheet = office.sheet();
  await sheet.getByRole('button', { name: 'Give them a PIN' }).click();
  const told = await sheet.getByText(/^It is \d{6}/).innerText();
  const pin = /\d{6}/.exec(told)?.[0] ?? '';
  await sheet.getByRole('button', { name: 'Make the link' }).click();
  await expect(sheet.getByRole('img', { name: /as a code to photograph/ })).toBeVisible();
  const link = await sheet.getByText(/\/join\?code=/).innerText();
  expect(link).not.toContain(pin);
  expect(await office.axeViolations()).toEqual([]);

  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Join Tarn Edge Nurseries' })).toBeVisible();
  await signIn(office, null, '000001');
  await expect(page.getByText(/^Extension and PIN don’t fit\./)).toBeVisible();
  await signIn(office, null, pin);
  await expect(page.getByRole('heading', { name: 'You are in, Bea' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Get ready' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'choose your own' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  // She does not run it.
  await office.goTo('Office');
  await expect(page.getByRole('button', { name: /^Rules of the house/ })).toHaveCount(0);

  // The same link once more lets nobody in.
  await page.goto(link);
  await signIn(office, null, pin);
  await expect(page.getByText(/That link has been used/)).toBeVisible();
  await page.getByRole('button', { name: 'Sign in with my extension instead' }).click();
  await signIn(office, '201', '4829');
  await expect(page.getByRole('heading', { name: 'You are in, Ada' })).toBeVisible();
});

test('a device is signed out from another one, and is told so', async ({ office, page }) => {
  await begin(office);
  await openDevices(office);
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  await typePin(office, '4829');
  await expect(page.getByText(/: this device/)).toBeVisible();
  // What another device of hers would keep.
  const token = await page.evaluate(() => localStorage.getItem('cendro-own/token'));
  await page.evaluate(() => localStorage.removeItem('cendro-own/token'));
  await page.goto('/devices');
  await signIn(office, '201', '4829');
  await page.getByRole('button', { name: /^Sign out .*last there/ }).click();
  await expect(page.getByText(/is signed out\.$/)).toBeVisible();
  await page.evaluate((kept) => localStorage.setItem('cendro-own/token', kept ?? ''), token);
  await page.reload();
  await expect(page.getByText('This device was signed out. Sign in again to go on.')).toBeVisible();
});

test('taken off the device, nothing of Cendro stays in the browser', async ({ office, page }) => {
  await begin(office);
  // Whoever is led there by a link loses nothing.
  await page.goto('/left.html');
  await expect(page.getByText(/^Nothing was taken away/)).toBeVisible();
  await page.goto('/');
  await openDevices(office);
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  await typePin(office, '4829');
  await expect(page.getByText(/: this device/)).toBeVisible();
  await page.getByRole('button', { name: 'Take everything off this device' }).click();
  await expect(
    office.sheet().getByText(/Tarn Edge Nurseries is kept in this browser and nowhere else/),
  ).toBeVisible();
  await office.sheet().getByRole('button', { name: 'Take everything off', exact: true }).click();
  await expect(page.getByText('Nothing of Cendro is kept on this device any more.')).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  const left = await page.evaluate(async () => ({
    databases: (await indexedDB.databases()).map(({ name }) => name),
    local: Object.keys(localStorage),
    session: Object.keys(sessionStorage),
    caches: await caches.keys(),
    workers: (await navigator.serviceWorker.getRegistrations()).length,
  }));
  expect(left).toEqual({ databases: [], local: [], session: [], caches: [], workers: 0 });
  await page.getByRole('link', { name: 'Begin again' }).click();
  await expect(page.getByText(/people wait for an answer/)).toBeVisible();
});

test('a device that nobody touches is locked: it shows nothing, and calls are answered all the same @phone', async ({
  office,
  page,
}) => {
  await page.clock.install();
  await office.open('/devices');
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  await typePin(office, '4829');
  await expect(page.getByText('Your PIN is kept.')).toBeVisible();
  await page.getByRole('radio', { name: '5 minutes', exact: true }).click();
  await office.goTo('Directory');
  const sought = page.getByRole('textbox', { name: /^Find by name/ });
  await sought.fill('Peg');
  await page.clock.fastForward('05:01');
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Directory' })).toHaveCount(0);
  await expect(sought).toHaveCount(0);
  expect(await office.axeViolations()).toEqual([]);
  // What was being typed is there again.
  await page.getByRole('textbox', { name: 'PIN' }).fill('4829');
  await page.getByRole('button', { name: 'Unlock' }).click();
  await expect(sought).toHaveValue('Peg');
  await page.clock.fastForward('05:01');
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
  // Nor is it shown by another place, or a reload.
  await office.goTo('Directory');
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
  await page.getByRole('textbox', { name: 'PIN' }).fill('1111');
  await page.getByRole('button', { name: 'Unlock' }).click();
  await expect(page.getByText('That is not the PIN.')).toBeVisible();
  await page.getByRole('textbox', { name: 'PIN' }).fill('4829');
  await page.getByRole('button', { name: 'Unlock' }).click();
  await expect(page.getByRole('heading', { name: 'Locked' })).toHaveCount(0);

  await office.goOutside();
  await office.callIn('Peg Anstey', 'Direct');
  await expect(office.answer()).toBeVisible();
  await page.clock.fastForward('05:01');
  await office.answer().click();
  // Of all there is only the call is seen, and then nothing.
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await page.goto('/directory');
  await expect(office.youHear('You hear Peg Anstey')).toBeVisible();
  await office.end().click();
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
});

test('the device’s own key unlocks it too, and says so where it was refused @phone', async ({
  office,
  page,
}) => {
  const session = await page.context().newCDPSession(page);
  await session.send('WebAuthn.enable');
  const { authenticatorId } = await session.send('WebAuthn.addVirtualAuthenticator', {
    options: { protocol: 'ctap2', transport: 'internal', hasUserVerification: true, isUserVerified: true },
  });
  await page.clock.install();
  await office.open('/devices');
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  await typePin(office, '4829');
  await page.getByRole('radio', { name: '5 minutes', exact: true }).click();
  const lever = page.getByRole('button', { name: 'Its own finger, face or code unlocks it too' });
  await lever.click();
  await expect(lever).toHaveAttribute('aria-pressed', 'true');
  await page.clock.fastForward('05:01');
  const byKey = page.getByRole('button', { name: 'Unlock as this device does' });
  await session.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: false });
  await byKey.click();
  await expect(page.getByText(/did not say that it is you/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await session.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: true });
  await byKey.click();
  await expect(page.getByRole('heading', { name: 'PIN and devices' })).toBeVisible();
  // Taken back, the PIN alone opens it.
  await lever.click();
  await page.clock.fastForward('05:01');
  await expect(page.getByRole('button', { name: 'Unlock', exact: true })).toBeVisible();
  await expect(byKey).toHaveCount(0);
});
