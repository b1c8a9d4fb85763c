/** What was not stamped is asked: it happened, it did not, or nobody looked. Only a no is evidence. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Round, Schemas } from "../../api/client";
import { send } from "../../device/act";
import { Button } from "../../shell/controls";

const SAID: [Schemas["NewAnswer"]["answer"], string][] = [
  ["yes", "Yes"],
  ["no", "No"],
  ["did-not-look", "Did not look"],
];

export function Answers({
  visit,
  defrost,
  disabled,
}: {
  visit: string;
  defrost: Round["defrost"];
  disabled: boolean;
}) {
  if (!defrost.stopped || defrost.asked.length === 0) return null;
  return (
    <Box as="section" aria-label="Not stamped" my="3">
      <Text fontWeight="700">Not stamped. Did it happen?</Text>
      {defrost.asked.map(({ event, question, answer }) => (
        <Flex key={event} role="group" aria-label={question} gap="2" wrap="wrap" align="center" py="1">
          <Text flex="1" minW="14rem">
            {question}
          </Text>
          {SAID.map(([said, words]) => (
            <Button
              key={said}
              aria-pressed={answer === said}
              disabled={disabled}
              bg={answer === said ? "ink" : undefined}
              color={answer === said ? "paper" : undefined}
              onClick={() => send(visit, { kind: "answer", event, answer: said })}
            >
              {words}
            </Button>
          ))}
        </Flex>
      ))}
    </Box>
  );
}
