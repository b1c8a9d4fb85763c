/** What to practise: the board, whether its fault is hidden, and how fast time runs. */
import { Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";

import { api, data } from "../../api/client";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem } from "../../shell/fields";
import type { Exercise } from "./Practice";

const SPEEDS: [number, string][] = [
  [1, "as in life"],
  [3, "3 times as fast"],
  [10, "10 times as fast"],
];
const SOUND = "nothing wrong";

export function Begin({
  exercise,
  boards,
  change,
  begin,
  problem,
}: {
  exercise: Exercise;
  boards: string[];
  change: (to: Exercise) => void;
  begin: () => Promise<void>;
  problem: string;
}) {
  const faults = useQuery({
    queryKey: ["practice", exercise.board],
    queryFn: () =>
      data(
        api.GET("/api/v1/practice/defrost", { params: { query: { board: exercise.board, fault: SOUND } } }),
      ),
    enabled: exercise.board !== "",
  });
  return (
    <>
      <Text color="faint" mb="5" maxW="46rem">
        A three-ton heat pump in a heating call at freezing, its coil frosted, O valve, electric aux heat.
        Force a defrost, stamp what you see, then say what is wrong. Nothing of it is written on a visit.
      </Text>
      <Grid templateColumns={{ base: "1fr", md: "repeat(3, 1fr)" }} gap="4" mb="5">
        <Field label="Board">
          <Choice
            value={exercise.board}
            onChange={(event) => change({ ...exercise, board: event.target.value, fault: "" })}
          >
            {boards.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </Choice>
        </Field>
        <Field label="Fault">
          <Choice
            value={exercise.fault}
            onChange={(event) => change({ ...exercise, fault: event.target.value })}
          >
            <option value="">hidden from you</option>
            <option value={SOUND}>{SOUND}</option>
            {faults.data?.faults.map(({ fault }) => (
              <option key={fault}>{fault}</option>
            ))}
          </Choice>
        </Field>
        <Field label="Time runs">
          <Choice
            value={exercise.speed}
            onChange={(event) => change({ ...exercise, speed: Number(event.target.value) })}
          >
            {SPEEDS.map(([times, words]) => (
              <option key={times} value={times}>
                {words}
              </option>
            ))}
          </Choice>
        </Field>
      </Grid>
      <Button
        look="next"
        w={{ base: "100%", md: "auto" }}
        minH="60px"
        disabled={exercise.board === ""}
        onClick={() => void begin()}
      >
        Force a defrost
      </Button>
      {problem && <Problem id="practice-problem">{problem}</Problem>}
    </>
  );
}
