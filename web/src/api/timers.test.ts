/** Clocks: started anew by name, rung once, kept through a reload, read whatever lies in the storage. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";

const KEY = "outer-test.timers";
const tones = vi.fn();

class SilentAudio {
  currentTime = 0;
  createOscillator() {
    return {
      frequency: { value: 0 },
      connect: (next: unknown) => next,
      start: tones,
      stop: vi.fn(),
    };
  }
  createGain() {
    return { gain: { value: 0 }, connect: vi.fn() };
  }
  close() {
    return Promise.resolve();
  }
}

/** The module as a fresh page has it. */
async function page() {
  vi.resetModules();
  return import("./timers");
}

function stored(): { name: string; rung: boolean; ends: number }[] {
  return JSON.parse(localStorage.getItem(KEY) ?? "[]") as { name: string; rung: boolean; ends: number }[];
}

beforeEach(() => {
  vi.useFakeTimers({ now: new Date("2026-01-05T09:00:00Z") });
  vi.stubGlobal("AudioContext", SilentAudio);
  localStorage.clear();
  tones.mockClear();
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test("what is left is said in minutes and seconds, never less than nothing", async () => {
  const { left } = await page();
  const timer = { id: "1", name: "Bleed", ends: 65_000, rung: false };
  expect([0, 60_000, 64_001, 65_000, 90_000].map((now) => left(timer, now))).toEqual([
    "1:05",
    "0:05",
    "0:01",
    "0:00",
    "0:00",
  ]);
});

test("the clock that ends first is the one that is told", async () => {
  const { next } = await page();
  const timers = [
    { id: "1", name: "Restart hold", ends: 300_000, rung: false },
    { id: "2", name: "Bleed", ends: 60_000, rung: false },
    { id: "3", name: "Heat soak", ends: 1_000, rung: true },
  ];
  expect(next({ timers, now: 30_000 })).toBe("0:30 Bleed");
  expect(next({ timers, now: 400_000 })).toBe("");
});

test("a clock started again runs from the start, and there is one of a name", async () => {
  const { startTimer } = await page();
  startTimer("Restart hold", 300);
  vi.advanceTimersByTime(60_000);
  startTimer("Restart hold", 300);
  expect(stored()).toHaveLength(1);
  expect(stored()[0]?.ends).toBe(Date.now() + 300_000);
});

test("it rings once at its end and is not rung again", async () => {
  const { startTimer } = await page();
  startTimer("Bleed", 10);
  vi.advanceTimersByTime(9_900);
  expect(tones).not.toHaveBeenCalled();
  vi.advanceTimersByTime(500);
  const rung = tones.mock.calls.length;
  expect(rung).toBeGreaterThan(0);
  vi.advanceTimersByTime(60_000);
  expect(tones.mock.calls.length).toBe(rung);
});

test("a reload takes it up where it is; one that ended meanwhile rings then", async () => {
  const { startTimer } = await page();
  startTimer("Bleed", 10);
  vi.setSystemTime(new Date("2026-01-05T09:00:30Z"));
  const { resumeTimers } = await page();
  resumeTimers();
  expect(tones).toHaveBeenCalled();
  expect(stored().map(({ rung }) => rung)).toEqual([true]);
});

test("what cannot be read in the storage is no clock, and breaks nothing", async () => {
  localStorage.setItem(KEY, "{not json");
  const { startTimer, dropTimer } = await page();
  startTimer("Bleed", 10);
  expect(stored().map(({ name }) => name)).toEqual(["Bleed"]);
  dropTimer((JSON.parse(localStorage.getItem(KEY) ?? "[]") as { id: string }[])[0]?.id ?? "");
  expect(stored()).toEqual([]);
});
