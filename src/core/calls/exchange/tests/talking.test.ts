import { withContact } from '@/core/setup/changes';

import { limits } from '..';
import { consulting, device, number, openStory } from './story';
import { customer, start, testSetup } from './testOffice';

describe('RFC 5359 §2.1 call hold, §2.2 consultation hold, §2.3 music on hold', () => {
  it('the held side hears music, the holder nothing of it, and each can be taken up again', () => {
    const story = openStory();
    story.adaTalks(0);
    expect(story.does({ type: 'hold', legId: story.at('ada-app') }, 5)).toEqual(['held ada-app']);
    expect(story.hears()).toEqual({ customer: 'music', 'ada-app': 'nothing' });
    expect(story.does({ type: 'retrieve', legId: story.at('ada-app') }, 9)).toEqual(['retrieved ada-app']);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
  });

  it('a second call holds the first by itself', () => {
    const story = openStory();
    story.adaTalks(0);
    const { events } = story.fromAda('201', 10);
    expect(events.map(({ type }) => type)).toEqual(['held', 'originated', 'routed', 'delivered']);
    expect(story.hears()).toMatchObject({ customer: 'music', 'ben-desk': 'ring' });
  });
});

describe('ECMA-269 alternate call and reconnect call', () => {
  it('alternate: one is held and the other taken up in one step', () => {
    const story = consulting();
    expect(story.does({ type: 'retrieve', legId: story.held, activeCall: 'hold' }, 20)).toEqual([
      'held ada-app',
      'retrieved ada-app',
    ]);
    expect(story.hears()).toMatchObject({ customer: 'ada-app', 'ben-desk': 'music' });
  });

  it('reconnect: the consultation ends and the held call is taken up', () => {
    const story = consulting();
    expect(story.does({ type: 'retrieve', legId: story.held, activeCall: 'clear' }, 20)).toEqual([
      'connectionCleared ada-app normalClearing',
      'connectionCleared ben-desk normalClearing',
      'record ada answered',
      'record ben answered',
      'callCleared',
      'retrieved ada-app',
    ]);
  });
});

describe('3GPP TS 24.615 call waiting', () => {
  it('a second call rings while one is talked on; who lets none wait is busy', () => {
    const story = openStory();
    story.adaTalks(0);
    expect(
      story.does({ type: 'make', from: { ...customer, number: '+447700900001' }, to: '214' }, 5),
    ).toContain('delivered ada-app');
    const other = openStory();
    other.does({ type: 'setCallWaiting', deviceId: 'ada-app', on: false }, 0);
    other.adaTalks(0);
    expect(
      other.does({ type: 'make', from: { ...customer, number: '+447700900001' }, to: '214' }, 5),
    ).toContain('established ada-mailbox');
  });
});

