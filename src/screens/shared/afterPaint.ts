/** How often somewhere else was asked for. */
let led = 0;

/** Leads somewhere else, once it is painted that something was tapped. */
export function leadAfterPaint(lead: () => void): void {
  led++;
  afterPaint(lead);
}

/** Says, later, whether the worker has stayed: what takes its time must not lead them away from where they have gone meanwhile. */
export function whetherHere(): () => boolean {
  const before = led;
  return () => led === before;
}

/**
 * Does it once the browser has painted that something was tapped, so that a slow phone answers the finger at once and draws a new
 * screen afterwards. A page that is not seen paints nothing, and does it at once.
 */
export function afterPaint(act: () => void): void {
  if (document.visibilityState !== 'visible') return act();
  // The frame's callbacks come before its paint; the next task comes after it.
  requestAnimationFrame(() => setTimeout(act));
}
