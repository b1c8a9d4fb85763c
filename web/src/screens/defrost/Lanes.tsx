/** What was stamped, laid over when each event should come: one lane an event, time to the right. Geometry only. */
import { Box, useToken } from "@chakra-ui/react";

import type { Round } from "../../api/client";

type Defrost = NonNullable<Round["defrost"]>;

const WIDE = 700;
const LEFT = 130;
const LANE = 24;

export function Lanes({ defrost }: { defrost: Defrost }) {
  const [ink, faint, rule, leafTint, leaf, copper] = useToken("colors", [
    "ink",
    "faint",
    "rule",
    "leafTint",
    "leaf",
    "copper",
  ]);
  const at = new Map(defrost.stamps.map(({ event, s }) => [event, s]));
  const ended = at.get("ended");
  const longest = Math.max(60, ...at.values()) * 1.08;
  const x = (seconds: number) =>
    LEFT + (Math.min(Math.max(seconds, 0), longest) / longest) * (WIDE - LEFT - 20);
  const lanes = defrost.expected;
  const high = lanes.length * LANE + 34;
  const step = [5, 10, 30, 60, 120, 300].find((one) => longest / one <= 8) ?? 600;
  const ticks = Array.from({ length: Math.floor(longest / step) + 1 }, (_, index) => index * step);
  return (
    <Box
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
      <svg
        viewBox={`0 0 ${WIDE} ${high}`}
        width="100%"
        role="img"
        aria-label={describe(defrost)}
        style={{ minWidth: 520, display: "block" }}
      >
        {ticks.map((tick) => (
          <g key={tick}>
            <path d={`M${x(tick)} 6V${high - 22}`} stroke={rule} />
            <text
              x={x(tick)}
              y={high - 6}
              textAnchor="middle"
              className="num"
              style={{ fontSize: 12 }}
              fill={faint}
            >
              {tick}
            </text>
          </g>
        ))}
        {lanes.map((lane, index) => {
          const y = 10 + index * LANE;
          const from = lane.after === "forced" ? 0 : at.get(lane.after);
          const stamp = at.get(lane.event);
          return (
            <g key={lane.event}>
              <text x={LEFT - 10} y={y + 13} textAnchor="end" style={{ fontSize: 13 }} fill={ink}>
                {lane.event.replaceAll("-", " ")}
              </text>
              <path d={`M${LEFT} ${y + 9}H${WIDE - 20}`} stroke={rule} />
              {from !== undefined && (
                <rect
                  x={x(from + lane.least)}
                  y={y + 2}
                  width={Math.max(x(from + lane.most) - x(from + lane.least), 3)}
                  height={14}
                  fill={leafTint}
                  stroke={leaf}
                  strokeWidth="0.8"
                />
              )}
              {stamp !== undefined && <path d={`M${x(stamp)} ${y - 1}l6 10l-6 10l-6 -10z`} fill={copper} />}
            </g>
          );
        })}
        {ended !== undefined && <path d={`M${x(ended)} 6V${high - 22}`} stroke={ink} strokeDasharray="3 3" />}
      </svg>
    </Box>
  );
}

function describe(defrost: Defrost): string {
  const stamped = defrost.stamps.map(({ event, s }) => `${event} at ${s} s`).join(", ");
  return `Expected windows and stamps of one defrost. ${stamped || "Nothing stamped yet"}.`;
}
