/** The core, in this browser's own Python: it is asked in a worker, so that nothing on the screen waits for it. */
import type { loadPyodide as Load } from "pyodide";

import type { Answer, Question } from "./core";

interface Visits {
  keep(visit: string, record: string, ahead: number): void;
  judge(visit: string, acts: string): string;
  judge_first(visit: string, acts: string): string;
}

const START = `
import sys
sys.path.insert(0, "/core")
from outer_test.on_device import Visits
Visits()
`;

async function start(): Promise<Visits> {
  const { loadPyodide } = (await import(/* @vite-ignore */ `${__PYODIDE__}pyodide.mjs`)) as {
    loadPyodide: typeof Load;
  };
  const [python, core] = await Promise.all([
    loadPyodide({ indexURL: __PYODIDE__ }),
    fetch(__CORE__).then((answer) => answer.arrayBuffer()),
  ]);
  python.unpackArchive(core, "zip", { extractDir: "/core" });
  return python.runPython(START) as Visits;
}

const started = start();
started.then(
  () => postMessage({ id: 0 } satisfies Answer),
  (problem: unknown) => postMessage({ id: 0, problem: String(problem) } satisfies Answer),
);

addEventListener("message", ({ data }: MessageEvent<Question>) => {
  void started
    .then((visits) => {
      if (data.kind === "keep") visits.keep(data.visit, data.record, data.ahead);
      if (data.kind === "first") return visits.judge_first(data.visit, data.acts);
      return data.kind === "judge" ? visits.judge(data.visit, data.acts) : "";
    })
    .then(
      (text) => postMessage({ id: data.id, text } satisfies Answer),
      (problem: unknown) => postMessage({ id: data.id, problem: String(problem) } satisfies Answer),
    );
});
