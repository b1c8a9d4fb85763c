/** Where the power is not what the step asks for: what is in the way, and the one tap that says it changed. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Step, VisitShown } from "../../api/client";
import { made } from "../../api/made";
import { send } from "../../api/outbox";
import { Button } from "../../shell/controls";

export function PowerGate({ visit, step }: { visit: VisitShown; step: Step }) {
  const { round } = visit;
  const { state } = round.assessment.power;
  const isDead = state === "dead-claimed" || state === "dead-proved";
  const caught = round.caught[step.power];
  const safe = round.stations.find(({ name }) => name === "safe");
  const toPull = safe?.steps.some(({ point }) => point === step.point) === true && !isDead;
  if (!caught && !toPull) return null;
  const open = round.lifted.filter((line) => line.how === "");
  const say = (power: "live" | "dead-claimed") =>
    send({ kind: "power", visit: visit.id, body: { ...made(visit.id), state: power } });
  const putAllBack = () =>
    open.forEach((line) =>
      send({
        kind: "end",
        visit: visit.id,
        line: line.id,
        body: { ...made(visit.id), how: "back", why: "" },
      }),
    );
  return (
    <Flex my="1" gap="2" align="center">
      <Box flex="1">
        {caught && (
          <Text role="alert" color="brick" fontWeight="700">
            {caught}
          </Text>
        )}
        {step.power === "live" && open.length > 0 && (
          <Text>Still off: {open.map(({ what }) => what).join(", ")}.</Text>
        )}
      </Box>
      <Flex gap="2" direction="column">
        {step.power === "live" && open.length > 0 && <Button onClick={putAllBack}>All of it is back</Button>}
        {step.power === "live" && isDead && <Button onClick={() => say("live")}>Powered up</Button>}
        {step.power !== "live" && !isDead && (
          <Button onClick={() => say("dead-claimed")}>Disconnect is pulled</Button>
        )}
      </Flex>
    </Flex>
  );
}
