/** What every write says of itself: its own name, this device's time and count, and what it knew. */
import type { VisitShown } from "./client";
import { queries } from "./queries";

const KEY = "outer-test.count";

/** The next count of this device; tabs share it, so that two never make the same. */
export function nextCount(): number {
  const count = Number(localStorage.getItem(KEY) ?? "0") + 1;
  localStorage.setItem(KEY, String(count));
  return count;
}

/** A write's own; `after` is the last place of the ledger that the visit's screen stood at. */
export function made(visit: string): { id: string; at: string; seq: number; after: number | null } {
  const known = queries.getQueryData<VisitShown>(["visit", visit]);
  return {
    id: crypto.randomUUID(),
    at: new Date().toISOString(),
    seq: nextCount(),
    after: known?.record.place ?? null,
  };
}
