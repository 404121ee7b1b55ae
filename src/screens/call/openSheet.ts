import { useSyncExternalStore } from 'react';

import { afterPaint } from '../shared/afterPaint';
import type { OpenSheet } from './sheetKinds';

let open: OpenSheet | null = null;
const listeners = new Set<() => void>();

/**
 * Lays a sheet about a call open; null closes it. There is one for the whole app, so that it outlives the screen it was opened
 * from: whoever hangs up meanwhile takes nothing along that is being written.
 */
export function openCallSheet(sheet: OpenSheet | null): void {
  // That a word was tapped is seen before its sheet is drawn.
  if (sheet) afterPaint(() => lay(sheet));
  else lay(null);
}

function lay(sheet: OpenSheet | null): void {
  open = sheet;
  for (const listener of listeners) listener();
}

export function useCallSheet(): OpenSheet | null {
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    () => open,
  );
}
