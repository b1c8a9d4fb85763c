/** A lead ended this device's sign-in: it forgets the company at once, and hands over what it had not sent for a lead's yes. */
import { api, data } from "../api/client";
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
  await store.photos.where("member").equals(member).delete();
  await data(api.POST("/api/v1/held", { body: { entries: [], last: true } }));
}
