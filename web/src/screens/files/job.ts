/** A file's long way in or out, which the server works on by itself: remembered on this device, and asked after until it ends. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { queries } from "../../api/queries";
import { useAttempt } from "../../shell/attempt";

const BEAT_MS = 700;
const MADE = "made";

export interface Way<Job> {
  /** What it is kept under on this device, where it outlives the screen. */
  held?: string;
  read: (id: string) => Promise<Job>;
  isRunning: (job: Job | undefined) => boolean;
}

/** The one that is held, what went wrong with asking for it, and how to ask. */
export function useJob<Job extends { id: string }>({ held, read, isRunning }: Way<Job>) {
  const [id, setId] = useState(() => (held && localStorage.getItem(held)) ?? "");
  const [problem, tryTo] = useAttempt();
  const name = held ?? MADE;
  const job = useQuery({
    queryKey: [name, id],
    queryFn: () => read(id),
    enabled: id !== "",
    retry: false,
    refetchInterval: ({ state }) => (isRunning(state.data) ? BEAT_MS : false),
  });
  const hold = (next: string) => {
    if (held) localStorage.setItem(held, next);
    setId(next);
  };
  const attempt = (ask: () => Promise<Job>) =>
    tryTo(async () => {
      const answer = await ask();
      queries.setQueryData([name, answer.id], answer);
      hold(answer.id);
    });
  return { job: job.data, problem, attempt, forget: () => hold("") };
}
