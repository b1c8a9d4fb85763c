/** A defrost while it is watched: the clock counts from the kept stamp, so a reload loses nothing. */
import { Box, Flex, SimpleGrid, Text } from "@chakra-ui/react";
import { useEffect, useState, type MouseEvent } from "react";

import type { Round, VisitShown } from "../../api/client";
import { send } from "../../device/act";
import { left, startTimer, useTimers } from "../../api/timers";
import { Button } from "../../shell/controls";
import { isSecondTap, lockTaps } from "../../shell/secondTap";
import { minutes } from "../../shell/words";
import { EVENTS, eventWords, STAMPS } from "./stampWords";

type Defrost = Round["defrost"];

/** The change that should come next, by the windows of what this board should do. */
function comesNext(defrost: Defrost, done: ReadonlySet<string>): string | undefined {
  const open = defrost.lanes.flatMap((lane) => lane.expected).filter(({ event }) => !done.has(event));
  return open.sort((one, two) => one.s - two.s)[0]?.event;
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

/** Forcing it, the clock, and what is seen, stamped as it happens: what should come next is the large button. */
export function Run({ visit, defrost, ended }: { visit: VisitShown; defrost: Defrost; ended: () => void }) {
  const forced = defrost.stamps.find(({ event }) => event === "forced");
  const running = forced !== undefined && !defrost.stopped;
  const done = new Set(defrost.stamps.map(({ event }) => event));
  useAwake(running);
  const stamp = (event: string) => send(visit.id, { kind: "stamp", event });
  const last = defrost.stamps.at(-1);
  const undo = () => last && send(visit.id, { kind: "undo", stamp: last.id });
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
