/** The step at hand: what to do, where the probes go, the entry, the verdict, and what comes after. */
import { Box, chakra, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "react-router";

import type { Finding, Step, VisitShown } from "../../api/client";
import { startTimer } from "../../api/timers";
import { LadderRungs } from "../../drawing/Ladder";
import { Tape } from "../../drawing/Tape";
import { Button } from "../../shell/controls";
import { month } from "../../shell/words";
import { SHORT_SCREEN, useIsWide } from "../../theme/screens";
import { ChoiceEntry } from "./ChoiceEntry";
import { MeterChoice } from "./MeterChoice";
import { NumberEntry } from "./NumberEntry";
import { askedAgain, onward, runOf, stepAt, type PathStep } from "./path";
import { findingsAt, type PointState } from "./points";
import { PowerGate } from "./PowerGate";
import { Result } from "./Result";
import { VerdictLine } from "./Verdict";

const Screen = chakra(Link);

export interface StepProps {
  visit: VisitShown;
  step: Step;
  state: PointState;
  unsent: string[];
  /** What was typed here and is not judged yet. */
  waits: string | undefined;
  saved: (point: string) => void;
  goOn: () => void;
}

export function StepPane(props: StepProps) {
  const { visit, step, state } = props;
  const { round } = visit;
  const here = stepAt(round, step.point);
  const byThumb = !useIsWide();
  const expected = round.expected[step.point];
  const again = askedAgain(here, step.point) && state.entry !== undefined;
  // What a run adds up to stands at its last reading: dead, discharged.
  const sum = here?.done === true && here.summary !== "" ? findingsAt(round, here.summary)[0] : undefined;
  return (
    <Grid
      as="section"
      aria-label="The step at hand"
      data-point={step.point}
      templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 1fr) 240px" }}
      templateRows={{ base: "minmax(0, 1fr)", lg: "auto" }}
      gap={{ lg: "5" }}
      bg="panel"
      h={{ base: "100%", lg: "auto" }}
      borderTopWidth={{ lg: "1px" }}
      borderColor="ink"
      p={{ lg: "4" }}
    >
      <Flex direction="column" minH="0" gap={{ base: "1", lg: "2" }}>
        <WhatToDo step={step} here={here} visit={visit} again={again} />
        {byThumb && (
          <Box flex="1 1 0" minH="0" px="3" overflow="hidden" css={ROOM_FOR_RUNGS}>
            <LadderRungs ladder={round.ladder} point={step.point} />
          </Box>
        )}
        <Entry {...props} again={again} byThumb={byThumb} finding={state.finding ?? sum} />
        {!byThumb && sum && <VerdictLine round={round} point={sum.point} finding={sum} waits={undefined} />}
        {!byThumb &&
          [state.finding, ...state.others].map(
            (finding, place) =>
              finding && (
                <Tape
                  key={place}
                  finding={finding}
                  expected={finding === state.finding ? expected?.at : null}
                />
              ),
          )}
      </Flex>
      {!byThumb && (
        <Box borderLeftWidth="1px" borderColor="rule" pl="4">
          <Result round={round} point={step.point} />
          <Beside visit={visit} step={step} here={here} />
        </Box>
      )}
    </Grid>
  );
}

/** Smaller than this the rungs tell nothing, and are left out. */
const ROOM_FOR_RUNGS = {
  containerType: "size",
  "@container (max-height: 62px)": { "& svg": { display: "none" } },
} as const;

function WhatToDo({
  visit,
  step,
  here,
  again,
}: {
  visit: VisitShown;
  step: Step;
  here: PathStep | undefined;
  again: boolean;
}) {
  const { round } = visit;
  const [asks, setAsks] = useState(false);
  const run = runOf(round, step.point);
  const power = step.power === "any" ? "" : `${step.power} work`;
  const count = run.length > 1 ? `${run.indexOf(step.point) + 1} of ${run.length}` : "";
  const finished = round.finished_at != null;
  return (
    <Box
      px={{ base: "3", lg: "0" }}
      pt={{ base: "2", lg: "0" }}
      css={{ [SHORT_SCREEN]: { fontSize: "sm", lineHeight: "1.3", "& h1": { fontSize: "md" } } }}
      overflowY={{ base: "auto", lg: "visible" }}
      flexShrink={{ base: 2 }}
      minH="0"
    >
      <Flex justify="space-between" gap="3" align="baseline">
        <Heading as="h1" fontSize={{ base: "lg", lg: "xl" }} lineHeight="1.2">
          {step.title}
        </Heading>
        <Text fontSize="sm" color="faint" whiteSpace="nowrap">
          {[count, power].filter(Boolean).join(" · ")}
        </Text>
      </Flex>
      {/* Before what to do: on a short screen the rest may have to be scrolled to. */}
      {step.caution && (
        <Text color="ochre" fontWeight="600">
          {step.caution}
        </Text>
      )}
      <Text>{step.how}</Text>
      {again && (
        <Text color="copper" fontWeight="700">
          Once more: {here?.why}
        </Text>
      )}
      {!finished && <PowerGate visit={visit} step={step} />}
      <Flex gap="3" wrap="wrap" align="center" hideFrom="lg">
        <Facts visit={visit} step={step} />
        {here?.why && !again && (
          <Button look="quiet" px="0" aria-expanded={asks} onClick={() => setAsks(!asks)}>
            Why this, now
          </Button>
        )}
      </Flex>
      {asks && <Text hideFrom="lg">{here?.why}</Text>}
      {!finished && <More visit={visit} step={step} />}
    </Box>
  );
}

