/** What this device keeps through a reload and a day without signal: what was done, the visits at hand, what the server last said. */
import { Dexie, type Table } from "dexie";

import type { FieldError, Schemas, VisitShown } from "../api/client";

export type Act = Schemas["Entry"]["act"];

/** Something done on a visit that the server has not written down yet, or has refused. `n` is its order on this device. */
export interface Entry {
  n?: number;
  id: string;
  visit: string;
  /** Who did it: it is never sent in another's name. */
  member: string;
  at: string;
  seq: number;
  after: number | null;
  act: Act;
  /** What is wrong with it; empty while it waits to be sent. */
  wrong: FieldError[];
}

/** An entry as it was before it had its order. */
export function withoutOrder(entry: Entry): Entry {
  const same = { ...entry };
  delete same.n;
  return same;
}

/** A photo that the server does not have yet, or has refused. */
export interface Photo {
  id: string;
  unit: string;
  fields: { about: string; visit?: string; part?: string };
  photo: Blob;
  member: string;
  wrong: FieldError[];
}

class Store extends Dexie {
  entries!: Table<Entry, number>;
  visits!: Table<{ id: string; at: number; shown: VisitShown }, string>;
  answers!: Table<{ key: string; body: unknown }, string>;
  photos!: Table<Photo, string>;
  thumbs!: Table<{ id: string; unit: string; at: number; picture: Blob }, string>;

  constructor() {
    super("outer-test");
    this.version(1).stores({
      entries: "++n, id, visit",
      visits: "id, at",
      answers: "key",
      photos: "id, unit",
    });
    this.version(2).stores({ thumbs: "id, at", photos: "id, unit, member" });
  }
}

export const store = new Store();

const MOST_VISITS = 60;

/** Keep a visit; the one looked at longest ago goes first when there are too many, and none that has entries waiting. */
export async function keepVisit(shown: VisitShown): Promise<void> {
  await store.visits.put({ id: shown.id, at: Date.now(), shown });
  const extra = (await store.visits.count()) - MOST_VISITS;
  if (extra <= 0) return;
  const waiting = new Set((await store.entries.toArray()).map(({ visit }) => visit));
  const oldest = await store.visits.orderBy("at").primaryKeys();
  await store.visits.bulkDelete(oldest.filter((id) => !waiting.has(id)).slice(0, extra));
}

/** Forget what another person must not see: everything but the entries, which stay whose they are. */
export async function forgetCompany(): Promise<void> {
  await Promise.all([store.visits.clear(), store.answers.clear(), store.thumbs.clear()]);
}
