/** How much of this device is used, in bytes. */
export interface RoomUsed {
  /** null: this browser does not tell them apart. */
  appBytes: number | null;
  keptBytes: number;
  freeBytes: number;
  /** Whether the browser never clears it by itself. */
  stays: boolean;
}

/** Chromium tells what each kind of storage takes; not in the standard yet. */
type Estimate = StorageEstimate & { usageDetails?: { caches?: number; serviceWorkerRegistrations?: number } };

/** What Cendro takes of this device; null where the browser does not say. */
export async function roomUsed(): Promise<RoomUsed | null> {
  if (!('storage' in navigator) || !('estimate' in navigator.storage)) return null;
  try {
    const { usage = 0, quota = 0, usageDetails } = (await navigator.storage.estimate()) as Estimate;
    const { caches, serviceWorkerRegistrations = 0 } = usageDetails ?? {};
    const appBytes = caches === undefined ? null : caches + serviceWorkerRegistrations;
    const stays = await navigator.storage.persisted();
    return { appBytes, keptBytes: usage - (appBytes ?? 0), freeBytes: Math.max(0, quota - usage), stays };
  } catch {
    return null;
  }
}

/** Asks the browser never to clear by itself what is kept. Whether it promises that. */
export async function askToStay(): Promise<boolean> {
  try {
    return await navigator.storage.persist();
  } catch {
    return false;
  }
}
