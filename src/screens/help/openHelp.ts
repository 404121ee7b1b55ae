import { openCallSheet } from '../call/openSheet';

/** Lays open what the screen that is seen is for. */
export const openHelp = () => openCallSheet({ kind: 'help', path: window.location.pathname });
