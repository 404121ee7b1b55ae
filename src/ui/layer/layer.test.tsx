import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { createRoot } from 'react-dom/client';

import { Field } from '../field';
import { Sheet } from '../sheet';
import { Layer, openLayers, putLayersAside, takeLayersUp } from '.';

function NoteSheet({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('');
  return (
    <Sheet title="Note" onClose={onClose}>
      <Field label="Note" value={text} onChange={setText} />
    </Sheet>
  );
}

const note = () => screen.getByLabelText('Note', { selector: 'input' });

beforeEach(() => {
  document.body.innerHTML = '<div id="root"></div>';
});

describe('a sheet that lies open', () => {
  it('takes the focus, and leaves nothing under it within reach', () => {
    render(<NoteSheet onClose={jest.fn()} />, { container: document.getElementById('root')! });
    expect(document.activeElement).toBe(note());
    expect(document.getElementById('root')!.inert).toBe(true);
  });

  it('is closed by Escape', () => {
    const close = jest.fn();
    render(<NoteSheet onClose={close} />);
    fireEvent.keyDown(document.body, { key: 'Escape' });
    expect(close).toHaveBeenCalledTimes(1);
  });

  it('put aside for a call it can’t be seen, frees what is under it, and has what was typed when it is taken up', () => {
    render(<NoteSheet onClose={jest.fn()} />, { container: document.getElementById('root')! });
    fireEvent.change(note(), { target: { value: 'Bring the long ladder' } });
    act(putLayersAside);
    expect(document.getElementById('root')!.inert).toBe(false);
    expect(screen.queryByRole('dialog')).toBeNull();
    act(takeLayersUp);
    expect((note() as HTMLInputElement).value).toBe('Bring the long ladder');
    expect(screen.getByRole('dialog', { name: 'Note' })).toBeTruthy();
  });

  it('gives all back when it goes', () => {
    const { unmount } = render(<NoteSheet onClose={jest.fn()} />, {
      container: document.getElementById('root')!,
    });
    unmount();
    expect(openLayers()).toEqual([]);
    expect(document.getElementById('root')!.inert).toBe(false);
  });
});

it('of two sheets the lower one can’t be reached, and Escape closes the upper one', () => {
  const [lower, upper] = [jest.fn(), jest.fn()];
  render(
    <>
      <Sheet title="Lower" onClose={lower}>
        {null}
      </Sheet>
      <Sheet title="Upper" onClose={upper}>
        {null}
      </Sheet>
    </>,
  );
  expect(openLayers().map(({ title, element }) => [title, element.inert])).toEqual([
    ['Lower', true],
    ['Upper', false],
  ]);
  fireEvent.keyDown(document.body, { key: 'Escape' });
  expect([lower.mock.calls.length, upper.mock.calls.length]).toEqual([0, 1]);
});

it('hears Escape from the moment it is there, before the browser has drawn it', async () => {
  const acting = globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean };
  acting.IS_REACT_ACT_ENVIRONMENT = false;
  const onClose = jest.fn();
  const root = createRoot(document.body.appendChild(document.createElement('div')));
  const isThere = new Promise<void>((resolve) => {
    const watching = new MutationObserver(() => {
      if (!document.querySelector('[role=dialog]')) return;
      watching.disconnect();
      document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
      resolve();
    });
    watching.observe(document.body, { childList: true, subtree: true });
  });
  root.render(
    <Layer title="Note" onClose={onClose}>
      <input />
    </Layer>,
  );
  await isThere;
  expect(onClose).toHaveBeenCalledTimes(1);
  root.unmount();
  acting.IS_REACT_ACT_ENVIRONMENT = true;
});
