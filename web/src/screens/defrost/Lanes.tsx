/**
 * A run lane by lane: what each part should do, thin, with the window of every change, and over it what it was seen to do,
 * thick. The mark before a lane is the verdict of the findings that judge it. Geometry only.
 */
import { Box, Flex, Text, useToken } from "@chakra-ui/react";

import type { Schemas } from "../../api/client";
import { Mark } from "../../drawing/Mark";

type Lane = Schemas["Lane"];
interface Stamped {
  event?: string;
  s: number;
}

const WIDE = 640;
const LANE = 34;
const HIGH = 8;
const LOW = 26;

export function Lanes({ lanes, stamps }: { lanes: Lane[]; stamps: Stamped[] }) {
  const [ink, faint, rule, leafTint, leaf, copper] = useToken("colors", [
    "ink",
    "faint",
    "rule",
    "leafTint",
    "leaf",
    "copper",
  ]);
  const stamped = stamps.map(({ s }) => s);
  const longest = Math.max(60, ...stamped) * 1.08;
  const x = (seconds: number) => (Math.min(Math.max(seconds, 0), longest) / longest) * WIDE;
  const high = lanes.length * LANE + 24;
  const step = [5, 10, 30, 60, 120, 300].find((one) => longest / one <= 8) ?? 600;
  const ticks = Array.from({ length: Math.floor(longest / step) + 1 }, (_, index) => index * step);
  const now = Math.max(0, ...stamped);
  return (
    <Flex
      as="figure"
      tabIndex={0}
      aria-label="The run, lane by lane"
      bg="panel"
      borderWidth="1px"
      borderColor="rule"
      p="2"
      mb="3"
      overflowX="auto"
    >
      <Box flex="none" w="8.5rem">
        {lanes.map((lane) => (
          <Flex key={lane.name} h={`${LANE}px`} align="center" gap="2">
            <Mark kind={lane.verdict ?? "none"} />
            <Text fontSize="sm" lineHeight="1.1">
              {lane.name}
              <Text as="span" display="block" fontSize="xs" color="faint">
                {lane.high}
              </Text>
            </Text>
          </Flex>
        ))}
      </Box>
      <svg
        viewBox={`0 0 ${WIDE} ${high}`}
        height={high}
        preserveAspectRatio="none"
        role="img"
        aria-label={describe(stamps)}
        style={{ flex: "1 0 420px", display: "block", minWidth: 420 }}
      >
        {ticks.map((tick) => (
          <g key={tick}>
            <path d={`M${x(tick)} 2V${high - 20}`} stroke={rule} />
            <text
              x={Math.min(x(tick), WIDE - 14)}
              y={high - 5}
              textAnchor={tick === 0 ? "start" : "middle"}
              className="num"
              style={{ fontSize: 12 }}
              fill={faint}
            >
              {tick} s
            </text>
          </g>
        ))}
        {lanes.map((lane, index) => (
          <g key={lane.name} transform={`translate(0 ${index * LANE})`}>
            <path d={`M0 ${LANE}H${WIDE}`} stroke={rule} />
            {lane.expected.map(
              ({ event, least, most }) =>
                least != null &&
                most != null && (
                  <rect
                    key={event}
                    x={x(least)}
                    y={HIGH - 4}
                    width={Math.max(x(most) - x(least), 2)}
                    height={LOW - HIGH + 8}
                    fill={leafTint}
                  />
                ),
            )}
            <path
              d={trace(lane.starts_high, lane.expected, x, WIDE)}
              fill="none"
              stroke={leaf}
              strokeWidth="1.2"
              strokeDasharray="4 3"
            />
            <path
              d={trace(lane.starts_high, lane.observed, x, x(now))}
              fill="none"
              stroke={ink}
              strokeWidth="2.6"
            />
            {lane.observed.map(({ event, s }) => (
              <path
                key={event}
                d={`M${x(s)} ${HIGH - 5}v${LOW - HIGH + 10}`}
                stroke={copper}
                strokeWidth="2"
              />
            ))}
          </g>
        ))}
      </svg>
    </Flex>
  );
}

/** A stepped line through the edges, from the left to `to`. */
function trace(startsHigh: boolean, edges: Lane["expected"], x: (s: number) => number, to: number): string {
  let path = `M0 ${startsHigh ? HIGH : LOW}`;
  for (const { s, up } of edges) path += `H${x(s)}V${up ? HIGH : LOW}`;
  return `${path}H${to}`;
}

function describe(stamps: Stamped[]): string {
  const stamped = stamps.map(({ event, s }) => `${event} at ${s} s`).join(", ");
  return `What should come and what was stamped in one defrost. ${stamped || "Nothing stamped yet"}.`;
}
