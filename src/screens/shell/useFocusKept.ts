import { useEffect } from 'react';

/** Where what had the focus is gone with its screen, the new one has it: the keys go on there, and it is read from its top. */
export function useFocusKept(screen: string): void {
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const { activeElement } = document;
      // What is hidden with its screen keeps the focus for a moment, and then has none.
      const isLost = activeElement === document.body || activeElement?.getClientRects().length === 0;
      if (!isLost) return;
      const main = [...document.querySelectorAll<HTMLElement>('[role=main]')].find(
        (element) => element.offsetParent !== null,
      );
      main?.focus({ preventScroll: true });
    });
    return () => cancelAnimationFrame(frame);
  }, [screen]);
}
