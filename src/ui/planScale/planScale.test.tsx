import { fireEvent, render, screen } from '@testing-library/react';

import { Stepper, Ticks } from '../field';
import { PullScale, WeekScale, type PullTrack } from '.';

const track = (more: Partial<PullTrack> = {}): PullTrack => ({
  key: '0 0',
  label: 'Van phone',
  fromSeconds: 5,
  toSeconds: 25,
  cutAtSeconds: null,
  marks: ['key'],
  leastSeconds: 0,
  tone: 'well',
  ...more,
});

function renderScale(tracks: PullTrack[]) {
  const onPull = jest.fn();
  const onSelect = jest.fn();
  render(
    <PullScale
      stages={[{ key: '0', head: null, tracks }]}
      finishSeconds={25}
      selectedKey={null}
      onSelect={onSelect}
      onPull={onPull}
      under={(key) => <span>{`under ${key}`}</span>}
    />,
  );
  return { onPull, onSelect };
}

const end = (name: string) => screen.getByRole('slider', { name });

describe('a bar that is pulled', () => {
  it('says its bounds and value at both ends', () => {
    renderScale([track()]);
    expect(end('Van phone begins').getAttribute('aria-valuenow')).toBe('5');
    expect(end('Van phone ends').getAttribute('aria-valuetext')).toBe('second 25');
    expect(end('Van phone begins').getAttribute('aria-valuemax')).toBe('24');
    expect(screen.getByText('under 0 0')).toBeTruthy();
  });

  it.each([
    ['Van phone ends', 'ArrowRight', 5, 26],
    ['Van phone ends', 'ArrowLeft', 5, 24],
    ['Van phone ends', 'PageUp', 5, 30],
    ['Van phone begins', 'PageDown', 0, 25],
    ['Van phone begins', 'ArrowUp', 6, 25],
  ])('%s by %s', (name, key, from, to) => {
    const { onPull } = renderScale([track()]);
    fireEvent.keyDown(end(name), { key });
    expect(onPull).toHaveBeenCalledWith('0 0', from, to, true);
  });

  it('never begins before its stage, nor ends before it has rung a second', () => {
    const { onPull } = renderScale([track({ fromSeconds: 11, toSeconds: 12, leastSeconds: 10 })]);
    fireEvent.keyDown(end('Van phone begins'), { key: 'PageDown' });
    fireEvent.keyDown(end('Van phone ends'), { key: 'PageDown' });
    expect(onPull.mock.calls).toEqual([
      ['0 0', 10, 12, true],
      ['0 0', 11, 12, true],
    ]);
  });

  it('leaves other keys to the page', () => {
    const { onPull } = renderScale([track()]);
    fireEvent.keyDown(end('Van phone ends'), { key: 'Tab' });
    expect(onPull).not.toHaveBeenCalled();
  });

  it('is opened by its name', () => {
    const { onSelect } = renderScale([track(), track({ key: '0 1', label: 'Desk phone' })]);
    fireEvent.click(screen.getByRole('button', { name: /^Desk phone/ }));
    expect(onSelect).toHaveBeenCalledWith('0 1');
  });
});

describe('a week', () => {
  it('has a part for each way, told by a letter and in words', () => {
    const see = jest.fn();
    const block = {
      key: '1',
      fromMinutes: 0,
      toMinutes: 720,
      way: 1,
      label: 'Tue 1 00:00 to 12:00: nothing',
      at: 5,
    };
    render(
      <WeekScale
        days={[{ key: 'd', word: 'Tue 1', blocks: [block] }]}
        legend={['desk phone', 'nothing']}
        nowMinutes={60}
        onSee={see}
      />,
    );
    fireEvent.click(screen.getByRole('button', { name: block.label }));
    expect(see).toHaveBeenCalledWith(block);
    expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
      'Adesk phone',
      'Bnothing',
    ]);
  });
});

describe('a stepper', () => {
  const renderStepper = () => {
    const change = jest.fn();
    render(
      <Stepper
        label="Rings for"
        unit="s"
        value={20}
        least={1}
        most={600}
        tooSmall="Too short."
        onChange={change}
      />,
    );
    return change;
  };
  const field = () => screen.getByRole('textbox', { name: 'Rings for, s' });

  it('goes by one, and takes what is typed', () => {
    const change = renderStepper();
    fireEvent.click(screen.getByRole('button', { name: 'Rings for: one more' }));
    fireEvent.change(field(), { target: { value: '35' } });
    expect(change.mock.calls).toEqual([[21], [35]]);
  });

  it.each([
    ['0', 'Too short.'],
    ['601', 'At most 600 s.'],
    ['soon', 'Write a whole number.'],
    ['2.5', 'Write a whole number.'],
    ['', 'Write a whole number.'],
  ])('says what is wrong with “%s”, and changes nothing', (typed, sentence) => {
    const change = renderStepper();
    fireEvent.change(field(), { target: { value: typed } });
    expect(screen.getByRole('alert').textContent).toBe(sentence);
    expect(change).not.toHaveBeenCalled();
  });
});

describe('ticks', () => {
  it('are each put and taken away', () => {
    const change = jest.fn();
    const options = [
      { value: 'a', word: 'Field service' },
      { value: 'b', word: 'Direct' },
    ];
    render(<Ticks label="Lines" options={options} chosen={['a']} onChange={change} />);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Direct' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Field service' }));
    expect(change.mock.calls).toEqual([[['a', 'b']], [[]]]);
  });
});