/** What a sound unit reads here, and what this one read last time, in a line. */
function Facts({ visit, step }: { visit: VisitShown; step: Step }) {
  const expected = visit.round.expected[step.point];
  const before = visit.before[step.point]?.[0];
  if (!expected && !before) return null;
  return (
    <Text fontSize="sm" color="faint" css={{ [SHORT_SCREEN]: { display: "none" } }}>
      {expected && (
        <>
          sound: <span className="num">{expected.words}</span>{" "}
        </>
      )}
      {before && (
        <>
          last time: <span className="num">{before.value}</span> ({month(before.at)})
        </>
      )}
    </Text>
  );
}

/** The clock that belongs to a step, and the screen that a step is done on. */
function More({ visit, step }: { visit: VisitShown; step: Step }) {
  const isDefrost = visit.round.stations.some(
    ({ name, steps }) => name === "defrost" && steps.some(({ point }) => point === step.point),
  );
  return (
    <Flex gap="3" wrap="wrap" align="center">
      {step.timer_s > 0 && (
        <Button onClick={() => startTimer(step.timer, step.timer_s)}>
          Start the clock: {step.timer.toLowerCase()}, {minutes(step.timer_s)}
        </Button>
      )}
      {isDefrost && (
        <Screen to={`/visits/${visit.id}/defrost`} color="copper" fontWeight="700" textDecoration="underline">
          Watch a defrost
        </Screen>
      )}
    </Flex>
  );
}

const minutes = (seconds: number) => (seconds < 120 ? `${seconds} s` : `${seconds / 60} min`);

type EntryProps = StepProps & { again: boolean; byThumb: boolean; finding: Finding | undefined };

function Entry(props: EntryProps) {
  const { visit, step, state, unsent, waits, saved, goOn, again, byThumb, finding } = props;
  const { round } = visit;
  const verdict = byThumb && <VerdictLine round={round} point={step.point} finding={finding} waits={waits} />;
  if (round.finished_at != null) {
    return (
      <Box px={{ base: "3", lg: "0" }}>
        <Text className="num" fontSize="3xl" fontWeight="700">
          {state.entry ? `${state.entry.value} ${state.entry.unit}` : "not read"}
        </Text>
        {verdict}
      </Box>
    );
  }
  const next = onward(round, step.point, unsent);
  const written = {
    visit: visit.id,
    round,
    step,
    state,
    again,
    saved,
    goOn,
    onward: state.entry ? "Next" : "Skip",
    onwardTo: next ? nextWords(visit, next.step, next.point) : "finish the visit",
    verdict,
  };
  return step.kind === "number" ? <NumberEntry {...written} /> : <ChoiceEntry {...written} />;
}

/** What comes next, by the title of its step, or of its reading where the step is several. */
function nextWords(visit: VisitShown, step: PathStep | undefined, point: string): string {
  if (step?.points.length === 1) return step.title;
  const steps = visit.round.stations.flatMap((station) => station.steps);
  return steps.find((one) => one.point === point)?.title ?? point;
}

/** Beside the entry on a laptop: why it is asked for now, and what it read before. */
function Beside({ visit, step, here }: { visit: VisitShown; step: Step; here: PathStep | undefined }) {
  const before = visit.before[step.point] ?? [];
  const expected = visit.round.expected[step.point];
  return (
    <Box display="grid" gap="3">
      {step.kind === "number" && visit.meters.length > 0 && visit.round.finished_at == null && (
        <MeterChoice meters={visit.meters} />
      )}
      {here?.why && !here.done && (
        <Fact title="Why this, now">
          <Text>{here.why}</Text>
        </Fact>
      )}
      {expected && (
        <Fact title="A sound unit">
          <Text className="num">{expected.words}</Text>
        </Fact>
      )}
      {before.length > 0 && (
        <Fact title="Last time here">
          {before.map(({ value, at }) => (
            <Text key={at} className="num">
              {value} · {month(at)}
            </Text>
          ))}
        </Fact>
      )}
    </Box>
  );
}

function Fact({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box>
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700">
        {title}
      </Heading>
      {children}
    </Box>
  );
}
