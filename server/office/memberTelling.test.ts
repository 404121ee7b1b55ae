import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { sampleCast, sampleOffice } from '@sample';

import {
  writtenSecret,
  type Destination,
  type Place,
  type Told,
  type TryResult,
  type WrittenMail,
} from '@/core/inbox/notifications';
import type { InboxRequest, Session } from '@/core/office';
import { Clock } from '@/office/clock';
import { HostedOffice } from '@/office/hosted';
import { keptKinds } from '@/state/kept';
import { memoryBackend } from '@/state/storage/tests/memoryBackend';

import { MemberTelling } from './MemberTelling';

const origin = 'https://office.orrin.example';
const maren: Session = { id: 'maren-app', personId: 'maren', deviceId: 'maren-app', roles: ['member'] };
const hugh: Session = { id: 'hugh-desk', personId: 'hugh', deviceId: 'hugh-desk', roles: ['member'] };
const outside: Session = { id: 'outside', personId: null, deviceId: null, roles: ['simulator', 'network'] };
const mail: Place = { kind: 'mail', address: 'maren@home.example' };
const hook: Place = {
  ...{ kind: 'webhook', url: 'https://desk.example/hook' },
  secret: writtenSecret(new Uint8Array(24).fill(7)),
};
const folders: string[] = [];
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

const rowsOf = (office: HostedOffice | undefined) =>
  office ? [...office['inboxNow'].personal.all.values()] : [];

const turns = async () => {
  for (let turn = 0; turn < 60; turn++) await Promise.resolve();
};

const sorts = Object.fromEntries(Object.entries(keptKinds).map(([sort, { schema }]) => [sort, schema]));

/** The sample's office on a server, of which nobody has an app open, and what it sends; or as it was left before it fell. */
async function open({
  hasMail = true,
  answers = [] as TryResult[],
  left = null as null | { office: HostedOffice; entries: Map<string, string>; folder: string },
  at = Date.UTC(2026, 10, 26, 10, 40),
  /** Calls go on before what each keeps has been read. */
  meanwhile = (async () => undefined) as (office: HostedOffice) => Promise<void>,
} = {}) {
  const folder = left?.folder ?? mkdtempSync(join(tmpdir(), 'cendro-telling-'));
  folders.push(folder);
  const clock = new Clock({ mode: 'fixed', at });
  const entries = left?.entries ?? new Map<string, string>();
  const backend = memoryBackend(entries);
  const office = new HostedOffice({
    ...{ setup: sampleOffice, cast: sampleCast, clock, isReal: true },
    ...(left && { state: left.office.save() }),
  });
  const sent: { to: string; mail?: WrittenMail; body?: string }[] = [];
  const faults: unknown[] = [];
  let now = 1_000;
  let due: (() => void) | null = null;
  const begin = () =>
    new MemberTelling({
      ...{ office, backend, folder, onFault: (error: unknown) => faults.push(error) },
      mailFrom: 'office@orrin.example',
      now: () => now,
      setTimer: (run, ms) => {
        due = () => ((now += ms), run());
        return () => (due = null);
      },
      sendMail: hasMail
        ? async (_, written, to) => {
            sent.push({ to, mail: written });
            return answers.shift() ?? { ok: true };
          }
        : null,
      sendWebhook: async (_, body, to) => {
        sent.push({ to, body });
        return answers.shift() ?? { ok: true };
      },
      soundOf: async (id) => ({ callId: null, durationMs: 900, wav: `sound of ${id}` }),
    });
  let telling = begin();
  office.subscribe((step) => telling.changed(step));
  office.start();
  await turns();
  await meanwhile(office);
  await turns();
  void office.openPersonal({ sorts, rows: rowsOf(left?.office) }, true);
  await turns();
  const ask = async (request: InboxRequest, session = maren) => {
    const reply = await office.askFor(session, request);
    if (!reply.ok) throw new Error(JSON.stringify(reply.reason));
    await turns();
  };
  const keep = (sort: string, put: { id: string }, session = maren) =>
    ask({ type: 'keepOwn', changes: [{ table: 'personal', sort, put }] }, session);
  return {
    ...{ office, sent, faults, ask, keep, clock, entries, folder },
    telling: () => telling,
    /** Its server is stopped and started again. */
    restart: async () => {
      telling.close();
      telling = begin();
      await turns();
    },
    tellAt: (place: Place, session = maren) => {
      const destination: Destination = { id: place.kind, place, kinds: ['missedCall', 'voicemail', 'text'] };
      return keep('destinations', destination, session);
    },
    confirm: async (place: Place, session = maren) => {
      await telling.answer(session, { what: 'sendCode', place }, origin);
      const last = sent.pop();
      const code = /\d{6}/.exec(last?.mail?.text ?? last?.body ?? '')?.[0] ?? '';
      return telling.answer(session, { what: 'confirm', place, code }, origin);
    },
    goOn: async () => {
      due?.();
      await turns();
    },
    told: () => rowsOf(office).flatMap(({ sort, row }) => (sort === 'told' ? [row as Told] : [])),
    textIn: async (text: string) => {
      const asked = { number: '+447700900333', lineId: 'text', text, picture: null };
      await office.linkFor(outside).play({ kind: 'textIn', text: asked });
      await turns();
    },
  };
}

