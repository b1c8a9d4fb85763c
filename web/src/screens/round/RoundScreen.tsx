/** The round: the path of this call, the step at hand, where it stands and what is still off. Any reading can be opened. */
import { Box, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";

import type { VisitShown } from "../../api/client";
import { isRefused, useEntries } from "../../device/entries";
import type { Entry } from "../../device/store";
import { useVisit } from "../../device/visits";
import { lift } from "../../api/writes";
import { Ladder } from "../../drawing/Ladder";
import { Bar } from "../../shell/Bar";
import { Notice } from "../../shell/Notice";
import { COMPLAINT } from "../../shell/words";
import { useIsWide } from "../../theme/screens";
import { shown, useScale } from "../../theme/temperature";
import { DefrostBench } from "../defrost/DefrostBench";
import { PlateStation } from "../plate/PlateStation";
import { AllReadings } from "./AllReadings";
import { Conflicts } from "./Conflicts";
import { ControlPane } from "./ControlPane";
import { EntryLine } from "./EntryLine";
import { Finish } from "./Finish";
import { KeysHelp } from "./KeysHelp";
import { LiftWire } from "./LiftWire";
import { NotPutBack } from "./NotPutBack";
import { PartsIn } from "./PartsIn";
import { allPoints, CONTROL, onward, repairOf, restOfRun, startQuery, stepAt, stepQuery } from "./path";
import { PathRail, PathStrip } from "./PathRail";
import { PhoneStrip } from "./PhoneStrip";
import { pointState } from "./points";
import { PowerBadge, PowerPanel } from "./Power";
import { Rejudge } from "./Rejudge";
import { RepairPane } from "./RepairPane";
import { Figures, Standing } from "./Standing";
import { StepPane } from "./StepPane";
import { StopDialog } from "./StopDialog";
import { useRoundKeys } from "./useRoundKeys";
import { VisitNotes } from "./VisitNotes";

const VIEWS = ["step", "all", "wiring", "plate", "defrost", "finish"] as const;
type View = (typeof VIEWS)[number];

export default function RoundScreen() {
  const { visitId = "", view = "step" } = useParams();
  const visit = useVisit(visitId);
  if (visit.isPending) return <Notice>Opening the visit …</Notice>;
  if (visit.isError) return <Notice>{visit.error.message}</Notice>;
  const named = VIEWS.find((one) => one === view);
  if (named === undefined) return <Notice>This unit’s round has no page of that name.</Notice>;
  return <Opened key={visitId} visit={visit.data} view={named} />;
}

function Opened({ visit, view }: { visit: VisitShown; view: View }) {
  const { round } = visit;
  const entries = useEntries();
  const go = useNavigate();
  const typed = notJudged(entries, visit);
  const unsent = typed.map((one) => one.point);
  const [query] = useSearchParams();
  // The step at hand is held: a new plan changes what is ahead, never what is under the finger.
  const [start] = useState(() => new URLSearchParams(startQuery(round, unsent)));
  const asked = query.has("point") || query.has("repair") ? query : start;
  const repair = asked.get("repair");
  const point = repair === null ? (asked.get("point") ?? "") : "";
  const steps = round.stations.flatMap((station) => station.steps);
  const step = steps.find((one) => one.point === point);
  const [help, setHelp] = useState(false);
  const wide = useIsWide();
  const finished = round.finished_at != null;

  const open = (next: string) => void go(`/visits/${visit.id}?point=${next}`);
  const goOn = () => {
    const next = onward(round, point, unsent);
    if (next) void go(`/visits/${visit.id}${stepQuery(next.step, next.point)}`);
    else void go(`/visits/${visit.id}/finish`);
  };
  // Within a run the next reading follows at once; at its end the verdict stays until the technician goes on.
  const saved = (own: string) => {
    const rest = restOfRun(round, own, [...unsent, own]);
    if (rest !== undefined) open(rest);
  };
  const points = allPoints(round.stations);
  const goStep = (by: number) => {
    const next = points[points.indexOf(point) + by];
    if (next !== undefined) open(next);
  };
  const goStation = (by: number) => {
    const withSteps = round.stations.filter((station) => station.steps.length > 0);
    const at = withSteps.findIndex((station) => station.steps.some((one) => one.point === point));
    const next = withSteps[at + by]?.steps[0];
    if (next) open(next.point);
  };
  useRoundKeys({ goStation, goStep, toggleHelp: () => setHelp((shows) => !shows) });
  const at = { view, point, repair: repair ?? "" };
  const station = round.stations.find((one) => one.steps.some((own) => own.point === point));

  return (
    <Flex direction="column" h={{ base: view === "step" ? "100dvh" : "auto", lg: "auto" }} minH="100dvh">
      <Bar
        title={`${view === "step" ? (step?.title ?? stepAt(round, point)?.title ?? "Repair") : TITLES[view]}: ${visit.site}, ${visit.unit}`}
        inRound
      >
        <About visit={visit} />
        <PowerBadge power={round.assessment.power} />
        {!finished && wide && <EntryLine visit={visit.id} station={station?.name ?? "safe"} />}
      </Bar>
      {!wide && <PathStrip visit={visit} at={at} unsent={unsent} />}
      <Grid
        flex="1"
        minH="0"
        templateColumns={{ base: "minmax(0, 1fr)", lg: "236px minmax(0, 1fr) 300px" }}
        alignItems={{ base: "stretch", lg: "start" }}
      >
        {wide && <PathRail visit={visit} at={at} unsent={unsent} />}
        <Box
          as="main"
          p={{ base: view === "step" ? "0" : "3", lg: "4" }}
          minW="0"
          minH="0"
          overflow={{ base: view === "step" ? "hidden" : "visible", lg: "visible" }}
        >
          <Conflicts visit={visit} />
          {view === "all" && <AllReadings visit={visit} waiting={entries} />}
          {view === "wiring" && <Wiring visit={visit} point="" />}
          {view === "plate" && <PlateStation visit={visit} />}
          {view === "defrost" && <DefrostBench visit={visit} />}
          {view === "finish" && <FinishPane visit={visit} />}
          {view === "step" && (
            <>
              {wide && <Wiring visit={visit} point={point} />}
              {repair !== null ? (
                <RepairPane visit={visit} part={repair} step={repairOf(round, repair)} goOn={goOn} />
              ) : point === CONTROL ? (
                <ControlPane visit={visit} step={stepAt(round, point)} goOn={goOn} />
              ) : step ? (
                <StepPane
                  key={point}
                  visit={visit}
                  step={step}
                  state={pointState(round, entries, visit.id, point)}
                  unsent={unsent}
                  waits={typed.findLast((one) => one.point === point)?.typed}
                  saved={saved}
                  goOn={goOn}
                />
              ) : (
                <Text p="3">This unit’s round has no such reading.</Text>
              )}
            </>
          )}
          <Text fontSize="sm" color="faint" mt="4" hideBelow="lg">
            Live work only by licensed people, under local code. <b className="num">Enter</b> save, then next{" "}
            <b className="num">↑ ↓</b> reading <b className="num">← →</b> station <b className="num">/</b>{" "}
            several at once <b className="num">?</b> all keys
          </Text>
        </Box>
        {wide && <Aside visit={visit} view={view} />}
      </Grid>
      {!wide && (
        <PhoneStrip
          visit={visit}
          leave={view === "step" ? `/visits/${visit.id}/all` : `/visits/${visit.id}`}
        />
      )}
      <StopDialog round={round} visit={visit.id} />
      {help && <KeysHelp station={station?.name ?? ""} close={() => setHelp(false)} />}
    </Flex>
  );
}

const TITLES: Record<Exclude<View, "step">, string> = {
  all: "Every station and reading",
  wiring: "This unit, as wired",
  finish: "Finish",
  plate: "Plate",
  defrost: "Defrost",
};

function About({ visit }: { visit: VisitShown }) {
  const [scale] = useScale();
  const { outdoor_f } = visit.round.conditions;
  return (
    <Box minW="0" flex="1">
      <Text fontWeight="600" truncate>
        {visit.site}, {visit.unit}
      </Text>
      <Text fontSize="sm" color="onBarFaint" truncate>
        {COMPLAINT[visit.complaint] ?? visit.complaint}
        {outdoor_f != null && ` · ${shown(String(outdoor_f), "°F", "", scale).join(" ")} outside`}
      </Text>
    </Box>
  );
}

/** The whole ladder, beside the step on a laptop; a tapped wire goes on the list. */
function Wiring({ visit, point }: { visit: VisitShown; point: string }) {
  const [asked, setAsked] = useState("");
  const finished = visit.round.finished_at != null;
  const put = () => {
    lift(visit.id, asked);
    setAsked("");
  };
  return (
    <Box mb="3">
      <Ladder ladder={visit.round.ladder} point={point} lift={finished ? undefined : setAsked} />
      {asked && <LiftWire what={asked} lift={put} close={() => setAsked("")} />}
    </Box>
  );
}

/** At the end of the path: what is not back yet, and finishing. */
function FinishPane({ visit }: { visit: VisitShown }) {
  return (
    <Box display="grid" gap="5" maxW="40rem">
      <Heading as="h1" fontSize="2xl">
        Finish
      </Heading>
      <NotPutBack visit={visit.id} lines={visit.round.lifted} disabled={visit.round.finished_at != null} />
      <Finish visit={visit} />
    </Box>
  );
}

function Aside({ visit, view }: { visit: VisitShown; view: View }) {
  const { round } = visit;
  const finished = round.finished_at != null;
  return (
    <Box
      as="aside"
      aria-label="What follows"
      p="4"
      pl="0"
      display="grid"
      gap="5"
      position="sticky"
      top="56px"
      maxH="calc(100vh - 56px)"
      overflowY="auto"
    >
      <Standing visit={visit} />
      {view !== "finish" && <NotPutBack visit={visit.id} lines={round.lifted} disabled={finished} />}
      <PartsIn visit={visit} />
      <PowerPanel visit={visit.id} power={round.assessment.power} disabled={finished} />
      {view !== "finish" && <Finish visit={visit} />}
      <VisitNotes visit={visit.id} round={round} />
      <Figures visit={visit} />
      <Rejudge visit={visit} />
    </Box>
  );
}

/** The readings on this device that nobody has judged yet. */
function notJudged(entries: Entry[], { id, round }: VisitShown): { point: string; typed: string }[] {
  const judged = new Set(round.entries.map((entry) => entry.id));
  return entries.flatMap((entry) =>
    entry.visit === id && entry.act.kind === "reading" && !isRefused(entry) && !judged.has(entry.id)
      ? [entry.act]
      : [],
  );
}
