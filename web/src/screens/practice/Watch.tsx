/** The simulated unit while it is watched: what can be seen and heard of it now, and a button for each change. */
import { Box, Flex, SimpleGrid, Text } from "@chakra-ui/react";
import { useEffect, useState, type MouseEvent } from "react";

import type { Schemas } from "../../api/client";
import { Button } from "../../shell/controls";
import { isSecondTap, lockTaps } from "../../shell/secondTap";
import { minutes } from "../../shell/words";
import { EVENTS } from "../defrost/stampWords";
import type { Stamp } from "./Practice";
import { seenAt } from "./seenAt";

const BEAT_MS = 100;

export function Watch({
  run,
  speed,
  ended,
}: {
  run: Schemas["Practised"];
  speed: number;
  ended: (stamps: Stamp[]) => void;
}) {
  const [begun] = useState(() => Date.now());
  const [now, setNow] = useState(begun);
  const [stamps, setStamps] = useState<Stamp[]>([]);
  useEffect(() => {
    const beat = window.setInterval(() => setNow(Date.now()), BEAT_MS);
    return () => window.clearInterval(beat);
  }, []);
  const seconds = Math.min(((now - begun) / 1000) * speed, run.watched_s);
  const over = seconds >= run.watched_s;
  const done = new Set(stamps.map(({ event }) => event));
  const press = (event: Stamp["event"]) => (click: MouseEvent) => {
    if (isSecondTap(click)) return;
    lockTaps();
    setStamps([...stamps, { event, s: Math.round(((Date.now() - begun) / 1000) * speed * 10) / 10 }]);
  };
  return (
    <Box as="section" aria-label="The unit, watched">
      <Text className="num" fontSize="4xl" fontWeight="700" aria-label="Time since it was forced">
        {minutes(seconds)}
      </Text>
      <Box as="dl" mb="3" borderTopWidth="1px" borderColor="rule" aria-label="What you see and hear">
        {seenAt(run.events, seconds).map(({ part, state }) => (
          <Flex key={part} as="div" gap="3" borderBottomWidth="1px" borderColor="rule" py="1">
            <Text as="dt" color="faint" w="9.5rem" flex="none">
              {part}
            </Text>
            <Text as="dd" fontWeight="600">
              {state}
            </Text>
          </Flex>
        ))}
      </Box>
      <SimpleGrid columns={{ base: 2, md: 3 }} gap="2" mb="3">
        {EVENTS.map(([event, words]) => (
          <Button
            key={event}
            minH="48px"
            aria-pressed={done.has(event)}
            disabled={done.has(event) || over}
            onClick={press(event)}
          >
            {words}
          </Button>
        ))}
        <Button disabled={stamps.length === 0} onClick={() => setStamps(stamps.slice(0, -1))}>
          Undo the last
        </Button>
      </SimpleGrid>
      <Button
        look={over ? "next" : undefined}
        w={{ base: "100%", md: "auto" }}
        minH="48px"
        onClick={() => ended(stamps)}
      >
        {over ? "It is over: say what is wrong" : "Seen enough: say what is wrong"}
      </Button>
    </Box>
  );
}
