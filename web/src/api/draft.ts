/** What is typed and not yet sent, kept through a reload. */
import { useState } from "react";

const PREFIX = "outer-test.draft.";

/** Like useState for a text, but under a name that survives a reload. An empty text is forgotten. */
export function useDraft(name: string): [string, (text: string) => void] {
  const [held, setHeld] = useState({ name, text: readDraft(name) });
  const text = held.name === name ? held.text : readDraft(name);
  return [
    text,
    (next) => {
      writeDraft(name, next);
      setHeld({ name, text: next });
    },
  ];
}

/** Whether anything is half typed on this device. */
export const hasDraft = (): boolean => Object.keys(localStorage).some((key) => key.startsWith(PREFIX));

export function readDraft(name: string): string {
  return localStorage.getItem(PREFIX + name) ?? "";
}

export function writeDraft(name: string, text: string): void {
  if (text) localStorage.setItem(PREFIX + name, text);
  else localStorage.removeItem(PREFIX + name);
}
