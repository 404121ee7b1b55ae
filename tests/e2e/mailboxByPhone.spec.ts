import { expect, test, type Office } from './office';

async function choosePin(office: Office, pin: string) {
  const { page } = office;
  // The messages of before the first start come a while after it.
  await office.open('/voicemails');
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await office.open('/devices');
  await page.getByRole('button', { name: 'Choose a PIN' }).click();
  const sheet = office.sheet();
  await sheet.getByRole('textbox', { name: 'New PIN' }).fill(pin);
  await sheet.getByRole('textbox', { name: 'The same again' }).fill(pin);
  await sheet.getByRole('button', { name: 'Keep this PIN' }).click();
  await expect(page.getByText('Your PIN is kept.')).toBeVisible();
}

test('the mailbox is reached from the desk phone by its code and PIN; what is heard there is heard here @phone', async ({
  office,
  page,
}) => {
  await choosePin(office, '4829');
  await office.goOutside();
  await office.callFromPhone('Maren Oyelaran’s Desk phone', '*88');
  await expect(page.getByText(/hears: “Type your PIN, and press hash\./)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  const pin = page.getByRole('textbox', { name: 'PIN they type' });
  await pin.fill('1111');
  await page.getByRole('button', { name: 'Press these, and hash' }).click();
  await expect(page.getByText(/hears: “That was not the PIN\./)).toBeVisible();
  await pin.fill('4829');
  await page.getByRole('button', { name: 'Press these, and hash' }).click();
  await expect(page.getByText(/hears: “You have \d+ new messages/)).toBeVisible();
  await page.getByRole('button', { name: 'Press 1, next' }).click();
  await expect(page.getByText(/hears: “Message 1 of \d+.* and the message/)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Press 5, greeting' }).click();
  await expect(page.getByText(/hears: “Callers hear now:/)).toBeVisible();
  await page.getByRole('button', { name: 'Press 3, delete' }).click();
  await expect(page.getByText(/hears: “It is deleted\./)).toBeVisible();
});

test('from the app the mailbox is dialled and heard with the keys of the call; the history says so @phone', async ({
  office,
  page,
}) => {
  await choosePin(office, '48291637');
  await office.goTo('Dial');
  await page.getByRole('textbox', { name: 'Number, extension or name' }).fill('*88');
  await expect(page.getByText('Your mailbox, by its PIN')).toBeVisible();
  await office.dial('*88');
  await expect(page.getByText(/^You hear “Type your PIN, and press hash\./)).toBeVisible();
  expect(await office.axeViolations()).toEqual([]);
  await page.getByRole('button', { name: 'Keys' }).click();
  await page.keyboard.type('48291637#');
  await expect(page.getByText(/^You hear “You have \d+ new messages/)).toBeVisible();
  await page.keyboard.type('1');
  await expect(page.getByText(/^You hear “Message 1 of \d+/)).toBeVisible();
  await office.end().click();
  await page.goto('/everything');
  await expect(page.getByText('Listened to your mailbox').first()).toBeVisible();
  // Of the PIN nothing is kept.
  const isKept = await page.evaluate(async (pin) => {
    const opening = indexedDB.open((await indexedDB.databases())[0]?.name ?? '');
    const database = await new Promise<IDBDatabase>((resolve) => {
      opening.onsuccess = () => resolve(opening.result);
    });
    const [table = ''] = [...database.objectStoreNames];
    const all = database.transaction(table).objectStore(table).getAll();
    return new Promise<boolean>((resolve) => {
      all.onsuccess = () => resolve(JSON.stringify(all.result).includes(pin));
    });
  }, '48291637');
  expect(isKept).toBe(false);
});

test('a caller outside opens their mailbox by star while its greeting is heard', async ({ office, page }) => {
  await choosePin(office, '4829');
  await office.open('/outside');
  await office.callIn('Peg Anstey', 'Direct');
  await office.refuse().click();
  await page.getByRole('button', { name: 'Press star, it is their mailbox' }).click();
  await expect(page.getByText(/hears: “Type your PIN, and press hash\./)).toBeVisible();
});
