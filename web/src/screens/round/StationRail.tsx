/** The stations in working order, each with one mark per reading. Any can be opened at any time. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";
import { Link } from "react-router";

import { isOfPlate } from "../../shell/points";
import type { VisitShown } from "../../api/client";
import type { Refusal } from "../../api/outbox";
import { Mark, type MarkKind, markOf } from "../../drawing/Mark";
import { pointState, type Station } from "./points";

const Stop = chakra(Link);

export function StationRail({
  visit,
  current,
  refused,
}: {
  visit: VisitShown;
  current: string;
  refused: Refusal[];
}) {
  return (
    <Flex
      as="nav"
      aria-label="Stations"
      direction={{ base: "row", lg: "column" }}
      overflowX={{ base: "auto", lg: "visible" }}
      pt={{ lg: "3" }}
      position={{ lg: "sticky" }}
      top={{ lg: "56px" }}
      maxH={{ lg: "calc(100vh - 56px)" }}
      overflowY={{ lg: "auto" }}
      borderBottomWidth={{ base: "1px", lg: "0" }}
      borderColor="rule"
    >
      {visit.round.stations.map((station) => (
        <StationStop
          key={station.name}
          to={`/visits/${visit.id}/${station.name}`}
          title={station.title}
          marks={stationMarks(visit, station, refused).join(" ")}
          left={station.steps.length === 0 ? undefined : leftToRead(visit, station)}
          now={station.name === current}
        />
      ))}
    </Flex>
  );
}

interface StopProps {
  to: string;
  title: string;
  marks: string;
  left: number | undefined;
  now: boolean;
}

// Told in words and numbers alone, so that a reading redraws the one station it belongs to.
function StationStop({ to, title, marks, left, now }: StopProps) {
  const stop = useRef<HTMLAnchorElement>(null);
  // On a phone the stations are a strip: bring the one at hand into sight.
  useEffect(() => {
    if (now) stop.current?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [now]);
  return (
    <Stop
      ref={stop}
      to={to}
      aria-current={now ? "page" : undefined}
      display="block"
      px={{ base: "4", lg: "5" }}
      py="3"
      minH="58px"
      flexShrink="0"
      w={{ base: "13.5rem", lg: "auto" }}
      borderLeftWidth={{ lg: "5px" }}
      borderBottomWidth={{ base: "4px", lg: "0" }}
      borderColor={now ? "copper" : "transparent"}
      bg={now ? "panel" : "transparent"}
      _hover={{ bg: "panel" }}
    >
      <Flex justify="space-between" align="baseline" gap="2">
        <Text fontWeight="700" whiteSpace="nowrap">
          {title}
        </Text>
        <Text fontSize="sm" color="faint" whiteSpace="nowrap">
          {left === undefined ? "" : left === 0 ? "read" : `${left} to read`}
        </Text>
      </Flex>
      <Box display="flex" flexWrap="wrap" gap="5px" mt="1">
        {marks
          .split(" ")
          .filter(Boolean)
          .map((kind, place) => (
            <Mark key={place} kind={kind as MarkKind} />
          ))}
      </Box>
    </Stop>
  );
}

const leftToRead = (visit: VisitShown, station: Station) =>
  station.steps.filter((step) => step.needed && !visit.round.entries.some((one) => one.point === step.point))
    .length;

function stationMarks(visit: VisitShown, station: Station, refused: Refusal[]): MarkKind[] {
  if (station.name !== "plate") {
    return station.steps.map(({ point }) => pointState(visit.round, refused, visit.id, point).mark);
  }
  const onPlate = visit.round.assessment.findings.filter(isOfPlate);
  return onPlate.map(({ verdict }) => markOf(verdict));
}
