import type { Menu, OfficeSetup } from '@/core/setup';
import { openStory } from './story';
import { customer, testSetup } from './testOffice';

/** Speaks 2 s and waits 6 s. */
const menu: Menu = {
  ...{ id: 'menu', name: 'Night menu', extension: '260', text: 'Welcome to the yard, dial.', waitSeconds: 6 },
  ...{ keys: [{ key: '2', to: '211' }], turns: 2, finish: { kind: 'busy' }, keeperId: 'cleo' },
  ...{ dialsExtensions: true, nameKey: '9' },
};

function inMenu(change: Partial<Menu> = {}, more: Partial<OfficeSetup> = {}) {
  const story = openStory({ ...testSetup, menus: [{ ...menu, ...change }], ...more });
  story.does({ type: 'make', from: customer, to: '260' }, 0);
  return {
    ...story,
    press: (digits: string, seconds: number) =>
      story.does({ type: 'sendDigits', legId: story.at('customer'), digits }, seconds),
    acts: () =>
      [...story.exchange.calls.values()].flatMap(({ acts }) => acts.map(({ act, to }) => `${act} ${to}`)),
  };
}

describe('an extension dialled in a menu', () => {
  it('is reached with its last digit, whether they come one by one or together', () => {
    const one = inMenu();
    one.press('2', 1);
    expect(one.press('0', 2)).toEqual(['digitsSent customer 0']);
    expect(one.press('9', 3)).toContain('established dot-mailbox');
    expect(one.acts()).toEqual(['chose 209']);
    expect(inMenu().press('209', 1)).toContain('established dot-mailbox');
  });

  it('is waited for where a key begins like it; the key alone counts when nothing more comes', () => {
    const story = inMenu();
    expect(story.press('2', 1)).toEqual(['digitsSent customer 2']);
    expect(story.lets(3.9)).toEqual([]);
    expect(story.lets(4)).toContain('established cleo-mailbox');
  });

  it('of nobody is one turn of the menu, after which it may be dialled again', () => {
    const story = inMenu();
    expect(story.press('298', 1)).toContain('menuSpoke menu');
    expect(story.press('209', 4)).toContain('established dot-mailbox');
    const twice = inMenu();
    twice.press('298', 1);
    twice.press('298', 4);
    expect([...twice.exchange.calls.values()].map(({ failure }) => failure)).toEqual(['userBusy']);
  });

  it('is a key and no more in a menu that lets none be dialled', () => {
    const story = inMenu({ dialsExtensions: false });
    expect(story.press('209', 1)).toContain('established cleo-mailbox');
  });

  it('is heard out, however slowly it comes, while the menu waits', () => {
    const story = inMenu();
    story.press('2', 7);
    // The menu would have spoken again meanwhile.
    expect(story.press('0', 9)).toEqual(['digitsSent customer 0']);
    expect(story.press('9', 11)).toContain('established dot-mailbox');
  });
});

describe('a name spelled in a menu', () => {
  const people = testSetup.people.map((person) => ({
    ...person,
    name:
      { ada: 'Ada Höller', ben: 'Ben Holt', cleo: 'Cleo Anders', dot: 'Dot Quill' }[person.id] ?? person.name,
  }));

  it('is asked for by its key, and reached by three letters that only one has', () => {
    const story = inMenu({}, { people });
    expect(story.press('9', 1)).toEqual(['digitsSent customer 9', 'menuSpoke menu']);
    // Q, U, I.
    expect(story.press('784', 3)).toContain('established dot-mailbox');
    expect(story.acts()).toEqual(['chose 209']);
  });

  it('that several have is chosen by a digit, accents apart', () => {
    const story = inMenu({}, { people });
    story.press('9', 1);
    // H, O, L: Höller and Holt.
    expect(story.press('465#', 3)).toContain('menuSpoke menu');
    expect(
      story.exchange.calls
        .values()
        .next()
        .value?.legs.find(({ menuEntry }) => menuEntry)?.menuEntry,
    ).toEqual({
      ...{ asks: 'choice', digits: '', choices: ['214', '201'] },
    });
    expect(story.press('2', 5)).toContain('delivered ben-desk');
  });

  it('is taken when no more letters come; nobody’s is one turn of the menu, and so is no choice', () => {
    const story = inMenu({}, { people });
    story.press('9', 1);
    story.press('78', 3);
    expect(story.lets(6)).toContain('established dot-mailbox');
    const nobody = inMenu({}, { people });
    nobody.press('9', 1);
    expect(nobody.press('999', 3)).toEqual(['digitsSent customer 999']);
    expect(nobody.lets(6)).toEqual(['menuSpoke menu']);
    const none = inMenu({}, { people });
    none.press('9', 1);
    none.press('465#', 3);
    expect(none.press('7', 5)).toContain('menuSpoke menu');
    const silent = inMenu({}, { people });
    silent.press('9', 1);
    expect(silent.lets(11)).toEqual(['menuSpoke menu']);
  });
});
