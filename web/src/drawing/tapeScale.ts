/** The strip of the tape that is shown, and its tick marks. Geometry only: nothing here judges. */
import type { Finding } from "../api/client";

export interface Scale {
  from: number;
  to: number;
  ticks: { at: number; long: boolean; label: string }[];
  /** Where a number lies on a strip `width` long, held inside it. */
  x: (value: number) => number;
  /** -1 or 1 where a number lies off the strip's left or right end. */
  off: (value: number) => -1 | 0 | 1;
}

const present = (numbers: (number | null | undefined)[]): number[] =>
  numbers.filter((one) => typeof one === "number");

/** The round number just at or above a step: 1, 2 or 5 times a power of ten. */
function roundStep(step: number): number {
  const power = 10 ** Math.floor(Math.log10(step));
  const lead = [1, 2, 5, 10].find((one) => one * power >= step * 0.999) ?? 10;
  return lead * power;
}

/** The scale for a finding, or null where it has no limit to lay on a tape. */
export function tapeScale(finding: Finding, width: number): Scale | null {
  const limits = present([finding.low, finding.watch_low, finding.nominal, finding.watch_high, finding.high]);
  if (limits.length === 0) return null;
  const oneSided = finding.low == null && finding.watch_low == null;
  const lowest = oneSided ? 0 : Math.min(...limits);
  const highest = Math.max(...limits);
  const span = highest - lowest || Math.abs(highest) * 0.2 || 1;
  // A reading far off would squeeze the limits together: it is shown at the strip's end with an arrow instead.
  const near = present([finding.value, ...(finding.band ?? [])]).map((one) =>
    oneSided ? Math.abs(one) : one,
  );
  const reach = near.filter((one) => one > lowest - span * 1.5 && one < highest + span * 1.5);
  const from = oneSided ? 0 : Math.max(0, Math.min(lowest, ...reach) - span * 0.25);
  const to = Math.max(highest, ...reach) + span * (oneSided ? 0.15 : 0.25);
  const x = (value: number) => Math.min(Math.max((value - from) / (to - from), 0), 1) * width;
  return {
    from,
    to,
    ticks: ticks(from, to, width),
    x,
    off: (value) => (value < from ? -1 : value > to ? 1 : 0),
  };
}

function ticks(from: number, to: number, width: number): Scale["ticks"] {
  const major = roundStep(((to - from) * 80) / width);
  const minor = major / 5;
  const decimals = Math.max(0, -Math.floor(Math.log10(major) + 1e-9));
  const marks = [];
  for (let place = Math.ceil(from / minor - 1e-9); place * minor <= to + 1e-9; place++) {
    const long = place % 5 === 0;
    marks.push({ at: place * minor, long, label: long ? (place * minor).toFixed(decimals) : "" });
  }
  return marks;
}
