import { decodeWav } from '../../src/core/shared/soundFiles';
import { Client } from '../servedClient';
import { expect, test } from './office';
import { ServedOffice } from './servedOffice';
import { heardBy, whistler, type Whistler } from './tones';

/** The name under which a served office is kept (`state/offices`). */
const storage = 'cendro-served';
const served = new ServedOffice();
const people: Whistler[] = [];

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  await served.start({}, ['--sample']);
  people.push(
    await whistler(served.address, 'maren', 440),
    await whistler(served.address, 'ilse', 880),
    await whistler(served.address, 'sunniva', 1320),
  );
});
test.afterAll(async () => {
  for (const { browser } of people) await browser.close();
  await served.end();
});

/** Exactly these voices are heard, and no other. */
const hears = (who: Whistler, ...whom: readonly Whistler[]) =>
  expect
    .poll(async () => {
      const pitches = await heardBy(who);
      return people
        .filter(({ hertz }) => pitches.some((pitch) => Math.abs(pitch - hertz) < 20))
        .map(({ hertz }) => hertz);
    })
    .toEqual(people.filter((each) => whom.includes(each)).map(({ hertz }) => hertz));

test('voices are heard by exactly whom the cords show: talking, muted, held, three together, and while the server is away', async () => {
  const [maren, ilse, sunniva] = people;
  if (!maren || !ilse || !sunniva) throw new Error('Somebody is missing.');
  const act = (who: Whistler, name: string) => who.page.getByRole('button', { name, exact: true }).click();
  await ilse.office.call('214');
  await maren.office.answer().click();
  await hears(maren, ilse);
  await hears(ilse, maren);
  // What the browser says of how it comes is shown.
  await maren.page.getByRole('button', { name: /^Sounds/ }).click();
  await expect(
    maren.page.getByText(/\(DTLS-SRTP, \w+\), Opus, of each packet a copy \(RED\); .* It goes straight/),
  ).toBeVisible();

  await act(ilse, 'Mute');
  await hears(maren);
  await hears(ilse, maren);
  await act(ilse, 'Mute');
  await hears(maren, ilse);

  await act(maren, 'Hold');
  await hears(ilse);
  await hears(maren);

  // Held, Maren asks somebody else; nobody of the two hears the other.
  await maren.office.call('216');
  await sunniva.office.answer().click();
  await hears(maren, sunniva);
  await hears(sunniva, maren);
  await hears(ilse);
  await maren.page.getByRole('button', { name: /^Join the two calls/ }).click();
  await maren.office
    .sheet()
    .getByRole('button', { name: /^All together/ })
    .click();
  await hears(maren, ilse, sunniva);
  await hears(ilse, maren, sunniva);
  await hears(sunniva, maren, ilse);

  // Without the server they go on; what is done once it is there again is done.
  await served.kill();
  await expect(maren.page.getByText(/No network/).first()).toBeVisible();
  await hears(maren, ilse, sunniva);
  await served.start({}, ['--sample']);
  await expect(maren.page.getByText(/No network/)).toHaveCount(0);
  await hears(sunniva, maren, ilse);
  await sunniva.page.getByRole('button', { name: /^Leave/ }).click();
  await hears(sunniva);
  await hears(maren, ilse);
  await hears(ilse, maren);
  await ilse.office.end().click();
  await hears(maren);
});

test('who speaks to a mailbox is heard in it: the very sound, by whose mailbox it is alone', async () => {
  const [maren, ilse] = people;
  if (!maren || !ilse) throw new Error('Somebody is missing.');
  await ilse.office.call('214');
  await maren.page
    .getByRole('button', { name: /^Refuse/ })
    .first()
    .click();
  await expect(ilse.page.getByText(/leave a message|Speak now|records|Mailbox/i).first()).toBeVisible();
  const mailbox = new Client(served.address, storage);
  await mailbox.connected();
  mailbox.join('mailbox', { by: 'chair', personId: 'maren' });
  const link = await mailbox.link('mailbox');
  const listens = async () => {
    const { changedCalls } = await link.snapshot();
    return changedCalls.some(({ legs }) => legs.some(({ mailboxPhase }) => mailboxPhase === 'recording'));
  };
  await expect.poll(listens, { timeout: 60_000 }).toBe(true);
  const said = Date.now();
  await expect.poll(() => Date.now() - said, { timeout: 10_000 }).toBeGreaterThan(2_500);
  await ilse.page.getByRole('button', { name: /^End/ }).click();
  const newest = async () => {
    const { voicemails } = await link.tables();
    return voicemails.filter(({ mailboxId }) => mailboxId === 'maren').sort((a, b) => b.at - a.at)[0] ?? null;
  };
  await expect.poll(async () => (await newest())?.durationMs ?? 0).toBeGreaterThan(1_500);
  const { id = '' } = (await newest()) ?? {};
  const key = `sound/${id}`;
  const textOf = async (of: Client) => {
    const answer = await of.files({ what: 'read', keys: [key] });
    return 'texts' in answer ? answer.texts[key] : undefined;
  };
  await expect.poll(() => textOf(mailbox)).toBeDefined();
  const { wav } = JSON.parse((await textOf(mailbox))?.split('\n')[1] ?? '{}') as { wav: string };
  const decoded = decodeWav(Buffer.from(wav, 'base64'));
  if (!decoded.ok) throw new Error('It is no sound.');
  const { samples, sampleRate } = decoded;
  // Past the first half second, in which the microphone opens.
  const heard = samples.slice(sampleRate / 2, (sampleRate * 3) / 2);
  const crossings = heard.filter((sample, at) => sample >= 0 && (heard[at - 1] ?? 0) < 0).length;
  expect(Math.abs(crossings - ilse.hertz)).toBeLessThan(30);

  // Nobody else is given it.
  const other = new Client(served.address, storage);
  await other.connected();
  other.join('other', { by: 'chair', personId: 'sunniva' });
  await other.told('joined');
  expect(await textOf(other)).toBeUndefined();
  for (const { socket } of [mailbox, other]) socket.close();
});

