import { allFree, journeyOf } from '@/core/plans/routing';
import { OfficeIndex, type Menu, type OfficeSetup } from '@/core/setup';
import { number, openStory } from './story';
import { customer, start, testSetup } from './testOffice';

/** Speaks 4 s (ten words) and waits 6 s. */
const menu: Menu = {
  id: 'menu',
  name: 'Night menu',
  extension: '260',
  text: 'Press one for Ben or two for the stores, please.',
  keys: [
    { key: '1', to: '201' },
    { key: '2', to: '250' },
    { key: '9', to: '298' },
  ],
  waitSeconds: 6,
  turns: 2,
  finish: { kind: 'mailbox', personId: 'ada' },
  keeperId: 'cleo',
};

function withMenu(more: Partial<OfficeSetup> = {}) {
  const line = { ...testSetup.lines[0]!, id: 'night', number: '+441314960160', ownerId: 'menu' };
  return openStory({ ...testSetup, menus: [menu], lines: [...testSetup.lines, line], ...more });
}

/** A caller in the menu, at its line or by its extension. */
function inMenu(to = '+441314960160') {
  const story = withMenu();
  const told = story.does({ type: 'make', from: customer, to }, 0);
  return {
    ...story,
    told,
    press: (digits: string, seconds: number) =>
      story.does({ type: 'sendDigits', legId: story.at('customer'), digits }, seconds),
  };
}

describe('a menu', () => {
  it.each(['+441314960160', '260'])('takes a call to %s, and speaks', (to) => {
    const { told, hears } = inMenu(to);
    expect(told).toEqual(['originated customer', 'established menu', 'menuSpoke menu']);
    expect(hears()).toMatchObject({ customer: 'menu' });
  });

  it('puts the call through by a key, also while it still speaks', () => {
    const { press, lets } = inMenu();
    expect(press('1', 2)).toEqual([
      'digitsSent customer 1',
      'connectionCleared menu normalClearing',
      'diverted to 201',
      'delivered ben-desk',
    ]);
    // Nobody answers: Ben’s own plan decides.
    expect(lets(22)).toEqual(['connectionCleared ben-desk noAnswer']);
  });

  it('speaks again where nothing is pressed, and at last the call meets its finish', () => {
    const { lets } = inMenu();
    expect(lets(9)).toEqual([]);
    expect(lets(10)).toEqual(['menuSpoke menu']);
    expect(lets(20)).toEqual(['connectionCleared menu normalClearing', 'established ada-mailbox']);
  });

  it.each(['5', '9'])('takes key %s, which leads nowhere, for a turn', (digit) => {
    const { press } = inMenu();
    expect(press(digit, 3)).toEqual([`digitsSent customer ${digit}`, 'menuSpoke menu']);
    expect(press(digit, 5)).toContain('established ada-mailbox');
  });

  it('that a caller leaves is told to its keeper, with the menu on the way', () => {
    const story = inMenu();
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 4);
    const [record] = events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
    expect(record).toMatchObject({ personId: 'cleo', outcome: 'missed', lineId: 'night' });
    expect(record?.trace?.steps).toEqual([{ kind: 'menuReached', menuId: 'menu' }]);
  });

  it('that led further is on the record of whoever was called, with the key', () => {
    const story = inMenu();
    story.press('1', 2);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 5);
    const records = events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
    expect(records.map(({ personId }) => personId)).toEqual(['ben']);
    expect(records[0]?.acts).toMatchObject([{ act: 'chose', to: '1' }]);
  });

  it('goes on after a save in the middle of its words', () => {
    const story = inMenu();
    story.lets(4);
    const saved = JSON.stringify(story.exchange.save());
    expect(saved).toContain('"menuEnd"');
    expect(story.lets(10)).toEqual(['menuSpoke menu']);
  });

  it('moved to another phone while it spoke, tells that phone what became of the key', () => {
    const story = withMenu({ menus: [{ ...menu, keys: [{ key: '1', to: '0131 496 0150' }] }] });
    const { legId } = story.fromAda('260', 0);
    story.does({ type: 'move', legId, to: { deviceId: 'ada-desk' }, atOnce: true }, 2);
    story.lets(4);
    story.does({ type: 'sendDigits', legId: story.at('ada-desk'), digits: '1' }, 5);
    story.does({ type: 'fail', legId: story.at('+441314960150'), cause: 'userBusy' }, 6);
    expect(story.hears()).toMatchObject({ 'ada-desk': 'busy' });
  });

  it('lets nobody in by a code that was given for the talk before', () => {
    const story = withMenu();
    story.adaTalks(0);
    const legId = story.at('customer');
    story.does({ type: 'invite', legId: story.at('ada-app'), purpose: 'join', toPersonId: null }, 3);
    const [call] = [...story.exchange.calls.values()];
    const code = call?.invitation?.code ?? '';
    call!.invitation!.legId = legId;
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: { kind: 'number', to: '260' } }, 5);
    expect(story.refuses({ type: 'join', deviceId: 'cleo-desk', code }, 6)).toBe('unknownCode');
  });

  it('keeps whoever is handed over to it, who does not come back', () => {
    const story = withMenu();
    story.adaTalks(0);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: { kind: 'number', to: '260' } }, 5);
    expect(story.hears()).toMatchObject({ customer: 'menu' });
    expect(story.lets(24)).not.toContain('returned to ada');
  });
});

