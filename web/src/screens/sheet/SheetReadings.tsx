/** Every reading of the visit, station by station, on its tape; what it superseded stays to be seen. */
import { Box, Heading, Text } from "@chakra-ui/react";

import type { VisitShown } from "../../api/client";
import { Mark, markWord, markOf } from "../../drawing/Mark";
import { Tape } from "../../drawing/Tape";
import { capital, clock } from "../../shell/words";
import { shown, useScale } from "../../theme/temperature";
import { pointState, type Station } from "../round/points";

export function SheetReadings({ visit }: { visit: VisitShown }) {
  return visit.round.stations.map((station) => (
    <StationPart key={station.name} visit={visit} station={station} />
  ));
}

function StationPart({ visit, station }: { visit: VisitShown; station: Station }) {
  const read = station.steps.filter((step) => visit.round.entries.some((one) => one.point === step.point));
  if (read.length === 0) return null;
  const skipped = station.steps.filter((step) => step.needed && !read.includes(step));
  return (
    <Box as="section" aria-label={station.title} mb="5">
      <Heading as="h2" fontSize="lg" mb="1">
        {station.title}
      </Heading>
      {read.map((step) => (
        <Line key={step.point} visit={visit} point={step.point} title={step.title} />
      ))}
      {skipped.length > 0 && (
        <Text fontSize="sm" color="faint" mt="1">
          Not read: {skipped.map((step) => step.title).join("; ")}.
        </Text>
      )}
    </Box>
  );
}

function Line({ visit, point, title }: { visit: VisitShown; point: string; title: string }) {
  const { finding, entry, history, mark } = pointState(visit.round, [], visit.id, point);
  const [scale] = useScale();
  const [value, unit] = shown(entry?.value ?? "", entry?.unit ?? "", point, scale);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "20px 1fr auto", md: "20px minmax(0, 1fr) 7.5rem 220px" }}
      columnGap="3"
      alignItems="center"
      borderTopWidth="1px"
      borderColor="rule"
      py="1"
      css={{ breakInside: "avoid" }}
    >
      <Mark kind={mark} />
      <Box>
        <Text>{title}</Text>
        <Text fontSize="sm" color="faint">
          {finding && `${capital(markWord(markOf(finding.verdict)))}. ${finding.why}`}
          {entry &&
            ` ${clock(entry.at)}${entry.clock_wrong ? " (as it arrived: its device’s clock was wrong)" : ""}, ${entry.by_whom}${entry.meter && `, ${entry.meter}`}.`}
          {finding && ` (${finding.rule}${finding.school ? `, ${finding.school}` : ""})`}
        </Text>
        {history.length > 0 && (
          <Text fontSize="sm" color="ochre">
            Superseded: {history.map((one) => `${one.value} ${one.unit} at ${clock(one.at)}`).join(", ")}
          </Text>
        )}
        {finding?.caution && (
          <Text fontSize="sm" color="ochre" fontWeight="600">
            {finding.caution}
          </Text>
        )}
      </Box>
      <Text className="num" fontWeight="700" fontSize="lg" textAlign="right" whiteSpace="nowrap">
        {value} {unit}
      </Text>
      <Box gridColumn={{ base: "2 / -1", md: "auto" }}>{finding && <Tape finding={finding} small />}</Box>
    </Box>
  );
}
