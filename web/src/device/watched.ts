/** A value of this module's that screens and others watch. */
import { useSyncExternalStore } from "react";

export class Watched<Value> {
  #listeners = new Set<() => void>();

  constructor(private value: Value) {}

  readonly get = (): Value => this.value;

  set(next: Value): void {
    if (next === this.value) return;
    this.value = next;
    this.#listeners.forEach((listener) => listener());
  }

  /** Call `listener` at every change; gives back how to stop that. */
  readonly watch = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
}

export const useWatched = <Value>({ watch, get }: Watched<Value>): Value => useSyncExternalStore(watch, get);
