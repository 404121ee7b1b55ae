import { useSyncExternalStore } from 'react';

/** How much of the window's foot the keyboard on the screen takes, in pixels. */
export function useKeyboardInset(): number {
  return useSyncExternalStore(follow, () => inset);
}

/** As it was measured last: to ask for it while rendering would make the browser lay everything out. */
let inset = 0;

function follow(changed: () => void): () => void {
  const { visualViewport } = window;
  const look = () => {
    inset = measure();
    changed();
  };
  inset = measure();
  visualViewport?.addEventListener('resize', look);
  visualViewport?.addEventListener('scroll', look);
  return () => {
    visualViewport?.removeEventListener('resize', look);
    visualViewport?.removeEventListener('scroll', look);
  };
}

function measure(): number {
  const { visualViewport, innerHeight } = window;
  // Zoomed in by the fingers, the window is smaller too, but nothing covers its foot.
  if (!visualViewport || visualViewport.scale > 1.01) return 0;
  return Math.max(0, Math.round(innerHeight - visualViewport.height - visualViewport.offsetTop));
}
