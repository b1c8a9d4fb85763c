/** Sending what an earlier page left. A device that never wrote has none of it, and fetches nothing for it. */
import { OUTBOX } from "./stored";

export function resume(): void {
  if (localStorage.getItem(OUTBOX) !== null)
    void import("./outbox").then(({ resumeSending }) => resumeSending());
}
