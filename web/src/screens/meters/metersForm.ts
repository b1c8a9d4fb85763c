/** Between the meters as the server keeps them and as they are typed: one line a range. */
import type { Schemas } from "../../api/client";
import { fromPrefixed, inPrefixed, numeric } from "../../shell/prefix";

export type MetersShown = Schemas["MetersShown"];
type Instrument = Schemas["Instrument"];
type Accuracy = Schemas["Accuracy"];

export interface RangeTyped {
  unit: string;
  top: string;
  pct: string;
  counts: string;
}

export interface MetersTyped {
  meters: { name: string; due: string; retired: boolean; ranges: RangeTyped[] }[];
}

export const UNITS: [string, string][] = [
  ["uf", "µF"],
  ["v", "V a.c."],
  ["vdc", "V d.c."],
  ["a", "A"],
  ["ohm", "Ω"],
  ["mohm", "MΩ"],
  ["f", "°F"],
  ["s", "s"],
];

const text = (value: number | null | undefined) => (value == null ? "" : String(value));

export function typedMeters(shown: MetersShown): MetersTyped {
  return {
    meters: shown.meters.map(({ name, due, retired, accuracy }) => ({
      name,
      due: due ?? "",
      retired,
      ranges: Object.entries(accuracy ?? {}).flatMap(([unit, ranges]) =>
        ranges.map(({ top, pct, counts }) => ({
          unit,
          top: top == null ? "" : inPrefixed(top),
          pct: text(pct),
          counts: text(counts),
        })),
      ),
    })),
  };
}

export function metersFrom({ meters }: MetersTyped): Instrument[] {
  return meters.map(({ name, due, retired, ranges }) => {
    const accuracy: Record<string, Accuracy[]> = {};
    for (const { unit, top, pct, counts } of ranges) {
      (accuracy[unit] ??= []).push({
        pct: pct.trim() ? numeric(pct) : 0,
        counts: counts.trim() ? numeric(counts) : 0,
        ...(top.trim() ? { top: fromPrefixed(top) ?? numeric(top) } : {}),
      });
    }
    return { name, due: due || null, retired, accuracy };
  });
}
