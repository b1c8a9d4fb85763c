/** What two people did without knowing of each other, told to both: what stands, and what was overtaken. */
import { Box, Text } from "@chakra-ui/react";

import type { Schemas, VisitShown } from "../../api/client";
import { counted, clock } from "../../shell/words";

type Conflict = Schemas["ConflictShown"];

/** What happened, by its kind. */
const WORDS: Record<Conflict["kind"], (conflict: Conflict, other: string) => string> = {
  "two-plates": (one, other) =>
    `Two read the plate: ${other} ${clock(one.overtaken_at)}, ${one.stands_by} ${clock(one.stands_at)}. The later one stands.`,
  "lifted-twice": (one, other) =>
    `${one.about}: on the list twice, ${one.stands_by} ${clock(one.stands_at)}, ${other} ${clock(one.overtaken_at)}. Put each line back.`,
  "ended-twice": (one, other) =>
    `${one.about}: ${one.stands_by} and ${other} said different things of it. The first stands.`,
  "finished-twice": (one, other) =>
    `Finished twice: ${one.stands_by} ${clock(one.stands_at)}, ${other} ${clock(one.overtaken_at)}. The first stands.`,
  "lifted-as-finished": (one, other) =>
    `${one.about}: off since ${clock(one.stands_at)} (${one.stands_by}); finished ${clock(one.overtaken_at)} without knowing of it (${other}).`,
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
          {WORDS[conflict.kind](conflict, conflict.mine ? "you" : conflict.overtaken)}
        </Text>
      ))}
      {unreadable > 0 && (
        <Text>
          {counted(unreadable, "entry", "entries")} of this visit cannot be read by this version of the app.
          Nothing of it is lost.
        </Text>
      )}
    </Box>
  );
}
