/** What was done on this device and is not on the server yet. It is stored before the screen moves, and every tab shows the same. */
import { replaceEqualDeep } from "@tanstack/react-query";
import { liveQuery } from "dexie";

import { ApiProblem } from "../api/client";
import { made } from "../api/made";
import { queries } from "../api/queries";
import { forgetAhead, writeAhead } from "./ahead";
import { store, withoutOrder, type Act, type Entry } from "./store";
import { useWatched, Watched } from "./watched";

const entries = new Watched<Entry[]>([]);

liveQuery(() => store.entries.orderBy("n").toArray()).subscribe({
  // What this tab wrote itself it knows by then: nothing is drawn anew for its order in the store.
  next: (now) => entries.set(replaceEqualDeep(entries.get(), now.map(withoutOrder))),
  // A store that cannot be read (a private window, a full disk) is told where something is to be stored.
  error: (problem) => console.warn("What waits on this device cannot be read.", problem),
});

export const allEntries = entries.get;

export const useEntries = (): Entry[] => useWatched(entries);

export const isRefused = ({ wrong }: Entry): boolean => wrong.length > 0;

/** Who is signed in, by name; what is done is theirs. */
export const memberNow = (): string =>
  queries.getQueryData<{ member: { username: string } | null }>(["session"])?.member?.username ?? "";

/**
 * Store an act. at: when it was done, where that is not now. It is written at once, and among `waitingNow` when this returns; the
 * promise throws where this device cannot store it: then nothing was done.
 */
export async function storeEntry(visit: string, act: Act, at = new Date().toISOString()): Promise<Entry> {
  const entry: Entry = { ...made(visit), at, visit, member: memberNow(), act, wrong: [] };
  // Written before the next key, for the store takes a moment: a browser that dies in it loses nothing.
  writeAhead(entry);
  entries.set([...allEntries(), entry]);
  try {
    const n = await store.entries.add({ ...entry });
    forgetAhead(entry);
    return { ...entry, n };
  } catch (problem) {
    console.warn("An entry cannot be stored.", problem);
    forgetAhead(entry);
    entries.set(allEntries().filter(({ id }) => id !== entry.id));
    throw new ApiProblem(0, [
      {
        field: "",
        message: "This device cannot store it: its storage is full or closed. Nothing was saved.",
      },
    ]);
  }
}

const waits = (entry: Entry): boolean => !isRefused(entry) && entry.member === memberNow();

/** The entries of a visit that wait and are this member's, in their order. */
export const waitingOf = async (visit: string): Promise<Entry[]> =>
  (await store.entries.where({ visit }).sortBy("n")).filter(waits);

/** The same as this tab knows it, those on their way into the store among them. */
export const waitingNow = (visit: string): Entry[] =>
  allEntries().filter((entry) => entry.visit === visit && waits(entry));

/** What waits here and is a member's, the oldest first, at most so many. */
export const waitingBy = (member: string, most: number): Promise<Entry[]> =>
  store.entries
    .orderBy("n")
    .filter((entry) => entry.member === member && !isRefused(entry))
    .limit(most)
    .toArray();

/** Take entries off: the server has them, or what was wrong with them was dealt with. */
export const dropEntries = (ids: string[]): Promise<number> => store.entries.where("id").anyOf(ids).delete();

/** Take off every refused reading of a point: it is being typed again. */
export function dropRefusedReading(visit: string, point: string): void {
  const ids = allEntries()
    .filter((entry) => isRefused(entry) && isReadingAt(entry, visit, point))
    .map(({ id }) => id);
  if (ids.length > 0) void dropEntries(ids);
}

/** Whether an entry is a reading at this point of this visit. */
export const isReadingAt = (entry: Entry, visit: string, point: string): boolean =>
  entry.visit === visit && entry.act.kind === "reading" && entry.act.point === point;
