/** Whether the server was reached when it was last asked. */
import { useWatched, Watched } from "./watched";

const reached = new Watched(true);

export const tell = (now: boolean): void => reached.set(now);

export const isReached = reached.get;

/** Call `then` when the server is reached again. */
export function whenReached(then: () => void): void {
  reached.watch(() => {
    if (reached.get()) then();
  });
}

export const useReached = (): boolean => useWatched(reached);
