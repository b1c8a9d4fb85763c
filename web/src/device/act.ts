/** Doing something on a visit: stored, judged and drawn, and sent to the server when it can be reached. */
import { ApiProblem } from "../api/client";
import { coreIsUp, coreState } from "./core";
import { dropEntries, isRefused, storeEntry } from "./entries";
import { drawFirst, redraw } from "./judge";
import type { Outcome } from "./outcomes";
import { store, type Act, type Entry } from "./store";
import { sendNow, sendSoon } from "./sync";

/**
 * Do something, and wait until it is judged. Throws ApiProblem, with what is wrong at which field, where it cannot be so; then
 * nothing of it is left. Without signal and before the core is up it is stored, and judged later.
 */
export async function act(visit: string, what: Act, at?: string): Promise<void> {
  const entry = await storeAndDraw(visit, what, at);
  const outcome = (await settle(entry)) ?? (await answered(entry)) ?? (await judgedLater(entry));
  if (outcome !== undefined && outcome.rest === "" && outcome.wrong.length > 0) {
    await dropEntries([entry.id]);
    throw new ApiProblem(422, outcome.wrong);
  }
}

/** What the server says of an entry on a visit that is not at hand here; nothing where it cannot be reached. */
async function answered({ id }: Entry): Promise<Outcome | undefined> {
  await sendNow();
  const now = await store.entries.where({ id }).first();
  if (now === undefined) return { id, wrong: [], rest: "" };
  return isRefused(now) ? { id, wrong: now.wrong, rest: "" } : undefined;
}

/** Without signal, what the core here says once it is up; nothing where it cannot be. */
async function judgedLater(entry: Entry): Promise<Outcome | undefined> {
  if (coreState() !== "loading") return undefined;
  try {
    await coreIsUp();
  } catch {
    return undefined; // told where the core is started; what was done is stored and judged by the server later
  }
  return settle(entry);
}

/** Do something and go on at once. What is wrong with it stays beside its field until it is dealt with. */
export function send(visit: string, what: Act, at?: string): void {
  storeAndDraw(visit, what, at)
    .then(settle)
    .catch((problem: unknown) => {
      // The screen has gone on: what could not even be stored must not pass unseen.
      void import("../shell/toast").then(({ say }) =>
        say(problem instanceof Error ? problem.message : String(problem)),
      );
    });
}

async function storeAndDraw(visit: string, what: Act, at?: string): Promise<Entry> {
  try {
    const [entry] = await Promise.all([storeEntry(visit, what, at), drawFirst(visit)]);
    return entry;
  } catch (problem) {
    await redraw(visit); // what could not be stored leaves the screen
    throw problem;
  }
}

async function settle(entry: Entry): Promise<Outcome | undefined> {
  const outcome = (await redraw(entry.visit)).find(({ id }) => id === entry.id);
  sendSoon();
  return outcome;
}
