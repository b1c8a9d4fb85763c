/** What a finding says: the verdict in words, the number that decided, what fits, what is next, by which rule. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Finding, Round } from "../../api/client";
import { Mark, markColour, markOf, markWord } from "../../drawing/Mark";
import { RuleLink } from "../../shell/RuleLink";
import { capital, clock } from "../../shell/words";
import { shown, useScale } from "../../theme/temperature";
import { findingsAt } from "./points";

export function Result({ round, point }: { round: Round; point: string }) {
  const findings = findingsAt(round, point);
  const step = round.stations.flatMap((station) => station.steps).find((one) => one.point === point);
  const history = round.entries.filter((one) => one.point === point).slice(0, -1);
  return (
    <Box as="section" aria-label="Result" aria-live="polite">
      {findings.map((finding, place) => (
        <Box key={place} mb="3">
          <Says finding={finding} title={step?.title ?? ""} />
        </Box>
      ))}
      {history.length > 0 && (
        <Text fontSize="sm" color="faint" mt="2">
          Before:{" "}
          {history.map((one) => `${one.value} ${one.unit} at ${clock(one.at)} (${one.by_whom})`).join(", ")}
        </Text>
      )}
    </Box>
  );
}

function Says({ finding, title }: { finding: Finding; title: string }) {
  const [scale] = useScale();
  const [value, unit] = shown(finding.shown, finding.unit, finding.point, scale);
  return (
    <Box display="grid" gap="2">
      <Flex align="center" gap="2">
        <Mark kind={markOf(finding.verdict)} size={18} />
        <Text fontSize="xl" fontWeight="700" color={markColour(markOf(finding.verdict))}>
          {capital(markWord(markOf(finding.verdict)))}
        </Text>
        <Text className="num" fontSize="lg">
          {value} {finding.value != null && unit}
        </Text>
      </Flex>
      <Text fontSize="sm" color="faint">
        {title}
      </Text>
      <Text>{finding.why}</Text>
      {finding.next && <Text fontWeight="600">{finding.next}</Text>}
      {finding.caution && (
        <Text color="ochre" fontWeight="600">
          {finding.caution}
        </Text>
      )}
      {finding.fits.length > 0 && <Fits finding={finding} />}
      <Text fontSize="sm" color="faint">
        Rule <RuleLink name={finding.rule} />
        {finding.school && `, house choice “${finding.school}”`}. {capital(finding.source)}.
        {finding.band && ` Meter band ${finding.band[0]} to ${finding.band[1]} ${finding.unit}.`}
        {finding.confidence != null && ` Chance of being inside the limits: ${percent(finding.confidence)}.`}
      </Text>
    </Box>
  );
}

function percent(part: number): string {
  if (part < 0.05) return "under 5 %";
  if (part > 0.95) return "over 95 %";
  return `${Math.round(part * 100)} %`;
}

function Fits({ finding }: { finding: Finding }) {
  return (
    <Box>
      <Text fontWeight="700">On the van</Text>
      {finding.fits.map((fit) => (
        <Text key={fit.parts.join()} borderTopWidth="1px" borderColor="rule" py="1">
          <span className="num">{fit.parts.join(" with ")}</span>
          {fit.note && (
            <Text as="span" color="faint">
              {" "}
              {fit.note}
            </Text>
          )}
        </Text>
      ))}
    </Box>
  );
}
