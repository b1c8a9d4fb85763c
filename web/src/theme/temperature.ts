/** °F or °C, by the person's choice. Kept values are °F; only what is shown and typed is turned. */
import { useSyncExternalStore } from "react";

const KEY = "outer-test.temperature";
type Scale = "°F" | "°C";
const listeners = new Set<() => void>();

export function scale(): Scale {
  return localStorage.getItem(KEY) === "°C" ? "°C" : "°F";
}

export function useScale(): [Scale, () => void] {
  const now = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, scale);
  return [
    now,
    () => {
      localStorage.setItem(KEY, now === "°F" ? "°C" : "°F");
      listeners.forEach((listener) => listener());
    },
  ];
}

/** A kept value and its unit as they are shown. A difference is turned without the zero point. */
export function shown(value: string, unit: string, point: string, to: Scale): [string, string] {
  if (unit !== "°F" || to === "°F" || value === "OL") return [value, unit];
  const number = Number(value);
  const decimals = value.split(".")[1]?.length ?? 0;
  const turned = point.endsWith(".dif") ? (number * 5) / 9 : ((number - 32) * 5) / 9;
  return [turned.toFixed(decimals), "°C"];
}

/** What is typed for a temperature without a unit is in the scale that is shown; the server is told so. */
export function withScale(typed: string, unit: string): string {
  return unit === "°F" && scale() === "°C" && /^\s*[-+]?[\d.,]+\s*$/.test(typed)
    ? `${typed.trim()} °C`
    : typed;
}

/** A typed number as it is kept: temperatures in °F, nothing for an empty field; what is no number goes as typed, and comes back refused. */
export function kept(typed: string, unit: string, from: Scale): number | string | null {
  const plain = typed.trim().replace(",", ".");
  if (plain === "") return null;
  const number = Number(plain);
  if (!Number.isFinite(number)) return typed;
  return unit === "°F" && from === "°C" ? Number((number * 1.8 + 32).toFixed(2)) : number;
}
