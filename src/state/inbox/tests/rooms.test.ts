import { handleToTake, triedAt } from '@/core/inbox/looseEnds';
import { roomNumber } from '@/core/inbox/messages';

import { selectLooseEnds } from '../../app';
import { actRefused } from '../../app/slices';

import {
  chatOfCall,
  enterRoom,
  leaveRoom,
  markRead,
  openRoom,
  selectArrivals,
  selectRoomLog,
  selectRooms,
  takeOn,
  writeInRoom,
} from '..';
import { me, open, serveClips, settle, until, type App } from './openApp';

beforeEach(serveClips);

const names = (app: App) => selectRooms(app.state()).map(({ room, unread }) => `${room.name} ${unread}`);
const says = async (
  app: App,
  fromId: string,
  text: string,
  roomId: string,
  asks: 'callBack' | null = null,
) => {
  await app.office.play({
    kind: 'textIn',
    text: {
      number: roomNumber(roomId),
      lineId: 'text',
      text,
      picture: null,
      fromId,
      asks,
    },
  });
  await settle();
};

describe('rooms', () => {
  it('stand by when they were written in last, with what is new in those the worker is in', async () => {
    const app = await open();
    expect(names(app)).toEqual(['Field and owner 1', 'Cawder gauges 1', 'Stores and batteries 0']);
    await app.store.dispatch(markRead(selectRoomLog(app.state(), 'cawder').map(({ id }) => id)));
    await says(app, 'hugh', 'Six are left.', 'stores');
    expect(names(app)).toEqual(['Stores and batteries 0', 'Field and owner 1', 'Cawder gauges 0']);
    await app.store.dispatch(enterRoom('stores', 'maren'));
    expect(names(app)[0]).toBe('Stores and batteries 1');
  });

  it('that are closed and left are read no more', async () => {
    const app = await open();
    const id = (await app.store.dispatch(openRoom(' Race day ', false, ['sunniva']))) ?? '';
    expect(names(app)).toContain('Race day 0');
    await app.store.dispatch(leaveRoom(id));
    expect(names(app)).not.toContain('Race day 0');
  });

  it('are told quietly with who wrote where, to who is in them', async () => {
    const app = await open();
    const came = () =>
      selectArrivals(app.state()).map(({ who, room, words }) => [who.name, room?.name, words]);
    expect(came()).toEqual([]);
    await says(app, 'ilse', 'The pump is in.', 'cawder');
    await says(app, 'hugh', 'Six are left.', 'stores');
    expect(came()).toEqual([['Ilse Varga', 'Cawder gauges', 'The pump is in.']]);
  });

  it('opened at the same instant are two', async () => {
    const app = await open();
    const opened = [openRoom('One', true, []), openRoom('Two', true, [])].map((act) =>
      app.store.dispatch(act),
    );
    const [first, second] = await Promise.all(opened);
    expect(first).not.toBe(second);
    expect(names(app)).toEqual(expect.arrayContaining(['One 0', 'Two 0']));
  });

  it('make only those wait who speak to the worker or ask for a call; a line written there answers them', async () => {
    const app = await open();
    const before = app.waiting();
    await says(app, 'nadia', 'Anybody there?', 'cawder');
    expect(app.waiting()).toEqual(before);
    await says(app, 'nadia', 'Maren, are you there?', 'cawder');
    await says(app, 'kofi', 'Call me.', 'field', 'callBack');
    expect(app.waiting()).toEqual(expect.arrayContaining(['Nadia Feroz', 'Kofi Renner']));
    const room = app.state().inbox.kept.rooms['cawder'];
    if (room) app.store.dispatch(writeInRoom(room, 'I am.'));
    await settle();
    await app.pass(3);
    expect(app.waiting()).toContain('Kofi Renner');
    expect(app.waiting()).not.toContain('Nadia Feroz');
  });

  it('of a call end with it, and what was written stays', async () => {
    const app = await open();
    const from = { kind: 'device', deviceId: 'maren-app' } as const;
    const made = await app.office.send({ type: 'make', from, to: '201' });
    if (!made.ok || !made.legId) throw new Error('Not made');
    const callId = Object.keys(app.state().calls.byId)[0] ?? '';
    await app.store.dispatch(chatOfCall(callId, ['maren', 'ilse']));
    const room = app.state().inbox.kept.rooms[callId];
    if (room) await app.store.dispatch(writeInRoom(room, 'The gate code is 4120.'));
    expect(names(app)).toContain('Chat of the call 0');
    await app.office.send({ type: 'clear', legId: made.legId });
    await settle();
    expect(names(app)).not.toContain('Chat of the call 0');
    expect(app.state().inbox.kept.rooms[callId]?.closedAt).toBe(app.clock.now());
    expect(selectRoomLog(app.state(), callId).map(({ text }) => text)).toEqual(['The gate code is 4120.']);
  });
});

describe('a team', () => {
  /** Hugh calls the field team, whose phones are signed out, and speaks to its mailbox. */
  async function hughLeftWord(app: App) {
    for (const deviceId of ['sunniva-desk', 'bryn-desk', 'maren-desk', 'maren-app'])
      await app.office.send({ type: 'signOut', deviceId });
    const from = { kind: 'device', deviceId: 'hugh-desk' } as const;
    const made = await app.office.send({ type: 'make', from, to: '250' });
    await app.pass(60);
    if (made.ok && made.legId) await app.office.send({ type: 'clear', legId: made.legId });
    await settle();
  }

  it('has its mailbox heard by its members, and who waits there is taken on by one of them', async () => {
    const app = await open();
    await hughLeftWord(app);
    const left = Object.values(app.state().inbox.kept.voicemails).filter(
      ({ mailboxId }) => mailboxId === 'field-team',
    );
    expect(left).toHaveLength(1);
    const end = selectLooseEnds(app.state())?.open.find(({ who }) => who.name === 'Hugh Pellow');
    expect(end?.reasons).toMatchObject([{ kind: 'voicemail', teamId: 'field-team' }]);
    const holder = () =>
      selectLooseEnds(app.state())?.open.find(({ who }) => who.name === 'Hugh Pellow')?.takenById;
    const about = { key: handleToTake(end!), teamId: 'field-team', since: triedAt(end!), insteadOf: null };
    const outside = app.office.linkFor({
      ...{ id: 'outside', personId: null, deviceId: null },
      roles: ['simulator'],
    });
    const takesOn = (personId: string) => outside.askAs(personId, { type: 'takeOn', ...about });
    expect(await takesOn('sunniva')).toEqual({ ok: true });
    expect(holder()).toBe('sunniva');
    // Of two one is quicker, and the other hears so.
    app.store.dispatch(actRefused(null));
    await app.store.dispatch(takeOn({ ...end!, takenById: null }));
    expect(app.state().notices.refusal).toBe('Sunniva Dahl was quicker and has taken it on.');
    // Knowingly, they are taken over; and still so after the page was closed.
    await app.store.dispatch(takeOn({ ...end!, takenById: 'sunniva' }));
    expect(holder()).toBe(me.personId);
    await app.vault.flush();
    app.stop();
    app.office.close();
    const again = await open(app.kept, { state: app.office.save(), at: app.clock.now() });
    const ends = () => selectLooseEnds(again.state())?.open ?? [];
    await until(() => ends().some(({ takenById }) => takenById === me.personId));
    // Whoever tries again is for everybody of the team again.
    await again.pass(60);
    await hughLeftWord(again);
    await until(() => ends().every(({ takenById }) => takenById === null));
  });
});
