/** An entry as the core and the server hear of it. */
import type { Schemas } from "../api/client";
import type { Entry } from "./store";

export const asDone = ({ id, at, seq, after, act }: Entry) => ({ id, at, seq, after, act });

export const asSent = ({ visit, ...entry }: Entry): Schemas["Entry"] => ({
  ...asDone({ visit, ...entry }),
  visit,
});
