/**
 * Part of the service worker, behind a line that names CACHE and FILES. A new version is installed once this browser's Python and the core are
 * here too, for it may be taken where there is no signal. What came by stays: a try that is cut off is gone on with by the next. For the
 * first version the page does it (src/device/keepApp.ts), so that the shell need not wait.
 */
self.addEventListener("install", (event) => {
  if (self.registration.active) event.waitUntil(keepCore());
});

async function keepCore() {
  const cache = await caches.open(CACHE);
  for (const file of FILES) if ((await cache.match(file)) === undefined) await cache.add(file);
}
