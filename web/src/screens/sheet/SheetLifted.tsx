/** What was lifted on the visit and how each line ended; open lines stand out. */
import { Box, Heading, Text } from "@chakra-ui/react";

import type { Schemas } from "../../api/client";
import { clock } from "../../shell/words";

const HOW: Record<string, string> = {
  back: "back",
  retired: "not needed any more",
  left: "left until the return visit",
};

export function SheetLifted({ lines }: { lines: Schemas["LiftedShown"][] }) {
  if (lines.length === 0) return null;
  return (
    <Box as="section" aria-label="Lifted and put back" mb="5">
      <Heading as="h2" fontSize="lg" mb="1">
        Lifted and put back
      </Heading>
      {lines.map((line) => (
        <Text
          key={line.id}
          borderTopWidth="1px"
          borderColor="rule"
          py="1"
          color={line.how ? "ink" : "brick"}
          fontWeight={line.how ? "400" : "700"}
        >
          {line.what}, {clock(line.at)}:{" "}
          {line.how
            ? `${HOW[line.how] ?? line.how}${line.ended_at ? ` ${clock(line.ended_at)}` : ""}`
            : "NOT PUT BACK"}
          {line.why && ` (${line.why})`}
        </Text>
      ))}
    </Box>
  );
}
