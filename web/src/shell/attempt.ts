/** Asking the server for one change after another, and what was wrong with the latest. */
import { useState } from "react";

import { inWords } from "../api/client";

/** What is wrong, in words, and how to try something: the words go as it begins, so that no earlier success wipes them. */
export function useAttempt(): [problem: string, attempt: (work: () => Promise<void>) => Promise<void>] {
  const [problem, setProblem] = useState("");
  const attempt = async (work: () => Promise<void>) => {
    setProblem("");
    try {
      await work();
    } catch (error) {
      setProblem(inWords(error));
    }
  };
  return [problem, attempt];
}