describe('recording', () => {
  it('pauses and goes on as one, also at another phone, and ends with the call', () => {
    const story = openStory();
    story.adaTalks(0);
    const record = (act: 'start' | 'pause' | 'resume' | 'stop', where: string, seconds: number) =>
      story.does({ type: 'record', legId: story.at(where), act }, seconds);
    expect(record('start', 'ada-app', 5)).toEqual(['recording on']);
    record('pause', 'ada-app', 8);
    story.does({ type: 'move', legId: story.at('ada-app'), to: { deviceId: 'ada-desk' }, atOnce: true }, 9);
    record('resume', 'ada-desk', 20);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 26);
    const [record1] = events.flatMap((event) =>
      event.type === 'recordWritten' && event.record.personId === 'ada' ? [event.record] : [],
    );
    const pieces = record1?.recordings.map((recording) => recording.pieces);
    expect(pieces).toEqual([
      [
        { from: start + 5000, to: start + 8000 },
        { from: start + 20_000, to: start + 26_000 },
      ],
    ]);
  });

  it('follows the office’s policy: always begins by itself and can’t be stopped, never can’t be begun', () => {
    const policies = (recording: 'always' | 'never') => ({
      ...testSetup,
      policies: { ...testSetup.policies, recording },
    });
    const always = openStory(policies('always'));
    always.fromCustomer(0);
    const answer = { type: 'answer', legId: always.at('ada-app') } as const;
    expect(always.does(answer, 1)).toContain('recording on');
    expect(always.refuses({ type: 'record', legId: always.at('ada-app'), act: 'pause' }, 2)).toBe(
      'recordingPolicy',
    );
    const never = openStory(policies('never'));
    never.adaTalks(0);
    expect(never.refuses({ type: 'record', legId: never.at('ada-app'), act: 'start' }, 2)).toBe(
      'recordingPolicy',
    );
  });

  it('follows the person, the line and the team before the office: never is stronger than always, which is than on demand', () => {
    type Said = Partial<Record<'ada' | 'field' | 'yard', 'always' | 'onDemand' | 'never'>>;
    const office = (said: Said, recording: 'always' | 'onDemand' | 'never' = 'onDemand') => {
      const of = <Row extends { id: string }>(rows: readonly Row[]) =>
        rows.map((row) => {
          const word = said[row.id as keyof Said];
          return word ? { ...row, recording: word } : row;
        });
      const { people, lines, teams, policies } = testSetup;
      return openStory({
        ...testSetup,
        ...{ people: of(people), lines: of(lines), teams: of(teams), policies: { ...policies, recording } },
      });
    };
    const recordsAda = (story: ReturnType<typeof openStory>) => {
      story.fromCustomer(0);
      return story.does({ type: 'answer', legId: story.at('ada-app') }, 1).includes('recording on');
    };
    expect(recordsAda(office({ ada: 'always' }))).toBe(true);
    expect(recordsAda(office({ field: 'always' }))).toBe(true);
    expect(recordsAda(office({ field: 'always', ada: 'never' }))).toBe(false);
    expect(recordsAda(office({ field: 'onDemand', ada: 'always' }))).toBe(true);
    expect(recordsAda(office({ field: 'onDemand' }, 'always'))).toBe(false);
    expect(recordsAda(office({ yard: 'always' }))).toBe(false);

    const team = office({ yard: 'always' });
    team.does({ type: 'make', from: customer, to: '250' }, 0);
    expect(team.does({ type: 'answer', legId: team.at('ben-desk') }, 1)).toContain('recording on');
    const never = office({ ada: 'never' });
    never.adaTalks(0);
    expect(never.refuses({ type: 'record', legId: never.at('ada-app'), act: 'start' }, 2)).toBe(
      'recordingPolicy',
    );
  });

  it('holds to another policy from the next answer on; what was begun goes on, and can be ended', () => {
    const story = openStory();
    const say = (recording: 'always' | 'never', seconds: number) =>
      story.exchange.reconfigure(
        { ...testSetup, policies: { ...testSetup.policies, recording } },
        start + seconds * 1000,
      );
    const record = (act: 'start' | 'pause' | 'resume' | 'stop') =>
      ({ type: 'record', legId: story.at('ada-app'), act }) as const;
    story.adaTalks(0);
    story.does(record('start'), 2);
    say('never', 3);
    expect(story.does(record('pause'), 4)).toEqual(['recording paused']);
    expect(story.refuses(record('resume'), 5)).toBe('recordingPolicy');
    expect(story.does(record('stop'), 6)).toEqual(['recording ended']);
    expect(story.refuses(record('start'), 7)).toBe('recordingPolicy');
    story.does({ type: 'clear', legId: story.at('customer') }, 8);
    say('always', 9);
    story.fromCustomer(10);
    expect(story.does({ type: 'answer', legId: story.at('ada-app') }, 11)).toContain('recording on');
  });
});

