import { useEffect, useState } from "react";

const PAUSE_MS = 150;

/** These words once no key has changed them for a moment. */
export function useRested(words: string): string {
  const [rested, setRested] = useState(words);
  useEffect(() => {
    const rest = window.setTimeout(() => setRested(words), PAUSE_MS);
    return () => window.clearTimeout(rest);
  }, [words]);
  return rested;
}
