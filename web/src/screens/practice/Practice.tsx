/** Practice on the simulated board: a defrost with a hidden fault is watched, stamped and called. Nothing of it is on a record. */
import { Box, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import { api, data, inWords, type Schemas } from "../../api/client";
import { useBoards } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { Begin } from "./Begin";
import { CallIt } from "./CallIt";
import { MarkedRun } from "./MarkedRun";
import { Watch } from "./Watch";

export type Stamp = Schemas["DefrostEvent"];

/** What is practised: the board, the draw that hides the fault, the fault put in where one was asked for, and the speed. */
export interface Exercise {
  board: string;
  draw: number;
  fault: string;
  speed: number;
}
type Stage =
  | { at: "begin" }
  | { at: "watch"; run: Schemas["Practised"] }
  | { at: "call"; run: Schemas["Practised"]; stamps: Stamp[] }
  | { at: "marked"; marked: Schemas["Marked"]; stamps: Stamp[] };

const MOST_DRAWS = 1_000_000;
const FIRST: Exercise = { board: "", draw: 0, fault: "", speed: 3 };

export default function PracticeScreen() {
  const boards = useBoards();
  const names = (boards.data?.boards ?? []).map(({ name }) => name);
  const [chosen, setChosen] = useState(FIRST);
  const [stage, setStage] = useState<Stage>({ at: "begin" });
  const [problem, setProblem] = useState("");
  const asked = { ...chosen, board: names.includes(chosen.board) ? chosen.board : (names[0] ?? "") };
  const attempt = async (work: () => Promise<Stage>) => {
    setProblem("");
    try {
      setStage(await work());
    } catch (error) {
      setProblem(inWords(error));
    }
  };
  const begin = () =>
    attempt(async () => {
      const draw = Math.floor(Math.random() * MOST_DRAWS);
      setChosen({ ...asked, draw });
      const query = { board: asked.board, draw, fault: asked.fault };
      const run = await data(api.GET("/api/v1/practice/defrost", { params: { query } }));
      return { at: "watch", run };
    });
  const call = (stamps: Stamp[], named: string) =>
    attempt(async () => {
      const body = { board: asked.board, draw: asked.draw, fault: asked.fault, stamps, named };
      return { at: "marked", marked: await data(api.POST("/api/v1/practice/defrost", { body })), stamps };
    });
  const again = () => setStage({ at: "begin" });
  return (
    <>
      <Bar title="Practice">
        <Text color="onBarFaint">Practice</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="60rem">
        <Heading as="h1" fontSize="2xl" mb="1">
          Practice: the simulated board
        </Heading>
        {stage.at === "begin" && (
          <Begin exercise={asked} boards={names} change={setChosen} begin={begin} problem={problem} />
        )}
        {stage.at === "watch" && (
          <Watch
            run={stage.run}
            speed={asked.speed}
            ended={(stamps) => setStage({ at: "call", run: stage.run, stamps })}
          />
        )}
        {stage.at === "call" && (
          <CallIt
            faults={stage.run.faults}
            call={(named) => void call(stage.stamps, named)}
            problem={problem}
          />
        )}
        {stage.at === "marked" && <MarkedRun marked={stage.marked} stamps={stage.stamps} again={again} />}
      </Box>
    </>
  );
}
