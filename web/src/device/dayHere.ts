/** The day's list with what was done on this device and is not on the server yet: visits opened here, and how others now stand. */
import type { Schemas, VisitShown } from "../api/client";
import { isRefused } from "./entries";
import { useLive } from "./live";
import { store } from "./store";

type TodayVisit = Schemas["TodayVisit"];

async function withEntries(): Promise<VisitShown[]> {
  const entries = (await store.entries.toArray()).filter((entry) => !isRefused(entry));
  const kept = await store.visits.bulkGet([...new Set(entries.map(({ visit }) => visit))]);
  return kept.flatMap((one) => (one === undefined ? [] : [one.shown]));
}

const NONE: VisitShown[] = [];

const asLine = (shown: VisitShown): TodayVisit => ({
  id: shown.id,
  site: shown.site,
  address: shown.address,
  unit: shown.unit,
  serial: shown.serial,
  technician: shown.technician,
  technician_key: shown.technician_key,
  mine: true,
  scheduled_for: shown.scheduled_for,
  complaint: shown.complaint,
  began: shown.began,
  notes: shown.notes,
  overtaken: 0,
  problem: "",
  ...standing(shown),
});

const standing = ({ round }: VisitShown) => ({
  overall: round.assessment.overall,
  readings: round.entries.length,
  open_lines: round.assessment.open_lines,
  finished_at: round.finished_at,
  cancelled: round.cancelled,
});

/** The visits of a day as they stand on this device; on today's list those too that were opened here. */
export function useDayHere(visits: TodayVisit[], isToday: boolean): TodayVisit[] {
  const here = useLive(withEntries, undefined, NONE);
  const known = new Set(visits.map(({ id }) => id));
  const changed = visits.map((visit) => {
    const own = here.find(({ id }) => id === visit.id);
    return own === undefined ? visit : { ...visit, ...standing(own) };
  });
  return isToday ? [...changed, ...here.filter(({ id }) => !known.has(id)).map(asLine)] : changed;
}
