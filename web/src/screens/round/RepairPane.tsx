/** The step at hand where it is a repair: why this part, and putting it in in one step. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";

import type { VisitShown } from "../../api/client";
import { Button } from "../../shell/controls";
import { PartsIn } from "./PartsIn";
import type { PathStep } from "./path";
import { STEP_FRAME } from "./stepFrame";

interface Props {
  visit: VisitShown;
  part: string;
  /** The repair as it is ahead; gone once the part is in. */
  step: PathStep | undefined;
  goOn: () => void;
}

export function RepairPane({ visit, part, step, goOn }: Props) {
  return (
    <Box as="section" {...STEP_FRAME}>
      <Flex justify="space-between" gap="3" align="baseline">
        <Heading as="h1" fontSize="xl">
          Repair: {part}
        </Heading>
        {step && (
          <Text fontSize="sm" color="faint" whiteSpace="nowrap">
            {step.minutes} min · dead work
          </Text>
        )}
      </Flex>
      {step && <Text mb="3">{step.why}</Text>}
      <PartsIn visit={visit} />
      <Button mt="3" minH="52px" look={step ? "plain" : "next"} onClick={goOn}>
        {step ? "Go on without it" : "Next"}
      </Button>
    </Box>
  );
}
