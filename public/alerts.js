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
