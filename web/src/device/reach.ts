/** Whether the server was reached when it was last asked. */
import { useSyncExternalStore } from "react";

let reached = true;
const listeners = new Set<() => void>();

export function tell(now: boolean): void {
  if (now === reached) return;
  reached = now;
  listeners.forEach((listener) => listener());
}

export const isReached = (): boolean => reached;

/** Call `then` when the server is reached again. */
export function whenReached(then: () => void): void {
  listeners.add(() => {
    if (reached) then();
  });
}

export const useReached = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => reached,
  );
