/** Within that time a second tap at the same place is a slip of the same thumb. */
export const slipMs = 400;
/** What has changed by itself is not tapped on purpose sooner than that: nobody sees and taps faster. */
export const seeingMs = 350;
/** Half the width of a thumb. */
const reach = 32;

const acts = '[role=button], [role=radio], [role=switch], [role=checkbox], [role=link], a, button';
/** Marks what is meant to be tapped again and again: keys, steppers, what erases. */
const again = '[data-again]';

/**
 * Keeps a thumb's second tap from what has come under it meanwhile (docs/decisions/024). After each tap on an act an unseen
 * shield lies over that place for a moment and takes whatever comes; when the screen changes by itself, over all of it.
 * A tap after that moment, a key, and a screen reader's click are never held up.
 */
export class ThumbGuard {
  /** The one that watches this page. */
  private static current: ThumbGuard | null = null;
  private readonly shield = document.createElement('div');
  private timer: ReturnType<typeof setTimeout> | undefined;
  private frame = 0;

  constructor() {
    const { style } = this.shield;
    this.shield.setAttribute('aria-hidden', 'true');
    this.shield.dataset['shield'] = '';
    Object.assign(style, { position: 'fixed', zIndex: '300', display: 'none' });
  }

  /** Begins to watch the taps of this page. Gives what ends it. */
  start(): () => void {
    ThumbGuard.current = this;
    document.body.append(this.shield);
    document.addEventListener('click', this.onClick, true);
    return () => {
      cancelAnimationFrame(this.frame);
      clearTimeout(this.timer);
      document.removeEventListener('click', this.onClick, true);
      this.shield.remove();
      ThumbGuard.current = null;
    };
  }

  /** The screen has changed by itself: a call has come, or is gone; something stands where something else was. */
  static screenChanged(): void {
    ThumbGuard.current?.cover(
      { left: 0, top: 0, width: window.innerWidth, height: window.innerHeight },
      seeingMs,
    );
  }

  private readonly onClick = (event: MouseEvent): void => {
    const target = event.target instanceof Element ? event.target : null;
    const { clientX, clientY } = event;
    // A thumb that goes on tapping is still the same slip.
    if (target === this.shield) {
      this.cover(this.shield.getBoundingClientRect(), slipMs);
      return;
    }
    // A key or a screen reader has no place on the screen.
    const isTap = event.detail > 0 && (clientX !== 0 || clientY !== 0);
    if (!isTap || !target?.closest(acts) || target.closest(again)) return;
    this.cover({ left: clientX - reach, top: clientY - reach, width: 2 * reach, height: 2 * reach }, slipMs);
  };

  private cover(box: Pick<DOMRect, 'left' | 'top' | 'width' | 'height'>, forMs: number): void {
    const { style } = this.shield;
    // A tap on a screen that is covered as a whole does not make the cover smaller.
    const isWhole = style.display === 'block' && parseFloat(style.width) > 2 * reach;
    if (!isWhole)
      for (const side of ['left', 'top', 'width', 'height'] as const) style[side] = `${box[side]}px`;
    style.display = 'block';
    // What is not drawn yet nobody has seen: on a slow phone the moment begins once the screen shows what has changed.
    cancelAnimationFrame(this.frame);
    clearTimeout(this.timer);
    this.frame = requestAnimationFrame(() => {
      this.frame = requestAnimationFrame(() => {
        this.timer = setTimeout(() => (style.display = 'none'), forMs);
      });
    });
  }
}
