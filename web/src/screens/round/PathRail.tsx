/** This call in order: what was done, the step at hand, what is likely next. A list on a laptop, a strip of marks on a phone. */
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";
import { Link } from "react-router";

import type { VisitShown } from "../../api/client";
import { Mark, type MarkKind, markOf, markWord } from "../../drawing/Mark";
import { isOfPlate } from "../../shell/points";
import { firstOpen, type PathStep, repairOf, stepAt, stepQuery } from "./path";

const Stop = chakra(Link);

interface Props {
  visit: VisitShown;
  /** The page of the round that is open, and on it the reading or the part of a repair at hand. */
  at: { view: string; point: string; repair: string };
  unsent: string[];
}

interface Shown {
  key: string;
  to: string;
  title: string;
  note: string;
  value: string;
  mark: MarkKind;
  now: boolean;
}

function stops({ visit, at, unsent }: Props): Shown[] {
  const { round } = visit;
  const here =
    at.view !== "step" ? undefined : at.repair ? repairOf(round, at.repair) : stepAt(round, at.point);
  const worst = round.assessment.findings.find(isOfPlate);
  const plate: Shown = {
    key: "plate",
    to: `/visits/${visit.id}/plate`,
    title: "Plate",
    note: "what it says, what is fitted",
    value: "",
    mark: worst ? markOf(worst.verdict) : "none",
    now: at.view === "plate",
  };
  const steps: Shown[] = round.path.map((step, place) => ({
    key: `${place} ${step.points.join()}`,
    to: `/visits/${visit.id}${stepQuery(step, firstOpen(step, unsent))}`,
    title: step.title,
    note: note(step),
    value: step.value,
    mark: step.done ? (step.verdict ? markOf(step.verdict) : "kept") : "none",
    now: step === here,
  }));
  const off = round.assessment.open_lines;
  const finish: Shown = {
    key: "finish",
    to: `/visits/${visit.id}/finish`,
    title: "Finish",
    note: off === 0 ? "" : `${off} to put back`,
    value: "",
    mark: round.finished_at == null ? "none" : "kept",
    now: at.view === "finish",
  };
  return [plate, ...steps, finish];
}

function note(step: PathStep): string {
  const several = step.points.length > 1 ? `${step.points.length} readings` : "";
  if (step.done) return several;
  const power = step.power === "any" ? "" : step.power;
  return [several, `${step.minutes} min`, power].filter(Boolean).join(" · ");
}

export function PathRail(props: Props) {
  return (
    <Flex
      as="nav"
      aria-label="This call, in order"
      direction="column"
      position="sticky"
      top="56px"
      maxH="calc(100vh - 56px)"
      overflowY="auto"
      pt="4"
      borderRightWidth="1px"
      borderColor="rule"
    >
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" px="5" mb="1">
        This call, in order
      </Heading>
      <Box as="ol" listStyleType="none">
        {stops(props).map((stop) => (
          <li key={stop.key}>
            <PathStop stop={stop} />
          </li>
        ))}
      </Box>
      <Stop
        to={`/visits/${props.visit.id}/all`}
        m="5"
        p="3"
        textAlign="center"
        fontWeight="600"
        borderWidth="1px"
        borderColor="edge"
        bg="panel"
      >
        Every station and reading
      </Stop>
    </Flex>
  );
}

/** The stop at hand is brought into sight, in the list as in the strip. */
function useInSight(now: boolean) {
  const line = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    if (now) line.current?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [now]);
  return line;
}

function PathStop({ stop }: { stop: Shown }) {
  const { to, title, note, value, mark, now } = stop;
  const line = useInSight(now);
  return (
    <Stop
      ref={line}
      to={to}
      aria-current={now ? "step" : undefined}
      display="grid"
      gridTemplateColumns="18px minmax(0, 1fr)"
      columnGap="3"
      alignItems="center"
      minH="44px"
      px="5"
      py="1"
      borderLeftWidth="5px"
      borderColor={now ? "copper" : "transparent"}
      bg={now ? "panel" : "transparent"}
      _hover={{ bg: "panel" }}
    >
      <Mark kind={mark} now={now} />
      <Box>
        <Text fontWeight={now ? "700" : "500"} lineHeight="1.25">
          {title}
        </Text>
        <Text fontSize="sm" color="faint" lineHeight="1.25">
          {value ? <b className="num">{value}</b> : note}
        </Text>
      </Box>
    </Stop>
  );
}

/** The same as a strip: a mark a step, the one at hand ringed and in sight. */
export function PathStrip(props: Props) {
  return (
    <Flex
      as="nav"
      aria-label="This call, in order"
      overflowX="auto"
      minH="44px"
      borderBottomWidth="1px"
      borderColor="rule"
      px="1"
    >
      {stops(props).map((stop) => (
        <StripStop key={stop.key} stop={stop} />
      ))}
    </Flex>
  );
}

function StripStop({ stop }: { stop: Shown }) {
  const { to, title, mark, now } = stop;
  const line = useInSight(now);
  return (
    <Stop
      ref={line}
      to={to}
      aria-label={`${title}: ${markWord(mark)}`}
      aria-current={now ? "step" : undefined}
      flex="none"
      w="44px"
      minH="44px"
      display="grid"
      placeItems="center"
      borderBottomWidth="3px"
      borderColor={now ? "copper" : "transparent"}
    >
      <Mark kind={mark} now={now} size={now ? 20 : 15} />
    </Stop>
  );
}
