import { dialTextChanged } from '../slices';
import { createAppStore, onceSo, whenChanged } from '../store';

describe('what follows the state', () => {
  const open = () => {
    const { store } = createAppStore();
    return { store, type: (text: string) => store.dispatch(dialTextChanged(text)) };
  };

  it('acts in the turn in which it has changed, with how it was, until it is ended', () => {
    const { store, type } = open();
    const seen: [string, string][] = [];
    const stop = whenChanged(
      store,
      ({ dial }) => dial.text,
      (now, before) => seen.push([now, before]),
    );
    type('2');
    type('2');
    type('20');
    expect(seen).toEqual([
      ['2', ''],
      ['20', '2'],
    ]);
    stop();
    type('201');
    expect(seen).toHaveLength(2);
  });

  it('hears of what it has brought about itself', () => {
    const { store, type } = open();
    whenChanged(
      store,
      ({ dial }) => dial.text,
      (text) => {
        if (text.length < 3) type(`${text}1`);
      },
    );
    type('2');
    expect(store.getState().dial.text).toBe('211');
  });

  it('one that stumbles keeps back no other', async () => {
    const { store, type } = open();
    const stumbled = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const seen: string[] = [];
    const text = ({ dial }: ReturnType<typeof store.getState>) => dial.text;
    whenChanged(store, text, () => {
      throw new Error('Stumbled');
    });
    whenChanged(store, text, (now) => seen.push(now));
    type('2');
    expect(seen).toEqual(['2']);
    await Promise.resolve();
    await new Promise((resolve) => setTimeout(resolve));
    expect(stumbled).toHaveBeenCalled();
    stumbled.mockRestore();
  });

  it('waits until something is so; at once, where it is already', async () => {
    const { store, type } = open();
    const so = onceSo(store, ({ dial }) => dial.text === '201');
    type('20');
    type('201');
    await so;
    await onceSo(store, ({ dial }) => dial.text === '201');
  });
});
