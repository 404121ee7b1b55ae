// Passes what is pressed on a call's notification on to the app, and brings the app to the front.
self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const message = { callId: event.notification.data.callId, action: event.action || 'open' };
  event.waitUntil(
    self.clients.matchAll({ type: 'window' }).then(async ([page]) => {
      if (!page) return;
      if (event.action !== 'refuse') await page.focus();
      if (event.action) page.postMessage(message);
    }),
  );
});

/** As in src/state/onDevice/passedOn.ts. */
const passedOn = 'passed-on';

// What another app hands over by a form: it is laid aside, and the app is opened where it is asked for whom it is.
self.addEventListener('fetch', (event) => {
  const { pathname, origin } = new URL(event.request.url);
  if (event.request.method !== 'POST' || origin !== self.location.origin || pathname !== '/share') return;
  // What could not be kept is missing there, and it is said that nothing came.
  const led = () => Response.redirect('/share', 303);
  event.respondWith(layAside(event.request).then(led, led));
});

async function layAside(request) {
  const form = await request.formData();
  const words = ['title', 'text', 'url'].map((name) => form.get(name)).filter((word) => typeof word === 'string' && word);
  await caches.delete(passedOn);
  const cache = await caches.open(passedOn);
  for (const [number, file] of form.getAll('files').entries()) {
    if (typeof file === 'string') continue;
    const headers = { 'x-name': encodeURIComponent(file.name), 'content-type': file.type };
    await cache.put(`/passed-on/${number}`, new Response(file, { headers }));
  }
  // Last: with it all is there.
  await cache.put('/passed-on/text', new Response([...new Set(words)].join('\n')));
}
