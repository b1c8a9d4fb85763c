/** Where the power is not what the step asks for: what is in the way, and the one tap that says it changed. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Step, VisitShown } from "../../api/client";
import { endLine, sayPower, stillOff } from "../../api/writes";
import { Button } from "../../shell/controls";
import { isDead } from "./Power";

export function PowerGate({ visit, step }: { visit: VisitShown; step: Step }) {
  const { round } = visit;
  const dead = isDead(round.assessment.power);
  const caught = round.caught[step.power];
  const safe = round.stations.find(({ name }) => name === "safe");
  const toPull = safe?.steps.some(({ point }) => point === step.point) === true && !dead;
  if (!caught && !toPull) return null;
  const off = stillOff(round.lifted);
  return (
    <Flex my="1" gap="2" align="center">
      <Box flex="1">
        {caught && (
          <Text role="alert" color="brick" fontWeight="700">
            {caught}
          </Text>
        )}
        {step.power === "live" && off.length > 0 && (
          <Text>Still off: {off.map(({ what }) => what).join(", ")}.</Text>
        )}
      </Box>
      <Flex gap="2" direction="column">
        {step.power === "live" && off.length > 0 && (
          <Button onClick={() => off.forEach((line) => endLine(visit.id, line.id, "back"))}>
            All of it is back
          </Button>
        )}
        {step.power === "live" && dead && (
          <Button onClick={() => sayPower(visit.id, "live")}>Powered up</Button>
        )}
        {step.power !== "live" && !dead && (
          <Button onClick={() => sayPower(visit.id, "dead-claimed")}>Disconnect is pulled</Button>
        )}
      </Flex>
    </Flex>
  );
}
