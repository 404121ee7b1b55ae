import { describeOutcome } from '@/core/calls/history';
import type { VisitAct } from '..';
import type { ExchangeEvent } from '../events';
import { Exchange } from '../Exchange';
import { limits } from '../limits';
import { checkExchange } from './invariants';
import { openStory } from './story';
import { customer, start, testSetup } from './testOffice';

const says = { text: 'You have no messages.', voicemailId: null };

/** The customer's own calls reach Ada's mailbox by her number; from a desk phone it is dialled by its code. */
function open() {
  const story = openStory();
  const act = (given: VisitAct, seconds: number): ExchangeEvent[] =>
    story.exchange.inVisit(story.at('ada-mailbox'), given, start + seconds * 1000).events;
  const press = (where: string, digits: string, seconds: number) =>
    story.does({ type: 'sendDigits', legId: story.at(where), digits }, seconds);
  const visit = () => story.exchange.legOf(story.at('ada-mailbox'))?.visit;
  const opens = (seconds: number) => {
    act({ kind: 'settle', isRight: true }, seconds);
    act({ kind: 'speak', says, list: ['m1'], at: -1, lastsMs: 2_000 }, seconds);
  };
  const reachesGreeting = () => {
    story.fromCustomer(0);
    story.lets(36);
    expect(story.hears()).toMatchObject({ customer: 'greeting' });
  };
  return { ...story, act, press, visit, opens, reachesGreeting };
}
const calls = (deviceId: string, to = '*88') =>
  ({ type: 'make', from: { kind: 'device', deviceId }, to }) as const;
const recordsOf = (events: readonly ExchangeEvent[]) =>
  events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));