describe('what comes in for members who are not there', () => {
  it('is told by mail and to other programs, once each, and each sees how far it has come', async () => {
    const { tellAt, confirm, textIn, sent, goOn, told, faults } = await open();
    for (const place of [mail, hook]) {
      await tellAt(place);
      expect(await confirm(place)).toEqual({ done: true });
    }
    await textIn('Pump two is running hot');
    await goOn();
    expect(sent.map(({ to }) => to).toSorted()).toEqual(['https://desk.example/hook', 'maren@home.example']);
    expect(sent.find((each) => each.mail)?.mail?.text).toContain('Pump two is running hot');
    expect(told().map(({ progress }) => progress?.state)).toEqual(['delivered', 'delivered']);
    expect(faults).toEqual([]);
  });

  it('is a call that nobody took, of which a voicemail that it left is told instead', async () => {
    const { office, tellAt, confirm, sent, goOn, clock } = await open();
    await tellAt(mail);
    await confirm(mail);
    const link = office.linkFor(outside);
    const line = sampleOffice.lines.find(({ ownerId }) => ownerId === 'maren')?.number ?? '';
    const made = await link.send({
      ...{ type: 'make', to: line },
      from: { kind: 'outside', number: '+447700900333', name: null },
    });
    expect(made.ok).toBe(true);
    clock.moveOn(5_000);
    await turns();
    await link.send({ type: 'clear', legId: made.ok ? (made.legId ?? '') : '' });
    await turns();
    await goOn();
    expect(sent.map(({ mail: written }) => written?.subject)).toEqual([
      expect.stringContaining('Missed call'),
    ]);
  });

  it('is told nowhere before its place is confirmed, and that is said', async () => {
    const { tellAt, textIn, sent, goOn, told } = await open();
    await tellAt(mail);
    await textIn('Anybody there?');
    await goOn();
    expect(sent).toEqual([]);
    expect(told()[0]?.progress).toMatchObject({ state: 'failed', problem: expect.stringContaining('code') });
  });

  it('is tried again where its server had stopped, and told once', async () => {
    const { tellAt, confirm, textIn, sent, goOn, restart } = await open({
      answers: [{ ok: true }, { ok: false, forGood: false, problem: 'It answered 503.' }],
    });
    await tellAt(mail);
    await confirm(mail);
    await textIn('Pump two is running hot');
    await goOn();
    expect(sent).toHaveLength(1);
    await restart();
    await goOn();
    expect(sent).toHaveLength(2);
    await restart();
    await goOn();
    expect(sent).toHaveLength(2);
  });

  it('goes with its sound to whoever hears that mailbox alone, whatever their own row says', async () => {
    const { ask, keep, tellAt, confirm, sent, goOn, told } = await open();
    await tellAt(mail);
    await confirm(mail);
    await ask({ type: 'leaveVoicemail', id: 'left', toPersonId: 'maren', durationMs: 900 }, hugh);
    await goOn();
    expect(sent.at(-1)?.mail?.attachments[0]?.base64).toBe('sound of left');
    const theirs: Place = { kind: 'mail', address: 'hugh@home.example' };
    await tellAt(theirs, hugh);
    await confirm(theirs, hugh);
    const [first] = told();
    await keep('told', { ...first!, id: 'mine', place: theirs, progress: null } as Told, hugh);
    await goOn();
    expect(sent.at(-1)).toMatchObject({ to: 'hugh@home.example', mail: { attachments: [] } });
  });

  it('waits for no mail server where there is none: that is said', async () => {
    const { telling, tellAt } = await open({ hasMail: false });
    await tellAt(mail);
    expect(await telling().answer(maren, { what: 'places' }, origin)).toEqual({
      confirmed: [],
      sendsMail: false,
    });
    expect(await telling().answer(maren, { what: 'sendCode', place: mail }, origin)).toMatchObject({
      refused: 'This office has no mail server.',
    });
  });
});

describe('a call that rang when its server fell', () => {
  it('is told though it ends before all is read again', async () => {
    const before = await open();
    await before.tellAt(mail);
    await before.confirm(mail);
    const line = sampleOffice.lines.find(({ ownerId }) => ownerId === 'maren')?.number ?? '';
    const made = await before.office.linkFor(outside).send({
      ...{ type: 'make', to: line },
      from: { kind: 'outside', number: '+447700900333', name: null },
    });
    expect(made.ok).toBe(true);
    before.telling().close();
    const meanwhile = async (office: HostedOffice) => {
      const legId = made.ok ? (made.legId ?? '') : '';
      expect(await office.linkFor(outside).send({ type: 'clear', legId })).toMatchObject({ ok: true });
    };
    const { sent, goOn } = await open({ left: before, at: before.clock.now() + 2_000, meanwhile });
    await goOn();
    expect(sent.map(({ mail: written }) => written?.subject)).toEqual([
      expect.stringContaining('Missed call'),
    ]);
  });
});

