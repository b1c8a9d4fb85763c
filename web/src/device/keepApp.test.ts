/** The core's files come one by one: what a weak signal cut off is gone on with, and a core that failed for it starts again. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";

const startAgain = vi.hoisted(() => vi.fn());
vi.mock("./core", () => ({ startAgain }));
vi.mock("virtual:pwa-register", () => ({ registerSW: () => vi.fn() }));

const FILES = ["/assets/pyodide-1/pyodide.mjs", "/assets/pyodide-1/pyodide.asm.wasm", "/assets/core-1.zip"];
const registration: { waiting?: object } = {};
const here = new Set<string>();
const asked: string[] = [];
let signalFor = 0;

const cache = {
  match: (url: string) => Promise.resolve(here.has(url) ? {} : undefined),
  add: (url: string) => {
    asked.push(url);
    if (asked.length > signalFor) return Promise.reject(new Error("no signal"));
    here.add(url);
    return Promise.resolve();
  },
  keys: () => Promise.resolve([...here].map((url) => ({ url }))),
  delete: (url: string) => Promise.resolve(here.delete(url)),
};

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("__CORE_CACHE__", "core");
  vi.stubGlobal("__CORE_FILES__", FILES);
  vi.stubGlobal("caches", { open: () => Promise.resolve(cache) });
  vi.stubGlobal("navigator", { serviceWorker: { ready: Promise.resolve(registration) } });
  vi.spyOn(console, "warn").mockReturnValue();
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

test("what was cut off is gone on with, no file is fetched twice, and what is of an older version goes", async () => {
  here.add(new URL("/assets/core-0.zip", location.href).href);
  signalFor = 1;
  const { keepApp } = await import("./keepApp");
  keepApp();
  await vi.advanceTimersByTimeAsync(0);
  expect(asked).toHaveLength(2);
  expect(startAgain).not.toHaveBeenCalled();
  signalFor = Infinity;
  await vi.advanceTimersByTimeAsync(60_000);
  expect(startAgain).toHaveBeenCalledTimes(1);
  expect(asked).toHaveLength(4); // three files, one of them asked for twice
  expect([...here].map((url) => new URL(url).pathname)).toEqual(FILES);
});

test("the files of a version that is still to be taken stay", async () => {
  const next = new URL("/assets/core-2.zip", location.href).href;
  here.add(next);
  registration.waiting = {};
  signalFor = Infinity;
  const { keepApp } = await import("./keepApp");
  keepApp();
  await vi.advanceTimersByTimeAsync(0);
  expect(startAgain).toHaveBeenCalled();
  expect(here).toContain(next);
});
