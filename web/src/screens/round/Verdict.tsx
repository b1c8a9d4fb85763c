/** What the readings at a point say: the verdict in a word, the number that decided, and on request all of it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Finding, Round } from "../../api/client";
import { Mark, markColour, markOf, markWord } from "../../drawing/Mark";
import { Button } from "../../shell/controls";
import { Modal } from "../../shell/Modal";
import { capital } from "../../shell/words";
import { SHORT_SCREEN } from "../../theme/screens";
import { Result } from "./Result";

/** One line under the field, and the whole of it by one tap: for a phone. */
export function VerdictLine({ round, point, finding, waits }: VerdictProps) {
  const [open, setOpen] = useState(false);
  const kind = finding ? markOf(finding.verdict) : "none";
  return (
    <Box px="3" py={finding || waits ? "1" : "0"} aria-live="polite" bg={finding ? "panel" : undefined}>
      {waits && !finding && <Text color="faint">{waits} saved, being judged …</Text>}
      {finding && (
        <Flex gap="2" align="flex-start">
          <Box pt="3px">
            <Mark kind={kind} size={16} />
          </Box>
          <Text flex="1" lineClamp="3" css={{ [SHORT_SCREEN]: { fontSize: "sm", lineHeight: "1.3" } }}>
            <Text as="span" fontWeight="700" color={markColour(kind)}>
              {capital(markWord(kind))}.
            </Text>{" "}
            {finding.why} {finding.next && <b>{finding.next}</b>}
          </Text>
          <Button look="quiet" minH="44px" mt="-10px" onClick={() => setOpen(true)}>
            More
          </Button>
        </Flex>
      )}
      {open && (
        <Modal title="Result" close={() => setOpen(false)}>
          <Result round={round} point={point} />
          <Button mt="3" onClick={() => setOpen(false)}>
            Close
          </Button>
        </Modal>
      )}
    </Box>
  );
}

export interface VerdictProps {
  round: Round;
  point: string;
  finding: Finding | undefined;
  /** What was typed here and is not judged yet. */
  waits: string | undefined;
}
