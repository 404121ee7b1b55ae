import type { Edit } from '@/core/setup/edits';
import { selectMyId, useAppDispatch, useAppStore } from '@/state/app';
import { changeOffice, selectSetupLog, undoChange } from '@/state/configuration';

import { offerUndo } from '../../shared/undoOffer';

interface Said {
  /** What is true afterwards. */
  said: string;
  /** What Undo brings about: "Wynn Abara back". */
  what: string;
  /** What is true once it is undone. */
  undone: string;
}

/** Changes the office, and puts Undo into the notice that says so. Gives whether it was changed. */
export function useUndoableChange(): (edits: readonly Edit[], words: Said) => Promise<boolean> {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  return async (edits, { said, what, undone }) => {
    if ((await dispatch(changeOffice(edits, said))) !== null) return false;
    // It is in the log before it is answered.
    const state = store.getState();
    const entry = selectSetupLog(state).find(({ byId }) => byId === selectMyId(state));
    if (entry) offerUndo({ said, what, undo: () => void dispatch(undoChange(entry.id, undone)) });
    return true;
  };
}
