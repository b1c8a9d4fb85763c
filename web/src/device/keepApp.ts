/** The app on this device: its shell by the service worker, the core file by file, so that it opens cold without signal. */
import { registerSW } from "virtual:pwa-register";

import { startAgain } from "./core";
import { useWatched, Watched } from "./watched";

/** After how long a fetch that failed is tried again. */
const AGAIN_MS = 20_000;

const kept = new Watched(false);
const take = new Watched<(() => void) | undefined>(undefined);

/** Whether everything that a cold start without signal needs is on this device. */
export const useIsKept = (): boolean => useWatched(kept);

/** Take the new version of the app that has been fetched; undefined where there is none. */
export const useNewVersion = (): (() => void) | undefined => useWatched(take);

export function keepApp(): void {
  if (!("serviceWorker" in navigator)) return;
  const update = registerSW({
    immediate: true,
    onNeedRefresh: () => take.set(() => void update(true)),
  });
  void goOnKeeping();
}

/** File by file until all are here: a weak signal ends a fetch, and what came by then stays. */
async function goOnKeeping(): Promise<void> {
  try {
    await keepCore();
    kept.set(true);
    startAgain();
  } catch (problem) {
    console.warn("The core is not on this device yet; it is gone on with.", problem);
    window.setTimeout(() => void goOnKeeping(), AGAIN_MS);
  }
}

async function keepCore(): Promise<void> {
  const registration = await navigator.serviceWorker.ready;
  const cache = await caches.open(__CORE_CACHE__);
  const wanted = new Set(__CORE_FILES__.map((file) => new URL(file, location.href).href));
  for (const url of wanted) if ((await cache.match(url)) === undefined) await cache.add(url);
  if (registration.waiting ?? registration.installing) return; // the files of a version that is still to be taken stay
  for (const { url } of await cache.keys()) if (!wanted.has(url)) await cache.delete(url);
}
