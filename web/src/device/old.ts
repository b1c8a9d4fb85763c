/** What an earlier version of this app left waiting in this browser is taken over, once. */
import { parsed } from "../api/stored";
import { memberNow } from "./entries";
import { store, type Act, type Entry } from "./store";

const OLD = "outer-test.outbox";

interface OldWrite {
  kind: string;
  visit: string;
  line?: string;
  part?: string;
  body: { id: string; at: string; seq: number; after: number | null } & Record<string, unknown>;
}

export async function takeOver(): Promise<void> {
  const { waiting } = parsed<{ waiting: OldWrite[] }>(localStorage.getItem(OLD), { waiting: [] });
  if (waiting.length > 0) await store.entries.bulkAdd(waiting.map(asEntry));
  localStorage.removeItem(OLD);
}

function asEntry({ kind, visit, line, part, body }: OldWrite): Entry {
  const { id, at, seq, after, ...more } = body;
  const named =
    kind === "partUndo" ? { kind: "part-undo", part } : { kind, ...(line !== undefined && { line }) };
  return {
    id,
    at,
    seq,
    after,
    visit,
    member: memberNow(),
    act: { ...more, ...named } as unknown as Act,
    wrong: [],
  };
}
