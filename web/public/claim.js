// Part of the service worker: takes charge of the pages that ask for it. Those that were on their way when it came were left out.
self.addEventListener('message', (event) => {
  if (event.data?.type === 'claim') event.waitUntil(self.clients.claim());
});
