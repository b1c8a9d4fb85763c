/** Findings one below the other: mark, verdict, why, what next; with the rule and its source where asked. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Finding } from "../api/client";
import { Mark, markColour, markOf, markWord } from "../drawing/Mark";
import { RuleLink } from "./RuleLink";
import { capital } from "./words";

export function FindingLines({
  label,
  findings,
  sources = false,
  causes = false,
}: {
  label: string;
  findings: Finding[];
  sources?: boolean;
  /** Say everything that explains what was seen, where that is more than one thing. */
  causes?: boolean;
}) {
  if (findings.length === 0) return null;
  return (
    <Box as="section" aria-label={label} mb="5">
      {findings.map((finding) => (
        <Flex
          key={finding.point + finding.rule}
          gap="3"
          align="baseline"
          py="1"
          borderTopWidth="1px"
          borderColor="rule"
        >
          <Box pt="1">
            <Mark kind={markOf(finding.verdict)} />
          </Box>
          <Text>
            <Text as="span" fontWeight="700" color={markColour(markOf(finding.verdict))}>
              {capital(markWord(markOf(finding.verdict)))}
            </Text>{" "}
            {finding.why} <b>{finding.next}</b>{" "}
            {causes && finding.causes.length > 1 && (
              <Text as="span" color="faint">
                Could be: {finding.causes.join(", ")}.{" "}
              </Text>
            )}
            {sources && (
              <Text as="span" fontSize="sm" color="faint">
                <RuleLink name={finding.rule} />; {finding.source}
              </Text>
            )}
          </Text>
        </Flex>
      ))}
    </Box>
  );
}
