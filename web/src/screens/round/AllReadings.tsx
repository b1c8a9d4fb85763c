/** Every station and reading of this unit's round, as they stand; a tap opens one. */
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { Link } from "react-router";

import type { Step, VisitShown } from "../../api/client";
import { isReadingAt, isRefused } from "../../device/entries";
import type { Entry } from "../../device/store";
import { Mark, markOf } from "../../drawing/Mark";
import { Tape } from "../../drawing/Tape";
import { shown, useScale } from "../../theme/temperature";
import { pointState, type Station } from "./points";

const To = chakra(Link);
const Jump = chakra("a");

/** Findings that sum up a station's readings. */
const SUMMARY: Record<string, Record<string, string>> = {
  safe: { "safe.dead": "Dead", "safe.discharged": "Discharged" },
};
const OWN_SCREEN: Record<string, string> = {
  plate: "What the plate says, and what is fitted",
  defrost: "Watch a defrost, swap the board, how often and what it costs",
};

export function AllReadings({ visit, waiting }: { visit: VisitShown; waiting: Entry[] }) {
  const { stations } = visit.round;
  return (
    <Box>
      <Heading as="h1" fontSize="2xl" mb="2">
        Every station and reading
      </Heading>
      <To
        to={`/visits/${visit.id}/wiring`}
        display="inline-flex"
        alignItems="center"
        minH="44px"
        mb="2"
        color="copper"
        fontWeight="700"
        textDecoration="underline"
      >
        This unit, as wired
      </To>
      <Flex as="nav" aria-label="Stations" gap="2" wrap="wrap" mb="4">
        {stations.map(({ name, title }) => (
          <Jump
            key={name}
            href={`#station-${name}`}
            px="3"
            minH="44px"
            display="grid"
            placeItems="center"
            borderWidth="1px"
            borderColor="edge"
            bg="panel"
            fontWeight="600"
          >
            {title}
          </Jump>
        ))}
      </Flex>
      {stations.map((station) => (
        <StationList key={station.name} visit={visit} station={station} waiting={waiting} />
      ))}
    </Box>
  );
}

function StationList({ visit, station, waiting }: { visit: VisitShown; station: Station; waiting: Entry[] }) {
  const sums = SUMMARY[station.name] ?? {};
  const open = station.steps.filter(
    (step) => step.needed && !visit.round.entries.some((entry) => entry.point === step.point),
  ).length;
  return (
    <Box as="section" id={`station-${station.name}`} aria-label={station.title} scrollMarginTop="72px" mb="6">
      <Flex justify="space-between" align="baseline" borderBottomWidth="2px" borderColor="ink">
        <Heading as="h2" fontSize="xl">
          {station.title}
        </Heading>
        <Text fontSize="sm" color="faint">
          {station.steps.length === 0 ? "" : open === 0 ? "read" : `${open} to read`}
        </Text>
      </Flex>
      {OWN_SCREEN[station.name] && (
        <To
          to={`/visits/${visit.id}/${station.name}`}
          display="flex"
          alignItems="center"
          minH="48px"
          px="3"
          color="copper"
          fontWeight="700"
          textDecoration="underline"
        >
          {OWN_SCREEN[station.name]}
        </To>
      )}
      {visit.round.assessment.findings
        .filter(({ point }) => sums[point] !== undefined)
        .map((finding) => (
          <Flex key={finding.point} gap="2" align="baseline" px="3" py="2">
            <Mark kind={markOf(finding.verdict)} />
            <Text>
              <b>{sums[finding.point]}:</b> {finding.why} {finding.next}
            </Text>
          </Flex>
        ))}
      {station.steps.map((step) => (
        <ReadingRow key={step.point} visit={visit} step={step} waiting={waiting} />
      ))}
    </Box>
  );
}

function ReadingRow({ visit, step, waiting }: { visit: VisitShown; step: Step; waiting: Entry[] }) {
  const { finding, entry, refusal, mark } = pointState(visit.round, waiting, visit.id, step.point);
  const [scale] = useScale();
  const [value, unit] = shown(entry?.value ?? "", entry?.unit ?? "", step.point, scale);
  const here = waiting.some((one) => !isRefused(one) && isReadingAt(one, visit.id, step.point));
  return (
    <To
      to={`/visits/${visit.id}?point=${step.point}`}
      display="grid"
      gridTemplateColumns={{ base: "20px 1fr auto", md: "20px 1fr 8rem 210px" }}
      gap="3"
      alignItems="center"
      minH="48px"
      px="3"
      py="1"
      borderBottomWidth="1px"
      borderColor="rule"
      _hover={{ bg: "panel" }}
    >
      <Mark kind={mark} />
      <Text fontWeight="500">
        {step.title}
        {!step.needed && !entry && (
          <Text as="span" fontSize="sm" color="faint">
            {" "}
            optional
          </Text>
        )}
      </Text>
      <Text className="num" fontSize="lg" fontWeight="600" textAlign="right" whiteSpace="nowrap">
        {refusal?.typed ?? value}{" "}
        <Text as="span" fontSize="sm" color="faint">
          {entry && unit}
        </Text>
        {here && (
          <Text as="span" display="block" fontSize="sm" color="ochre" fontFamily="body">
            stored here, not sent yet
          </Text>
        )}
      </Text>
      <Box hideBelow="md">{finding && <Tape finding={finding} small />}</Box>
      {refusal && (
        <Text role="alert" gridColumn="2 / -1" color="brick" fontWeight="600">
          Not saved: {refusal.message}
        </Text>
      )}
    </To>
  );
}
