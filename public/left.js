// Takes everything of Cendro out of this browser: outside the app, so that nothing of it writes meanwhile.
const say = (sentence) => {
  document.querySelector('[role="status"]').textContent = sentence;
};

const dropDatabase = (name) =>
  new Promise((resolve, reject) => {
    const asked = indexedDB.deleteDatabase(name);
    asked.onsuccess = resolve;
    asked.onerror = () => reject(asked.error);
    // Another tab has it open still: it goes when that tab does.
    asked.onblocked = () => say('Close the other tabs of Cendro, so that what they hold can go too.');
  });

async function wipe() {
  for (const registration of (await navigator.serviceWorker?.getRegistrations()) ?? [])
    await registration.unregister();
  for (const name of (await globalThis.caches?.keys()) ?? []) await caches.delete(name);
  for (const { name } of await indexedDB.databases()) await dropDatabase(name);
  localStorage.clear();
  sessionStorage.clear();
}

/** Set by the app in the tab that was asked to: whoever is led here by a link loses nothing. */
const isAskedFor = sessionStorage.getItem('cendro/wiping') === 'yes';

if (!isAskedFor) say('Nothing was taken away: that is asked for in Cendro, under PIN and devices.');
else wipe().then(
  () => say('Nothing of Cendro is kept on this device any more. You can close this page.'),
  (error) =>
    say(
      `Not everything could be taken away: ${error}. Clear this site’s data in the settings of your browser.`,
    ),
);
