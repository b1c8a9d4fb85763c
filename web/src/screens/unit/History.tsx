/** Every point ever read on a unit: its latest reading on the tape, the ones before as a run of dots, and its drift in words. */
import { Box, Flex, Grid, Heading, Text, useToken } from "@chakra-ui/react";

import type { Schemas } from "../../api/client";
import { Mark } from "../../drawing/Mark";
import { Tape, type Taped } from "../../drawing/Tape";
import { isOfSafety } from "../../shell/points";
import { day, month } from "../../shell/words";

export type PointHistory = Schemas["PointHistory"];
type ReadThen = PointHistory["readings"][number];

/** A kept reading, as the tape draws it. */
function asTaped({ told, tape }: ReadThen): Taped {
  const { verdict, unit, value, number, low, high } = told;
  return {
    verdict: verdict ?? "unjudged",
    unit,
    shown: value,
    value: number ?? null,
    low: low ?? null,
    high: high ?? null,
    tape: tape ?? null,
  };
}

export function History({ points }: { points: PointHistory[] }) {
  // What is read to be safe today says nothing of the years; what drifts or is wrong stands first.
  const measured = points
    .filter((history) => !isOfSafety(history))
    .filter((one) => one.readings.some(({ told }) => told.number != null || told.value === "OL"))
    .sort((one, two) => one.urgency - two.urgency);
  return (
    <Box as="section" aria-label="Readings over the years">
      <Heading as="h2" fontSize="md" mb="1">
        Readings over the years
      </Heading>
      {measured.length === 0 && <Text color="faint">Nothing was read on this unit yet.</Text>}
      {measured.map((one) => (
        <PointLine key={one.point + one.title} history={one} />
      ))}
    </Box>
  );
}

function PointLine({ history }: { history: PointHistory }) {
  const last = history.readings.at(-1);
  if (!last) return null;
  const { told } = last;
  const drifts = history.trend.crosses != null;
  return (
    <Grid
      templateColumns={{ base: "20px minmax(0, 1fr) auto", md: "20px minmax(0, 1.3fr) 8rem minmax(0, 1fr)" }}
      gap="3"
      alignItems="center"
      py="2"
      borderTopWidth="1px"
      borderColor="rule"
    >
      <Mark kind={told.verdict ?? "kept"} />
      <Box>
        <Text fontWeight="600">{history.title}</Text>
        <Text fontSize="sm" color={drifts ? "copper" : "faint"}>
          {history.readings.filter((one) => one.told.number != null).length > 1 && history.trend.why}
          {history.trend.earliest &&
            history.trend.earliest > last.at &&
            month(history.trend.earliest) !== month(history.trend.crosses ?? "9999-12-31") &&
            ` At the earliest ${month(history.trend.earliest)}.`}
          {told.corrected && ` Followed ${told.corrected}.`}
        </Text>
      </Box>
      <Text className="num" fontSize="lg" fontWeight="600" textAlign={{ md: "right" }}>
        {told.value}{" "}
        <Text as="span" fontSize="sm" color="faint">
          {told.unit}
        </Text>
      </Text>
      <Box gridColumn={{ base: "2 / -1", md: "auto" }}>
        <Tape finding={asTaped(last)} small />
        <Dots history={history} />
      </Box>
    </Grid>
  );
}

const WIDE = 220;
const HIGH = 46;

/** The readings in time, left to right, between the limits as they stood; a new part starts a new line. */
function Dots({ history }: { history: PointHistory }) {
  const [ink, leaf, copper, rule] = useToken("colors", ["ink", "leaf", "copper", "rule"]);
  const dots = history.readings.filter(({ told }) => told.number != null);
  if (dots.length < 2) return null;
  const times = dots.map(({ at }) => new Date(at).getTime());
  const numbers = dots.flatMap(({ told }) => [told.number, told.low, told.high].filter((one) => one != null));
  const [first, last] = [Math.min(...times), Math.max(...times)];
  const [least, most] = [Math.min(...numbers), Math.max(...numbers)];
  const x = (time: number) => 6 + ((time - first) / (last - first || 1)) * (WIDE - 12);
  const y = (value: number) => HIGH - 5 - ((value - least) / (most - least || 1)) * (HIGH - 10);
  const lines = new Set(dots.map(({ line }) => line));
  const limit = (name: "low" | "high") =>
    dots
      .map(({ told }, place) => ({ at: times[place] ?? first, value: told[name] }))
      .filter((one) => one.value != null)
      .map((one, place) => `${place === 0 ? "M" : "L"}${x(one.at)} ${y(one.value ?? 0)}`)
      .join("");
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      width="100%"
      style={{ maxWidth: WIDE, display: "block" }}
      role="img"
      aria-label={dots.map(({ at, told }) => `${day(at)} ${told.value}`).join(", ")}
    >
      <path d={`M0 ${HIGH - 1}H${WIDE}`} stroke={rule} />
      {(["low", "high"] as const).map((name) => (
        <path key={name} d={limit(name)} fill="none" stroke={leaf} strokeDasharray="3 3" />
      ))}
      {[...lines].map((line) => (
        <path
          key={line}
          d={dots
            .map((dot, place) => ({ dot, time: times[place] ?? first }))
            .filter(({ dot }) => dot.line === line)
            .map(({ dot, time }, place) => `${place === 0 ? "M" : "L"}${x(time)} ${y(dot.told.number ?? 0)}`)
            .join("")}
          fill="none"
          stroke={ink}
          strokeWidth="1.2"
        />
      ))}
      {dots.map((dot, place) => (
        <circle
          key={dot.at}
          cx={x(times[place] ?? first)}
          cy={y(dot.told.number ?? 0)}
          r={place === dots.length - 1 ? 3.4 : 2.4}
          fill={place === dots.length - 1 ? copper : ink}
        />
      ))}
    </svg>
  );
}

/** Two readings of a point one below the other, on the same tape. */
export function Pair({ before, after }: { before: ReadThen | undefined; after: ReadThen | undefined }) {
  return (
    <Flex direction="column" gap="1">
      {[before, after].map((one, place) => (
        <Flex key={place} gap="3" align="center">
          <Mark kind={one === undefined ? "none" : (one.told.verdict ?? "kept")} />
          <Text className="num" minW="7rem" fontWeight="600">
            {one === undefined ? "not read" : `${one.told.value} ${one.told.unit}`}
          </Text>
          <Box flex="1">{one && <Tape finding={asTaped(one)} small />}</Box>
        </Flex>
      ))}
    </Flex>
  );
}
