import { roomSchema, writtenMessage, type Message } from '@/core/inbox/messages';
import { OfficeIndex } from '@/core/setup';

import { fromOnePerson } from '../ofOnePerson';
import { viewOfMessage } from '../view';
import { allMessagingSeen, messagingRequestSchema, writtenOfficeMessage } from '..';
import { Messaging } from '../Messaging';
import { angling, at, farm, member, openMessaging, setup } from './testMessaging';

const refusal = (code: string, more: object = {}) => ({ ok: false, reason: { code, ...more } });

describe('a message in the office', () => {
  it('to a colleague is there once: hers as it goes out, his once it has arrived, nobody else’s', () => {
    const { write, sees, arrive } = openMessaging();
    expect(write('ada', '211', 'Is the mast up?').reply).toEqual({ ok: true });
    expect([sees('ada'), sees('cleo')]).toEqual([['out 211 Is the mast up? queued'], []]);
    arrive();
    expect(sees('ada')).toEqual(['out 211 Is the mast up? delivered']);
    expect(sees('cleo')).toEqual(['in 214 Is the mast up? received']);
    expect(sees('ben')).toEqual([]);
  });

  it('is read by each for themselves', () => {
    const { messaging, ask, write, arrive } = openMessaging();
    const { id } = write('ada', '211', 'Is the mast up?');
    arrive();
    const readAt = (personId: string) =>
      allMessagingSeen(personId, messaging).messages.map((each) => each.readAt);
    // Whose it is not marks nothing, nor does its author.
    ask(member('ben'), { type: 'markRead', ids: [id] });
    ask(member('ada'), { type: 'markRead', ids: [id] });
    expect([readAt('ada'), readAt('cleo')]).toEqual([[null], [null]]);
    ask(member('cleo'), { type: 'markRead', ids: [id] });
    expect(readAt('cleo')).toEqual([expect.any(Number)]);
    expect(readAt('ada')).toEqual([null]);
  });

  it('asked for twice under one id is written once; under another’s id not at all', () => {
    const { ask, sees } = openMessaging();
    const asked = { type: 'write', id: 'once', number: '211', lineId: 'text', text: 'Here.' } as const;
    expect([ask(member('ada'), asked), ask(member('ada'), asked)]).toEqual([{ ok: true }, { ok: true }]);
    expect(ask(member('ben'), asked)).toEqual(refusal('idTaken'));
    expect(sees('ada')).toHaveLength(1);
  });

  it('goes out over a line only by whose line it is, and not to who wants none', () => {
    const { messaging, write, ask } = openMessaging();
    expect(write('cleo', angling, 'Hello').reply).toEqual(refusal('notYours', { what: 'line' }));
    expect(write('ada', farm, 'Hello').reply).toEqual(refusal('cannotText', { failure: 'noTexts' }));
    const between = { kind: 'line', number: angling, fromId: null } as const;
    const stop = writtenOfficeMessage({ id: 'in', at, between, lineId: 'text', text: 'Stop' });
    messaging.arrived({ ...stop, state: 'received' });
    expect(write('ada', angling, 'Hello').reply).toEqual(refusal('cannotText', { failure: 'optedOut' }));
    expect(ask({ ...member('ada'), roles: [] }, { type: 'markRead', ids: ['in'] }).ok).toBe(false);
  });

  it('that came in is the owner’s of its line, and stays with who has read it', () => {
    const { messaging, ask, sees } = openMessaging();
    const between = { kind: 'line', number: angling, fromId: null } as const;
    const came = writtenOfficeMessage({ id: 'in', at, between, lineId: 'text', text: 'Gate?' });
    messaging.arrived({ ...came, state: 'received' });
    expect([sees('ada'), sees('cleo')]).toEqual([[`in ${angling} Gate? received`], []]);
    ask(member('ada'), { type: 'markRead', ids: ['in'] });
    const other = new OfficeIndex({
      ...setup,
      lines: setup.lines.map((line) => (line.id === 'text' ? { ...line, ownerId: 'cleo' } : line)),
    });
    const { all, rooms } = messaging;
    const seen = ['ada', 'cleo', 'ben'].map((id) =>
      [...all.values()].map((each) => viewOfMessage(each, id, { office: other, rooms }) !== null),
    );
    expect(seen).toEqual([[true], [true], [false]]);
  });

  it('is taken back while it waits, by its author; what has gone out can’t be', () => {
    const { ask, write, sees, arrive } = openMessaging();
    const { id } = write('ada', '211', 'Later', { notBefore: at + 3_600_000 });
    expect(ask(member('cleo'), { type: 'takeBack', id })).toEqual(refusal('unknownMessage'));
    expect(ask(member('ada'), { type: 'takeBack', id })).toEqual({ ok: true });
    expect(sees('ada')).toEqual([]);
    const { id: gone } = write('ada', '211', 'Now');
    arrive();
    expect(ask(member('ada'), { type: 'takeBack', id: gone })).toEqual(refusal('alreadySent'));
    expect(ask(member('cleo'), { type: 'takeBack', id: gone })).toEqual(
      refusal('notYours', { what: 'message' }),
    );
  });

  it('waits for its time, and one that failed is sent again by hand', () => {
    const { messaging, ask, write } = openMessaging();
    const { id } = write('ada', '211', 'Later', { notBefore: at + 60_000 });
    expect([messaging.nextToSend(at + 59_000), messaging.nextSendAt(at)]).toEqual([null, at + 60_000]);
    expect(messaging.nextToSend(at + 60_000)?.id).toBe(id);
    messaging.answered(id, 'refused', at + 60_000);
    expect(messaging.nextToSend(at + 90_000)).toBeNull();
    ask(member('ada'), { type: 'sendAgain', id });
    expect(messaging.nextToSend(at + 90_000)?.id).toBe(id);
  });

  it('written in the same instant as another stands after it', () => {
    const { messaging } = openMessaging();
    const write = (id: string) => {
      const asked = { type: 'write', id, number: '211', lineId: 'text', text: id } as const;
      messaging.request(member('ada'), messagingRequestSchema.parse(asked), at);
    };
    for (const id of ['z', 'm', 'a']) write(id);
    const inOrder = [...messaging.all.values()].sort((a, b) => a.at - b.at).map(({ id }) => id);
    expect(inOrder).toEqual(['z', 'm', 'a']);
    expect(messaging.nextToSend(at + 9)?.id).toBe('z');
  });

  it('is dropped for good by who runs the office only', () => {
    const { ask, write, sees } = openMessaging();
    const { id } = write('ada', '211', 'Old');
    expect(ask(member('ada'), { type: 'forget', ids: [id] })).toEqual(
      refusal('notYours', { what: 'office' }),
    );
    expect(sees('ada')).toHaveLength(1);
    expect(ask(member('ben', ['member', 'administrator']), { type: 'forget', ids: [id] }).ok).toBe(true);
    expect(sees('ada')).toEqual([]);
  });
});

