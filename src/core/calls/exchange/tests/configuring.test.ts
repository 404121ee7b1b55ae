import type { OfficeSetup, RingPlan } from '@/core/setup';
import { Exchange } from '../Exchange';
import { start, testSetup } from './testOffice';
import { openStory } from './story';

const plan = (stages: RingPlan['rules'][number]['stages']): RingPlan => ({
  personId: 'ada',
  rules: [{ id: 'any', name: 'Any call', lineIds: [], stages, finish: { kind: 'mailbox', personId: 'ada' } }],
});
const withPlan = (ringPlan: RingPlan): OfficeSetup => ({
  ...testSetup,
  ringPlans: [ringPlan, ...testSetup.ringPlans.filter(({ personId }) => personId !== 'ada')],
});
const mobileOf = { number: '+447700900321', startSeconds: 0 };

describe('another ring plan', () => {
  it('is in force for the next call, while the one that rings goes on as it began', () => {
    const story = openStory();
    story.fromCustomer(0);
    story.does(
      {
        type: 'configure',
        people: [],
        ringPlans: [
          plan([
            { targets: [{ deviceId: 'cleo-desk', startSeconds: 0 }], length: { rings: 2, cadence: 'uk' } },
          ]),
        ],
      },
      5,
    );
    expect(story.lets(20)).toContain('delivered ben-desk');
    story.does({ type: 'clear', legId: story.at('customer') }, 21);
    story.fromCustomer(30);
    expect(story.hears()).toEqual({ customer: 'ringback', 'cleo-desk': 'ring' });
    expect(story.lets(36)).toEqual(['connectionCleared cleo-desk noAnswer', 'established ada-mailbox']);
  });

  it('is refused as a whole where it can’t be carried out, with the place', () => {
    const story = openStory();
    const { result } = story.send(
      {
        type: 'configure',
        people: [],
        ringPlans: [plan([{ targets: [{ deviceId: 'ghost', startSeconds: 0 }], length: { seconds: 9 } }])],
      },
      0,
    );
    expect(result).toMatchObject({
      ok: false,
      reason: {
        code: 'badPlan',
        problems: [
          {
            path: ['rules', 0, 'stages', 0, 'targets', 0, 'deviceId'],
            sentence: 'The office knows no phone “ghost”.',
          },
        ],
      },
    });
    story.fromCustomer(1);
    expect(story.hears()).toMatchObject({ 'ada-app': 'ring' });
  });

  it('lives through a restart with the setup it made', () => {
    const exchange = new Exchange(testSetup);
    exchange.send({ type: 'configure', people: [], ringPlans: [plan([])] }, start);
    const again = new Exchange(exchange.setup, exchange.save());
    expect(again.setup.ringPlans.find(({ personId }) => personId === 'ada')).toEqual(plan([]));
  });
});

describe('a number in a ring plan', () => {
  it('is called at its second, let go at the end of it, and paid for by whose plan it is', () => {
    const story = openStory(
      withPlan(
        plan([
          {
            targets: [
              { deviceId: 'ada-app', startSeconds: 0 },
              { ...mobileOf, startSeconds: 5 },
            ],
            length: { seconds: 20 },
          },
        ]),
      ),
    );
    story.fromCustomer(0);
    expect(story.lets(5)).toEqual(['networkReached +447700900321']);
    story.does({ type: 'alert', legId: story.at('+447700900321') }, 6);
    expect(story.does({ type: 'answer', legId: story.at('+447700900321') }, 9)).toEqual([
      'connectionCleared ada-app completedElsewhere',
      'established +447700900321',
    ]);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 69);
    const record = events.flatMap((event) =>
      event.type === 'recordWritten' && event.record.personId === 'ada' ? [event.record] : [],
    )[0];
    expect(record).toMatchObject({ outcome: 'answered', costMicros: 9_000 });
    expect(record?.path).toContainEqual({
      deviceId: null,
      number: '+447700900321',
      fromSeconds: 5,
      toSeconds: 9,
      ended: 'answered',
    });
  });

  it('that is busy falls away, and the others ring on', () => {
    const story = openStory(
      withPlan(
        plan([{ targets: [{ deviceId: 'ada-app', startSeconds: 0 }, mobileOf], length: { seconds: 20 } }]),
      ),
    );
    story.fromCustomer(0);
    story.does({ type: 'fail', legId: story.at('+447700900321'), cause: 'userBusy' }, 1);
    expect(story.hears()).toEqual({ customer: 'ringback', 'ada-app': 'ring' });
    expect(story.lets(20)).toEqual(['connectionCleared ada-app noAnswer', 'established ada-mailbox']);
  });

  it('asks the caller’s name first where it is to be told, and takes the call by a key', () => {
    const story = openStory(
      withPlan(
        plan([
          {
            targets: [
              { deviceId: 'ada-app', startSeconds: 0 },
              { ...mobileOf, saysName: true },
            ],
            length: { seconds: 20 },
          },
        ]),
      ),
    );
    story.fromCustomer(0);
    story.does({ type: 'alert', legId: story.at('+447700900321') }, 1);
    expect(story.hears()).toMatchObject({ customer: 'namePrompt', 'ada-app': 'ring' });
    story.lets(4);
    expect(story.hears()).toMatchObject({ customer: 'ringback' });
    story.does({ type: 'answer', legId: story.at('+447700900321') }, 6);
    expect(story.hears()).toMatchObject({
      '+447700900321': 'acceptPrompt',
      'ada-app': 'ring',
      customer: 'ringback',
    });
    story.does({ type: 'sendDigits', legId: story.at('+447700900321'), digits: '1' }, 8);
    expect(story.hears()).toEqual({ customer: '+447700900321', '+447700900321': 'customer' });
  });
});
