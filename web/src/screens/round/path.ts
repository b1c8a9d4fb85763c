/** Where a technician is on the path of a call, and what comes after. */
import type { Round, Schemas } from "../../api/client";
import type { Station } from "./points";

export type PathStep = Schemas["PathStep"];

/** The step at which the defrost control is put on the plate, as the core names it. */
export const CONTROL = "plate.defrost.control";

/** What comes next: a reading, of a step of the path or the rest of a run. */
export interface Onward {
  point: string;
  step?: PathStep;
}

/** The step that a point belongs to: one that is ahead before one that is done. */
export function stepAt(round: Round, point: string): PathStep | undefined {
  return (
    round.path.find((step) => !step.done && step.repairs == null && step.points.includes(point)) ??
    round.path.find((step) => step.done && step.points.includes(point))
  );
}

/** Whether a point is asked for now although it was read: what is taken then corrects nothing. */
export const askedAgain = (step: PathStep | undefined, point: string): boolean =>
  step !== undefined && !step.done && step.open.includes(point);

/** The points that are taken in one go with this one: of its step, or of its run where it is on no step. */
export function runOf(round: Round, point: string): string[] {
  const here = stepAt(round, point);
  if (here) return here.points;
  const step = round.stations.flatMap(({ steps }) => steps).find((one) => one.point === point);
  return step?.run ?? [];
}

/** The rest of the run that a point is taken in, one after the other; nothing after its last. `unsent` is on its way. */
export function restOfRun(round: Round, point: string, unsent: string[]): string | undefined {
  const here = stepAt(round, point);
  const read = new Set(round.entries.filter(({ stands }) => stands).map((entry) => entry.point));
  const wanted = (one: string) => (here ? here.open.includes(one) : !read.has(one));
  const run = runOf(round, point);
  return run.slice(run.indexOf(point) + 1).find((one) => wanted(one) && !unsent.includes(one));
}

/** What comes after a point: the rest of its run, then the next step ahead; nothing where the call is at its end. */
export function onward(round: Round, point: string, unsent: string[]): Onward | undefined {
  const rest = restOfRun(round, point, unsent);
  if (rest !== undefined) return { point: rest };
  const here = stepAt(round, point);
  const step = round.path.find(
    (one) => one !== here && !one.done && one.open.some((own) => !unsent.includes(own)),
  );
  return step && { point: firstOpen(step, unsent), step };
}

/** The point of a step that is taken first. */
export const firstOpen = (step: PathStep, unsent: string[]): string =>
  step.open.find((point) => !unsent.includes(point)) ?? step.points[0] ?? "";

/** What an address of a visit says of the step at hand: a reading, or the part of a repair. */
export const stepQuery = (step: PathStep | undefined, point: string): string =>
  step?.repairs != null ? `?repair=${encodeURIComponent(step.repairs)}` : `?point=${point}`;

/** Where a call goes on: the first step ahead, else the first reading of the round. */
export function startQuery(round: Round, unsent: string[]): string {
  const ahead = round.path.find((step) => !step.done);
  if (ahead) return stepQuery(ahead, firstOpen(ahead, unsent));
  return `?point=${round.path.at(-1)?.points[0] ?? allPoints(round.stations)[0] ?? ""}`;
}

/** The repair of a part, while it is ahead. */
export const repairOf = (round: Round, part: string): PathStep | undefined =>
  round.path.find((step) => !step.done && step.repairs === part);

export const allPoints = (stations: Station[]): string[] =>
  stations.flatMap((station) => station.steps.map(({ point }) => point));
