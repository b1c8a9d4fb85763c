/** Sending what waits, one tab at a time, and taking in what is new. Nothing leaves this device before the server has it. */
import { api, ApiProblem, data, type Schemas, type VisitShown } from "../api/client";
import { queries } from "../api/queries";
import { coreState, whenCoreIsUp } from "./core";
import { dropEntries, memberNow, waitingBy } from "./entries";
import { asSent } from "./asSent";
import { redraw } from "./judge";
import { take } from "./outcomes";
import { sendPhotos } from "./photos";
import { whenReached } from "./reach";
import { keepVisit, store, type Entry } from "./store";

const AT_ONCE = 100;
const SOONEST_MS = 1_500;
const LATEST_MS = 20_000;
/** What changes more of a visit than its round. */
const WHOLE = new Set<Entry["act"]["kind"]>([
  "open",
  "plan",
  "cancel",
  "correct",
  "correct-unit",
  "plate",
  "finish",
  "reopen",
  "signature",
]);

let wait = SOONEST_MS;
let timer = 0;
let running: Promise<void> = Promise.resolve();

/** Send what waits, as soon as the sending at hand is over. */
export function sendSoon(): void {
  later(0);
}

/** Send what waits, and wait until that was tried. */
export function sendNow(): Promise<void> {
  running = running.then(sendOnce);
  return running;
}

function later(ms: number): void {
  window.clearTimeout(timer);
  timer = window.setTimeout(() => void sendNow(), ms);
}

async function sendOnce(): Promise<void> {
  const everything = async () => (await sendAll()) && (await sendPhotos());
  const sent = await navigator.locks.request("outer-test.sync", everything).catch((problem: unknown) => {
    if (problem instanceof ApiProblem) console.warn("What waits was not taken.", problem.message);
    return false;
  });
  wait = sent ? SOONEST_MS : Math.min(wait * 1.7, LATEST_MS);
  if (!sent || (await waitingHere()).length > 0) later(sent ? 0 : wait);
}

/** What waits and is this member's to send. */
async function waitingHere(): Promise<Entry[]> {
  const member = memberNow();
  return member === "" ? [] : waitingBy(member, AT_ONCE);
}

/** Send until nothing waits; false where the server puts some of it off. */
async function sendAll(): Promise<boolean> {
  for (;;) {
    const entries = await waitingHere();
    if (entries.length === 0) return true;
    const visits = [...new Set(entries.map(({ visit }) => visit))];
    const places = await Promise.all(
      visits.map(async (id) => [id, (await shownOf(id))?.record.place ?? 0] as const),
    );
    const answer = await data(
      api.POST("/api/v1/sync", { body: { entries: entries.map(asSent), known: Object.fromEntries(places) } }),
    );
    await takeIn(answer, entries);
    void queries.invalidateQueries({ queryKey: ["today"] });
    if (answer.acknowledged.every(({ state }) => state === "later")) return false;
  }
}

async function takeIn({ acknowledged, since }: Schemas["Synced"], entries: Entry[]): Promise<void> {
  const written = acknowledged.filter(({ state }) => state === "saved" || state === "again");
  await take(acknowledged);
  for (const news of since) await takeNews(news);
  const ids = written.map(({ id }) => id);
  await dropEntries(ids);
  for (const { visit } of since) {
    await drawNews(visit);
    otherTabs.postMessage(visit);
  }
  for (const { visit } of entries.filter(({ id, act }) => ids.includes(id) && WHOLE.has(act.kind)))
    void queries.invalidateQueries({ queryKey: ["visit", visit] });
}

/** What one tab sent is news to the others: their round must not lose what no longer waits. */
const otherTabs = new BroadcastChannel("outer-test.news");
otherTabs.onmessage = ({ data: visit }: MessageEvent<string>) => void adopt(visit);

async function adopt(visit: string): Promise<void> {
  const shown = queries.getQueryData<VisitShown>(["visit", visit]);
  const kept = (await store.visits.get(visit))?.shown;
  if (shown === undefined || kept === undefined || kept.record.place <= shown.record.place) return;
  queries.setQueryData(["visit", visit], { ...shown, record: kept.record });
  await drawNews(visit);
}

/** Draw a visit by what is new on it: the core does it here, else the server is asked for all of it. */
async function drawNews(visit: string): Promise<void> {
  if (coreState() === "ready") await redraw(visit);
  else void queries.invalidateQueries({ queryKey: ["visit", visit] });
}

const shownOf = async (id: string): Promise<VisitShown | undefined> =>
  queries.getQueryData<VisitShown>(["visit", id]) ?? (await store.visits.get(id))?.shown;

/** Put what is new on a visit into what this device has of it. */
async function takeNews(news: Schemas["Since"]): Promise<void> {
  const shown = await shownOf(news.visit);
  if (shown === undefined) return;
  const fresh = new Set(news.events.map(({ id }) => id));
  const events = [...shown.record.events.filter(({ id }) => !fresh.has(id)), ...news.events];
  const next = { ...shown, record: { ...shown.record, place: news.place, known: news.known, events } };
  await keepVisit(next);
  if (queries.getQueryData(["visit", news.visit]) !== undefined)
    queries.setQueryData(["visit", news.visit], next);
}

/** Send what an earlier page left, and go on whenever there is signal again. */
export function beginSending(): void {
  sendSoon();
  window.addEventListener("online", sendSoon);
  whenReached(sendSoon);
  whenCoreIsUp(() => {
    for (const [key] of queries.getQueriesData<VisitShown>({ queryKey: ["visit"] }))
      void redraw(String(key[1]));
  });
}
