/** A day's own visits taken along: each visit, its unit's file and small photos, and the company's kit. */
import { api, data, type Schemas } from "../api/client";
import { todayKey } from "../api/queries";
import { kit } from "./kit";
import { remembered } from "./remember";
import { store } from "./store";
import { keepThumbs } from "./thumbs";
import { fetchVisit } from "./visits";

type TodayVisit = Schemas["TodayVisit"];

/** How old a visit on this device may be before it is fetched again for a day without signal. */
const OLD_MS = 10 * 60_000;
/** Before it begins to fetch ahead, and between two: what a person asks for goes first. */
const BEFORE_MS = 3000;
const BETWEEN_MS = 700;
const rest = (ms: number) => new Promise((done) => window.setTimeout(done, ms));

/** One's own visits of a day that are still to be done. */
export const ownOpen = (visits: readonly TodayVisit[]): TodayVisit[] =>
  visits.filter(({ mine, finished_at, cancelled }) => mine && finished_at == null && cancelled === "");

async function takeVisit(id: string, fresh: boolean): Promise<void> {
  const kept = await store.visits.get(id);
  if (!fresh && kept !== undefined && Date.now() - kept.at < OLD_MS) return;
  const { unit_id: unit } = await fetchVisit(id);
  const path = { unit_id: unit };
  await remembered(`unit ${unit}`, () => data(api.GET("/api/v1/units/{unit_id}", { params: { path } })));
  const photos = await remembered(`photos ${unit}`, () =>
    data(api.GET("/api/v1/files/units/{unit_id}/photos", { params: { path } })),
  );
  await keepThumbs(unit, photos);
}

/** Take a day along on purpose: everything is fetched anew, and `told` hears how many are here. Throws where there is no signal. */
export async function takeDay(visits: readonly TodayVisit[], told: (count: number) => void): Promise<void> {
  await kit();
  for (const [place, { id }] of ownOpen(visits).entries()) {
    await takeVisit(id, true);
    told(place + 1);
  }
}

/**
 * Fetch the company's kit and one's own open visits of today and tomorrow, one by one: where the units stand there may be no signal.
 * It stops where `wanted` says no more.
 */
export async function takeAlong(
  visits: readonly TodayVisit[],
  tomorrow: string,
  wanted: () => boolean,
): Promise<void> {
  const take = async (some: readonly TodayVisit[]) => {
    for (const { id } of ownOpen(some)) {
      if (!wanted()) return;
      await takeVisit(id, false);
      await rest(BETWEEN_MS);
    }
  };
  try {
    await rest(BEFORE_MS);
    if (wanted()) await kit();
    await take(visits);
    if (!wanted()) return;
    const next = await remembered(todayKey(tomorrow), () =>
      data(api.GET("/api/v1/today", { params: { query: { day: tomorrow } } })),
    );
    await take(next.visits);
  } catch (problem) {
    console.warn("Not all of today is on this device yet; it is fetched when there is signal.", problem);
  }
}
