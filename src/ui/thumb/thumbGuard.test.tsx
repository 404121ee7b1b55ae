import { fireEvent } from '@testing-library/react';

import { seeingMs, slipMs, ThumbGuard } from '.';

/** Two frames at most, after which the moment begins. */
const framesMs = 34;

/** Where a thumb comes down meets whatever lies on top there, which jsdom can't tell: here it is asked of the shield itself. */
function shieldAt(x: number, y: number): boolean {
  const shield = document.querySelector<HTMLElement>('[aria-hidden=true]');
  if (!shield || shield.style.display === 'none') return false;
  const [left, top, width, height] = ['left', 'top', 'width', 'height'].map((side) =>
    parseFloat(shield.style.getPropertyValue(side)),
  );
  return x >= left! && x <= left! + width! && y >= top! && y <= top! + height!;
}

describe('a thumb that slips', () => {
  let stop: () => void;
  beforeEach(() => {
    jest.useFakeTimers();
    document.body.innerHTML =
      '<div role="button" id="act">End</div><div data-again><div role="button" id="key">5</div></div><p id="text">Words</p>';
    stop = new ThumbGuard().start();
  });
  afterEach(() => {
    stop();
    jest.useRealTimers();
  });
  const tap = (id: string, detail = 1) =>
    fireEvent.click(document.getElementById(id)!, { clientX: 100, clientY: 200, detail });

  it('meets a shield where it has just tapped, and nowhere else, for a moment', () => {
    tap('act');
    expect(shieldAt(110, 190)).toBe(true);
    expect(shieldAt(200, 200)).toBe(false);
    jest.advanceTimersByTime(framesMs + slipMs);
    expect(shieldAt(100, 200)).toBe(false);
  });

  it('is held off as long as it goes on tapping', () => {
    tap('act');
    jest.advanceTimersByTime(slipMs - 50);
    const shield = document.querySelector<HTMLElement>('[aria-hidden=true]')!;
    fireEvent.click(shield, { clientX: 100, clientY: 200, detail: 1 });
    jest.advanceTimersByTime(slipMs - 50);
    expect(shield.style.display).toBe('block');
    jest.advanceTimersByTime(50 + framesMs);
    expect(shield.style.display).toBe('none');
  });

  it('taps a key of the keypad as often as it likes, and what is no act is nothing to guard', () => {
    tap('key');
    tap('text');
    expect(shieldAt(100, 200)).toBe(false);
  });

  it('is not asked of keys and screen readers, whose click has no place', () => {
    fireEvent.click(document.getElementById('act')!, { clientX: 0, clientY: 0, detail: 0 });
    expect(shieldAt(0, 0)).toBe(false);
  });

  it('meets it everywhere when the screen has changed by itself, and a tap then makes it no smaller', () => {
    ThumbGuard.screenChanged();
    expect(shieldAt(5, 5) && shieldAt(window.innerWidth - 5, window.innerHeight - 5)).toBe(true);
    jest.advanceTimersByTime(framesMs + seeingMs);
    expect(shieldAt(5, 5)).toBe(false);
  });
});
