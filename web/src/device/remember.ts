/** The server's answers, kept for where there is no signal. */
import { isRefusal } from "../api/client";
import { store } from "./store";

/** Ask the server; where it cannot be reached, what it last said. An answer that refuses is thrown. */
export async function remembered<T>(key: string, ask: () => Promise<T>): Promise<T> {
  try {
    const body = await ask();
    await store.answers.put({ key, body });
    return body;
  } catch (problem) {
    if (isRefusal(problem)) throw problem;
    const kept = await store.answers.get(key);
    if (kept === undefined) throw problem;
    return kept.body as T;
  }
}
