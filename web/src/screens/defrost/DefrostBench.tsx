/** One defrost watched: how to make it happen today, big stamps, and what was stamped laid over what should come. */
import { Box, Flex, Heading, SimpleGrid, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import type { Round, VisitShown } from "../../api/client";
import { send } from "../../api/outbox";
import { made } from "../../api/made";
import { left, startTimer, useTimers } from "../../api/timers";
import { Button } from "../../shell/controls";
import { FindingLines } from "../../shell/FindingLines";
import { isOfRun } from "../../shell/points";
import { Answers } from "./Answers";
import { IntervalCost } from "./IntervalCost";
import { Lanes } from "./Lanes";
import { Simulated } from "./Simulated";
import { StampList } from "./StampList";
import { MORE, STAMPS } from "./stampWords";
import { SwapGuide } from "./SwapGuide";

type Defrost = NonNullable<Round["defrost"]>;

export function DefrostBench({ visit }: { visit: VisitShown }) {
  const { defrost } = visit.round;
  if (defrost == null) return null;
  const finished = visit.round.finished_at != null;
  const findings = visit.round.assessment.findings.filter(isOfRun);
  return (
    <Box as="section" aria-label="Defrost bench" borderTopWidth="2px" borderColor="ink" mt="6" pt="4">
      <Heading as="h2" fontSize="xl" mb="1">
        Watch one defrost
      </Heading>
      <Way visit={visit} defrost={defrost} disabled={finished} />
      {!finished && <Stamps visit={visit} defrost={defrost} />}
      {!finished && <StampList visit={visit.id} defrost={defrost} />}
      <Answers visit={visit.id} defrost={defrost} disabled={finished} />
      <Lanes defrost={defrost} />
      <FindingLines label="What this run says" findings={findings} causes />
      {!finished && <Simulated visit={visit} />}
      <SwapGuide visit={visit} disabled={finished} />
      <IntervalCost visit={visit} />
    </Box>
  );
}

function Way({ visit, defrost, disabled }: { visit: VisitShown; defrost: Defrost; disabled: boolean }) {
  const lift = (what: string) =>
    send({
      kind: "lifted",
      visit: visit.id,
      body: { ...made(visit.id), what },
    });
  const off = new Set(visit.round.lifted.filter((line) => line.how === "").map((line) => line.what));
  return (
    <Box mb="3">
      <Text mb="2" color={defrost.outlook ? undefined : "faint"}>
        {defrost.outlook
          ? defrost.outlook.why
          : "Enter the outdoor temperature and humidity on the Plate station to see whether it frosts now."}
      </Text>
      {visit.round.plate.defrost.notes && (
        <Text mb="2" fontWeight="600">
          This board: {visit.round.plate.defrost.notes}
        </Text>
      )}
      <Text fontWeight="700">How to force a defrost today</Text>
      <ol>
        {defrost.way.steps.map((step, index) => (
          <Text as="li" key={step}>
            {index + 1}. {step}
          </Text>
        ))}
      </ol>
      {defrost.way.signs && <Text color="faint">{defrost.way.signs}</Text>}
      {defrost.way.caution && (
        <Text color="ochre" fontWeight="600">
          {defrost.way.caution}
        </Text>
      )}
      {!disabled && (
        <Flex gap="2" wrap="wrap" mt="2">
          {defrost.way.lifts
            .filter((what) => !off.has(what))
            .map((what) => (
              <Button key={what} onClick={() => lift(what)}>
                {what}: put it on the list
              </Button>
            ))}
        </Flex>
      )}
    </Box>
  );
}

function Stamps({ visit, defrost }: { visit: VisitShown; defrost: Defrost }) {
  const forced = defrost.stamps.find(({ event }) => event === "forced");
  const running = forced !== undefined && !defrost.stopped;
  const done = new Set(defrost.stamps.map(({ event }) => event));
  const stamp = (event: string) =>
    send({
      kind: "stamp",
      visit: visit.id,
      body: { ...made(visit.id), event },
    });
  const last = defrost.stamps.at(-1);
  const undo = () =>
    last && send({ kind: "undo", visit: visit.id, body: { ...made(visit.id), stamp: last.id } });
  if (!running) {
    return (
      <Flex gap="3" wrap="wrap" mb="3" align="center">
        <Button look="next" minH="60px" onClick={() => stamp("forced")}>
          {forced ? "Force another" : "Forced: start the clock"}
        </Button>
        <RestartHold seconds={visit.round.plate.defrost.anti_short_cycle_s} />
        {forced && (
          <Text color="faint">
            The last run is below; a new one takes its place, and the old stays on record.
          </Text>
        )}
      </Flex>
    );
  }
  return (
    <Box mb="3">
      <Clock since={forced.at} limit={defrost.limit_s ?? null} />
      <SimpleGrid columns={{ base: 2, md: 3 }} gap="2" mb="2">
        {STAMPS.map(([event, words], index) => (
          <Button
            key={event}
            data-stamp={index + 1}
            minH="60px"
            aria-pressed={done.has(event)}
            disabled={done.has(event)}
            onClick={() => stamp(event)}
          >
            <Text as="span" className="num" mr="2" opacity="0.75">
              {index + 1}
            </Text>
            {words}
          </Button>
        ))}
        {MORE.map(([event, words]) => (
          <Button key={event} minH="60px" disabled={done.has(event)} onClick={() => stamp(event)}>
            {words}
          </Button>
        ))}
      </SimpleGrid>
      <Flex gap="2" wrap="wrap">
        <Button onClick={undo}>Undo the last stamp</Button>
        <Button onClick={() => stamp("stopped")}>Stop watching</Button>
      </Flex>
    </Box>
  );
}

/** After a power-up or a stop the board waits: counted here, and with the other clocks at the top. */
function RestartHold({ seconds }: { seconds: number }) {
  const { timers, now } = useTimers();
  const hold = timers.find(({ name }) => name === HOLD);
  if (hold === undefined || hold.ends <= now)
    return (
      <Button minH="60px" onClick={() => startTimer(HOLD, seconds)}>
        {hold ? "Restart hold is over; count again" : `Restart hold, ${minutes(seconds)}`}
      </Button>
    );
  return (
    <Text role="timer" aria-label="Restart hold">
      Restart hold{" "}
      <Text as="span" className="num" fontSize="2xl" fontWeight="700">
        {left(hold, now)}
      </Text>
    </Text>
  );
}

const HOLD = "Restart hold";

/** Time since it was forced, and what is left to the board's limit. It counts from the kept stamp, so a reload loses nothing. */
function Clock({ since, limit }: { since: string; limit: number | null }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const beat = window.setInterval(() => setNow(Date.now()), 250);
    return () => window.clearInterval(beat);
  }, []);
  const seconds = Math.max((now - new Date(since).getTime()) / 1000, 0);
  const left = limit === null ? null : Math.max(limit - seconds, 0);
  return (
    <Flex gap="5" align="baseline" mb="2">
      <Text className="num" fontSize="4xl" fontWeight="700" aria-label="Time since it was forced">
        {minutes(seconds)}
      </Text>
      <Text color="faint">
        {left === null ? "Its time limit is not recorded." : `${minutes(left)} to its time limit`}
      </Text>
    </Flex>
  );
}

const minutes = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;
