import type { RootState } from './store';

/** Whoever uses the app, at which device; what asks before anybody is signed in is a fault of ours, and no silent nobody. */
export function selectMe({ office: { me } }: RootState): { personId: string; deviceId: string } {
  if (!me) throw new Error('Nobody is signed in yet.');
  return me;
}

/** Nobody has typed the PIN since the device was locked. */
export const selectIsLocked = ({ office, settings }: RootState): boolean =>
  settings.lockAfter !== null && office.me !== null && !office.isUnlocked;

export const selectMyId = (state: RootState): string => selectMe(state).personId;
export const selectMyDeviceId = (state: RootState): string => selectMe(state).deviceId;
