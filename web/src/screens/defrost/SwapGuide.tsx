/** Swapping a defrost board without losing a wire: the steps, and each wire's own line until it has its new place. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { VisitShown } from "../../api/client";
import { send } from "../../device/act";
import { Mark, markOf } from "../../drawing/Mark";
import { Button } from "../../shell/controls";
import { capital } from "../../shell/words";
import { Photos } from "../unit/Photos";
import { WireMap, type Guide } from "./WireMap";

const CHOICES: Record<string, [string, string][]> = {
  "swap.indoor": [
    ["off", "indoor power off"],
    ["plug", "plug pulled"],
  ],
  "swap.photo": [["taken", "taken"]],
  "swap.settings": [["copied", "copied"]],
  "swap.jumper": [
    ["moved", "jumper moved"],
    ["not-needed", "not needed"],
  ],
  "swap.sensors": [
    ["new", "new ones in"],
    ["kept", "old ones kept"],
    ["retired", "retired"],
  ],
};
const seen = (visit: string, point: string, typed: string) =>
  send(visit, { kind: "reading", point, typed, meter: "", by: "", fitted: "", turns: 1 });

export function SwapGuide({ visit, disabled }: { visit: VisitShown; disabled: boolean }) {
  const guide = visit.round.defrost.swap;
  const [wanted, setWanted] = useState(false);
  const begun = guide.wires.length > 0 || visit.round.entries.some(({ point }) => point.startsWith("swap."));
  if (!begun && !wanted)
    return disabled ? null : (
      <Box borderTopWidth="1px" borderColor="edge" mt="6" pt="4">
        <Button onClick={() => setWanted(true)}>Swap the board, wire by wire</Button>
      </Box>
    );
  const proved = visit.round.assessment.findings.find(({ point }) => point === "swap.proved");
  return (
    <Box as="section" aria-label="Swap the board" borderTopWidth="1px" borderColor="edge" mt="6" pt="4">
      <Heading as="h2" fontSize="xl" mb="1">
        Swap the board
      </Heading>
      <Text color="faint" mb="3">
        {guide.kit}
      </Text>
      <ol>
        {guide.steps.map((step, place) => (
          <StepLine key={step.what} visit={visit} step={step} place={place} disabled={disabled} />
        ))}
      </ol>
      <Box my="3">
        <Photos unit={visit.unit_id} visit={visit.id} about="wire map" title="Photos of the wiring" />
      </Box>
      <WireMap visit={visit} guide={guide} disabled={disabled} />
      {proved && (
        <Flex gap="2" align="baseline" mt="3">
          <Mark kind={markOf(proved.verdict)} />
          <Text>
            {proved.why} <b>{proved.next}</b>
          </Text>
        </Flex>
      )}
    </Box>
  );
}

function StepLine(props: {
  visit: VisitShown;
  step: Guide["steps"][number];
  place: number;
  disabled: boolean;
}) {
  const { visit, step, place, disabled } = props;
  const said = visit.round.entries.findLast(({ point, stands }) => stands && point === step.point)?.value;
  const colour = { done: "leaf", next: "copper", later: "edge", record: "edge" }[step.state];
  return (
    <Flex
      as="li"
      gap="3"
      py="2"
      align="center"
      wrap="wrap"
      borderTopWidth="1px"
      borderColor="rule"
      borderLeftWidth="4px"
      borderLeftColor={colour}
      pl="3"
    >
      <Box flex="1 1 20rem">
        <Text fontWeight="700">
          {place + 1}. {step.what}{" "}
          <Text as="span" color="faint" fontWeight="400" fontSize="sm" ml="2">
            {step.state === "done" ? "done" : step.state === "next" ? "next" : ""}
          </Text>
        </Text>
        <Text fontSize="sm">{step.how}</Text>
        {step.caution && (
          <Text fontWeight="700" color="brick">
            {step.caution}
          </Text>
        )}
      </Box>
      {!disabled && step.point && (
        <Flex gap="2" wrap="wrap">
          {(CHOICES[step.point] ?? []).map(([word, words]) => (
            <Button
              key={word}
              aria-pressed={said === word}
              look={said === word ? "next" : "plain"}
              onClick={() => seen(visit.id, step.point, word)}
            >
              {capital(words)}
            </Button>
          ))}
        </Flex>
      )}
    </Flex>
  );
}
