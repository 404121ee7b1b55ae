import { OfficeIndex, emptyOffice } from '@/core/setup';
import type { Call, Leg } from '@/core/calls/exchange';
import type { OfficeSeen, Session } from '@/core/office';
import type { ToldOfVoices } from '@/office/socket';

import { Voices, type Speaker } from './Voices';

const leg = (id: string, state: Leg['state'] = 'connected') =>
  ({ id, state, endpoint: { kind: 'device', deviceId: `${id}-app` } }) as Leg;
const call = (id: string, ...legs: Leg[]) => ({ id, legs }) as Call;
const session = (id: string): Session => ({ id, personId: id, deviceId: `${id}-app`, roles: ['member'] });

class Heard implements Speaker {
  readonly told: ToldOfVoices[] = [];
  constructor(readonly id: string) {}
  tell = (told: ToldOfVoices) => void this.told.push(told);
  get peers() {
    const last = this.told.findLast(({ kind }) => kind === 'peers');
    return last?.kind === 'peers' ? last.peers.map(({ legId, by }) => `${legId} ${by}`) : null;
  }
}

function set(...calls: Call[]) {
  const all = new Map(calls.map((each) => [each.id, each]));
  const seen = {
    calls: all,
    office: new OfficeIndex(emptyOffice),
    legOf: () => null,
    devicesInUse: new Set(),
  };
  const voices = new Voices(() => seen as OfficeSeen, {
    iceServers: [{ urls: 'stun:here' }],
    relayOnly: true,
  });
  const change = (...changedCalls: Call[]) => {
    for (const each of changedCalls) all.set(each.id, each);
    voices.changed({ changedCalls, endedCallIds: [] });
  };
  const end = (callId: string) => {
    all.delete(callId);
    voices.changed({ changedCalls: [], endedCallIds: [callId] });
  };
  const comeAs = (who: string) => ({ sessions: [session(who)], legIds: [] });
  const ask = (
    speaker: Speaker,
    legId: string,
    given: { by?: string; who?: string; instead?: boolean } = {},
  ) => {
    const { by = speaker.id, who = legId, instead = false } = given;
    return voices.ask(speaker, comeAs(who), { what: 'take', legId, by, name: `${by}'s`, instead });
  };
  const take = (speaker: Speaker, legId: string, by = speaker.id, who = legId) =>
    ask(speaker, legId, { by, who }).done;
  const signal = (speaker: Speaker, from: string, to: string) =>
    voices.ask(speaker, comeAs(from), { what: 'signal', from, to, signal: { candidate: null } }).done;
  return { voices, change, end, ask, take, signal };
}

describe('where voices find each other', () => {
  const [ada, bela, cleo] = [() => new Heard('ada'), () => new Heard('bela'), () => new Heard('cleo')];

  it('tells both ends of each other once a browser speaks at each', () => {
    const { take, signal } = set(call('c', leg('a'), leg('b')));
    const [one, two] = [ada(), bela()];
    expect([take(one, 'a'), take(two, 'b')]).toEqual([true, true]);
    expect([one.peers, two.peers]).toEqual([['b bela'], ['a ada']]);
    expect(signal(one, 'a', 'b')).toBe(true);
    expect(two.told.at(-1)).toEqual({ kind: 'signal', from: 'a', to: 'b', signal: { candidate: null } });
  });

  it('lets nobody speak at an end that is not theirs, or in the name of another, or into another call', () => {
    const { take, signal } = set(
      call('c', leg('a'), leg('b')),
      call('d', leg('x')),
      call('e', leg('y', 'cleared')),
    );
    const [one, two, three] = [ada(), bela(), cleo()];
    expect(take(three, 'a', 'cleo', 'x')).toBe(false);
    expect(take(three, 'y')).toBe(false);
    expect(take(three, 'nowhere')).toBe(false);
    take(one, 'a');
    take(two, 'b');
    take(three, 'x');
    expect(signal(three, 'a', 'b')).toBe(false);
    expect(signal(three, 'x', 'b')).toBe(false);
    expect(two.told.some(({ kind }) => kind === 'signal')).toBe(false);
  });

  it('has one browser at an end: a second one waits until the first has gone; one that connects anew keeps its place', () => {
    const { voices, take } = set(call('c', leg('a'), leg('b')));
    const [one, again, other] = [ada(), new Heard('ada-again'), new Heard('other')];
    expect(take(one, 'a', 'page')).toBe(true);
    expect(take(other, 'a', 'other page')).toBe(false);
    expect(take(again, 'a', 'page')).toBe(true);
    voices.left(one);
    expect(take(other, 'a', 'other page')).toBe(false);
    voices.left(again);
    expect(take(other, 'a', 'other page')).toBe(true);
  });

  it('tells the servers by which browsers find each other to whoever is let in alone', () => {
    const { voices, ask } = set(call('c', leg('a'), leg('b')));
    const ways = { done: true, iceServers: [{ urls: 'stun:here' }], relayOnly: true };
    expect(voices.ask(ada(), { sessions: [session('a')], legIds: [] }, { what: 'servers' })).toMatchObject(
      ways,
    );
    expect(ask(bela(), 'b')).toMatchObject(ways);
    expect(voices.ask(cleo(), { sessions: [], legIds: [] }, { what: 'servers' })).toMatchObject({
      done: false,
      iceServers: [],
    });
  });

  it('says who speaks there, and lets another browser of the same person do it instead; of nobody else', () => {
    const { ask, take, signal } = set(call('c', leg('a'), leg('b')));
    const [desk, phone, two, thief] = [new Heard('desk'), new Heard('phone'), bela(), cleo()];
    take(desk, 'a');
    take(two, 'b');
    expect(ask(phone, 'a')).toMatchObject({ done: false, speaks: "desk's" });
    expect(ask(thief, 'a', { who: 'x', instead: true })).toMatchObject({ done: false, speaks: null });
    expect(ask(phone, 'a', { instead: true })).toMatchObject({ done: true, speaks: null });
    expect(desk.told.at(-1)).toEqual({ kind: 'instead', legId: 'a', name: "phone's" });
    expect(two.peers).toEqual(['a phone']);
    expect([signal(desk, 'a', 'b'), signal(phone, 'a', 'b')]).toEqual([false, true]);
  });

  it('follows calls that become one, ends that leave, and calls that end', () => {
    const { change, end, take } = set(call('c', leg('a'), leg('b')), call('d', leg('x')));
    const [one, two, three] = [ada(), bela(), cleo()];
    take(one, 'a');
    take(two, 'b');
    take(three, 'x');
    expect(three.peers).toEqual([]);
    change(call('c', leg('a'), leg('b'), leg('x')));
    expect(three.peers).toEqual(['a ada', 'b bela']);
    change(call('c', leg('a'), leg('b', 'cleared'), leg('x')));
    expect(three.peers).toEqual(['a ada']);
    end('c');
    expect(take(one, 'a')).toBe(false);
  });
});
