/** Which version a draft was begun from: sent along, so that what others changed since is never written over unseen. */
import { ApiProblem } from "./client";
import { readDraft, writeDraft } from "./draft";

const at = (draft: string): string => `${draft} begun from`;

/** The version that what is typed under this name was begun from; the one shown now where nothing is typed. */
export const basisOf = (draft: string, now: number): number => Number(readDraft(at(draft)) || now);

/** Typing begins: the version shown is the one it is made from, whatever arrives while it lasts. */
export function beginFrom(draft: string, now: number): void {
  if (readDraft(at(draft)) === "") writeDraft(at(draft), String(now));
}

/** Saved, discarded, or shown what the others wrote: the next version that is shown is the one to begin from. */
export const forgetBasis = (draft: string): void => writeDraft(at(draft), "");

/** Whether it was refused because somebody else changed it meanwhile. */
export const isOvertaken = (problem: unknown): boolean =>
  problem instanceof ApiProblem &&
  problem.status === 409 &&
  problem.errors.some(({ field }) => field === "version");

/** Refused because somebody else changed it meanwhile: the draft goes on from theirs. What to add to who and what; else nothing. */
export function overtaken(draft: string, problem: unknown): string {
  if (!isOvertaken(problem)) return "";
  forgetBasis(draft);
  return " Save again to replace it, or discard your changes.";
}
