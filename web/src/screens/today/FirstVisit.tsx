/** What is where, in three lines, until it is waved away on this device. */
import { Box, Text } from "@chakra-ui/react";
import { useState } from "react";

import { Button } from "../../shell/controls";

const SEEN = "outer-test.tour";
const LINES = [
  "Open a visit: the next step is always in front of you. Read it, type it, Save.",
  "Where this stands says what is likely wrong, how sure that is, and which test settles it.",
  "To put back keeps every lifted wire and pulled fuse, until each is back.",
];

export function FirstVisit() {
  const [seen, setSeen] = useState(() => localStorage.getItem(SEEN) !== null);
  if (seen) return null;
  return (
    <Box as="section" aria-label="What is where" borderWidth="1px" borderColor="edge" bg="panel" p="4" mb="4">
      {LINES.map((line, place) => (
        <Text key={line} mb="1">
          <b className="num">{place + 1}</b> {line}
        </Text>
      ))}
      <Button
        mt="2"
        onClick={() => {
          localStorage.setItem(SEEN, "seen");
          setSeen(true);
        }}
      >
        Got it
      </Button>
    </Box>
  );
}
