/** Entries on their way into this device's store: a line each in the browser's own storage, which takes it at once. */
import { parsed } from "../api/stored";
import { store, type Entry } from "./store";

const PREFIX = "outer-test.entry.";

export const writeAhead = (entry: Entry): void =>
  localStorage.setItem(PREFIX + entry.id, JSON.stringify(entry));

export const forgetAhead = ({ id }: Entry): void => localStorage.removeItem(PREFIX + id);

/** Store what a browser that died had not stored yet. */
export async function storeLeft(): Promise<void> {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(PREFIX));
  for (const key of keys) {
    const entry = parsed<Entry | null>(localStorage.getItem(key), null);
    if (entry !== null && (await store.entries.where({ id: entry.id }).count()) === 0)
      await store.entries.add(entry);
    localStorage.removeItem(key);
  }
}
