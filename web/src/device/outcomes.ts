/** What became of entries: a refusal stays with its entry, and what of a line was not understood stays to be typed again. */
import type { Schemas } from "../api/client";
import { store, withoutOrder } from "./store";

export type Outcome = Pick<Schemas["Outcome"], "id" | "wrong" | "rest">;

export async function take(outcomes: Outcome[]): Promise<void> {
  for (const outcome of outcomes) if (outcome.wrong.length > 0) await takeWrong(outcome);
}

async function takeWrong({ id, wrong, rest }: Outcome): Promise<void> {
  const entry = await store.entries.where({ id }).first();
  if (entry === undefined) return;
  if (rest === "") {
    await store.entries.where({ id }).modify({ wrong });
    return;
  }
  // The rest of a line is an entry of its own, told once: the line itself is written.
  const told = `${id} rest`;
  if (entry.act.kind !== "line" || (await store.entries.where({ id: told }).count()) > 0) return;
  await store.entries.put({
    ...withoutOrder(entry),
    id: told,
    act: { ...entry.act, text: rest },
    wrong,
  });
}
