import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Provider } from 'react-redux';

import type { Hit, Searchable } from '@/core/people/search';
import { createAppStore, ServicesContext } from '@/state/app';
import { searchOnPage } from '@/workers/searchPeople';

import { useFound } from './useFound';
import { WhoField, type Who } from './WhoField';

const somebody = (key: string, name: string, ...numbers: string[]): Searchable => ({
  ...{ key, name, kind: 'contact', detail: 'Farm', texts: [], isFavourite: false },
  numbers: numbers.map((number, at) => ({ label: at === 0 ? 'home' : 'mobile', number })),
});
const everybody = [
  somebody('contact:peg', 'Peg Anstey', '+441174960155', '+447700900155'),
  somebody('contact:ann', 'Ann Bell', '+441314960142'),
];

/** The app around a part of a screen, with a search that answers when it is let. */
function openWith(people: readonly Searchable[] | null) {
  const { store, services } = createAppStore();
  const searcher = searchOnPage();
  const listeners = new Set<() => void>();
  const waiting: (() => void)[] = [];
  const begin = (people: readonly Searchable[]) => {
    searcher.put(people);
    services.finding.finder = {
      whenAll: Promise.resolve(),
      find: (text, most) =>
        new Promise<Hit[]>((resolve) => waiting.push(() => void searcher.find(text, most).then(resolve))),
      subscribe: (changed) => {
        listeners.add(changed);
        return () => listeners.delete(changed);
      },
    };
  };
  if (people) begin(people);
  return {
    begin: (people: readonly Searchable[]) => act(async () => begin(people)),
    within: (part: React.ReactNode) => (
      <ServicesContext.Provider value={services}>
        <Provider store={store}>{part}</Provider>
      </ServicesContext.Provider>
    ),
    answer: () => act(async () => waiting.splice(0).forEach((resolve) => resolve())),
    change: (more: Searchable) =>
      act(async () => {
        searcher.put([more]);
        listeners.forEach((changed) => changed());
      }),
    listeners,
  };
}

function Field({
  onPick,
  ...more
}: {
  onPick: (who: Who) => void;
  onePerPerson?: boolean;
  isSettled?: boolean;
}) {
  const [text, setText] = useState('');
  return <WhoField label="Whom" value={text} onChange={setText} onPick={onPick} {...more} />;
}

const type = (text: string) => fireEvent.change(screen.getByRole('textbox'), { target: { value: text } });
const names = () => screen.queryAllByRole('button').map(({ textContent }) => textContent);

describe('one field for whoever is meant', () => {
  it('offers each number of those who are found, and says which was picked', async () => {
    const app = openWith(everybody);
    const onPick = jest.fn();
    render(app.within(<Field onPick={onPick} />));
    type('peg');
    await app.answer();
    expect(names()).toEqual(['PAPeg Ansteyhome 0117 496 0155', 'PAPeg Ansteymobile 07700 900155']);
    fireEvent.click(screen.getByText('mobile 07700 900155'));
    expect(onPick).toHaveBeenCalledWith({
      key: 'contact:peg',
      name: 'Peg Anstey',
      number: '+447700900155',
      personId: null,
    });
  });

  it('offers each person once where the person is meant, nobody once somebody was picked', async () => {
    const app = openWith(everybody);
    const { rerender } = render(app.within(<Field onPick={jest.fn()} onePerPerson />));
    type('peg');
    await app.answer();
    expect(names()).toEqual(['PAPeg AnsteyFarm']);
    rerender(app.within(<Field onPick={jest.fn()} isSettled />));
    expect(names()).toEqual([]);
  });

  it('says so where names can’t be looked up yet', () => {
    render(openWith(null).within(<Field onPick={jest.fn()} />));
    type('peg');
    expect(screen.getByText('Names can’t be looked up yet. A number can be typed.')).toBeTruthy();
  });
});

const ask = () => act(async () => fireEvent.click(screen.getByText('Ask')));

function Found({ text }: { text: string }) {
  const { found, state, ask } = useFound(text);
  const [asked, setAsked] = useState('');
  return (
    <>
      <p>{`${state}: ${found.map(({ name }) => name).join(', ')}`}</p>
      <button
        onClick={() =>
          void ask().then((answer) =>
            setAsked(typeof answer === 'string' ? answer : (answer[0]?.name ?? 'nobody')),
          )
        }
      >
        Ask
      </button>
      <p>{`asked: ${asked}`}</p>
    </>
  );
}

describe('the search behind it', () => {
  it('shows whom it found before while it looks, and an answer that comes late changes nothing', async () => {
    const app = openWith(everybody);
    const { rerender } = render(app.within(<Found text="peg" />));
    expect(screen.getByText('finding:')).toBeTruthy();
    await app.answer();
    expect(screen.getByText('found: Peg Anstey')).toBeTruthy();
    rerender(app.within(<Found text="ann" />));
    expect(screen.getByText('finding: Peg Anstey')).toBeTruthy();
    rerender(app.within(<Found text="" />));
    await app.answer();
    expect(screen.getByText('idle:')).toBeTruthy();
  });

  it('looks again when others may be found, and no more when it is gone', async () => {
    const app = openWith(everybody);
    const { unmount } = render(app.within(<Found text="zoe" />));
    await app.answer();
    expect(screen.getByText('found:')).toBeTruthy();
    await app.change(somebody('contact:zoe', 'Zoë Lindqvist'));
    await app.answer();
    expect(screen.getByText('found: Zoë Lindqvist')).toBeTruthy();
    unmount();
    expect(app.listeners.size).toBe(0);
  });

  it('answers a key that is faster than what is shown', async () => {
    const app = openWith(everybody);
    render(app.within(<Found text="bell" />));
    await ask();
    await app.answer();
    expect(screen.getByText('asked: Ann Bell')).toBeTruthy();
  });

  it('answers a key that came before what finds people was there', async () => {
    const app = openWith(null);
    render(app.within(<Found text="bell" />));
    expect(screen.getByText('away:')).toBeTruthy();
    await ask();
    await app.begin(everybody);
    expect(screen.getByText('asked:')).toBeTruthy();
    await app.answer();
    expect(screen.getByText('asked: Ann Bell')).toBeTruthy();
  });

  it('says after a while that nothing finds people, and does nothing later', async () => {
    jest.useFakeTimers();
    const app = openWith(null);
    render(app.within(<Found text="bell" />));
    await ask();
    await act(async () => jest.advanceTimersByTime(5_000));
    jest.useRealTimers();
    expect(screen.getByText('asked: away')).toBeTruthy();
    await app.begin(everybody);
    await app.answer();
    expect(screen.getByText('asked: away')).toBeTruthy();
  });

  it.each(['ann', ''])('means nobody by a key after which “%s” was typed', async (text) => {
    const app = openWith(null);
    const { rerender } = render(app.within(<Found text="peg" />));
    await ask();
    rerender(app.within(<Found text={text} />));
    await app.begin(everybody);
    await app.answer();
    expect(screen.getByText('asked: changed')).toBeTruthy();
  });
});
