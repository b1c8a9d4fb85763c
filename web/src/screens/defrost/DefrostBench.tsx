/** One defrost watched: how to make it happen today, big stamps, and what was stamped laid over what should come. */
import { Box, chakra, Flex, Heading, SimpleGrid, Text } from "@chakra-ui/react";
import { useEffect, useState, type MouseEvent } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";

import type { Round, VisitShown } from "../../api/client";
import { send } from "../../api/outbox";
import { made } from "../../api/made";
import { left, startTimer, useTimers } from "../../api/timers";
import { Button } from "../../shell/controls";
import { FindingLines } from "../../shell/FindingLines";
import { isOfRun } from "../../shell/points";
import { isSecondTap, lockTaps } from "../../shell/secondTap";
import { Answers } from "./Answers";
import { IntervalCost } from "./IntervalCost";
import { Lanes } from "./Lanes";
import { Simulated } from "./Simulated";
import { StampList } from "./StampList";
import { EVENTS, eventWords, STAMPS } from "./stampWords";
import { SwapGuide } from "./SwapGuide";

type Defrost = NonNullable<Round["defrost"]>;

const PAGES = [
  ["how", "How to force it"],
  ["run", "Run"],
  ["says", "What it says"],
  ["swap", "Swap the board"],
  ["cost", "How often, what it costs"],
] as const;
type Page = (typeof PAGES)[number][0];

const Tab = chakra(Link);

export function DefrostBench({ visit }: { visit: VisitShown }) {
  const { defrost } = visit.round;
  const [query] = useSearchParams();
  const go = useNavigate();
  if (defrost == null) return null;
  const finished = visit.round.finished_at != null;
  const findings = visit.round.assessment.findings.filter(isOfRun);
  const page = PAGES.find(([name]) => name === query.get("page"))?.[0] ?? begins(defrost);
  const to = (name: Page) => `/visits/${visit.id}/defrost?page=${name}`;
  const says = <FindingLines label="What this run says" findings={findings} causes />;
  return (
    <Box as="section" aria-label="Defrost bench">
      <Heading as="h1" fontSize="xl" mb="2">
        Watch one defrost
      </Heading>
      <Flex
        as="nav"
        aria-label="Defrost, page by page"
        overflowX="auto"
        mb="3"
        borderBottomWidth="1px"
        borderColor="edge"
      >
        {PAGES.map(([name, words]) => (
          <Tab
            key={name}
            to={to(name)}
            replace
            aria-current={name === page ? "page" : undefined}
            flex="none"
            px="3"
            minH="48px"
            display="grid"
            placeItems="center"
            fontWeight={name === page ? "700" : "500"}
            borderBottomWidth="4px"
            borderColor={name === page ? "copper" : "transparent"}
          >
            {words}
          </Tab>
        ))}
      </Flex>
      {page === "how" && (
        <>
          <Way visit={visit} defrost={defrost} disabled={finished} />
          <Button look="next" minH="52px" onClick={() => void go(to("run"))}>
            On to the run
          </Button>
        </>
      )}
      {page === "run" && (
        <>
          {!finished && <Stamps visit={visit} defrost={defrost} ended={() => void go(to("says"))} />}
          {says}
          {!finished && <Simulated visit={visit} />}
        </>
      )}
      {page === "says" && (
        <>
          <Answers visit={visit.id} defrost={defrost} disabled={finished} />
          {says}
          <Lanes defrost={defrost} />
          {!finished && <StampList visit={visit.id} defrost={defrost} />}
        </>
      )}
      {page === "swap" && <SwapGuide visit={visit} disabled={finished} />}
      {page === "cost" && <IntervalCost visit={visit} />}
    </Box>
  );
}

/** Where a technician goes on: into a run that is watched, to what one said, else to how it is forced. */
function begins(defrost: Defrost): Page {
  if (!defrost.stamps.some(({ event }) => event === "forced")) return "how";
  return defrost.stopped ? "says" : "run";
}

/** The change that should come next, by the windows of what this board should do. */
function comesNext(defrost: Defrost, done: ReadonlySet<string>): string | undefined {
  const open = defrost.lanes.flatMap((lane) => lane.expected).filter(({ event }) => !done.has(event));
  return open.sort((one, two) => one.s - two.s)[0]?.event;
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
      <Heading as="h2" fontSize="md">
        How to force a defrost today
      </Heading>
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

/** The screen stays on while a defrost is watched: both hands may be busy for ten minutes. */
function useAwake(running: boolean): void {
  useEffect(() => {
    if (!running || !("wakeLock" in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    // A device that saves its battery may refuse: then it dims as ever, and the clock goes on.
    navigator.wakeLock.request("screen").then(
      (got) => (lock = got),
      () => undefined,
    );
    return () => void lock?.release();
  }, [running]);
}

function Stamps({ visit, defrost, ended }: { visit: VisitShown; defrost: Defrost; ended: () => void }) {
  const forced = defrost.stamps.find(({ event }) => event === "forced");
  const running = forced !== undefined && !defrost.stopped;
  const done = new Set(defrost.stamps.map(({ event }) => event));
  useAwake(running);
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
  const next = comesNext(defrost, done);
  const press = (event: string) => (click: MouseEvent) => {
    if (isSecondTap(click)) return;
    lockTaps();
    stamp(event);
  };
  const index = (event: string) => STAMPS.findIndex(([name]) => name === event) + 1 || undefined;
  return (
    <Box mb="3">
      <Clock since={forced.at} limit={defrost.limit_s ?? null} />
      {next !== undefined && (
        <Button
          look="next"
          w="100%"
          minH="88px"
          fontSize="2xl"
          mb="2"
          data-stamp={index(next)}
          onClick={press(next)}
        >
          {eventWords(next)}
        </Button>
      )}
      <SimpleGrid columns={{ base: 2, md: 3 }} gap="2" mb="2">
        {EVENTS.filter(([event]) => event !== next).map(([event, words]) => (
          <Button
            key={event}
            data-stamp={index(event)}
            minH="60px"
            aria-pressed={done.has(event)}
            disabled={done.has(event)}
            onClick={press(event)}
          >
            {index(event) && (
              <Text as="span" className="num" mr="2" opacity="0.75">
                {index(event)}
              </Text>
            )}
            {words}
          </Button>
        ))}
      </SimpleGrid>
      <Flex gap="2" wrap="wrap">
        <Button onClick={undo}>Undo the last stamp</Button>
        <Button
          onClick={() => {
            stamp("stopped");
            ended();
          }}
        >
          Stop watching
        </Button>
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
