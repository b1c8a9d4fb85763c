/** What is known of each point of a round: its reading, its finding, whether a write of it was refused. */
import type { Finding, Round, Schemas } from "../../api/client";
import { isReadingAt, isRefused } from "../../device/entries";
import type { Entry as Waiting } from "../../device/store";
import { markOf, type MarkKind } from "../../drawing/Mark";

export type Entry = Schemas["EntryShown"];
export type Station = Schemas["Station"];

export interface Refusal {
  typed: string;
  message: string;
}

export interface PointState {
  /** The worst of the point's findings, and the others. */
  finding: Finding | undefined;
  others: Finding[];
  entry: Entry | undefined;
  history: Entry[];
  /** What was typed here and refused, with what is wrong with it. */
  refusal: Refusal | undefined;
  mark: MarkKind;
}

/** What was found at a point; they come with the worst first. */
export function findingsAt(round: Round, point: string): Finding[] {
  return round.assessment.findings.filter((one) => one.point === point);
}

export function pointState(round: Round, waiting: Waiting[], visit: string, point: string): PointState {
  const [finding, ...others] = findingsAt(round, point);
  const entries = round.entries.filter((one) => one.point === point);
  const entry = entries.findLast((one) => one.stands);
  const refusal = refusalAt(waiting, visit, point);
  const stops = round.assessment.stops.some((stop) => stop.raised_by === point);
  const judged = stops ? "stop" : finding ? markOf(finding.verdict) : entry ? "kept" : "none";
  const mark = refusal ? "error" : judged;
  return { finding, others, entry, history: entries.filter((one) => one !== entry), refusal, mark };
}

function refusalAt(waiting: Waiting[], visit: string, point: string): Refusal | undefined {
  const entry = waiting.findLast((one) => isRefused(one) && isReadingAt(one, visit, point));
  return entry?.act.kind === "reading"
    ? { typed: entry.act.typed, message: entry.wrong[0]?.message ?? "" }
    : undefined;
}
