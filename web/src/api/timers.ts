/** Clocks that run beside the work: kept through a reload, seen from every screen, with a sound at the end. */
import { useSyncExternalStore } from "react";

import { minutes } from "../shell/words";
import { parsed } from "./stored";

export interface Timer {
  id: string;
  name: string;
  /** Epoch milliseconds. */
  ends: number;
  /** Whether its end was already sounded. */
  rung: boolean;
}

const KEY = "outer-test.timers";
const BEAT_MS = 250;
const listeners = new Set<() => void>();
let timers: Timer[] = parsed<Timer[]>(localStorage.getItem(KEY), []);
let now = Date.now();
let beat: number | undefined;
let view: { timers: Timer[]; now: number } = { timers, now };

function become(next: Timer[]): void {
  timers = next;
  localStorage.setItem(KEY, JSON.stringify(timers));
  tick();
}

/** One beat: ring what has run out, tell who looks, stop when nothing runs. */
function tick(): void {
  now = Date.now();
  const due = timers.filter((timer) => !timer.rung && timer.ends <= now);
  if (due.length > 0) {
    timers = timers.map((timer) => (timer.ends <= now ? { ...timer, rung: true } : timer));
    localStorage.setItem(KEY, JSON.stringify(timers));
    sound();
  }
  view = { timers, now };
  listeners.forEach((listener) => listener());
  const wanted = timers.some((timer) => timer.ends > now);
  if (wanted && beat === undefined) beat = window.setInterval(tick, BEAT_MS);
  if (!wanted && beat !== undefined) {
    window.clearInterval(beat);
    beat = undefined;
  }
}

/** Start a clock; one of the same name is started anew. */
export function startTimer(name: string, seconds: number): void {
  const fresh = { id: crypto.randomUUID(), name, ends: Date.now() + seconds * 1000, rung: false };
  become([...timers.filter((timer) => timer.name !== name), fresh]);
}

export function dropTimer(id: string): void {
  become(timers.filter((timer) => timer.id !== id));
}

/** Take up the clocks that an earlier page left; another tab's changes come along. */
export function resumeTimers(): void {
  window.addEventListener("storage", (event) => {
    if (event.key !== KEY) return;
    timers = parsed<Timer[]>(event.newValue, []);
    tick();
  });
  if (timers.length > 0) tick();
}

export function useTimers(): { timers: Timer[]; now: number } {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => view,
  );
}

/** The clock that ends next, in words such as `4:59 Restart hold`; empty where none runs. */
export function next({ timers, now }: { timers: Timer[]; now: number }): string {
  const running = timers.filter((timer) => timer.ends > now).sort((one, two) => one.ends - two.ends)[0];
  return running ? `${left(running, now)} ${running.name}` : "";
}

/** What is left, as minutes and seconds. */
export function left(timer: Timer, at: number): string {
  return minutes(Math.max(Math.ceil((timer.ends - at) / 1000), 0));
}

/** Three short tones, made here: no sound file to load. */
function sound(): void {
  const audio = new AudioContext();
  [0, 0.25, 0.5].forEach((at) => {
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    tone.frequency.value = 880;
    volume.gain.value = 0.25;
    tone.connect(volume).connect(audio.destination);
    tone.start(audio.currentTime + at);
    tone.stop(audio.currentTime + at + 0.15);
  });
  window.setTimeout(() => void audio.close(), 1500);
}
