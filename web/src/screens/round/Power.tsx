/** The unit's power: what was said, what is proved. Dead is only ever proved by readings. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { serverNow, type Schemas } from "../../api/client";
import { sayPower } from "../../api/writes";
import { Button } from "../../shell/controls";
import { clock, POWER } from "../../shell/words";

type Power = Schemas["Power"];
const AGE_MS = 15_000;

/** Colours of the badge: proved dead is the only calm one. */
const BADGE: Record<string, { bg: string; color: string; borderColor: string }> = {
  "dead-proved": { bg: "#2c6e49", color: "#ffffff", borderColor: "#2c6e49" },
  "dead-claimed": { bg: "transparent", color: "#f3d9a0", borderColor: "#dcab4c" },
  live: { bg: "#b3261e", color: "#ffffff", borderColor: "#b3261e" },
  unknown: { bg: "transparent", color: "#f1eee5", borderColor: "#a9b4af" },
};

export function PowerBadge({ power }: { power: Power }) {
  return (
    <Flex
      role="status"
      aria-label="Power"
      direction={{ base: "column", lg: "row" }}
      align="center"
      justify="center"
      px={{ base: "2", lg: "3" }}
      h="44px"
      fontWeight="700"
      fontSize={{ base: "sm", lg: "md" }}
      lineHeight="1.2"
      borderWidth="1px"
      whiteSpace="nowrap"
      {...BADGE[power.state]}
    >
      {POWER[power.state]}
      {power.since && (
        <Text as="span" className="num" ml={{ lg: "2" }}>
          {power.state === "dead-proved" ? <Age since={power.since} /> : clock(power.since)}
        </Text>
      )}
    </Flex>
  );
}

/** How long ago a proof was made: the older it is, the less anybody knows who was at the disconnect since. */
function Age({ since }: { since: string }) {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const tick = window.setInterval(() => setNow(serverNow()), AGE_MS);
    return () => window.clearInterval(tick);
  }, []);
  const minutes = Math.max(0, Math.floor((now - new Date(since).getTime()) / 60_000));
  if (minutes < 1) return "just now";
  return minutes < 60 ? `${minutes} min ago` : `${Math.floor(minutes / 60)} h ${minutes % 60} min ago`;
}

/** Whether somebody takes the unit for dead: said so, or proved. */
export const isDead = ({ state }: Power): boolean => state === "dead-claimed" || state === "dead-proved";

export function PowerPanel({ visit, power, disabled }: { visit: string; power: Power; disabled: boolean }) {
  const dead = isDead(power);
  return (
    <Box as="section" aria-label="Power" borderTopWidth="1px" borderColor="edge" pt="3">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
        Power: {(POWER[power.state] ?? "").toLowerCase().replace("power ", "")}
      </Heading>
      <Text fontSize="sm" color="faint">
        {power.why}
      </Text>
      {!disabled && (
        <Flex gap="2" mt="2" wrap="wrap">
          {!dead && (
            <Button id="power-button" onClick={() => sayPower(visit, "dead-claimed")}>
              Disconnect is pulled
            </Button>
          )}
          {power.state !== "live" && (
            <Button id={dead ? "power-button" : undefined} onClick={() => sayPower(visit, "live")}>
              Powered up
            </Button>
          )}
        </Flex>
      )}
    </Box>
  );
}
