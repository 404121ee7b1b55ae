import { useLocalSearchParams } from 'expo-router';
import { useEffect, useRef } from 'react';

/** The line of a log that the address asks for (`?at=`): where it stands, and whether a line is it. */
export interface AskedLine {
  id: string | null;
  /** What a line says of itself: that it is the one, and where to scroll to. */
  marks: (id: string) => { id?: string; 'aria-current'?: 'true' };
}

const elementId = 'asked-line';

/** Brings the line that the address asks for into view once it is there. Whoever writes or scrolls on is not brought back. */
export function useAskedLine(isThere: (id: string) => boolean): AskedLine {
  const { at } = useLocalSearchParams<{ at?: string }>();
  const id = at ?? null;
  const shown = useRef<string | null>(null);
  useEffect(() => {
    if (id === null || shown.current === id || !isThere(id)) return;
    const line = document.getElementById(elementId);
    if (!line) return;
    shown.current = id;
    line.scrollIntoView({ block: 'center' });
  });
  return { id, marks: (each) => (each === id ? { id: elementId, 'aria-current': 'true' } : {}) };
}