describe('moving a call to another phone', () => {
  it('the new leg is up before the old one goes; muted stays muted; the record tells the path', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'mute', legId: story.at('ada-app') }, 5);
    const move = {
      type: 'move',
      legId: story.at('ada-app'),
      to: { deviceId: 'ada-desk' },
      atOnce: false,
    } as const;
    expect(story.does(move, 10)).toEqual(['delivered ada-desk']);
    expect(story.hears()).toMatchObject({ 'ada-app': 'customer', 'ada-desk': 'ring' });
    expect(story.does({ type: 'answer', legId: story.at('ada-desk') }, 14)).toEqual([
      'moved ada-app to ada-desk',
      'established ada-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'nobody', 'ada-app': 'customer', 'ada-desk': 'customer' });
    expect(story.lets(14 + limits.overlapMs / 1000)).toEqual(['connectionCleared ada-app moved']);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 60);
    const record = events.find((event) => event.type === 'recordWritten');
    expect(record).toMatchObject({
      record: {
        outcome: 'answered',
        answeredAt: start,
        deviceId: 'ada-desk',
        acts: [{ act: 'moved', to: 'ada-desk' }],
      },
    });
  });

  it('to a browser that has its ways to find, the old one stays until the new one speaks, and no longer than it may', () => {
    const laptop = withContact(testSetup, 'ada', { id: 'ada-laptop', name: 'Laptop' });
    const setup = withContact(laptop, 'ada', { id: 'ada-phone', name: 'Phone' });
    const move = (from: string, to: string) =>
      ({ type: 'move', legId: from, to: { deviceId: to }, atOnce: true }) as const;
    const story = openStory(setup);
    for (const deviceId of ['ada-laptop', 'ada-phone']) story.does({ type: 'signIn', deviceId }, 0);
    story.fromCustomer(1);
    story.does({ type: 'answer', legId: story.at('ada-phone') }, 2);
    story.does(move(story.at('ada-phone'), 'ada-laptop'), 3);
    expect(story.lets(3 + limits.overlapMs / 1000)).toEqual([]);
    expect(story.hears()).toMatchObject({ customer: 'ada-phone, ada-laptop' });
    expect(story.does({ type: 'speaks', legId: story.at('ada-laptop') }, 5)).toEqual([
      'connectionCleared ada-phone moved',
    ]);
    expect(story.hears()).toEqual({ customer: 'ada-laptop', 'ada-laptop': 'customer' });
    // Said again, nothing is left to go; one that never says it keeps nobody for ever.
    expect(story.does({ type: 'speaks', legId: story.at('ada-laptop') }, 6)).toEqual([]);
    story.does(move(story.at('ada-laptop'), 'ada-phone'), 7);
    expect(story.lets(7 + limits.untilItSpeaksMs / 1000)).toEqual(['connectionCleared ada-laptop moved']);
  });

  it('to a room by its code; not taken up there, it stays where it is', () => {
    const story = openStory();
    story.adaTalks(0);
    const to = (roomCode: string) =>
      ({ type: 'move', legId: story.at('ada-app'), to: { roomCode }, atOnce: false }) as const;
    expect(story.refuses(to('99'), 1)).toBe('unknownCode');
    story.does(to('41'), 2);
    expect(story.refuses(to('41'), 3)).toBe('stillRinging');
    expect(story.lets(2 + limits.moveMs / 1000)).toEqual(['connectionCleared room noAnswer']);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
    expect(
      story.refuses(
        { type: 'move', legId: story.at('ada-app'), to: { deviceId: 'ben-desk' }, atOnce: true },
        30,
      ),
    ).toBe('notTheirDevice');
  });
});

describe('an emergency call', () => {
  it('is never blocked: not by a signed-out, full or talking phone; other calls are held', () => {
    const story = openStory();
    story.does({ type: 'make', from: device('dot-desk'), to: '0131 496 0142' }, 0);
    story.does({ type: 'make', from: device('dot-desk'), to: '0131 496 0143' }, 1);
    story.does({ type: 'signOut', deviceId: 'dot-desk' }, 2);
    expect(story.does({ type: 'make', from: device('dot-desk'), to: '999' }, 3)).toEqual([
      'held dot-desk',
      'originated dot-desk',
      'networkReached 999',
    ]);
    const call = [...story.exchange.calls.values()].find(({ dialled }) => dialled === '999');
    expect(call?.emergency).toEqual({ location: 'Vale House' });
  });

  it('is neither held, relayed, recorded, parked, joined nor left by a waiting call', () => {
    const story = openStory();
    story.does({ type: 'make', from: device('ada-app'), to: '999' }, 0);
    story.does({ type: 'answer', legId: story.at('999') }, 2);
    const legId = story.at('ada-app');
    const refused = [
      { type: 'hold', legId },
      { type: 'record', legId, act: 'start' },
      { type: 'park', legId },
      { type: 'add', legId, to: '201' },
      { type: 'move', legId, to: { deviceId: 'ada-desk' }, atOnce: true },
      { type: 'transfer', legId, target: number('201') },
      { type: 'make', from: device('ada-app'), to: '201' },
      { type: 'make', from: device('ada-mobile'), to: '999', ringOwnPhoneFirst: true },
    ] as const;
    for (const command of refused)
      expect([command.type, story.refuses(command, 3)]).toEqual([command.type, 'emergency']);
    expect(story.does({ type: 'make', from: customer, to: '214' }, 5)).toContain('established ada-mailbox');
  });
});

describe('a double tap', () => {
  it('does the thing once, and the second is refused without harm', () => {
    const story = consulting();
    const twice = { type: 'connectCalls', legId: story.held, otherLegId: story.consultation } as const;
    story.does(twice, 20);
    expect(story.refuses(twice, 20)).toBe('unknownLeg');
    expect(story.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
  });
});