describe('a text back', () => {
  const textBack = { kind: 'textBack', lineId: 'field', text: 'I call you at five.' } as const;
  const mobile = { kind: 'outside', number: '+447700900321', name: null } as const;
  const story = () =>
    withMenu({
      ringPlans: testSetup.ringPlans.map((plan) =>
        plan.personId === 'ben'
          ? { ...plan, rules: plan.rules.map((rule) => ({ ...rule, finish: textBack })) }
          : plan,
      ),
    });

  it('ends an unanswered call with a text to the caller, who hears that it comes', () => {
    const { send, advance, hears, exchange } = story();
    send({ type: 'make', from: mobile, to: '201' }, 0);
    const owed = advance(20).find(({ type }) => type === 'textOwed');
    expect(owed).toMatchObject({ personId: 'ben', lineId: 'field', to: mobile.number, text: textBack.text });
    expect(hears()).toMatchObject({ '+447700900321': 'textNotice' });
    const records = advance(25).flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
    expect(records).toMatchObject([{ personId: 'ben', outcome: 'missed', finish: textBack }]);
    expect(exchange.calls.size).toBe(0);
  });

  it.each([
    ['a landline', customer],
    ['a withheld number', { kind: 'outside', number: null, name: null } as const],
    ['a colleague', { kind: 'device', deviceId: 'ada-app' } as const],
  ])('goes to the mailbox for %s, which can take none', (_, from) => {
    const { send, advance, hears } = story();
    send({ type: 'make', from, to: '201' }, 0);
    expect(advance(20).some(({ type }) => type === 'textOwed')).toBe(false);
    expect(Object.values(hears())).toContain('greeting');
  });
});

describe('a mailbox’s greeting', () => {
  const message = (greeting: object) => {
    const story = openStory({
      ...testSetup,
      ringPlans: [
        {
          personId: 'cleo',
          rules: [],
          greetings: [
            {
              id: 'g',
              name: 'Any',
              text: 'One two three four five six seven eight nine ten eleven',
              ...greeting,
            },
          ],
        },
      ],
    });
    story.does({ type: 'make', from: customer, to: '211' }, 0);
    for (let second = 1; second < 60; second++)
      if (story.lets(second).some((line) => line.startsWith('messageStarted'))) return second;
    return null;
  };

  it('lasts as long as its words are spoken, with the beep', () => expect(message({})).toBe(5));
  it('lasts as long as it was recorded, with the beep', () =>
    expect(message({ recorded: { soundId: 's', seconds: 12 } })).toBe(13));
});

