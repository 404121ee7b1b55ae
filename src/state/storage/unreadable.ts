/** Storage does not answer: nothing that depends on what is in it may go on, or it would be written over. */
export class UnreadableStorage extends Error {
  constructor() {
    super('What is kept on this device can’t be read just now.');
  }
}

/** A newer version of the app has been here: what it wrote is neither read nor touched by this one. */
export class NewerData extends Error {
  constructor() {
    super('The data on this device was written by a newer version of Cendro. Reload to get that version.');
  }
}

/** Whether the browser lets this site keep nothing at all, so that there is nothing to be lost either. */
export function isStorageBlocked(): boolean {
  // Outside of browsers, in tests, storage is brought along.
  if (typeof self === 'undefined') return false;
  try {
    // A worker has no local storage in any case.
    return !globalThis.indexedDB || (typeof window !== 'undefined' && !window.localStorage);
  } catch {
    return true;
  }
}

/** Whether an app that has met this may not go on. */
export const isStorageFault = (error: unknown): boolean =>
  error instanceof UnreadableStorage || error instanceof NewerData;
