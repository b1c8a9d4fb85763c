/** What the plate's rules say of it as it is typed: one line where all agree, what does not agree in full, the rest on request. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Finding } from "../../api/client";
import { Mark, markOf } from "../../drawing/Mark";
import { Button } from "../../shell/controls";
import { FindingLines } from "../../shell/FindingLines";
import { counted } from "../../shell/words";

const AGREES = "good";

export function PlateChecks({ findings, typing }: { findings: Finding[]; typing: boolean }) {
  const [all, setAll] = useState(false);
  const odd = findings.filter(({ verdict }) => verdict != null && verdict !== AGREES);
  const agree = findings.filter(({ verdict }) => verdict === AGREES);
  if (findings.length === 0) return null;
  return (
    <Box as="section" aria-label="What the plate says" mb="4" aria-live="polite">
      <FindingLines label="What does not agree" findings={odd} sources />
      {agree.length > 0 && (
        <Flex align="center" gap="2" wrap="wrap">
          <Mark kind={markOf(AGREES)} />
          <Text fontWeight="600">
            {counted(agree.length, "check agrees", "checks agree")}
            {typing && ", as it is typed"}
          </Text>
          <Button look="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? "fold" : "which"}
          </Button>
        </Flex>
      )}
      {all && <FindingLines label="What agrees" findings={agree} sources />}
    </Box>
  );
}
