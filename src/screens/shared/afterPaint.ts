/**
 * Does it once the browser has painted that something was tapped, so that a slow phone answers the finger at once and draws a new
 * screen afterwards. A page that is not seen paints nothing, and does it at once.
 */
export function afterPaint(act: () => void): void {
  if (document.visibilityState !== 'visible') return act();
  // The frame's callbacks come before its paint; the next task comes after it.
  requestAnimationFrame(() => setTimeout(act));
}
