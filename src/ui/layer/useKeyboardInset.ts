import { useSyncExternalStore } from 'react';

/** How much of the window's foot the keyboard on the screen takes, in pixels. */
export function useKeyboardInset(): number {
  return useSyncExternalStore(follow, measure);
}

function follow(changed: () => void): () => void {
  const { visualViewport } = window;
  visualViewport?.addEventListener('resize', changed);
  visualViewport?.addEventListener('scroll', changed);
  return () => {
    visualViewport?.removeEventListener('resize', changed);
    visualViewport?.removeEventListener('scroll', changed);
  };
}

function measure(): number {
  const { visualViewport, innerHeight } = window;
  // Zoomed in by the fingers, the window is smaller too, but nothing covers its foot.
  if (!visualViewport || visualViewport.scale > 1.01) return 0;
  return Math.max(0, Math.round(innerHeight - visualViewport.height - visualViewport.offsetTop));
}
