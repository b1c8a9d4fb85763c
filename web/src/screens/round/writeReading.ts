/** Sending a reading, or a thing seen, of the step at hand. */
import type { Round, Step } from "../../api/client";
import { send } from "../../device/act";
import { dropRefusedReading } from "../../device/entries";
import { meterInHand } from "./MeterChoice";
import type { PointState } from "./points";
import type { Said } from "./Tags";

export const NOTHING_SAID: Said = { by: "", fitted: "", turns: 1, top: null };

export interface Written {
  visit: string;
  round: Round;
  step: Step;
  state: PointState;
  /** Taken once more on purpose: what stands is not corrected by it. */
  again: boolean;
}

export function writeReading({ visit, round, step, state, again }: Written, typed: string, said: Said): void {
  dropRefusedReading(visit, step.point);
  send(visit, {
    kind: "reading",
    point: step.point,
    typed,
    meter: step.kind === "number" ? meterInHand() : "",
    ...said,
    supersedes: again ? null : corrected(round, step, state, said),
  });
}

/**
 * What a new reading corrects: not one with another start device fitted, nor one from before a part was put in, which stays as
 * it was found.
 */
function corrected(round: Round, step: Step, { entry }: PointState, said: Said): string | null {
  if (!entry) return null;
  const sameStart = step.tags.length === 0 || (entry.by === said.by && entry.fitted === said.fitted);
  const asFound = round.parts.some((part) => part.at > entry.at);
  return sameStart && !asFound ? entry.id : null;
}
