/** Ranges as a meter's face has them, typed by hand in any way. */
import { expect, test } from "vitest";

import { fromPrefixed, inPrefixed } from "./prefix";

test.each([
  ["40M", 40e6],
  ["40 MΩ", 40e6],
  ["40 M", 40e6],
  ["0,6k", 600],
  ["600", 600],
  [".5 m", 0.0005],
  ["40000000", 40e6],
  ["2.2 kohm", 2200],
])("%s is %d", (typed, value) => {
  expect(fromPrefixed(typed)).toBe(value);
});

test.each(["", "M", "forty", "40 X", "4 0", "-3", "1e6"])("%s is no range", (typed) => {
  expect(fromPrefixed(typed)).toBeUndefined();
});

test.each([40e6, 600, 60000, 2.5, 1e9])("%d reads back the same", (value) => {
  expect(fromPrefixed(inPrefixed(value))).toBe(value);
});
