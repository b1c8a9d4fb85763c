/** The round: stations down the left, the station at hand in the middle, what it says and what is still off at the right. */
import { Box, Flex, Grid, Link, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";

import type { VisitShown } from "../../api/client";
import { useOutbox, waitingPoints } from "../../api/outbox";
import { useVisit } from "../../api/queries";
import { Cabinet } from "../../drawing/Cabinet";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { Notice } from "../../shell/Notice";
import { COMPLAINT } from "../../shell/words";
import { shown, useScale } from "../../theme/temperature";
import { DefrostBench } from "../defrost/DefrostBench";
import { PlateStation } from "../plate/PlateStation";
import { Conflicts } from "./Conflicts";
import { EntryLine } from "./EntryLine";
import { Finish } from "./Finish";
import { KeysHelp } from "./KeysHelp";
import { NotPutBack } from "./NotPutBack";
import { PartsIn } from "./PartsIn";
import { firstOpen, firstOpenStation, pointState, type Station } from "./points";
import { PowerBadge, PowerPanel } from "./Power";
import { Rejudge } from "./Rejudge";
import { StationRail } from "./StationRail";
import { Figures, Standing, StandingBrief } from "./Standing";
import { StationSteps } from "./StationSteps";
import { StopDialog } from "./StopDialog";
import { useRoundKeys } from "./useRoundKeys";
import { VisitNotes } from "./VisitNotes";
import { WhatThisSays } from "./WhatThisSays";

export default function RoundScreen() {
  const { visitId = "", station } = useParams();
  const asked = useSearchParams()[0].get("point") ?? "";
  const visit = useVisit(visitId);
  if (visit.isPending) return <Notice>Opening the visit …</Notice>;
  if (visit.isError) return <Notice>{visit.error.message}</Notice>;
  const name = station ?? firstOpenStation(visit.data.round);
  const here = visit.data.round.stations.find((one) => one.name === name);
  if (here === undefined) return <Notice>This unit’s round has no station of that name.</Notice>;
  return <Opened key={`${visitId} ${name} ${asked}`} visit={visit.data} station={here} />;
}

function Opened({ visit, station }: { visit: VisitShown; station: Station }) {
  const { round } = visit;
  const outbox = useOutbox();
  const [scale] = useScale();
  const go = useNavigate();
  const [query] = useSearchParams();
  const [point, setPoint] = useState(() => query.get("point") ?? firstOpen(round, station)?.point ?? "");
  const [lastKept, setLastKept] = useState("");
  const [help, setHelp] = useState(false);
  const stations = round.stations;
  const place = stations.indexOf(station);
  const steps = station.steps;
  const at = Math.max(
    steps.findIndex((step) => step.point === point),
    0,
  );

  const goStation = (by: number) => {
    const next = stations[place + by];
    if (next) void go(`/visits/${visit.id}/${next.name}`);
  };
  const goStep = (by: number) => {
    const next = steps[at + by];
    if (next) setPoint(next.point);
  };
  // From a reading that is asked for to the next such; from an optional one to its neighbour.
  const goOn = () => {
    const kept = new Set([
      ...round.entries.map((one) => one.point),
      ...waitingPoints(outbox.waiting, visit.id),
    ]);
    const asked = steps.slice(at + 1).find((step) => step.needed && !kept.has(step.point));
    const next = steps[at]?.needed ? asked : steps[at + 1];
    if (next) setPoint(next.point);
  };
  useRoundKeys({ goStation, goStep, toggleHelp: () => setHelp((open) => !open) });

  const current = steps[at]?.point ?? "";
  const state = pointState(round, outbox.refused, visit.id, current);
  const told = state.finding ? current : lastKept || current;
  const finished = round.finished_at != null;

  return (
    <Flex direction="column" minH="100vh">
      <Bar title={`${station.title}: ${visit.site}, ${visit.unit}`}>
        <Box minW="0" flex="1">
          <Text fontWeight="600" truncate>
            {visit.site}, {visit.unit}
          </Text>
          <Text fontSize="sm" color="onBarFaint" truncate>
            {COMPLAINT[visit.complaint] ?? visit.complaint}
            {round.conditions.outdoor_f != null &&
              ` · ${shown(String(round.conditions.outdoor_f), "°F", "", scale).join(" ")} outside`}
          </Text>
        </Box>
        <Box display={{ base: "none", lg: "block" }}>
          <PowerBadge power={round.assessment.power} />
        </Box>
        {!finished && <EntryLine visit={visit.id} station={station.name} onKept={setLastKept} />}
      </Bar>
      <Grid flex="1" templateColumns={{ base: "1fr", lg: "218px minmax(0, 1fr) 300px" }} alignItems="start">
        <StationRail visit={visit} current={station.name} refused={outbox.refused} />
        <Box as="main" p={{ base: "3", md: "5" }} minW="0">
          <Waiting count={outbox.waiting.length} offline={outbox.offline} />
          <Conflicts visit={visit} />
          <StandingBrief visit={visit} />
          {station.name === "plate" ? (
            <PlateStation visit={visit} />
          ) : (
            <>
              <Wiring visit={visit} point={current} stays={station.name !== "defrost"} />
              <StationSteps
                visit={visit}
                station={station}
                current={current}
                refused={outbox.refused}
                choose={setPoint}
                kept={(kept) => {
                  setLastKept(kept);
                  goOn();
                }}
              />
              {station.name === "defrost" && <DefrostBench visit={visit} />}
            </>
          )}
          <Text fontSize="sm" color="faint" mt="5">
            Live work only by licensed people, under local code. <b className="num">↑ ↓</b> reading{" "}
            <b className="num">← →</b> station <b className="num">/</b> several at once{" "}
            <b className="num">?</b> all keys
          </Text>
        </Box>
        <Box
          as="aside"
          aria-label="What follows"
          p={{ base: "3", md: "5" }}
          pl={{ lg: "0" }}
          display="grid"
          gap="5"
          position={{ lg: "sticky" }}
          top="56px"
          maxH={{ lg: "calc(100vh - 56px)" }}
          overflowY={{ lg: "auto" }}
        >
          <NotPutBack visit={visit.id} lines={round.lifted} disabled={finished} />
          <Standing visit={visit} />
          <PartsIn visit={visit} />
          {station.name !== "plate" && <WhatThisSays round={round} point={told} />}
          <VisitNotes visit={visit.id} round={round} />
          <Figures visit={visit} />
          <Rejudge visit={visit} />
          <PowerPanel visit={visit.id} power={round.assessment.power} disabled={finished} />
          <Finish visit={visit} />
        </Box>
      </Grid>
      <PhoneStrip power={round.assessment.power} off={round.assessment.open_lines} />
      <StopDialog round={round} visit={visit.id} />
      {help && <KeysHelp close={() => setHelp(false)} />}
    </Flex>
  );
}

/** The drawing of the unit; on a phone it opens on request, so that entering readings keeps the glass. */
function Wiring({ visit, point, stays }: { visit: VisitShown; point: string; stays: boolean }) {
  const [open, setOpen] = useState(false);
  const drawing = <Cabinet cabinet={visit.round.cabinet} point={point} />;
  return (
    <>
      <Box
        display={{ base: "none", lg: "block" }}
        position={stays ? "sticky" : "static"}
        top="56px"
        zIndex="5"
        bg="paper"
        pt="2"
        mt="-2"
      >
        {drawing}
      </Box>
      <Box display={{ base: "block", lg: "none" }} mb="3">
        <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Hide the wiring" : "Where the probes go"}
        </Button>
        {open && drawing}
      </Box>
    </>
  );
}

/** On a phone what is still off, and the power, stay in sight at the bottom. */
function PhoneStrip({ power, off }: { power: VisitShown["round"]["assessment"]["power"]; off: number }) {
  return (
    <Flex
      display={{ base: "flex", lg: "none" }}
      position="sticky"
      bottom="0"
      bg="bar"
      color="onBar"
      px="3"
      py="1"
      gap="3"
      align="center"
      justify="space-between"
    >
      <Link href="#not-put-back" color="onBar" fontWeight="700" minH="44px" textDecoration="underline">
        {off === 0 ? "Everything is back" : `${off} to put back`}
      </Link>
      <PowerBadge power={power} />
    </Flex>
  );
}

function Waiting({ count, offline }: { count: number; offline: boolean }) {
  if (!offline || count === 0) return null;
  return (
    <Box role="status" borderWidth="1px" borderColor="ochre" bg="ochreTint" p="3" mb="4">
      The server does not answer. {count} {count === 1 ? "entry is" : "entries are"} kept on this device and
      sent again by {count === 1 ? "itself" : "themselves"}.
    </Box>
  );
}
