import { openStory } from '@/core/calls/exchange/tests/story';
import { customer, testSetup } from '@/core/calls/exchange/tests/testOffice';
import { OfficeIndex, type OfficeSetup } from '@/core/setup';
import { liveAt } from '..';

const [line] = testSetup.lines;
if (!line) throw new Error('The test office has no line');

const setup: OfficeSetup = {
  ...testSetup,
  menus: [
    {
      ...{ id: 'menu', name: 'Menu', extension: '260', text: 'Press one.', waitSeconds: 30, turns: 1 },
      ...{ keys: [{ key: '1', to: '201' }], finish: { kind: 'busy' }, keeperId: 'cleo' },
    },
  ],
  lines: [...testSetup.lines, { ...line, id: 'night', number: '+441314960160', ownerId: 'menu' }],
};
const office = new OfficeIndex(setup);

describe('where calls are on the route now', () => {
  const open = () => {
    const story = openStory(setup);
    const live = (...lineIds: string[]) =>
      Object.fromEntries(liveAt(story.exchange.calls.values(), lineIds, office));
    return { ...story, live };
  };

  it('is the last that each came to, by the lines that are followed', () => {
    const story = open();
    story.does({ type: 'make', from: customer, to: '+441314960160' }, 0);
    story.does({ type: 'make', from: { ...customer, number: '+447700900321' }, to: line.number }, 1);
    expect(story.live('night', 'field')).toEqual({ 'menu/menu': 1, 'person/ada': 1 });
    expect(story.live('field')).toEqual({ 'person/ada': 1 });
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '1' }, 3);
    // By the extension, which is another place than by a line.
    expect(story.live('night')).toEqual({ 'extension/ben': 1 });
  });

  it('is nowhere for calls between colleagues, and for those that are over', () => {
    const story = open();
    story.fromAda('201', 0);
    expect(story.live('night', 'field')).toEqual({});
  });
});