describe('a room', () => {
  const open = (isOpen: boolean) => {
    const office = openMessaging();
    const about = { id: 'r', name: ' Race day ', isOpen, memberIds: ['ben', 'nobody'] };
    office.ask(member('ada'), { type: 'openRoom', ...about });
    office.write('ada', 'room:r', 'Who brings the mast?');
    office.arrive();
    return office;
  };

  it('that is closed is known, read and written in by its members alone', () => {
    const { rooms, sees, write, ask } = open(false);
    expect([rooms('ada'), rooms('ben'), rooms('cleo')]).toEqual([['Race day'], ['Race day'], []]);
    expect(sees('ben')).toEqual(['in room:r Who brings the mast? received']);
    expect(sees('cleo')).toEqual([]);
    expect(write('cleo', 'room:r', 'Me').reply).toEqual(refusal('notInRoom'));
    expect(ask(member('cleo'), { type: 'enter', roomId: 'r', personId: 'cleo' })).toEqual(
      refusal('unknownRoom'),
    );
    expect(ask(member('ada'), { type: 'enter', roomId: 'r', personId: 'cleo' }).ok).toBe(true);
    expect(sees('cleo')).toEqual(['in room:r Who brings the mast? received']);
  });

  it('that is open is read by all, and written in once one has come in; nobody brings others in from outside', () => {
    const { sees, write, ask } = open(true);
    expect(sees('cleo')).toHaveLength(1);
    expect(write('cleo', 'room:r', 'Me').reply).toEqual(refusal('notInRoom'));
    const bring = { type: 'enter', roomId: 'r', personId: 'ben' } as const;
    expect(ask(member('cleo'), bring)).toEqual(refusal('notYours', { what: 'room' }));
    ask(member('cleo'), { type: 'enter', roomId: 'r', personId: 'cleo' });
    expect(write('cleo', 'room:r', 'Me').reply).toEqual({ ok: true });
  });

  it('that was left by a slip is there again; nobody else comes back that way', () => {
    const { rooms, ask } = open(false);
    ask(member('ben'), { type: 'leave', roomId: 'r' });
    expect(rooms('ben')).toEqual([]);
    expect(ask(member('cleo'), { type: 'comeBack', roomId: 'r' })).toEqual(refusal('unknownRoom'));
    ask(member('ben'), { type: 'comeBack', roomId: 'r' });
    expect(rooms('ben')).toEqual(['Race day']);
    // The last one out of a closed room ends it, and begins it again by coming back.
    ask(member('ben'), { type: 'leave', roomId: 'r' });
    ask(member('ada'), { type: 'leave', roomId: 'r' });
    ask(member('ada'), { type: 'comeBack', roomId: 'r' });
    expect(rooms('ada')).toEqual(['Race day']);
  });

  it('that was left long ago is entered by being asked in, as by anybody', () => {
    const { messaging, ask, now } = open(false);
    ask(member('ben'), { type: 'leave', roomId: 'r' });
    const back = messagingRequestSchema.parse({ type: 'comeBack', roomId: 'r' });
    expect(messaging.request(member('ben'), back, now() + 3_600_000)).toEqual(refusal('unknownRoom'));
  });

  it('has a name of its own among those one knows of', () => {
    const { ask } = open(false);
    const same = { type: 'openRoom' as const, id: 'x', name: 'race day', isOpen: true, memberIds: [] };
    expect(ask(member('ada'), same)).toMatchObject(refusal('badRoomName'));
    // Cleo knows nothing of the closed one, and learns nothing of it.
    expect(ask(member('cleo'), same)).toEqual({ ok: true });
  });

  it('of a call ends with it, also where the call ended while nobody was there', () => {
    const { messaging, ask, write } = openMessaging();
    const asked = { type: 'openChat' as const, callId: 'c', memberIds: ['ben'] };
    // Whoever is not in the call opens no chat of it.
    expect(ask(member('cleo'), asked)).toEqual(refusal('notYours', { what: 'room' }));
    ask(member('ada'), asked);
    write('ada', 'room:c', '4120');
    expect(ask(member('cleo'), { type: 'openChat', callId: 'c', memberIds: [] })).toEqual(
      refusal('notYours', { what: 'room' }),
    );
    const again = new Messaging(
      () => messaging.office,
      () => true,
    );
    const isLive = () => false;
    again.load(messaging.all.values(), messaging.rooms.values(), { ownerId: 'ada', isLive, at: at + 9 });
    expect(again.rooms.get('c')?.closedAt).toBe(at + 9);
    messaging.callEnded('c', at + 5);
    expect(write('ben', 'room:c', 'Thanks').reply).toEqual(refusal('roomEnded'));
    expect(messaging.inRoom('c').map(({ text }) => text)).toEqual(['4120']);
  });
});

