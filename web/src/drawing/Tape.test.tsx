/** The tape draws what the core placed: where the core says a thing stands, there it is, and words say the same. */
import { ChakraProvider } from "@chakra-ui/react";
import { act } from "react";
import { createRoot } from "react-dom/client";
import { beforeEach, expect, test, vi } from "vitest";

import { system } from "../theme/system";
import { Tape, type Taped } from "./Tape";

const WIDTH = 460;
const strip = {
  good_from: 0.4,
  good_to: 0.7,
  limits: [
    { at: 0.25, label: "51.7" },
    { at: 0.75, label: "58.3" },
  ],
  watch: [{ start: 0.25, end: 0.4 }],
  nominal: 0.5,
  reading: 0.3,
  off: 0 as -1 | 0 | 1,
  whisker: { start: 0.28, end: 0.32 },
  ticks: [
    { at: 0, label: "50" },
    { at: 0.26, label: "52" },
    { at: 0.5, label: "" },
  ],
  start: 50,
  end: 60,
};
const finding: Taped = {
  tape: strip,
  verdict: "watch",
  unit: "µF",
  shown: "52.1",
  value: 52.1,
  low: 51.7,
  high: 58.3,
};

beforeEach(() => {
  vi.stubGlobal("IS_REACT_ACT_ENVIRONMENT", true);
  vi.stubGlobal("matchMedia", (query: string) => ({
    matches: !query.includes("max-width"),
    media: query,
    addEventListener: vi.fn(),
    removeEventListener: vi.fn(),
  }));
});

function draw(
  changed: Partial<typeof strip> | null,
  also: Partial<Taped> = {},
  expected: number | null = null,
): HTMLElement {
  const place = document.createElement("div");
  const tape = changed === null ? null : { ...strip, ...changed };
  act(() =>
    createRoot(place).render(
      <ChakraProvider value={system}>
        <Tape finding={{ ...finding, tape, ...also }} expected={expected} />
      </ChakraProvider>,
    ),
  );
  return place;
}

/** Where the drawn paths begin, in widths of the strip. */
function begins(place: HTMLElement): number[] {
  return [...place.querySelectorAll("path")].map(
    (path) => Number(/M(-?[\d.]+)/.exec(path.getAttribute("d") ?? "")?.[1]) / WIDTH,
  );
}

test("limits, nominal and reading stand where the core put them", () => {
  const places = begins(draw({}));
  for (const at of [0.25, 0.75, 0.5, 0.3])
    expect(places.some((place) => Math.abs(place - at) < 1e-6)).toBe(true);
});

test("bands are as wide as the core says", () => {
  const widths = [...draw({}).querySelectorAll("svg > rect")].map((rect) => [
    Number(rect.getAttribute("x")) / WIDTH,
    Number(rect.getAttribute("width")) / WIDTH,
  ]);
  expect(
    widths.some(([x, wide]) => Math.abs((x ?? 0) - 0.4) < 1e-6 && Math.abs((wide ?? 0) - 0.3) < 1e-6),
  ).toBe(true);
  expect(
    widths.some(([x, wide]) => Math.abs((x ?? 0) - 0.25) < 1e-6 && Math.abs((wide ?? 0) - 0.15) < 1e-6),
  ).toBe(true);
});

test("a figure beside a limit is left out: the limit says it", () => {
  const words = [...draw({}).querySelectorAll("text")].map((text) => text.textContent);
  expect(words).toContain("50");
  expect(words).toContain("51.7");
  expect(words).not.toContain("52");
});

test("a reading beyond the end is an arrow that way", () => {
  const tip = (off: -1 | 1) =>
    draw({ off, reading: off < 0 ? 0 : 1 })
      .querySelector("svg > path:last-of-type")
      ?.getAttribute("d");
  expect(tip(-1)).toMatch(/^M-7 \S+l14 -9v18z$/);
  expect(tip(1)).toMatch(/^M467 \S+l-14 -9v18z$/);
});

test("words say reading, limits and verdict; without a tape nothing is drawn", () => {
  expect(draw({}).querySelector("svg")?.getAttribute("aria-label")).toBe(
    "52.1 µF, limits from 51.7 to 58.3: watch",
  );
  expect(draw({}, { low: null, high: null }).querySelector("svg")?.getAttribute("aria-label")).toContain(
    "limits none",
  );
  expect(draw(null).querySelector("svg")).toBeNull();
});

test("where a sound unit would read is marked faintly", () => {
  const dashed = (place: HTMLElement) => place.querySelectorAll("path[stroke-dasharray]");
  expect(dashed(draw({})).length).toBe(0);
  const [mark] = dashed(draw({}, {}, 0.5));
  expect(mark?.getAttribute("d")?.startsWith(`M${0.5 * WIDTH} `)).toBe(true);
  expect(mark?.querySelector("title")?.textContent).toBe("A sound unit");
});
