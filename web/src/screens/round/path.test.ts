/** What comes after a reading: the rest of its run, then the path; what is on its way counts as read. */
import { expect, test } from "vitest";

import type { Round } from "../../api/client";
import {
  askedAgain,
  onward,
  type PathStep,
  repairOf,
  restOfRun,
  startQuery,
  stepAt,
  stepQuery,
} from "./path";

const step = (title: string, points: string[], more: Partial<PathStep> = {}): PathStep => ({
  title,
  points,
  open: points,
  done: false,
  verdict: null,
  value: "",
  minutes: 1,
  power: "dead",
  why: "",
  repairs: null,
  summary: "",
  ...more,
});

const dead = ["before", "l1", "l2", "after"];

function round(path: PathStep[], read: string[] = []): Round {
  const steps = dead.map((point) => ({ point, run: dead }));
  return {
    path,
    entries: read.map((point) => ({ point, stands: true })),
    stations: [{ name: "safe", title: "Make safe", steps }],
  } as unknown as Round;
}

test("within a run the next reading follows, and what is on its way is passed over", () => {
  const on = round([step("Prove it dead", dead), step("Capacitor", ["cap"])]);
  expect(restOfRun(on, "before", ["before"])).toBe("l1");
  expect(restOfRun(on, "before", ["before", "l1"])).toBe("l2");
  expect(restOfRun(on, "after", [])).toBeUndefined();
  expect(onward(on, "after", dead)?.point).toBe("cap");
});

test("a reading off the path leads on through its own run", () => {
  const off = round([step("Capacitor", ["cap"])], ["before"]);
  expect(restOfRun(off, "before", [])).toBe("l1");
  expect(restOfRun(off, "cap", [])).toBeUndefined();
});

test("a proof that is asked for anew is one run again, though it was read before", () => {
  const anew = round([step("Prove it dead", dead)], dead);
  expect(restOfRun(anew, "before", [])).toBe("l1");
  expect(askedAgain(stepAt(anew, "l1"), "l1")).toBe(true);
});

test("what is done is not asked again, and a repair is no reading", () => {
  const done = step("Capacitor", ["cap"], { done: true, open: [] });
  const repair = step("Repair: run capacitor", ["cap.new"], { repairs: "run capacitor" });
  const on = round([done, repair]);
  expect(askedAgain(stepAt(on, "cap"), "cap")).toBe(false);
  expect(stepAt(on, "cap.new")).toBeUndefined();
  expect(onward(on, "cap", [])).toEqual({ point: "cap.new", step: repair });
  expect(repairOf(on, "run capacitor")).toBe(repair);
  expect(stepQuery(repair, "cap.new")).toBe("?repair=run%20capacitor");
  expect(startQuery(on, [])).toBe("?repair=run%20capacitor");
});

test("at its end nothing comes after", () => {
  expect(onward(round([step("Capacitor", ["cap"], { done: true, open: [] })]), "cap", [])).toBeUndefined();
});