describe('what was kept while the office was one person’s', () => {
  const line = (given: Pick<Message, 'id' | 'number' | 'direction'> & Partial<Message>): Message => ({
    ...writtenMessage({ at, lineId: 'text', text: given.id, ...given }),
    ...(given.direction === 'in'
      ? { state: 'received', readAt: at + 1 }
      : { state: 'delivered', sentAt: at, deliveredAt: at + 2 }),
  });
  const old = [
    line({ id: 'from outside', number: angling, direction: 'in' }),
    line({ id: 'to outside', number: angling, direction: 'out' }),
    line({ id: 'from Cleo', number: '211', direction: 'in' }),
    line({ id: 'to Cleo', number: '211', direction: 'out' }),
    line({ id: 'in the room', number: 'room:open', direction: 'in', fromId: 'ben' }),
    line({ id: 'mine in the room', number: 'room:open', direction: 'out' }),
    line({ id: 'in the closed one', number: 'room:closed', direction: 'in', fromId: 'ben' }),
    line({ id: 'from nobody any more', number: '299', direction: 'in' }),
  ];
  const room = (id: string, isOpen: boolean) =>
    roomSchema.parse({
      ...{ id, name: id, isOpen, memberIds: ['ada', 'ben'], callId: null, createdAt: at, closedAt: null },
    });

  it('is seen by them as it was, and by colleagues as far as it is theirs', () => {
    const index = new OfficeIndex(setup);
    const messaging = new Messaging(
      () => index,
      () => true,
    );
    messaging.load(
      old.map((ofOnePerson) => ({ ofOnePerson })),
      [room('open', true), room('closed', false)],
      { ownerId: 'ada', isLive: () => true, at },
    );
    const ids = (personId: string) => allMessagingSeen(personId, messaging).messages.map(({ id }) => id);
    expect(allMessagingSeen('ada', messaging).messages).toEqual(old);
    expect(ids('cleo')).toEqual(['from Cleo', 'to Cleo', 'in the room', 'mine in the room']);
    expect(ids('ben')).toEqual(['in the room', 'mine in the room', 'in the closed one']);
    // They are written anew as the office has them.
    expect(messaging.takeChanges().map(({ id }) => id)).toEqual(old.map(({ id }) => id));
  });

  it('between colleagues belongs to both', () => {
    const index = new OfficeIndex(setup);
    const [from, to] = old
      .filter(({ number }) => number === '211')
      .map((message) => fromOnePerson(message, 'ada', index).between);
    expect(from).toEqual({ kind: 'colleagues', fromId: 'cleo', toId: 'ada' });
    expect(to).toEqual({ kind: 'colleagues', fromId: 'ada', toId: 'cleo' });
  });
});
