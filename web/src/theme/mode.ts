/** Light by day, dark by night: the device's choice until the person makes one. */
import { useSyncExternalStore } from "react";

const KEY = "outer-test.mode";
type Mode = "light" | "dark";
const device = window.matchMedia("(prefers-color-scheme: dark)");
const listeners = new Set<() => void>();

function current(): Mode {
  const chosen = localStorage.getItem(KEY);
  if (chosen === "light" || chosen === "dark") return chosen;
  return device.matches ? "dark" : "light";
}

/** Put the mode on the page; called once before the first render, and on every change. */
export function applyMode(): void {
  const mode = current();
  document.documentElement.classList.toggle("dark", mode === "dark");
  document.documentElement.classList.toggle("light", mode === "light");
  document.documentElement.style.colorScheme = mode;
  listeners.forEach((listener) => listener());
}

device.addEventListener("change", applyMode);

/** The mode, and a way to turn it. */
export function useMode(): [Mode, () => void] {
  const mode = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, current);
  return [
    mode,
    () => {
      localStorage.setItem(KEY, mode === "dark" ? "light" : "dark");
      applyMode();
    },
  ];
}
