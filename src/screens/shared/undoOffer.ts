import { useSyncExternalStore } from 'react';

/** What takes back the act that was done last, as long as the notice that says so stands. */
interface UndoOffer {
  /** The notice's sentence. */
  said: string;
  /** What comes back, for who can't see what was done: "Peg Anstey back". */
  what: string;
  undo: () => void;
}

let offer: UndoOffer | null = null;
const listeners = new Set<() => void>();

/** Puts Undo into the notice that says this; null takes it away. */
export function offerUndo(next: UndoOffer | null): void {
  offer = next;
  for (const listener of listeners) listener();
}

export function useUndoOffer(said: string | null): UndoOffer | null {
  const now = useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    () => offer,
  );
  return now?.said === said ? now : null;
}
