import { sampleCast, sampleOffice } from '@sample';

import { callerOf, type Call, type Command } from '@/core/calls/exchange';
import type { Session } from '@/core/office';

import { Clock } from '../clock';
import { type OfficeLink } from '../link';
import { HostedOffice } from '.';

const start = Date.UTC(2026, 10, 26, 10, 40);
const member = (personId: string, deviceId: string): Session => ({
  id: deviceId,
  personId,
  deviceId,
  roles: ['member'],
});

/** What an app makes of what it is told: the calls as it sees them. */
function mirrorOf(link: OfficeLink) {
  const calls = new Map<string, Call>();
  const heard: string[] = [];
  link.subscribe(({ changedCalls, endedCallIds, events }) => {
    for (const call of changedCalls) calls.set(call.id, call);
    for (const id of endedCallIds) calls.delete(id);
    heard.push(...events.map(({ type }) => type));
  });
  return { calls, heard, all: () => [...calls.values()] };
}

function open() {
  const clock = new Clock({ mode: 'fixed', at: start });
  const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock });
  const join = (session: Session) => {
    const link = office.linkFor(session);
    const mirror = mirrorOf(link);
    const legIn = (call: Call | undefined) =>
      call?.legs.find(
        ({ endpoint, state }) =>
          endpoint.kind === 'device' && endpoint.deviceId === session.deviceId && state !== 'cleared',
      )?.id ?? '';
    const ask = async (command: Command) => {
      const result = await link.send(command);
      if (!result.ok) throw new Error(JSON.stringify(result.reason));
      return result;
    };
    return { link, ...mirror, legIn, ask, mine: () => mirror.all().find((call) => legIn(call) !== '') };
  };
  const [maren, hugh] = [join(member('maren', 'maren-app')), join(member('hugh', 'hugh-desk'))];
  const outside = join({ id: 'outside', personId: null, deviceId: null, roles: ['simulator', 'network'] });
  void office.openPersonal({ sorts: {}, rows: [] }, true);
  office.start();
  return { office, clock, maren, hugh, outside };
}

const customer = { kind: 'outside', number: '+447700900333', name: null } as const;

/** What an app makes of the messages and rooms it is told. */
async function inboxOf(link: OfficeLink) {
  const tables = await link.tables();
  const messages = new Map(tables.messages.map((each) => [each.id, each]));
  link.subscribe(({ changes }) => {
    for (const change of changes) {
      if ('gone' in change) messages.delete(change.gone);
      else if (change.table === 'messages') messages.set(change.put.id, change.put);
    }
  });
  const said = () =>
    [...messages.values()].map(({ direction, number, text, state }) =>
      [direction, number, text, state].join(' '),
    );
  let made = 0;
  const write = (number: string, text: string) =>
    link.ask({ type: 'write', id: `${number}-${text}-${++made}`, number, lineId: 'text', text });
  return { messages, said, write };
}

