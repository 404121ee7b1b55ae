import { limits } from '..';
import { consulting, number, openStory } from './story';
import { testSetup } from './testOffice';

const takeBack = (legId: string, deviceId = 'ada-app') => ({ type: 'takeBack', deviceId, legId }) as const;

describe('a hand-over that was a slip', () => {
  it('is taken back while it rings there: the phone stops, and the two talk on', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 10);
    expect(story.does(takeBack(story.at('customer')), 13)).toEqual([
      'connectionCleared ben-desk completedElsewhere',
      'tookBack ada-app',
    ]);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
  });

  it('is taken back out of the slot in which it was parked meanwhile, which rings nobody any more', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 10);
    story.does({ type: 'answer', legId: story.at('ben-desk') }, 12);
    story.does({ type: 'park', legId: story.at('ben-desk') }, 14);
    story.does(takeBack(story.at('customer')), 16);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
    expect(story.lets(14 + testSetup.policies.parkSeconds + 1)).toEqual([]);
    // The slot is free.
    expect(story.refuses({ type: 'unpark', deviceId: 'cleo-desk', slot: '01' }, 90)).toBe('emptySlot');
  });

  it('two who were connected are taken back: who was held hears music again, the other is talked with', () => {
    const story = consulting();
    story.does({ type: 'connectCalls', legId: story.held, otherLegId: story.consultation }, 20);
    expect(story.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
    story.does(takeBack(story.at('customer')), 23);
    expect(story.hears()).toEqual({ customer: 'music', 'ben-desk': 'ada-app', 'ada-app': 'ben-desk' });
  });

  it('and ends a private word of who was held, which would be one of nobody else', () => {
    const story = consulting();
    story.does({ type: 'connectCalls', legId: story.held, otherLegId: story.consultation }, 20);
    story.does({ type: 'add', legId: story.at('ben-desk'), to: '0131 496 0142' }, 21);
    story.does({ type: 'answer', legId: story.at('+441314960142') }, 22);
    story.does({ type: 'talkAside', legId: story.at('ben-desk'), otherLegId: story.at('customer') }, 23);
    story.does(takeBack(story.at('customer')), 24);
    const hears = story.hears();
    expect(hears.customer).toBe('music');
    expect(hears['ben-desk']).toContain('+441314960142');
    expect(hears['ben-desk']).toContain('ada-app');
  });

  it('also where the consultation was held and the caller talked with', () => {
    const story = consulting();
    story.does({ type: 'retrieve', legId: story.held }, 16);
    story.does({ type: 'connectCalls', legId: story.held, otherLegId: story.consultation }, 20);
    story.does(takeBack(story.at('ben-desk')), 23);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ben-desk': 'music', 'ada-app': 'customer' });
  });

  it('is taken back from a mailbox that still greets, not from one that listens', () => {
    const story = openStory();
    story.adaTalks(0);
    const target = { kind: 'mailbox', personId: 'cleo' } as const;
    story.does({ type: 'transfer', legId: story.at('ada-app'), target }, 10);
    story.does(takeBack(story.at('customer')), 12);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
    story.does({ type: 'transfer', legId: story.at('ada-app'), target }, 20);
    expect(story.lets(20 + 14)).toContain('messageStarted cleo-mailbox');
    expect(story.refuses(takeBack(story.at('customer')), 34.5)).toBe('tooLate');
  });

  it('is theirs alone, and after some seconds of talk stays as it is', () => {
    const story = consulting();
    story.does({ type: 'connectCalls', legId: story.held, otherLegId: story.consultation }, 20);
    expect(story.refuses(takeBack(story.at('customer'), 'cleo-desk'), 22)).toBe('notHandedOver');
    expect(story.refuses(takeBack(story.at('customer')), 21 + limits.takeBackMs / 1000)).toBe('tooLate');
  });

  it('not taken at the target and come back, it is answered, not taken back', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 10);
    story.lets(10 + testSetup.policies.transferReturnSeconds);
    expect(story.refuses(takeBack(story.at('customer')), 29)).toBe('notHandedOver');
  });
});
