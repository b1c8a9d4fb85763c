/** What two people did without knowing of each other, told to both: what stands, and what was overtaken. */
import { Box, Text } from "@chakra-ui/react";

import type { Schemas, VisitShown } from "../../api/client";
import { clock } from "../../shell/words";

type Conflict = Schemas["ConflictShown"];

/** What happened, by its kind: who is overtaken, then by whom. */
const WORDS: Record<Conflict["kind"], (conflict: Conflict) => string> = {
  "two-plates": () => "read the plate otherwise; the later reading stands.",
  "lifted-twice": ({ about }) =>
    `also took off: ${about}. It is on the list twice; each line is put back by itself.`,
  "ended-twice": ({ about }) => `said otherwise of how this ended: ${about}. What was said first stands.`,
  "finished-twice": () => "finished the visit too; the first end stands.",
  "lifted-as-finished": ({ about }) => `finished the visit without knowing that this was off: ${about}.`,
};

export function Conflicts({ visit }: { visit: VisitShown }) {
  const { conflicts, unreadable } = visit.round;
  if (conflicts.length === 0 && unreadable === 0) return null;
  return (
    <Box
      as="section"
      aria-label="Two at once"
      borderWidth="1px"
      borderColor="ochre"
      bg="ochreTint"
      p="3"
      mb="4"
    >
      {conflicts.map((conflict) => (
        <Text
          key={`${conflict.kind} ${conflict.overtaken_at}`}
          fontWeight={conflict.mine ? "700" : undefined}
        >
          {conflict.mine ? "You" : conflict.overtaken} (
          <span className="num">{clock(conflict.overtaken_at)}</span>) and {conflict.stands_by} (
          <span className="num">{clock(conflict.stands_at)}</span>) did not know of each other:{" "}
          {conflict.mine ? "you" : conflict.overtaken} {WORDS[conflict.kind](conflict)}
        </Text>
      ))}
      {unreadable > 0 && (
        <Text>
          {unreadable === 1 ? "1 entry" : `${unreadable} entries`} of this visit cannot be read by this
          version of the app. Nothing of it is lost.
        </Text>
      )}
    </Box>
  );
}
