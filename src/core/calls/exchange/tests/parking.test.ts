import { device, openStory } from './story';
import { customer, testSetup } from './testOffice';

describe('RFC 5359 §2.15 call park', () => {
  it('the caller hears music at a slot, and any phone takes them by its code', () => {
    const story = openStory();
    story.adaTalks(0);
    expect(story.does({ type: 'park', legId: story.at('ada-app') }, 10)).toEqual([
      'parked at 01',
      'connectionCleared ada-app parked',
    ]);
    expect(story.hears()).toEqual({ customer: 'music' });
    expect(story.does({ type: 'make', from: device('cleo-desk'), to: '*8401' }, 20)).toEqual([
      'unparked cleo-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'cleo-desk', 'cleo-desk': 'customer' });
  });

  it('by the code that the office has for it, and by no other; help is called as in its country', () => {
    const numbering = {
      ...{ ...testSetup.numbering, country: 'US' as const, emergency: ['911'] },
      services: { ...testSetup.numbering.services, unpark: '61' },
    };
    const story = openStory({ ...testSetup, numbering });
    story.adaTalks(0);
    story.does({ type: 'park', legId: story.at('ada-app') }, 10);
    const dial = (to: string) => ({ type: 'make', from: device('cleo-desk'), to }) as const;
    story.does(dial('*8401'), 20);
    expect(story.hears()).toMatchObject({ customer: 'music' });
    story.does({ type: 'clear', legId: story.at('cleo-desk') }, 21);
    expect(story.does(dial('*6101'), 22)).toEqual(['unparked cleo-desk']);
    story.does({ type: 'make', from: device('ben-desk'), to: '911' }, 30);
    expect([...story.exchange.calls.values()].at(-1)?.emergency).not.toBeNull();
  });

  it('too long: it rings back; the caller may hang up meanwhile, and a full park says so', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'park', legId: story.at('ada-app') }, 0);
    expect(story.lets(testSetup.policies.parkSeconds)).toEqual(['returned to ada', 'delivered ada-app']);
    expect(story.does({ type: 'clear', legId: story.at('customer') }, 70)).toContain('callCleared');

    const full = openStory();
    for (const seconds of [0, 1]) {
      full.adaTalks(seconds);
      full.does({ type: 'park', legId: full.at('ada-app') }, seconds);
    }
    full.adaTalks(2);
    expect(full.refuses({ type: 'park', legId: full.at('ada-app') }, 2)).toBe('parkFull');
    expect(full.refuses({ type: 'unpark', deviceId: 'cleo-desk', slot: '09' }, 2)).toBe('emptySlot');
  });
});

describe('somebody who was handed over, is parked, and carries on at another phone', () => {
  it('stays parked, and so comes back in the end', () => {
    const story = openStory();
    story.does({ type: 'make', from: device('cleo-desk'), to: '214' }, 0);
    story.does({ type: 'answer', legId: story.at('ada-app') }, 1);
    const toCleo = story.at('ada-app');
    const { legId: toBen } = story.fromAda('201', 2, { consultationFor: toCleo });
    story.does({ type: 'answer', legId: story.at('ben-desk') }, 3);
    story.does({ type: 'move', legId: story.at('ben-desk'), to: { roomCode: '41' }, atOnce: false }, 4);
    story.does({ type: 'connectCalls', legId: toCleo, otherLegId: toBen }, 4);
    story.does({ type: 'park', legId: story.at('cleo-desk') }, 5);
    story.does({ type: 'answer', legId: story.at('room') }, 6);
    expect(story.hears()).toMatchObject({ room: 'music' });
    expect(story.lets(5 + testSetup.policies.parkSeconds)).toContain('returned to cleo');
  });
});

describe('RFC 5359 §2.16 call pick-up', () => {
  it('group: whatever rings longest in the own team', () => {
    const story = openStory();
    story.does({ type: 'make', from: customer, to: '201' }, 0);
    expect(story.does({ type: 'make', from: device('cleo-desk'), to: '*85' }, 4)).toEqual([
      'connectionCleared ben-desk completedElsewhere',
      'pickedUp cleo-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'cleo-desk', 'cleo-desk': 'customer' });
  });

  it('directed: what rings at an extension; where nothing rings, that is said', () => {
    const story = openStory();
    expect(story.refuses({ type: 'make', from: device('dot-desk'), to: '*86201' }, 0)).toBe('nothingRings');
    story.does({ type: 'make', from: customer, to: '201' }, 1);
    expect(story.does({ type: 'make', from: device('dot-desk'), to: '*86201' }, 4)).toContain(
      'pickedUp dot-desk',
    );
  });
});

describe('RFC 5359 §2.17 automatic redial (3GPP TS 24.642 completion of calls to a busy subscriber)', () => {
  it('to a colleague: rings back when both are free, and then calls', () => {
    const story = openStory();
    story.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0142' }, 0);
    const { legId } = story.fromAda('201', 1);
    expect(story.hears()['ada-app']).toBe('busy');
    expect(story.does({ type: 'callBackWhenFree', legId }, 2)).toEqual(['queued ada-app']);
    story.does({ type: 'clear', legId }, 3);
    expect(story.does({ type: 'clear', legId: story.at('ben-desk') }, 30).slice(-1)).toEqual([
      'delivered ada-app',
    ]);
    expect(story.does({ type: 'answer', legId: story.at('ada-app') }, 33)).toEqual([
      'established ada-app',
      'delivered ben-desk',
    ]);
  });

  it('to an outside number: the network says when it is free; only busy can be waited for', () => {
    const story = openStory();
    const { legId } = story.fromAda('0131 496 0142', 0);
    expect(story.refuses({ type: 'callBackWhenFree', legId }, 0)).toBe('notBusy');
    story.does({ type: 'fail', legId: story.at('+441314960142'), cause: 'userBusy' }, 1);
    story.does({ type: 'callBackWhenFree', legId }, 2);
    story.does({ type: 'clear', legId }, 3);
    expect(story.does({ type: 'reportFree', number: '+441314960142' }, 60)).toEqual(['delivered ada-app']);
  });
});
