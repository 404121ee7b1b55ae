import { useLocalSearchParams } from 'expo-router';
import { useEffect, useRef } from 'react';

/** The line of a log that the address asks for (`?at=`): where it stands, and whether a line is it. */
export interface AskedLine {
  id: string | null;
  /** What a line says of itself: that it is the one, and where to scroll to. */
  marks: (id: string) => { id?: string; 'aria-current'?: 'true' };
}

const elementId = 'asked-line';

/**
 * Brings the line that the address asks for into view once it is there, and keeps it there while pictures and sounds around it are
 * still being fetched. Whoever writes or scrolls on is not brought back.
 */
export function useAskedLine(isThere: (id: string) => boolean): AskedLine {
  const { at } = useLocalSearchParams<{ at?: string }>();
  const id = at ?? null;
  const shown = useRef<string | null>(null);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => {
    if (id === null || shown.current === id || !isThere(id)) return;
    const line = document.getElementById(elementId);
    if (!line) return;
    shown.current = id;
    stop.current();
    stop.current = keepInView(line);
  });
  useEffect(() => () => stop.current(), []);
  return { id, marks: (each) => (each === id ? { id: elementId, 'aria-current': 'true' } : {}) };
}

const handsOn = ['pointerdown', 'wheel', 'keydown'] as const;

/** Until a hand does anything. Gives what ends it. */
function keepInView(line: HTMLElement): () => void {
  const center = () => line.scrollIntoView({ block: 'center' });
  const around = new ResizeObserver(center);
  for (let at: HTMLElement | null = line; at && at !== document.body; at = at.parentElement)
    around.observe(at);
  const end = () => {
    around.disconnect();
    for (const hand of handsOn) window.removeEventListener(hand, end, true);
  };
  for (const hand of handsOn) window.addEventListener(hand, end, true);
  center();
  return end;
}
