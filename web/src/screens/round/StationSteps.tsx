/** A station's readings in order. The one at hand is open for typing; the others show what they said. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";

import type { Finding, Step, VisitShown } from "../../api/client";
import type { Refusal } from "../../api/outbox";
import { Mark, markColour, markWord, markOf } from "../../drawing/Mark";
import { Tape } from "../../drawing/Tape";
import { startTimer } from "../../api/timers";
import { Button } from "../../shell/controls";
import { capital } from "../../shell/words";
import { shown, useScale } from "../../theme/temperature";
import { MeterChoice } from "./MeterChoice";
import { pointState, type PointState, type Station } from "./points";
import { StepEntry } from "./StepEntry";

const FEW = 5; // up to this many readings every tape is drawn large

interface Props {
  visit: VisitShown;
  station: Station;
  current: string;
  refused: Refusal[];
  choose: (point: string) => void;
  kept: (point: string) => void;
}

export function StationSteps({ visit, station, current, refused, choose, kept }: Props) {
  const large = station.steps.length <= FEW;
  const measures = station.steps.some((step) => step.kind === "number");
  const summary = visit.round.assessment.findings.filter(({ point }) =>
    SUMMARY[station.name]?.includes(point),
  );
  return (
    <>
      <Flex justify="space-between" align="center" gap="3" mb="3" wrap="wrap">
        <Heading as="h1" fontSize="2xl">
          {station.title}
        </Heading>
        {measures && visit.meters.length > 0 && visit.round.finished_at == null && (
          <MeterChoice meters={visit.meters} />
        )}
      </Flex>
      {summary.map((finding) => (
        <Flex key={finding.point} gap="2" align="baseline" mb="3">
          <Mark kind={markOf(finding.verdict)} />
          <Text>
            <b>{finding.point === "safe.dead" ? "Dead" : "Discharged"}:</b> {finding.why} {finding.next}
          </Text>
        </Flex>
      ))}
      <Box borderTopWidth="1px" borderColor="edge">
        {station.steps.map((step) => {
          const state = pointState(visit.round, refused, visit.id, step.point);
          return step.point === current ? (
            <OpenStep key={step.point} visit={visit} step={step} state={state} kept={kept} />
          ) : (
            <StepRow
              key={step.point}
              step={step}
              finding={state.finding}
              entry={state.entry}
              refusal={state.refusal}
              mark={state.mark}
              large={large}
              choose={choose}
            />
          );
        })}
      </Box>
    </>
  );
}

const SUMMARY: Record<string, string[]> = { safe: ["safe.dead", "safe.discharged"] };

function OpenStep(props: {
  visit: VisitShown;
  step: Step;
  state: PointState;
  kept: (point: string) => void;
}) {
  const { visit, step, state, kept } = props;
  const box = useRef<HTMLDivElement>(null);
  // In a long station the reading at hand is brought into sight.
  useEffect(() => {
    box.current?.scrollIntoView({ block: "nearest" });
  }, [step.point]);
  const caught = visit.round.caught[step.power];
  const expected = visit.round.expected[step.point];
  return (
    <Box
      ref={box}
      scrollMarginTop={{ base: "12px", lg: "470px" }}
      scrollMarginBottom="24px"
      bg="panel"
      borderBottomWidth="1px"
      borderColor="edge"
      borderLeftWidth="4px"
      borderLeftColor="copper"
      p={{ base: "3", md: "4" }}
    >
      <Flex justify="space-between" gap="3" align="baseline">
        <Heading as="h2" fontSize="xl">
          {step.title}
        </Heading>
        <Text fontSize="sm" color="faint" whiteSpace="nowrap">
          {step.power === "dead" ? "dead work" : step.power === "live" ? "live work" : ""}
          {!step.needed && " optional"}
        </Text>
      </Flex>
      <Text mb="1">{step.how}</Text>
      {expected && (
        <Text fontSize="sm" color="faint" mb="1">
          A sound unit: <span className="num">{expected.words}</span>
        </Text>
      )}
      {step.caution && (
        <Text color="ochre" fontWeight="600" mb="2">
          {step.caution}
        </Text>
      )}
      {caught && visit.round.finished_at == null && (
        <Text role="alert" color="brick" fontWeight="700" mb="2">
          {caught}
        </Text>
      )}
      {visit.round.finished_at == null && (
        <StepEntry visit={visit.id} step={step} state={state} kept={kept} />
      )}
      {step.timer_s > 0 && (
        <Button mt="3" onClick={() => startTimer(step.timer, step.timer_s)}>
          Start the clock: {step.timer.toLowerCase()}, {minutes(step.timer_s)}
        </Button>
      )}
      {[state.finding, ...state.others].map(
        (finding) =>
          finding && (
            <Box mt="3" key={finding.rule + finding.why}>
              <Tape finding={finding} expected={finding === state.finding ? expected?.at : null} />
              <Told finding={finding} />
            </Box>
          ),
      )}
    </Box>
  );
}

const minutes = (seconds: number) => (seconds < 120 ? `${seconds} s` : `${seconds / 60} min`);

type RowProps = Pick<PointState, "finding" | "entry" | "refusal" | "mark"> & {
  step: Step;
  large: boolean;
  choose: (point: string) => void;
};

function StepRow(props: RowProps) {
  const { step, finding, entry, refusal, mark, large, choose } = props;
  const [scale] = useScale();
  const [value, unit] = shown(entry?.value ?? "", entry?.unit ?? "", step.point, scale);
  return (
    <Box
      as="button"
      onClick={() => choose(step.point)}
      display="grid"
      gridTemplateColumns={{ base: "20px 1fr auto", md: large ? "20px 1fr 9rem" : "20px 1fr 7rem 210px" }}
      gap="3"
      alignItems="center"
      w="100%"
      minH="48px"
      px={{ base: "3", md: "4" }}
      py={large ? "3" : "1"}
      textAlign="left"
      cursor="pointer"
      borderBottomWidth="1px"
      borderColor="rule"
      _hover={{ bg: "panel" }}
    >
      <Mark kind={mark} />
      <Text fontWeight={large ? "700" : "500"}>{step.title}</Text>
      <Text
        className="num"
        fontSize={large ? "2xl" : "lg"}
        fontWeight="600"
        textAlign="right"
        whiteSpace="nowrap"
      >
        {refusal?.write.kind === "reading" ? refusal.write.body.typed : value}{" "}
        <Text as="span" fontSize="sm" color="faint">
          {entry && unit}
        </Text>
      </Text>
      {!large && (
        <Box display={{ base: "none", md: "block" }}>{finding && <Tape finding={finding} small />}</Box>
      )}
      {large && finding && (
        <Box gridColumn={{ base: "1 / -1", md: "2 / -1" }}>
          <Tape finding={finding} />
          <Told finding={finding} />
        </Box>
      )}
      {refusal && (
        <Text role="alert" gridColumn="2 / -1" color="brick" fontWeight="600">
          Not saved: {refusal.errors[0]?.message}
        </Text>
      )}
    </Box>
  );
}

/** The verdict in a word, and the number that decided. */
function Told({ finding }: { finding: Finding }) {
  return (
    <Text mt="1" fontSize="md">
      <Text as="span" color={markColour(markOf(finding.verdict))} fontWeight="700" fontSize="lg" mr="2">
        {capital(markWord(markOf(finding.verdict)))}
      </Text>
      {finding.why}
    </Text>
  );
}
