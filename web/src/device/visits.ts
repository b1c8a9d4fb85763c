/** Visits on this device: as the server has them, or as they were last fetched, with what waits here put on them. */
import { useQuery } from "@tanstack/react-query";

import { api, data, isRefusal, type VisitShown } from "../api/client";
import { queries } from "../api/queries";
import { coreIsUp, startCore } from "./core";
import { judged, withWaiting } from "./judge";
import { keepVisit, store } from "./store";

export const useVisit = (id: string) => useQuery({ queryKey: ["visit", id], queryFn: () => visitOf(id) });

async function visitOf(id: string): Promise<VisitShown> {
  startCore();
  const here = await openedHere(id);
  if (here !== undefined) return asKept(here);
  try {
    return await withWaiting(await fetchVisit(id));
  } catch (problem) {
    if (isRefusal(problem)) throw problem;
    const kept = await store.visits.get(id);
    if (kept === undefined) throw problem;
    return asKept(kept.shown);
  }
}

/**
 * A visit as it was kept here, judged anew: what came in since is in its record, not in its round. What another version of the app
 * made of it is not drawn: it may know of less.
 */
async function asKept(shown: VisitShown): Promise<VisitShown> {
  const isOfAnother = shown.round.core !== __VERSION__;
  if (isOfAnother) await coreIsUp();
  const now = await judged(shown);
  if (now !== undefined) return { ...shown, round: now.round };
  if (isOfAnother) throw new Error("This visit cannot be read here: open it where there is signal.");
  return shown;
}

/** A visit that was opened on this device and that the server does not have yet. */
async function openedHere(id: string): Promise<VisitShown | undefined> {
  const opening = await store.entries
    .where({ visit: id })
    .and(({ act }) => act.kind === "open")
    .count();
  return opening === 0 ? undefined : (await store.visits.get(id))?.shown;
}

/** A visit from the server, kept on this device from then on. */
export async function fetchVisit(id: string): Promise<VisitShown> {
  const shown = await data(api.GET("/api/v1/visits/{visit_id}", { params: { path: { visit_id: id } } }));
  const now = queries.getQueryData<VisitShown>(["visit", id]);
  // What was written while this answer was on its way is newer than it.
  const newest =
    now !== undefined && now.record.place > shown.record.place
      ? { ...shown, record: now.record, round: now.round }
      : shown;
  await keepVisit(newest);
  return newest;
}
