/** The round as it is with everything done on this device: made by the core here, or by the server while that still loads. */
import { api, clockAhead, data, type Schemas, type VisitShown } from "../api/client";
import { queries } from "../api/queries";
import { coreState, judgeFirst, judgeInCore, keepInCore, whenCoreIsUp } from "./core";
import { asDone, asSent } from "./asSent";
import { allEntries, waitingNow, waitingOf } from "./entries";
import { take, type Outcome } from "./outcomes";
import { isReached } from "./reach";
import { keepVisit, type Act, type Entry } from "./store";

type Judged = Schemas["Judged"];

// Which record of a visit the core has; another core has none.
const inCore = new Map<string, VisitShown["record"]>();
whenCoreIsUp(() => inCore.clear());

async function hasRecord(id: string, record: VisitShown["record"]): Promise<void> {
  if (inCore.get(id) === record) return;
  await keepInCore(id, JSON.stringify(record), clockAhead());
  inCore.set(id, record);
}

/** What the core on this device says. Throws where it is not up. */
export async function judgedHere(
  id: string,
  record: VisitShown["record"],
  waiting: Entry[],
): Promise<Judged> {
  await hasRecord(id, record);
  return JSON.parse(await judgeInCore(id, JSON.stringify(waiting.map(asDone)))) as Judged;
}

type Round = VisitShown["round"];

/** What is said first of a round and its assessment; its entries and findings are those at `points` alone. */
type Verdicts = Pick<Round, "place" | "caught" | "entries" | "lifted" | "power_log"> &
  Pick<Round["assessment"], "overall" | "findings" | "power" | "stops" | "open_lines"> & {
    points: string[];
  };

/** A round with what was said first put in where it belongs. */
function withVerdicts(round: Round, first: Verdicts): Round {
  const { place, caught, lifted, power_log, overall, power, stops, open_lines } = first;
  const at = new Set(first.points);
  const findings = inPlace(round.assessment.findings, first.findings, at);
  const entries = inPlace(round.entries, first.entries, at);
  const assessment = { ...round.assessment, overall, power, stops, open_lines, findings };
  return { ...round, place, caught, lifted, power_log, entries, assessment };
}

function inPlace<At extends { point: string }>(old: At[], fresh: At[], points: Set<string>): At[] {
  const first = old.findIndex(({ point }) => points.has(point));
  const where = first < 0 ? old.length : first;
  const others = (part: At[]) => part.filter(({ point }) => !points.has(point));
  return [...others(old.slice(0, where)), ...fresh, ...others(old.slice(where))];
}

/** The verdict of what was done last, a good deal before what all readings come to; nothing where the core is not up. */
async function firstHere(shown: VisitShown, waiting: Entry[]): Promise<Verdicts | undefined> {
  if (coreState() !== "ready" || shown.round.unreadable > 0) return undefined;
  try {
    // Asked one after the other without waiting: the core answers while the screen takes the key in.
    const [, first] = await Promise.all([
      hasRecord(shown.id, shown.record),
      judgeFirst(shown.id, JSON.stringify(waiting.map(asDone))),
    ]);
    return (JSON.parse(first) as { verdicts: Verdicts }).verdicts;
  } catch {
    return undefined; // the whole answer, asked for next, says what is wrong
  }
}

/** The visit with what waits on this device, and what became of each entry; undefined where nobody can say now. */
export async function judged(shown: VisitShown): Promise<Judged | undefined> {
  return judgedWith(shown, await waitingOf(shown.id));
}

async function judgedWith(shown: VisitShown, waiting: Entry[]): Promise<Judged | undefined> {
  const here = await byCore(shown, waiting);
  // What a newer version wrote is kept as it is; the server knows what to make of it.
  if (here !== undefined && here.round.unreadable === 0) return here;
  return (await byServer(shown.id, waiting)) ?? here;
}

/** What it would come to with one thing more done, which is not: what is typed is judged before it is saved. */
export async function ifDone(shown: VisitShown, act: Act): Promise<Judged | undefined> {
  const waiting = await waitingOf(shown.id);
  const more = {
    id: crypto.randomUUID(),
    visit: shown.id,
    member: "",
    at: new Date().toISOString(),
    seq: Math.max(0, ...allEntries().map(({ seq }) => seq)) + 1,
    after: null,
    act,
    wrong: [],
  };
  return judgedWith(shown, [...waiting, more]);
}

async function byCore(shown: VisitShown, waiting: Entry[]): Promise<Judged | undefined> {
  if (coreState() !== "ready") return undefined;
  try {
    return await judgedHere(shown.id, shown.record, waiting);
  } catch (problem) {
    console.warn("The core on this device did not answer; the server is asked.", problem);
    return undefined;
  }
}

async function byServer(id: string, waiting: Entry[]): Promise<Judged | undefined> {
  if (waiting.length === 0 || !navigator.onLine) return undefined;
  try {
    return await data(
      api.POST("/api/v1/visits/{visit_id}/judge", {
        params: { path: { visit_id: id } },
        body: { entries: waiting.map(asSent) },
      }),
    );
  } catch (problem) {
    console.warn("Not judged yet: it is when there is signal, or the core is up.", problem);
    return undefined;
  }
}

let asked = 0;
const drawn = new Map<string, number>();

/** Draw what the question of this number came to, but where a later one's answer is on the screen. */
async function drawRound(mine: number, shown: VisitShown, changed: (round: Round) => Round): Promise<void> {
  if (mine < (drawn.get(shown.id) ?? 0)) return;
  drawn.set(shown.id, mine);
  const now = queries.getQueryData<VisitShown>(["visit", shown.id]) ?? shown;
  const next = { ...now, round: changed(now.round) };
  queries.setQueryData(["visit", shown.id], next);
  // Without signal the day's list goes by what is kept here.
  if (!isReached()) await keepVisit(next);
}

/** Draw the verdict of what was just done: at once, before it is in the store. */
export async function drawFirst(visit: string): Promise<void> {
  const shown = queries.getQueryData<VisitShown>(["visit", visit]);
  if (shown === undefined) return;
  const mine = (asked += 1);
  const first = await firstHere(shown, waitingNow(visit));
  if (first !== undefined) await drawRound(mine, shown, (round) => withVerdicts(round, first));
}

/** Draw a visit anew with all that was done on it; what is wrong with an entry stays with it. Gives back what became of each. */
export async function redraw(visit: string): Promise<Outcome[]> {
  const shown = queries.getQueryData<VisitShown>(["visit", visit]);
  if (shown === undefined) return [];
  const mine = (asked += 1);
  const answer = await judgedWith(shown, await waitingOf(visit));
  if (answer === undefined) return [];
  // An answer that was overtaken is not drawn; what it says of the entries holds.
  await drawRound(mine, shown, () => answer.round);
  await take(answer.outcomes);
  return answer.outcomes;
}

/** A visit as the server has just given it, with what waits on this device put on it. */
export async function withWaiting(shown: VisitShown): Promise<VisitShown> {
  const waiting = await waitingOf(shown.id);
  if (waiting.length === 0) return shown;
  const answer = await judged(shown);
  return answer === undefined ? shown : { ...shown, round: answer.round };
}
