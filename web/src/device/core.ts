/** Asking the core on this device. While it loads, or where a browser cannot run it, the server is asked the same. */
import { useWatched, Watched } from "./watched";

export type Question =
  | { id: number; kind: "keep"; visit: string; record: string; ahead: number }
  | { id: number; kind: "judge" | "first"; visit: string; acts: string };

export interface Answer {
  /** 0 says that the core is up, or that it could not be started. */
  id: number;
  text?: string;
  problem?: string;
}

export type CoreState = "off" | "loading" | "ready" | "failed";

/** Where tests keep the server's answer; a browser that cannot run the core does by itself. */
const BY_SERVER = "outer-test.judged-by";
/** An old phone takes its time; the server is asked meanwhile. A browser that hangs without a word is given up then. */
const SLOWEST_MS = 120_000;
/** Only the tab in front has a core: it takes some 110 MB. */
const BEHIND_MS = 60_000;

let worker: Worker | undefined;
const state = new Watched<CoreState>("off");
let last = 0;
const asked = new Map<number, { settle: (text: string) => void; fail: (problem: Error) => void }>();

export const coreState = state.get;

export const useCoreState = (): CoreState => useWatched(state);

/** Wait until the core is up. Throws where this browser cannot run it. */
export function coreIsUp(): Promise<void> {
  return new Promise((settle, fail) => {
    const look = () => {
      if (coreState() === "ready") settle();
      else if (coreState() !== "failed") return;
      else fail(new Error("This browser cannot judge by itself: open the visit where there is signal."));
      forget();
    };
    const forget = state.watch(look);
    look();
  });
}

/** Call `then` whenever the core has come up. */
export function whenCoreIsUp(then: () => void): void {
  state.watch(() => {
    if (coreState() === "ready") then();
  });
}

function stop(next: CoreState): void {
  worker?.terminate();
  worker = undefined;
  asked.forEach(({ fail }) => fail(new Error("The core was stopped.")));
  asked.clear();
  state.set(next);
}

function hear({ data }: MessageEvent<Answer>): void {
  if (data.id === 0) {
    if (data.problem === undefined) state.set("ready");
    else {
      console.warn("The core does not start on this device; the server judges.", data.problem);
      stop("failed");
    }
    return;
  }
  const waiting = asked.get(data.id);
  asked.delete(data.id);
  if (data.problem === undefined) waiting?.settle(data.text ?? "");
  else waiting?.fail(new Error(data.problem));
}

export function startCore(): void {
  if (worker !== undefined || coreState() === "failed" || document.hidden) return;
  if (localStorage.getItem(BY_SERVER) === "server") return;
  if (typeof WebAssembly === "undefined") {
    state.set("failed");
    return;
  }
  state.set("loading");
  worker = new Worker(new URL("./core.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = hear;
  worker.onerror = () => stop("failed");
  const mine = worker;
  window.setTimeout(() => {
    if (worker === mine && coreState() === "loading") stop("failed");
  }, SLOWEST_MS);
}

/** Once more, where it failed before all its files were on this device: then it may have been the signal. */
export function startAgain(): void {
  if (coreState() !== "failed") return;
  state.set("off");
  startCore();
}

function ask(
  question:
    | Omit<Extract<Question, { kind: "keep" }>, "id">
    | Omit<Extract<Question, { kind: "judge" | "first" }>, "id">,
): Promise<string> {
  const to = worker;
  if (to === undefined) return Promise.reject(new Error("The core is not running."));
  const id = (last += 1);
  return new Promise((settle, fail) => {
    asked.set(id, { settle, fail });
    to.postMessage({ ...question, id });
  });
}

/** Give the core a visit's record. ahead: how far this device's clock is ahead of the server's, seconds. */
export const keepInCore = (visit: string, record: string, ahead: number): Promise<string> =>
  ask({ kind: "keep", visit, record, ahead });

/** What the core says of a visit with these acts done. Both as JSON. */
export const judgeInCore = (visit: string, acts: string): Promise<string> =>
  ask({ kind: "judge", visit, acts });

/** The same, with no more than the verdict of what was done last: the rest takes longer. */
export const judgeFirst = (visit: string, acts: string): Promise<string> =>
  ask({ kind: "first", visit, acts });

let behind = 0;
document.addEventListener("visibilitychange", () => {
  window.clearTimeout(behind);
  if (!document.hidden) startCore();
  else behind = window.setTimeout(() => coreState() !== "failed" && stop("off"), BEHIND_MS);
});
