import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { member } from '@/core/office/tests/member';
import { OfficeIndex } from '@/core/setup';

import { Desk } from './Desk';

const start = Date.parse('2026-11-26T10:40:00Z');
const office = new OfficeIndex(testSetup);
const token = 'a token of some length';
const name = 'A browser';
const extensionOf = (id: string) => office.people.get(id)?.extension ?? '';

function open(kept?: Desk['access']['all']) {
  let now = start;
  const settled: number[] = [];
  const desk = new Desk({
    ...{ office: () => office, now: () => now, kept, cost: 1 },
    settle: async () => void settled.push(desk.access.takeChanges().length),
  });
  const comeIn = (pin: string, by: { account: string } | { code: string }, as = token) =>
    desk.letIn(
      'code' in by ? { by: 'code', ...by, pin, token: as, name } : { by: 'pin', ...by, pin, token: as, name },
    );
  const setPin = (personId: string, pin: string, before: string | null = null) =>
    desk.request(member(personId), { type: 'setPin', pin, before, device: null });
  return { desk, settled, comeIn, setPin, pass: (ms: number) => void (now += ms) };
}

it('lets in who shows their extension and PIN, and then their device without', async () => {
  const { comeIn, setPin, desk } = open();
  expect(await setPin('ben', '482913')).toEqual({ ok: true });
  const account = extensionOf('ben');
  expect(await comeIn('482914', { account })).toEqual({ ok: false, why: { code: 'wrongPin', left: 4 } });
  expect(await comeIn('482913', { account })).toMatchObject({ ok: true, personId: 'ben' });
  expect(await desk.letIn({ by: 'token', token })).toMatchObject({ ok: true, personId: 'ben' });
  expect(await desk.letIn({ by: 'token', token: 'another that is as long' })).toEqual({
    ok: false,
    why: { code: 'signedOut' },
  });
});

it('takes a device for the one it was by its key, from the first that it shows on', async () => {
  const { comeIn, setPin, desk } = open();
  await setPin('ben', '482913');
  const letIn = (key: string | null) => desk.letIn({ by: 'token', token }, key);
  const signedOut = { ok: false, why: { code: 'signedOut' } };
  // By one that has none it came without; as soon as there is one, nobody comes with another, nor without.
  await comeIn('482913', { account: extensionOf('ben') });
  expect(await letIn(null)).toMatchObject({ ok: true });
  expect(await letIn('its key')).toMatchObject({ ok: true });
  expect(await letIn('another')).toEqual(signedOut);
  expect(await letIn(null)).toEqual(signedOut);
  expect(await letIn('its key')).toMatchObject({ ok: true });
  expect(await desk.isDeviceOf('ben', token, 'its key')).toBe(true);
  expect(await desk.isDeviceOf('ben', token, 'another')).toBe(false);
  expect(await desk.isDeviceOf('ada', token, 'its key')).toBe(false);
});

it('keeps no PIN, token or code as it is', async () => {
  const { desk, comeIn, setPin } = open();
  await setPin('ben', '482913');
  await desk.request(member('ada'), { type: 'invite', personId: 'ben', code: 'a code of some length' });
  await comeIn('482913', { code: 'a code of some length' });
  const kept = JSON.stringify(desk.access.all);
  for (const secret of ['482913', token, 'a code of some length']) expect(kept).not.toContain(secret);
});

it('looks at no PIN in a pause, not even at the right one, and goes on by itself afterwards', async () => {
  const { comeIn, setPin, pass } = open();
  await setPin('ben', '482913');
  const account = extensionOf('ben');
  for (let wrong = 0; wrong < 5; wrong++) await comeIn('000001', { account });
  const until = start + 30_000;
  expect(await comeIn('482913', { account })).toEqual({ ok: false, why: { code: 'paused', until } });
  pass(30_000);
  expect(await comeIn('482913', { account })).toMatchObject({ ok: true });
});

it('many who try at once get no more tries than one', async () => {
  const { comeIn, setPin } = open();
  await setPin('ben', '482913');
  const account = extensionOf('ben');
  const answers = await Promise.all(
    Array.from({ length: 20 }, (_, at) => comeIn(String(100_000 + at), { account }, `${token} ${at}`)),
  );
  expect(answers.filter((answer) => !answer.ok && answer.why.code === 'wrongPin')).toHaveLength(4);
});

it('what was tried is kept before anybody hears of it', async () => {
  const { comeIn, setPin, settled } = open();
  await setPin('ben', '482913');
  settled.length = 0;
  await comeIn('000001', { account: extensionOf('ben') });
  expect(settled).toEqual([1]);
});

it('a code lets one device in; asked again by the same device it is let in all the same', async () => {
  const { desk, comeIn, setPin } = open();
  await setPin('ben', '482913');
  const code = 'a code of some length';
  await desk.request(member('ada'), { type: 'invite', personId: 'ben', code });
  expect(await comeIn('111', { code })).toMatchObject({ why: { code: 'wrongPin' } });
  expect(await comeIn('482913', { code })).toMatchObject({ ok: true, personId: 'ben' });
  expect(await comeIn('482913', { code })).toMatchObject({ ok: true, personId: 'ben' });
  expect(await comeIn('482913', { code }, 'another that is as long')).toMatchObject({
    why: { code: 'usedCode' },
  });
});

describe('a PIN is changed', () => {
  it('by who has the one before; a given one needs none', async () => {
    const { desk, setPin } = open();
    expect(await desk.request(member('ada'), { type: 'givePin', personId: 'ben', pin: '482913' })).toEqual({
      ok: true,
    });
    expect(await setPin('ben', '739105')).toEqual({ ok: true });
    expect(await setPin('ben', '482913', '482913')).toMatchObject({ reason: { code: 'wrongPin' } });
    expect(await setPin('ben', '482913', '739105')).toEqual({ ok: true });
  });

  it('into none that is guessed soon, and it says why', async () => {
    const { setPin, desk } = open();
    for (const pin of ['1234', '7777', '12'])
      expect(await setPin('ben', pin)).toMatchObject({ reason: { code: 'weakPin' } });
    expect(desk.access.hasPins).toBe(false);
  });

  it('and given, and invited, by nobody but who runs the office', async () => {
    const { desk } = open();
    const notYours = { ok: false, reason: { code: 'notYours', what: 'office' } };
    const by = member('ben');
    expect(await desk.request(by, { type: 'givePin', personId: 'ada', pin: '482913' })).toEqual(notYours);
    expect(
      await desk.request(by, { type: 'invite', personId: 'ada', code: 'a code of some length' }),
    ).toEqual(notYours);
  });
});

it('who chooses the first PIN is signed in on that device', async () => {
  const { desk } = open();
  await desk.request(member('ada'), {
    ...{ type: 'setPin', pin: '482913', before: null },
    device: { token, name },
  });
  expect(await desk.letIn({ by: 'token', token })).toMatchObject({ ok: true, personId: 'ada' });
});

it('a device is signed out by its own, or by who runs the office, and let in no more', async () => {
  const { desk, comeIn, setPin } = open();
  await setPin('ben', '482913');
  const answer = await comeIn('482913', { account: extensionOf('ben') });
  const id = answer.ok ? answer.signInId : '';
  expect(await desk.request(member('cat'), { type: 'signOutDevice', id })).toMatchObject({
    reason: { code: 'notYours', what: 'device' },
  });
  expect(await desk.request(member('ada'), { type: 'signOutDevice', id })).toEqual({ ok: true });
  expect(await desk.letIn({ by: 'token', token })).toEqual({ ok: false, why: { code: 'signedOut' } });
});
