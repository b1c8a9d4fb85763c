/** A lead ended this device's sign-in: it forgets the company at once, and hands over what it had not sent for a lead's yes. */
import { api, ApiProblem, data } from "../api/client";
import { upload } from "../api/upload";
import { asSent } from "./asSent";
import { dropEntries, waitingBy } from "./entries";
import { forgetCompany, store } from "./store";

const AT_ONCE = 50;
let running: Promise<void> | undefined;

/** member: whose sign-in it was. Tried again at the next contact where the server is lost meanwhile. */
export function handOver(member: string): void {
  running ??= everything(member)
    .catch((problem: unknown) => console.warn("What waits here could not be handed over yet.", problem))
    .finally(() => {
      running = undefined;
    });
}

async function everything(member: string): Promise<void> {
  await forgetCompany();
  for (;;) {
    const some = await waitingBy(member, AT_ONCE);
    if (some.length === 0) break;
    await data(api.POST("/api/v1/held", { body: { entries: some.map(asSent), last: false } }));
    await dropEntries(some.map(({ id }) => id));
  }
  for (const { id, unit, fields, photo } of await store.photos.where("member").equals(member).toArray()) {
    try {
      await upload("/api/v1/held/photos", { id, unit, ...fields, photo });
    } catch (problem) {
      // One that no server takes is let go; where the server is lost, all that is left is tried again.
      if (!(problem instanceof ApiProblem) || problem.status >= 500 || problem.status === 401) throw problem;
    }
    await store.photos.delete(id);
  }
  await data(api.POST("/api/v1/held", { body: { entries: [], last: true } }));
}
