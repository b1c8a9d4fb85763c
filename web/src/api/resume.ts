/** Sending what an earlier page left. A device that never wrote has none of it, and fetches nothing for it. */
import { STORED_UNDER } from "./stored";

export function resume(): void {
  if (localStorage.getItem(STORED_UNDER.outbox) !== null)
    void import("./outbox").then(({ resumeSending }) => resumeSending());
}
