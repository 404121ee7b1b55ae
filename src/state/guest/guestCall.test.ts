import type { GuestIn, GuestSeen } from '@/core/guests';
import type { AnswerOfGuests, AskedOfGuests } from '@/office/guests';

import { GuestCall } from './GuestCall';
import { guestLinkOf } from './guestLink';

const link = { token: 'a-link-for-whoever-has-it', secret: 'a secret of chance, long', isBeside: false };
const settled = () => new Promise((resolve) => setTimeout(resolve));

/** As much of a server as a guest asks; what it answers is set by the test. */
function fakeServer() {
  const asked: AskedOfGuests[] = [];
  let tell: (seen: GuestSeen) => void = () => undefined;
  let follow: (isReached: boolean) => void = () => undefined;
  const server = {
    answer: { done: true } as AnswerOfGuests | null,
    asked,
    taken: 0,
    tell: (seen: GuestSeen) => tell(seen),
    connect: (isReached: boolean) => follow(isReached),
    askOfGuests: async (what: AskedOfGuests) => {
      asked.push(what);
      return server.answer;
    },
    hearOfGuests: (listener: typeof tell) => void (tell = listener),
    askOfVoices: async () => {
      server.taken++;
      // The test has no browser that connects.
      return null;
    },
    hearOfVoices: () => undefined,
    follow: (listener: typeof follow) => void (follow = listener),
    reachedWithin: async () => true,
  };
  return server;
}

function come(openMicrophone = () => Promise.reject(new Error('no microphone'))) {
  const server = fakeServer();
  const call = new GuestCall({ link, server, openMicrophone });
  return { server, call };
}

const inMeeting: GuestIn = {
  ...{ state: 'in', office: 'Orrin Vale Gauging', legId: 'l9', isBeside: false, isMuted: false },
  ...{
    isHeld: false,
    isRecorded: false,
    others: [],
    voices: [],
    pictures: [],
    sentTo: [],
    hands: [],
    reactions: [],
  },
};

describe('somebody who comes by a link', () => {
  it('is told that nobody will hear them where there is no microphone, and waits all the same', async () => {
    const { server, call } = come();
    server.answer = { seen: { state: 'waiting', office: 'Orrin Vale Gauging' } };
    await call.ask('Zofia Kern');
    expect(call.now).toMatchObject({ isHeard: false, seen: { state: 'waiting' }, isAsking: false });
    expect(server.asked).toEqual([
      { what: 'knock', token: link.token, secret: link.secret, name: 'Zofia Kern' },
    ]);
  });

  it('keeps the reason why they could not come, until they ask once more', async () => {
    const { server, call } = come();
    server.answer = { refused: 'meetingLocked' };
    await call.ask('Zofia');
    expect(call.now).toMatchObject({ refused: 'meetingLocked', seen: null });
    server.answer = null;
    await call.ask('Zofia');
    expect(call.now.refused).toBe('notReached');
    server.answer = { seen: { state: 'waiting', office: 'Orrin Vale Gauging' } };
    await call.ask('Zofia');
    expect(call.now.refused).toBeNull();
  });

  it('who was turned away, and asks once more, reads why not; and is not asked for behind their back', async () => {
    const { server, call } = come();
    server.answer = { seen: { state: 'over', why: 'turnedAway' } };
    await call.ask('Zofia');
    server.answer = { refused: 'meetingLocked' };
    await call.ask('Zofia');
    expect(call.now).toMatchObject({ refused: 'meetingLocked', seen: { state: 'over', why: 'turnedAway' } });
    server.connect(false);
    server.connect(true);
    await settled();
    expect(server.asked).toHaveLength(2);
  });

  it('speaks at their end once they are in; when the server was away they come again by themselves', async () => {
    const { server, call } = come();
    server.answer = { seen: { state: 'waiting', office: 'Orrin Vale Gauging' } };
    await call.ask('Zofia');
    expect(server.taken).toBe(0);
    server.tell(inMeeting);
    await settled();
    expect(server.taken).toBe(1);
    server.connect(false);
    expect(call.now.isReached).toBe(false);
    server.answer = { seen: inMeeting };
    server.connect(true);
    await settled();
    expect(server.asked.filter(({ what }) => what === 'knock')).toHaveLength(2);
    // The meeting ended while nobody was reached.
    server.answer = { refused: 'unknownLink' };
    server.connect(true);
    await settled();
    expect(call.now.seen).toEqual({ state: 'over', why: 'ended' });
    call.end();
  });

  it('is shown no more what a page before this one showed, said once', async () => {
    const { server, call } = come();
    const shown = { ...inMeeting, pictures: [{ id: 's1', legId: 'l9', kind: 'camera' as const }] };
    server.answer = { seen: shown };
    await call.ask('Zofia');
    server.tell(shown);
    await settled();
    const stops = server.asked.filter(({ what }) => what === 'act');
    expect(stops).toEqual([
      { what: 'act', act: { do: 'inMeeting', act: { act: 'stopShowing', pictureId: 's1' } } },
    ]);
    call.end();
  });

  it('who leaves is out at once, whatever the server says', async () => {
    const { server, call } = come();
    server.answer = { seen: inMeeting };
    await call.ask('Zofia');
    server.answer = null;
    call.leave();
    expect(call.now.seen).toEqual({ state: 'over', why: 'ended' });
  });
});

describe('the address of a link', () => {
  const kept = new Map<string, string>();
  const storage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => void kept.set(key, text),
  };
  beforeAll(() => Object.assign(globalThis, { sessionStorage: storage }));
  afterAll(() => Reflect.deleteProperty(globalThis, 'sessionStorage'));

  it('says whether it is beside a phone, and keeps one secret for each link in each tab', () => {
    const at = (rest: { hash: string; search?: string }) => guestLinkOf({ search: '', ...rest });
    const [one, again, other] = [
      '#one-link-for-the-meeting-1',
      '#one-link-for-the-meeting-1',
      '#another-link-of-it-2345',
    ].map((hash) => at({ hash }));
    expect(one).toMatchObject({ token: 'one-link-for-the-meeting-1', isBeside: false });
    expect(again?.secret).toBe(one?.secret);
    expect(other?.secret).not.toBe(one?.secret);
    expect(at({ hash: '#one-link-for-the-meeting-1', search: '?beside' })?.isBeside).toBe(true);
    for (const hash of ['', '#', '#too-short', '#with space in it, and long enough'])
      expect(at({ hash })).toBeNull();
  });
});
