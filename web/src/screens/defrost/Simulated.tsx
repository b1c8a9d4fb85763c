/** The stand-in for a real board: it stamps through the same door a person does, at the speed one can follow. */
import { Flex } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";

import { api, data, inWords, type VisitShown } from "../../api/client";
import { made } from "../../api/made";
import { queries, useDefrostFaults, useSession } from "../../api/queries";
import { send } from "../../device/act";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem } from "../../shell/fields";

const SPEEDS: [number, string][] = [
  [0, "all at once"],
  [60, "60 times as fast"],
  [10, "10 times as fast"],
  [1, "as it would be"],
];

export function Simulated({ visit }: { visit: VisitShown }) {
  const demo = useSession().data?.demo;
  const path = { visit_id: visit.id };
  const faults = useDefrostFaults(visit.id, demo != null);
  const [fault, setFault] = useState("none");
  const [speed, setSpeed] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [problem, setProblem] = useState("");
  const waiting = useRef<number[]>([]);
  const stop = () => {
    waiting.current.forEach((one) => window.clearTimeout(one));
    waiting.current = [];
    setPlaying(false);
  };
  useEffect(() => () => waiting.current.forEach((one) => window.clearTimeout(one)), []);

  const atOnce = async () => {
    await data(
      api.POST("/api/v1/visits/{visit_id}/defrost/simulated", {
        params: { path },
        body: { ...made(visit.id), fault },
      }),
    );
    await queries.invalidateQueries({ queryKey: ["visit", visit.id] });
  };
  const play = async () => {
    const run = await data(
      api.GET("/api/v1/visits/{visit_id}/defrost/simulated", { params: { path, query: { fault } } }),
    );
    const begun = Date.now();
    const stamp = (event: string, seconds: number) =>
      // Its own time, not the page's: a run played fast lasts as long on record as a real one.
      send(visit.id, { kind: "stamp", event }, new Date(begun + seconds * 1000).toISOString());
    setPlaying(true);
    const last = run.watched_s;
    for (const { event = "forced", s } of run.events)
      waiting.current.push(window.setTimeout(() => stamp(event, s), (s * 1000) / speed));
    waiting.current.push(
      window.setTimeout(
        () => {
          stamp("stopped", last);
          stop();
        },
        (last * 1000) / speed,
      ),
    );
  };
  const run = async () => {
    stop();
    setProblem("");
    try {
      await (speed === 0 ? atOnce() : play());
    } catch (error) {
      setProblem(inWords(error));
    }
  };

  if (demo == null) return null;
  return (
    <Flex gap="3" wrap="wrap" align="end" borderTopWidth="1px" borderColor="rule" pt="3">
      <Field label="Simulated board, for practice on the demo; fault put in">
        <Choice w="14rem" value={fault} onChange={(event) => setFault(event.target.value)}>
          <option value="none">none</option>
          {faults.data?.map(({ fault: key }) => (
            <option key={key} value={key}>
              {key}
            </option>
          ))}
        </Choice>
      </Field>
      <Field label="Its speed">
        <Choice w="11rem" value={speed} onChange={(event) => setSpeed(Number(event.target.value))}>
          {SPEEDS.map(([times, words]) => (
            <option key={times} value={times}>
              {words}
            </option>
          ))}
        </Choice>
      </Field>
      <Button onClick={() => void run()}>Run it</Button>
      {playing && <Button onClick={stop}>Stop it</Button>}
      {problem && <Problem id="simulated-problem">{problem}</Problem>}
    </Flex>
  );
}
