/** What another app has handed to Cendro (Web Share Target API): left by the service worker, and taken once. */
export interface PassedOn {
  text: string;
  files: File[];
}

/** As in public/alerts.js. */
const cacheName = 'passed-on';
const namePart = 'x-name';

/** What waits to be taken; null: nothing does. */
export async function lookAtPassedOn(): Promise<PassedOn | null> {
  if (!('caches' in globalThis)) return null;
  const cache = await caches.open(cacheName);
  const found = await cache.match('/passed-on/text');
  if (!found) return null;
  const files: File[] = [];
  for (const request of await cache.keys()) {
    const response = await cache.match(request);
    const name = response?.headers.get(namePart);
    if (response && name != null) {
      const blob = await response.blob();
      files.push(new File([blob], decodeURIComponent(name), { type: blob.type }));
    }
  }
  return { text: await found.text(), files };
}

/** It has been taken, or is not wanted. */
export async function forgetPassedOn(): Promise<void> {
  if ('caches' in globalThis) await caches.delete(cacheName);
}