describe('a place', () => {
  it('is confirmed by the code that was sent there, for the one who asked', async () => {
    const { telling, tellAt, confirm } = await open();
    await tellAt(mail);
    await tellAt(mail, hugh);
    expect(await confirm(mail)).toEqual({ done: true });
    expect(await telling().answer(maren, { what: 'places' }, origin)).toMatchObject({ confirmed: ['mail'] });
    expect(await telling().answer(hugh, { what: 'places' }, origin)).toMatchObject({ confirmed: [] });
    expect(await telling().answer(outside, { what: 'places' }, origin)).toHaveProperty('refused');
  });

  it('is not confirmed by guessing: five tries, then another code', async () => {
    const { telling, sent } = await open();
    await telling().answer(maren, { what: 'sendCode', place: mail }, origin);
    const code = /\d{6}/.exec(sent[0]?.mail?.text ?? '')?.[0] ?? '';
    const wrong = code === '123456' ? '123457' : '123456';
    for (let at = 0; at < 5; at++)
      expect(await telling().answer(maren, { what: 'confirm', place: mail, code: wrong }, origin)).toEqual({
        refused: 'That is not the code that was sent.',
      });
    expect(await telling().answer(maren, { what: 'confirm', place: mail, code }, origin)).toMatchObject({
      refused: expect.stringContaining('Too many'),
    });
  });

  it('is not confirmed by guessing all at once either', async () => {
    const { telling, sent } = await open();
    await telling().answer(maren, { what: 'sendCode', place: mail }, origin);
    const code = /\d{6}/.exec(sent[0]?.mail?.text ?? '')?.[0] ?? '';
    const wrong = code === '123456' ? '123457' : '123456';
    const guesses = [...Array.from({ length: 5 }, () => wrong), code];
    const answers = await Promise.all(
      guesses.map((each) => telling().answer(maren, { what: 'confirm', place: mail, code: each }, origin)),
    );
    expect(answers.at(-1)).toMatchObject({ refused: expect.stringContaining('Too many') });
  });

  it('of a stranger gets five codes a day at most, whoever asks', async () => {
    const { telling, sent } = await open();
    for (const session of [maren, hugh, maren, hugh, maren, hugh, maren])
      await telling().answer(session, { what: 'sendCode', place: mail }, origin);
    expect(sent).toHaveLength(5);
  });
});

describe('somebody outside who is asked to a meeting by mail', () => {
  const token = 'a-link-for-whoever-has-it';
  async function meeting(given: Parameters<typeof open>[0] = {}) {
    const opened = await open(given);
    const { office } = opened;
    // She has begun another call before.
    await office.send({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to: '201' });
    const made = await office.send({
      ...{ type: 'make', to: '+441314960120' },
      from: { kind: 'outside', number: '+447700900162', name: 'CAWDER FW' },
    });
    const legId = () =>
      office
        .seen()
        .calls.get((made.ok && made.callId) || '')
        ?.legs.find(({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === 'maren-app')?.id ??
      '';
    await office.send({ type: 'answer', legId: legId() });
    await office.send({ type: 'meet', legId: legId() });
    await office.send({ type: 'inMeeting', legId: legId(), act: { act: 'giveLink', token, forLegId: null } });
    const invite = (session: Session, to: string, by = token) =>
      opened.telling().answer(session, { what: 'invite', token: by, to }, origin);
    return { ...opened, invite, callId: (made.ok && made.callId) || '' };
  }

  it('gets the link, and a request that calendars take', async () => {
    const { invite, sent, callId } = await meeting();
    expect(await invite(maren, ' zofia@kern.example ')).toEqual({ done: true });
    expect(sent[0]?.to).toBe('zofia@kern.example');
    expect(sent[0]?.mail?.text).toContain(`${origin}/guest#${token}`);
    const calendar = sent[0]?.mail?.calendar?.replace(/\r\n /g, '') ?? '';
    expect(calendar).toContain('METHOD:REQUEST');
    expect(calendar).toContain(`UID:${callId}@cendro.invalid`);
    expect(calendar).toContain('mailto:office@orrin.example');
  });

  it('gets nothing by whoever is not in it, by another link, or at no address; and it is said where it can’t go', async () => {
    const answers: TryResult[] = [];
    const { invite, sent } = await meeting({ answers });
    const refused = { refused: expect.any(String) };
    expect(await invite(hugh, 'zofia@kern.example')).toEqual(refused);
    expect(await invite(maren, 'zofia@kern.example', 'another-link-that-nobody-gave')).toEqual(refused);
    expect(await invite(maren, 'Zofia Kern')).toEqual({ refused: 'That is no mail address.' });
    expect(sent).toEqual([]);
    answers.push({ ok: false, forGood: true, problem: 'The mail server says: no such mailbox' });
    expect(await invite(maren, 'nobody@kern.example')).toEqual({
      refused: 'The mail server says: no such mailbox',
    });
    const without = await meeting({ hasMail: false });
    expect(await without.invite(maren, 'zofia@kern.example')).toEqual({
      refused: 'This office has no mail server.',
    });
  });
});
