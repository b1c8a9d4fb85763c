/** Who is signed in on this device: kept for a cold start without signal. What one company's people saw is not there for others. */
import type { Schemas } from "../api/client";
import { queries } from "../api/queries";
import { forgetCompany, store } from "./store";

const LAST = "last member";

export async function sessionIs(session: Schemas["Session"]): Promise<void> {
  const now = session.member?.username ?? "";
  const before = (await store.answers.get(LAST))?.body ?? "";
  if (before !== "" && before !== now) await forgetCompany();
  await store.answers.bulkPut([
    { key: LAST, body: now },
    { key: "session", body: session },
  ]);
  queries.setQueryData(["session"], session);
}
