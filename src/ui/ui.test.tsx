import { fireEvent, render, screen } from '@testing-library/react';

import { Choice, Field, Ticks } from './field';
import { Keypad } from './keypad';
import { initialsOf } from './person';
import { Plate } from './plate';
import { DayScale, RingScale } from './scale';

describe('a plate', () => {
  it('is a button that says its word, and does nothing while it is off', () => {
    const act = jest.fn();
    const { rerender } = render(<Plate word="Hold" onPress={act} />);
    fireEvent.click(screen.getByRole('button', { name: 'Hold' }));
    rerender(<Plate word="Hold" onPress={act} disabled />);
    fireEvent.click(screen.getByRole('button', { name: 'Hold' }));
    expect(act).toHaveBeenCalledTimes(1);
  });

  it('that is on or off says which', () => {
    render(<Plate word="Mute" onPress={jest.fn()} pressed />);
    expect(screen.getByRole('button', { name: 'Mute on' }).getAttribute('aria-pressed')).toBe('true');
  });
});

describe('a field', () => {
  it('says what is wrong with it, tied to the field', () => {
    render(<Field label="Number" value="1" onChange={jest.fn()} error="Too short." />);
    const field = screen.getByRole('textbox', { name: 'Number' });
    expect(field.getAttribute('aria-invalid')).toBe('true');
    const described = document.getElementById(field.getAttribute('aria-describedby') ?? '');
    expect(described?.textContent).toBe('Too short.');
  });
});

describe.each([false, true])('a choice (as a strip: %s)', (asStrip) => {
  it('marks the chosen one and hands out another', () => {
    const choose = jest.fn();
    const options = [
      { value: 'a', word: 'Field service' },
      { value: 'b', word: 'Direct' },
    ];
    render(<Choice asStrip={asStrip} label="Line" value="a" options={options} onChoose={choose} />);
    expect(screen.getByRole('radio', { name: 'Field service' }).getAttribute('aria-checked')).toBe('true');
    fireEvent.click(screen.getByRole('radio', { name: 'Direct' }));
    expect(choose).toHaveBeenCalledWith('b');
  });

  it('is one stop of the Tab key, in which the arrows go about and Space chooses', () => {
    const choose = jest.fn();
    const options = ['a', 'b', 'c'].map((value) => ({ value, word: value }));
    render(<Choice asStrip={asStrip} label="Line" value="b" options={options} onChoose={choose} />);
    const [a, b, c] = screen.getAllByRole('radio') as [HTMLElement, HTMLElement, HTMLElement];
    expect([a, b, c].map(({ tabIndex }) => tabIndex)).toEqual([-1, 0, -1]);
    b.focus();
    fireEvent.keyDown(b, { key: 'ArrowDown' });
    expect(document.activeElement).toBe(c);
    fireEvent.keyDown(c, { key: 'ArrowRight' });
    expect(document.activeElement).toBe(a);
    expect([a, b, c].map(({ tabIndex }) => tabIndex)).toEqual([0, -1, -1]);
    expect(choose).not.toHaveBeenCalled();
    fireEvent.keyDown(a, { key: ' ' });
    expect(choose.mock.calls).toEqual([['a']]);
    // Whoever leaves it comes back to what is chosen.
    fireEvent.blur(a);
    expect(b.tabIndex).toBe(0);
  });
});

describe('ticks', () => {
  it('are set and taken away with Space', () => {
    const change = jest.fn();
    const options = ['mon', 'tue'].map((value) => ({ value, word: value }));
    render(<Ticks label="Days" options={options} chosen={['mon']} onChange={change} />);
    fireEvent.keyDown(screen.getByRole('checkbox', { name: 'tue' }), { key: ' ' });
    fireEvent.keyDown(screen.getByRole('checkbox', { name: 'mon' }), { key: ' ' });
    expect(change.mock.calls).toEqual([[['mon', 'tue']], [[]]]);
  });
});

describe('the keypad', () => {
  it('has twelve keys and gives their digit', () => {
    const keys: string[] = [];
    render(<Keypad onKey={(key) => keys.push(key)} />);
    const buttons = screen.getAllByRole('button');
    for (const button of buttons) fireEvent.click(button);
    expect(keys.join('')).toBe('123456789*0#');
    expect(screen.getByRole('button', { name: 'star' })).toBeTruthy();
  });
});

describe('scales', () => {
  it('say in words what they draw', () => {
    const track = {
      key: 'a',
      label: 'Desk',
      fromSeconds: 0,
      toSeconds: 25,
      state: 'over' as const,
      word: 'rang out',
    };
    render(<RingScale tracks={[track]} totalSeconds={25} finish="your mailbox" />);
    render(<DayScale nowHour={10.6} marks={[{ key: 'x', hour: 9, taken: false }]} />);
    const names = screen.getAllByRole('img').map((image) => image.getAttribute('aria-label'));
    expect(names).toEqual([
      'Desk: second 0 to 25, rang out; then your mailbox',
      'Today: 1 calls, 1 not taken',
    ]);
  });
});

it.each([
  ['Peg Anstey', 'PA'],
  ['Marl & Finch Surveyors', 'MS'],
  ['Glenbrae', 'G'],
  ['07700 900777', '77'],
  ['', '?'],
])('initials of %s are %s', (name, initials) => {
  expect(initialsOf(name)).toBe(initials);
});