describe('a mailbox that is listened to by phone', () => {
  it('is dialled from a phone of one’s own, and asks for the PIN', () => {
    const story = open();
    expect(story.does(calls('ada-desk'), 0)).toEqual([
      'originated ada-desk',
      'established ada-mailbox',
      'visitAsked ada-mailbox',
    ]);
    expect(story.hears()).toMatchObject({ 'ada-desk': 'visit' });
    expect(story.press('ada-desk', '4829#', 2)).toContain('visitPinGiven ada-mailbox');
    expect(story.visit()).toMatchObject({ personId: 'ada', phase: 'checking', digits: '4829' });
    story.opens(3);
    expect(story.visit()).toMatchObject({ phase: 'open', says, digits: '' });
    checkExchange(story.exchange);
  });

  it('of somebody else is dialled by their extension behind the code', () => {
    const story = open();
    const extension = testSetup.people.find(({ id }) => id === 'ada')?.extension ?? '';
    expect(story.does(calls('ben-desk', `*88${extension}`), 0)).toContain('visitAsked ada-mailbox');
    expect(story.refuses(calls('ben-desk', '*88299'), 1)).toBe('unknownPerson');
  });

  it('is opened by star while its greeting is heard, from any phone, and takes no message then', () => {
    const story = open();
    story.reachesGreeting();
    expect(story.press('customer', '*', 37)).toContain('visitAsked ada-mailbox');
    story.press('customer', '4829#', 38);
    story.opens(39);
    const events = story.send({ type: 'clear', legId: story.at('customer') }, 60).events;
    const record = recordsOf(events).find(({ personId }) => personId === 'ada');
    expect(record).toMatchObject({ outcome: 'answeredByOther', messageMs: 0, finish: null });
    if (record) expect(describeOutcome(record, story.exchange.office)).toBe('Listened to your mailbox');
  });

  it('of a colleague is opened on the way by their extension, star, and their PIN', () => {
    const story = open();
    const extension = testSetup.people.find(({ id }) => id === 'ben')?.extension ?? '';
    story.reachesGreeting();
    story.press('customer', `*${extension}*7391#`, 37);
    expect(story.visit()).toMatchObject({ personId: 'ben', phase: 'checking', digits: '7391' });
    story.act({ kind: 'settle', isRight: false }, 38);
    story.press('customer', '299*7391#', 39);
    // Nobody has that extension: no PIN is looked at.
    expect(story.visit()).toMatchObject({ phase: 'checking', digits: '' });
  });

  it('keeps nothing of a PIN where digits are kept', () => {
    const story = open();
    story.does(calls('ada-desk'), 0);
    story.press('ada-desk', '4829#', 1);
    story.opens(2);
    const { events } = story.send({ type: 'clear', legId: story.at('ada-desk') }, 5);
    expect(recordsOf(events)).toMatchObject([{ personId: 'ada', digitsSent: '' }]);
    expect(JSON.stringify(recordsOf(events))).not.toContain('4829');
  });

  it('asks three times, and lets go of who has a wrong PIN, or none', () => {
    const story = open();
    story.does(calls('ada-desk'), 0);
    for (const second of [1, 3]) {
      story.press('ada-desk', '1111#', second);
      story.act({ kind: 'settle', isRight: false }, second + 1);
    }
    expect(story.visit()?.says.text).toMatch(/^That was not the PIN\./);
    story.press('ada-desk', '1111#', 5);
    const events = story.act({ kind: 'settle', isRight: false }, 6);
    expect(events.map(({ type }) => type)).toContain('callCleared');

    story.does(calls('ada-desk'), 100);
    expect(story.lets(100 + 300)).toContain('callCleared');
  });

  it('lets go of whose PIN nobody looks at', () => {
    const story = open();
    story.does(calls('ada-desk'), 0);
    story.press('ada-desk', '4829#', 1);
    expect(story.lets(60)).toContain('callCleared');
  });

  it('is left by itself by who presses nothing any more', () => {
    const story = open();
    story.does(calls('ada-desk'), 0);
    story.press('ada-desk', '4829#', 1);
    story.opens(2);
    expect(story.lets(2 + 2 + limits.visitIdleMs / 1000 - 1)).not.toContain('callCleared');
    expect(story.lets(2 + 2 + limits.visitIdleMs / 1000)).toContain('callCleared');
  });

  it('connects to whoever has left a message; not to what is barred', () => {
    const story = open();
    story.does(calls('ada-desk'), 0);
    story.press('ada-desk', '4829#', 1);
    story.opens(2);
    const box = story.at('ada-mailbox');
    const callBack = (to: string, seconds: number) =>
      story.exchange.inVisit(box, { kind: 'callBack', to }, start + seconds * 1000);
    expect(callBack('+449061234567', 3).why).toBe('premium numbers are barred');
    expect(callBack(customer.number, 4).why).toBeNull();
    story.does({ type: 'alert', legId: story.at('customer') }, 5);
    story.does({ type: 'answer', legId: story.at('customer') }, 6);
    expect(story.hears()).toMatchObject({ 'ada-desk': 'customer', customer: 'ada-desk' });
    const { events } = story.send({ type: 'clear', legId: story.at('ada-desk') }, 66);
    // Whose mailbox it was pays for the minute.
    const [record] = recordsOf(events);
    expect(record).toMatchObject({
      ...{ personId: 'ada', costMicros: 9_000, direction: 'out', outcome: 'answered' },
      other: { number: customer.number },
    });
    if (record) expect(describeOutcome(record, story.exchange.office)).toBe('Called');
  });

  it('goes on in an exchange that was begun anew', () => {
    const story = open();
    story.does(calls('ada-desk'), 0);
    story.press('ada-desk', '4829#', 1);
    story.opens(2);
    const again = new Exchange(testSetup, story.exchange.save());
    const box = story.at('ada-mailbox');
    expect(again.legOf(box)?.visit).toMatchObject({ phase: 'open', list: ['m1'] });
    expect(
      again.inVisit(box, { kind: 'speak', says, list: [], at: 0, lastsMs: 0 }, start + 3_000).events,
    ).toMatchObject([{ type: 'visitSpoke' }]);
  });
});
