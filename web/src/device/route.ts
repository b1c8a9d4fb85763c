/** A day's own visits taken along: each visit, its unit's file and small photos, and the company's kit. */
import { isRefusal, type Schemas } from "../api/client";
import { askPhotos, askToday, askUnit, todayKey } from "../api/queries";
import { dayOn } from "../times";
import { kit } from "./kit";
import { useLive } from "./live";
import { whenReached } from "./reach";
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

async function hasDay(): Promise<boolean> {
  const today = (await store.answers.get(todayKey()))?.body as Schemas["Today"] | undefined;
  const kept = await store.answers.get("kit");
  if (today === undefined || kept === undefined) return false;
  const mine = ownOpen(today.visits).map(({ id }) => id);
  return (await store.visits.where("id").anyOf(mine).count()) === mine.length;
}

/** Whether the company's kit and one's own open visits of the day are on this device. */
export const useHasDay = (): boolean => useLive(hasDay, undefined, false);

async function takeVisit(id: string, fresh: boolean): Promise<void> {
  const kept = await store.visits.get(id);
  if (!fresh && kept !== undefined && Date.now() - kept.at < OLD_MS) return;
  const { unit_id: unit } = await fetchVisit(id);
  await askUnit(unit);
  await keepThumbs(unit, await askPhotos(unit));
}

/** Take a day along on purpose: everything is fetched anew, and `told` hears how many are here. Throws where there is no signal. */
export async function takeDay(visits: readonly TodayVisit[], told: (count: number) => void): Promise<void> {
  await kit();
  for (const [place, { id }] of ownOpen(visits).entries()) {
    await takeVisit(id, true);
    told(place + 1);
  }
}

let taking: Promise<void> | undefined;
let again = false;

/**
 * Fetch the company's kit and one's own open visits of today and tomorrow, one by one, on whatever screen one is:
 * where the units stand there may be no signal. Asked for while it is at it, it looks through them once more.
 */
export function takeAlong(): void {
  again = true;
  taking ??= takeAll().finally(() => (taking = undefined));
}

async function takeAll(): Promise<void> {
  try {
    while (again) {
      await rest(BEFORE_MS);
      again = false;
      if (document.hidden) return; // the tab in front does it
      const today = await askToday();
      await kit();
      const tomorrow = await askToday(dayOn(today.day, 1));
      for (const { id } of ownOpen([...today.visits, ...tomorrow.visits])) {
        await takeVisit(id, false).catch((problem: unknown) => {
          if (!isRefusal(problem)) throw problem;
          console.warn("A visit of the day is refused; it keeps no other back.", problem);
        });
        await rest(BETWEEN_MS);
      }
    }
  } catch (problem) {
    console.warn("Not all of today is on this device yet; it is fetched when there is signal.", problem);
  }
}

/** Take the day along anew when this tab comes to the front, and when the server is reached again. */
export function beginTaking(): void {
  document.addEventListener("visibilitychange", () => !document.hidden && takeAlong());
  whenReached(takeAlong);
}
