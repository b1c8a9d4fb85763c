/** The round by keyboard. Keys that could be part of a reading are left alone. */
import { useEffect, useRef } from "react";

export interface RoundKeys {
  goStation: (by: number) => void;
  goStep: (by: number) => void;
  toggleHelp: () => void;
}

/** Every key of the round, for the help and the hints. */
export const KEYS: [string, string][] = [
  ["Enter", "save the reading; once more: go on to what comes next"],
  ["↑ ↓", "reading before, reading after"],
  ["← →", "station before, station after (where nothing is typed)"],
  ["1 2 3 …", "choose what you see; stamp what happens while a defrost is watched"],
  ["/", "entry line: several readings at once"],
  ["Esc", "leave the entry line or this list"],
  ["Alt P", "power"],
  ["Alt J", "add a lifted wire, jumper or panel"],
  ["Alt F", "finish the visit"],
  ["?", "this list"],
];

const focusOn = (id: string) => document.getElementById(id)?.focus();

export function useRoundKeys(keys: RoundKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (handle(event, latest.current)) event.preventDefault();
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, []);
}

/** Act on a key; whether it was one of the round's. */
function handle(event: KeyboardEvent, keys: RoundKeys): boolean {
  if (event.altKey) return handleAlt(event.code);
  if (event.ctrlKey || event.metaKey) return false;
  const field = event.target instanceof HTMLElement ? event.target : null;
  const isReading = field?.dataset.reading !== undefined;
  const isText = field !== null && field.matches("input, select, textarea") && !isReading;
  if (isText) return handleInText(event, field);
  switch (event.key) {
    case "ArrowUp":
      keys.goStep(-1);
      return true;
    case "ArrowDown":
      keys.goStep(1);
      return true;
    case "ArrowLeft":
    case "ArrowRight":
      if (field instanceof HTMLInputElement && field.value !== "") return false;
      keys.goStation(event.key === "ArrowLeft" ? -1 : 1);
      return true;
    case "Enter":
      return field?.matches("button, a, input") !== true && goOnByKey();
    case "/":
      focusOn("entry-line");
      return true;
    case "?":
      keys.toggleHelp();
      return true;
    default:
      return chooseByDigit(event.key);
  }
}

function handleAlt(code: string): boolean {
  const target = { KeyP: "power-button", KeyJ: "lifted-what", KeyF: "finish-button" }[code];
  if (target !== undefined) focusOn(target);
  return target !== undefined;
}

function handleInText(event: KeyboardEvent, field: HTMLElement): boolean {
  if (event.key !== "Escape" || field.id !== "entry-line") return false;
  document.querySelector<HTMLElement>("[data-reading]")?.focus();
  return true;
}

/** Press what leads on, where nothing is typed. */
function goOnByKey(): boolean {
  const next = document.querySelector<HTMLButtonElement>("[data-reading-next]");
  next?.click();
  return next !== null;
}

function chooseByDigit(key: string): boolean {
  const named = (kind: string) =>
    document.querySelector<HTMLButtonElement>(`[data-${kind}="${CSS.escape(key)}"]`);
  // While a defrost is watched its stamps come first: they cannot wait.
  const choice = named("stamp") ?? named("choice");
  choice?.click();
  return choice !== null;
}
