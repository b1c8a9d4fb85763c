/** The step at hand where the plate does not name the defrost control: a look at the unit and one tap put it there. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";

import type { Schemas, VisitShown } from "../../api/client";
import { send } from "../../device/act";
import { Button } from "../../shell/controls";
import { isSecondTap, lockTaps } from "../../shell/secondTap";
import { StepLink } from "../../shell/StepLink";
import type { PathStep } from "./path";
import { STEP_FRAME } from "./stepFrame";

type Control = Schemas["Defrost"]["control"];

const TITLE = "Which defrost control it has";
const KINDS: readonly [NonNullable<Control>, string, string][] = [
  ["time-temperature", "A coil switch", "Two wires to a switch clipped on the coil: time and temperature."],
  ["demand", "Two sensors", "One in the coil, one in the air: demand."],
];

interface Props {
  visit: VisitShown;
  /** The step as it is ahead; gone once the control is on the plate. */
  step: PathStep | undefined;
  goOn: () => void;
}

export function ControlPane({ visit, step, goOn }: Props) {
  const { plate, fitted, contactor_fitted, finished_at } = visit.round;
  const { control } = plate.defrost;
  const record = (kind: NonNullable<Control>) => {
    const now = { ...plate, defrost: { ...plate.defrost, control: kind } };
    send(visit.id, { kind: "plate", why: "", plate: now, fitted, contactor_fitted });
  };
  return (
    <Flex as="section" direction="column" {...STEP_FRAME}>
      <Heading as="h1" fontSize={{ base: "lg", lg: "xl" }}>
        {TITLE}
      </Heading>
      {step && <Text>{step.why}</Text>}
      {control != null && (
        <Text>
          It is on the plate.{" "}
          <StepLink to={`/visits/${visit.id}/plate`}>Its interval, limit and set points</StepLink> are entered
          there too.
        </Text>
      )}
      {/* On a phone the answers lie under the thumb. */}
      <Box flex="1" minH="3" />
      <Flex direction="column" gap="2" role="group" aria-label={TITLE}>
        {KINDS.map(([kind, words, sign]) => (
          <Button
            key={kind}
            minH="72px"
            px="3"
            textAlign="left"
            whiteSpace="normal"
            display="block"
            aria-pressed={control === kind}
            disabled={finished_at != null}
            {...(control === kind && { bg: "ink", color: "paper" })}
            onClick={(event) => {
              if (isSecondTap(event)) return;
              lockTaps();
              record(kind);
            }}
          >
            <Text as="span" display="block" fontWeight="700">
              {words}
            </Text>
            <Text as="span" display="block" fontSize="sm" fontWeight="500">
              {sign}
            </Text>
          </Button>
        ))}
      </Flex>
      <Button
        mt="3"
        minH="52px"
        w={{ base: "100%", lg: "auto" }}
        look={control == null ? "plain" : "next"}
        onClick={goOn}
      >
        {control == null ? "Skip" : "Next"}
      </Button>
    </Flex>
  );
}
