/** What this device's store answers, drawn anew whenever that changes, in whatever tab. */
import { liveQuery } from "dexie";
import { useEffect, useState } from "react";

/** `ask` is a function of a module, not one made anew at each drawing; `before` stands until the store has answered. */
export function useLive<Answer, About>(
  ask: (about: About) => Promise<Answer>,
  about: About,
  before: Answer,
): Answer {
  const [answer, setAnswer] = useState(before);
  useEffect(() => {
    const watched = liveQuery(() => ask(about)).subscribe({
      next: setAnswer,
      error: (problem) => console.warn("What is on this device cannot be read.", problem),
    });
    return () => watched.unsubscribe();
  }, [ask, about]);
  return answer;
}