describe('two who are signed in at one office', () => {
  it('write to each other: it arrives at once, each has it from their side, and nobody else has it', async () => {
    const { maren, hugh, office } = open();
    const ilse = office.linkFor(member('ilse', 'ilse-desk'));
    const [hers, his, hers2] = await Promise.all([maren.link, hugh.link, ilse].map(inboxOf));
    expect(await hers?.write('211', 'Is the mast up?')).toEqual({ ok: true });
    await his?.write('214', 'It is.');
    expect(hers?.said()).toEqual(['out 211 Is the mast up? delivered', 'in 211 It is. received']);
    expect(his?.said()).toEqual(['in 214 Is the mast up? received', 'out 214 It is. delivered']);
    expect(hers2?.said()).toEqual([]);
    for (const [link, inbox] of [[maren.link, hers] as const, [hugh.link, his] as const])
      expect((await link.tables()).messages).toEqual([...(inbox?.messages.values() ?? [])]);
  });

  it('share a room: what is written in it is there for those in it, and goes with who leaves', async () => {
    const { clock, maren, hugh } = open();
    const [hers, his] = await Promise.all([maren.link, hugh.link].map(inboxOf));
    await maren.link.ask({ type: 'openRoom', id: 'r', name: 'Race day', isOpen: false, memberIds: ['hugh'] });
    await hers?.write('room:r', 'Who brings the mast?');
    clock.moveOn(5_000);
    expect(his?.said()).toEqual(['in room:r Who brings the mast? received']);
    expect(await maren.link.ask({ type: 'enter', roomId: 'r', personId: 'hugh' })).toEqual({ ok: true });
    await hugh.link.ask({ type: 'leave', roomId: 'r' });
    expect([hers?.said().length, his?.said()]).toEqual([1, []]);
    expect(await his?.write('room:r', 'Me')).toMatchObject({ ok: false, reason: { code: 'notInRoom' } });
  });

  it('write to who is not there: it arrives by the stand-in, whose answer comes to who wrote', async () => {
    const { clock, maren, hugh, outside } = open();
    const [hers, his] = await Promise.all([maren.link, hugh.link].map(inboxOf));
    const script = { kind: 'delivers', afterSeconds: 2, reply: { text: 'Yes.', afterSeconds: 1 } } as const;
    await outside.link.play({ kind: 'textScript', number: '203', script: script });
    await his?.write('203', 'Are you in?');
    expect(his?.said()).toEqual(['out 203 Are you in? sent']);
    clock.moveOn(4_000);
    expect(his?.said()).toEqual(['out 203 Are you in? delivered', 'in 203 Yes. received']);
    expect(hers?.said()).toEqual([]);
    expect((await outside.link.tables()).messages).toEqual([]);
  });

  it('who waits for one is neither seen nor done by the other', async () => {
    const { maren, hugh, outside } = open();
    const text = { number: customer.number, lineId: 'text', text: 'Gate?', picture: null };
    await outside.link.play({ kind: 'textIn', text });
    const waiting = async ({ link }: { link: OfficeLink }) =>
      (await link.tables()).waiting.map(({ personId, tries }) => [personId, tries.length]);
    expect(await Promise.all([maren, hugh, outside].map(waiting))).toEqual([[['maren', 1]], [], []]);
    const handles = [`number:${customer.number}`];
    await hugh.link.ask({ type: 'closeWaiting', handles });
    expect(await waiting(maren)).toEqual([['maren', 1]]);
    await maren.link.ask({ type: 'closeWaiting', handles });
    expect(await waiting(maren)).toEqual([['maren', 0]]);
  });

  it('ask a colleague to call: whoever asked is called', async () => {
    const { clock, maren, hugh } = open();
    const asked = { type: 'write', id: 'a', number: '203', lineId: 'text', text: 'Call me.' } as const;
    await hugh.link.ask({ ...asked, asks: 'callBack' });
    clock.moveOn(20_000);
    expect(hugh.mine()?.legs.find(({ role }) => role === 'caller')?.personId).toBe('odile');
    expect(maren.mine()).toBeUndefined();
  });

  it('talk with each other: no stand-in lifts a phone that is somebody’s app', async () => {
    const { clock, maren, hugh } = open();
    await maren.ask({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to: '211' });
    // The stand-in would have refused by now.
    clock.moveOn(10_000);
    const rings = hugh.mine();
    expect(rings?.legs.find(({ id }) => id === hugh.legIn(rings))?.state).toBe('alerting');
    await hugh.ask({ type: 'answer', legId: hugh.legIn(rings) });
    expect(maren.mine()?.answeredAt).not.toBeNull();
    expect(maren.mine()?.id).toBe(hugh.mine()?.id);
  });

  it('a caller is answered by one and handed to the other; each sees what is theirs, and no more', async () => {
    const { clock, maren, hugh, outside } = open();
    await outside.ask({ type: 'make', from: customer, to: '+441314960214' });
    clock.moveOn(1_000);
    // It rings by Maren's plan: Hugh sees that phones of hers are busy, and neither who calls nor why.
    expect(callerOf(maren.mine() as Call).endpoint).toEqual(customer);
    expect(hugh.all()).toHaveLength(1);
    expect(JSON.stringify(hugh.all())).not.toContain(customer.number);
    await maren.ask({ type: 'answer', legId: maren.legIn(maren.mine()) });
    const legId = maren.legIn(maren.mine());
    const refused = await hugh.link.send({ type: 'clear', legId });
    expect(refused).toEqual({ ok: false, reason: { code: 'notYours', what: 'call' } });
    await maren.ask({ type: 'transfer', legId, target: { kind: 'number', to: '211' } });
    clock.moveOn(2_000);
    expect(callerOf(hugh.mine() as Call).endpoint).toEqual(customer);
    await hugh.ask({ type: 'answer', legId: hugh.legIn(hugh.mine()) });
    expect(hugh.heard).not.toContain('digitsSent');
    // What each keeps by what they were told is what they would see now.
    for (const { link, all } of [maren, hugh, outside])
      expect(all()).toEqual(expect.arrayContaining([...(await link.snapshot()).changedCalls]));
  });

  it('nobody acts in the name of another, and only stand-ins speak for those outside', async () => {
    const { maren, hugh, outside } = open();
    const asHugh: Command = { type: 'make', from: { kind: 'device', deviceId: 'hugh-desk' }, to: '203' };
    for (const { link } of [maren, outside])
      expect(await link.send(asHugh)).toEqual({ ok: false, reason: { code: 'notYours', what: 'device' } });
    expect(await maren.link.send({ type: 'make', from: customer, to: '211' })).toEqual({
      ok: false,
      reason: { code: 'notYours', what: 'outside' },
    });
    const text = { number: customer.number, lineId: 'text', text: 'Hello', picture: null };
    await expect(hugh.link.play({ kind: 'textIn', text })).rejects.toThrow('may not play who is outside');
    const stop = { type: 'stopFax', id: 'f1' } as const;
    expect(await outside.link.ask(stop)).toEqual({ ok: false, reason: { code: 'notYours', what: 'fax' } });
  });

  it('send and pass on what is theirs: a fax goes out from one line, a voicemail lies in one mailbox', async () => {
    const { clock, maren, hugh, outside } = open();
    await maren.link.ask({
      ...{ type: 'sendFax', id: 'f', number: '+441174960155', lineId: 'field' },
      ...{ title: 'Permit', pages: 1 },
    });
    clock.moveOn(60_000);
    await outside.ask({ type: 'make', from: customer, to: '+441314960214' });
    for (let step = 0; step < 60; step++) clock.moveOn(1_000);
    const [left] = (await maren.link.tables()).voicemails;
    expect(left?.from.number).toBe(customer.number);
    expect((await maren.link.tables()).faxes).toMatchObject([{ id: 'f', state: 'done' }]);
    expect(await hugh.link.tables()).toMatchObject({ faxes: [], voicemails: [] });
    const told: unknown[] = [];
    hugh.link.subscribe(({ changes }) => told.push(...changes));
    const pass = { type: 'passVoicemailOn', id: left?.id ?? '', copyId: 'copy', word: 'For you' } as const;
    expect(await hugh.link.ask({ ...pass, toPersonId: 'hugh' })).toMatchObject({ ok: false });
    expect(await maren.link.ask({ ...pass, toPersonId: 'hugh' })).toEqual({ ok: true });
    expect(told).toMatchObject([{ table: 'voicemails', put: { id: 'copy', forwarded: { byId: 'maren' } } }]);
    await hugh.link.ask({ type: 'markVoicemail', id: 'copy', isHeard: true });
    const copy = (await maren.link.tables()).voicemails.find(({ id }) => id === 'copy');
    expect(copy?.heardAt).toBeNull();
  });

  it('who signs off is played by a stand-in again', async () => {
    const { clock, maren, hugh } = open();
    hugh.link.close();
    await maren.ask({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to: '211' });
    clock.moveOn(10_000);
    const desk = maren.mine()?.legs.find(({ personId }) => personId === 'hugh');
    expect(desk).toMatchObject({ state: 'cleared', cause: 'callRejected' });
  });
});

it('who plays a colleague chooses no PIN for them, and lets nobody in', async () => {
  const clock = new Clock({ mode: 'fixed', at: Date.UTC(2026, 10, 26, 10, 40) });
  const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock, pinCost: 1 });
  office.start();
  const outside = office.linkFor({
    id: 'o',
    personId: null,
    deviceId: null,
    roles: ['simulator', 'network'],
  });
  const asked = [
    { type: 'setPin', pin: '482913', before: null, device: null },
    { type: 'givePin', personId: 'ilse', pin: '482913' },
    { type: 'invite', personId: 'ilse', code: 'a code of some length' },
  ] as const;
  for (const request of asked) await expect(outside.askAs('maren', request as never)).rejects.toThrow();
  expect(office.desk.access.all).toEqual([]);
});