describe('the course of a call', () => {
  it('is kept with its records: by which line, past which menu and team, whether it was closed', () => {
    const hours = { open: [{ days: [6], from: '08:00', to: '09:00' }], daysOff: [] };
    const teams = testSetup.teams.map((team) => ({
      ...team,
      hours: { ...hours, closedFinish: { kind: 'forward', to: '201' } as const },
    }));
    const story = withMenu({ teams });
    const line = '+441314960160';
    const made = story.send({ type: 'make', from: customer, to: line }, 0);
    const pressed = story.send({ type: 'sendDigits', legId: story.at('customer'), digits: '2' }, 3);
    const left = story.send({ type: 'clear', legId: story.at('customer') }, 9);
    const records = [made, pressed, left].flatMap(({ events }) =>
      events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : [])),
    );
    expect(records.length).toBeGreaterThan(0);
    for (const { course } of records)
      expect(course).toEqual([
        { ownerId: 'menu', lineId: 'night', at: start },
        { ownerId: 'yard', lineId: null, at: start + 3000, isClosed: true },
        { ownerId: 'ben', lineId: null, at: start + 3000 },
      ]);
  });

  it('ends with whoever takes it: what is done with it later is no part of its way', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 5);
    const [call] = story.exchange.calls.values();
    expect(story.at('ben-desk')).toBeDefined();
    expect(call?.course.map(({ ownerId }) => ownerId)).toEqual(['ada']);
  });
});

it('a menu says something else at certain hours, which takes its own time; each turn by the hour it is then', () => {
  const line = { ...testSetup.lines[0]!, id: 'night', number: '+441314960160', ownerId: 'menu' };
  // Until ten seconds after the call: 20 words are 8 s, and ten are 4 s.
  const greetings = [{ hours: [{ days: [4], from: '10:00', to: '10:41' }], text: 'word '.repeat(20) }];
  const setup = { ...testSetup, menus: [{ ...menu, greetings }], lines: [...testSetup.lines, line] };
  const story = openStory(setup);
  story.does({ type: 'make', from: customer, to: '+441314960160' }, 50);
  expect(story.lets(63.9)).toEqual([]);
  expect(story.lets(64)).toEqual(['menuSpoke menu']);
  // The second turn, past the hour, is the shorter one.
  expect(story.lets(73.9)).toEqual([]);
  expect(story.lets(74)).toContain('established ada-mailbox');
});

describe('a menu in another language', () => {
  const english = { ...menu, turns: 1, keys: [...menu.keys, { key: '5', to: '261' }] };
  const languages = [{ key: '*', language: 'Cymraeg', text: 'Un gair.' }];
  const menus: Menu[] = [
    { ...english, languages },
    {
      ...english,
      id: 'next',
      name: 'Next',
      extension: '261',
      languages: [{ ...languages[0]!, language: 'cymraeg ' }],
    },
  ];
  const speaksFor = (story: ReturnType<typeof withMenu>) =>
    ((story.exchange.nextTimerAt() ?? 0) - story.exchange.now) / 1000;

  it('is chosen by its key, begins anew, and holds in the next menu too', () => {
    const story = withMenu({ menus });
    story.does({ type: 'make', from: customer, to: '260' }, 0);
    expect(speaksFor(story)).toBe(10);
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '*' }, 5);
    const short = speaksFor(story);
    expect(short).toBeLessThan(10);
    expect([...story.exchange.calls.values()][0]?.language).toBe('Cymraeg');
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '5' }, 6);
    expect(speaksFor(story)).toBe(short);
  });

  it('takes the seconds that are said of a tried call', () => {
    const setup = { ...testSetup, menus };
    const story = openStory(setup);
    story.does({ type: 'make', from: customer, to: '260' }, 0);
    const called = { ownerId: 'menu', lineId: null, caller: null };
    const { finishSeconds } = journeyOf(new OfficeIndex(setup), called, allFree(start), ['*']);
    // Nothing more is pressed: the other language is waited out, and the finish has the call.
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '*' }, 4);
    expect(story.lets(finishSeconds - 0.1)).toEqual([]);
    expect(story.lets(finishSeconds + 0.1)).toContain('established ada-mailbox');
  });
});