test('of two browsers of one person one speaks: the other says which, and does it instead when it is asked to', async () => {
  const [maren, ilse] = people;
  if (!maren || !ilse) throw new Error('Somebody is missing.');
  const other = await whistler(served.address, 'maren', 660);
  people.push(other);
  await ilse.office.call('214');
  // Both ring, and stop together.
  await expect(other.office.answer()).toBeVisible();
  await maren.office.answer().click();
  await expect(other.office.answer()).toHaveCount(0);
  await hears(ilse, maren);
  await other.page.goto('/call');
  await expect(other.page.getByText(/^You speak in another window or device/)).toBeVisible();
  await hears(other);
  await other.page.getByRole('button', { name: 'Speak here' }).click();
  await hears(ilse, other);
  await hears(other, ilse);
  await hears(maren);
  await expect(maren.page.getByText(/^You speak in another window or device/)).toBeVisible();
  // A browser that is closed in the middle of it leaves the call to the first one.
  await other.browser.close();
  people.pop();
  await hears(ilse, maren);
  await hears(maren, ilse);
  await ilse.office.end().click();
  await hears(maren);
});

/** How strong one pitch is in a sound (Goertzel's algorithm), 0 to 1. */
function strengthOf(hertz: number, samples: Float32Array, sampleRate: number): number {
  const turn = (2 * Math.PI * hertz) / sampleRate;
  let [cosine, sine, power] = [0, 0, 0];
  samples.forEach((sample, at) => {
    cosine += sample * Math.cos(turn * at);
    sine += sample * Math.sin(turn * at);
    power += sample * sample;
  });
  return power === 0 ? 0 : (2 * (cosine ** 2 + sine ** 2)) / (samples.length * power);
}

test('a recording is there while it is made, holds both voices, and nothing of a pause; nobody else is given it', async () => {
  const [maren, ilse] = people;
  if (!maren || !ilse) throw new Error('Somebody is missing.');
  const [mine, theirs] = [new Client(served.address, storage), new Client(served.address, storage)];
  await Promise.all([mine.connected(), theirs.connected()]);
  mine.join('recorded', { by: 'chair', personId: 'maren' });
  theirs.join('curious', { by: 'chair', personId: 'ilse' });
  const link = await mine.link('recorded');
  await theirs.told('joined');
  await ilse.office.call('214');
  await maren.office.answer().click();
  await hears(maren, ilse);
  await hears(ilse, maren);
  await maren.office.act('Record').click();
  const recording = async () =>
    (await link.snapshot()).changedCalls.flatMap(({ recordings }) => recordings).at(-1) ?? null;
  await expect.poll(async () => (await recording())?.state).toBe('on');
  const { id = '' } = (await recording()) ?? {};
  const soundOf = async (of: Client) => {
    const answer = await of.files({ what: 'read', keys: [`sound/${id}`] });
    const text = 'texts' in answer ? answer.texts[`sound/${id}`] : undefined;
    return text === undefined
      ? null
      : (JSON.parse(text.split('\n')[1] ?? '{}') as { wav: string; durationMs: number });
  };
  const lengthOf = async () => (await soundOf(mine))?.durationMs ?? 0;
  // Whatever becomes of this browser from here on, so much is there.
  await expect.poll(lengthOf, { timeout: 30_000 }).toBeGreaterThan(2_000);
  await maren.office.act('Pause').click();
  await expect.poll(async () => (await recording())?.state).toBe('paused');
  const pieces = (await recording())?.pieces ?? [];
  const recordedMs = pieces.reduce((sum, { from, to }) => sum + ((to ?? from) - from), 0);
  const paused = Date.now();
  await expect.poll(() => Date.now() - paused).toBeGreaterThan(2_000);
  await maren.office.end().click();
  await expect.poll(lengthOf).toBeGreaterThan(recordedMs / 2);
  // With the pause in it, it would be two seconds longer.
  expect(await lengthOf()).toBeLessThan(recordedMs + 1_000);

  const decoded = decodeWav(Buffer.from((await soundOf(mine))?.wav ?? '', 'base64'));
  if (!decoded.ok) throw new Error('It is no sound.');
  const { samples, sampleRate } = decoded;
  const middle = samples.slice(sampleRate, 2 * sampleRate);
  for (const { hertz } of [maren, ilse]) expect(strengthOf(hertz, middle, sampleRate)).toBeGreaterThan(0.1);
  expect(strengthOf(1_700, middle, sampleRate)).toBeLessThan(0.05);
  expect(await soundOf(theirs)).toBeNull();
  for (const { socket } of [mine, theirs]) socket.close();
});
