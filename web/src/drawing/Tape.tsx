/**
 * A reading laid on a strip with tick marks: the band of the limits, the nominal, and the reading with its meter band
 * as a whisker. Drawn from a finding alone, the same everywhere.
 */
import { useBreakpointValue, useToken } from "@chakra-ui/react";
import { useId } from "react";

import type { Finding } from "../api/client";
import { AT_ONCE } from "../theme/screens";
import { markColour, markOf, markWord } from "./Mark";

/** Drawn narrower on a phone, so that its figures stay readable. */
const WIDE = { base: 330, md: 460 };
const TOP = 26;
const DEEP = 44;
/** A tick this near a limit has no figure of its own: the limit says it. */
const NEAR = 24;
/** Half the width of a figure: none is cut off at the strip's ends. */
const EDGE = 20;

const say = (value: number) => String(Number(value.toPrecision(4)));

/** What the tape needs of a finding, or of a reading kept from an earlier visit. */
export type Taped = Pick<Finding, "tape" | "verdict" | "unit" | "shown" | "value" | "low" | "high">;

/** `expected` is the place on the strip where a sound unit of this plate would read. */
export function Tape({
  finding,
  small = false,
  expected = null,
}: {
  finding: Taped;
  small?: boolean;
  expected?: number | null | undefined;
}) {
  const hatch = useId();
  const width = useBreakpointValue(WIDE, AT_ONCE) ?? WIDE.md;
  const [ink, faint, rule, panel, leaf, leafTint, ochreTint, ochre, tone] = useToken("colors", [
    "ink",
    "faint",
    "rule",
    "panel",
    "leaf",
    "leafTint",
    "ochreTint",
    "ochre",
    markColour(markOf(finding.verdict)),
  ]);
  const strip = finding.tape;
  if (!strip) return null;
  const x = (place: number) => place * width;
  const deep = small ? 18 : DEEP;
  const top = small ? 8 : TOP;
  const limits = strip.limits;
  return (
    <svg
      viewBox={`-8 0 ${width + 16} ${small ? 30 : 96}`}
      width="100%"
      role="img"
      aria-label={describe(finding)}
      style={{ display: "block", maxWidth: small ? 220 : 560 }}
    >
      <defs>
        <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" fill={ochreTint} />
          <path d="M0 0v7" stroke={ochre} strokeWidth="1.4" />
        </pattern>
      </defs>
      <rect x="0" y={top} width={width} height={deep} fill={panel} />
      {strip.watch.map(({ start, end }) => (
        <rect
          key={start}
          x={x(start)}
          y={top}
          width={x(end) - x(start)}
          height={deep}
          fill={`url(#${hatch})`}
        />
      ))}
      <rect
        x={x(strip.good_from)}
        y={top}
        width={x(strip.good_to) - x(strip.good_from)}
        height={deep}
        fill={leafTint}
      />
      <rect
        x="0"
        y={top}
        width={width}
        height={deep}
        fill="none"
        stroke={small ? rule : ink}
        strokeWidth={small ? 1 : 1.4}
      />
      {!small &&
        strip.ticks.map(({ at, label }) => (
          <g key={at}>
            <path d={`M${x(at)} ${top}v${label ? 15 : 8}`} stroke={ink} strokeWidth={label ? 1.4 : 0.8} />
            {label && limits.every((limit) => Math.abs(x(limit.at) - x(at)) > NEAR) && (
              <text
                x={Math.min(Math.max(x(at), EDGE), width - EDGE)}
                y={top + 33}
                textAnchor="middle"
                className="num"
                fontSize="16"
                fill={ink}
              >
                {label}
              </text>
            )}
          </g>
        ))}
      {strip.nominal != null && (
        <path
          d={`M${x(strip.nominal)} ${small ? top : top + 37}V${top + deep}`}
          stroke={faint}
          strokeWidth="1.6"
        />
      )}
      {expected != null && (
        <path
          d={`M${x(expected)} ${top}V${top + deep}`}
          stroke={faint}
          strokeWidth="1.6"
          strokeDasharray="2 4"
        >
          <title>A sound unit</title>
        </path>
      )}
      {limits.map((limit) => (
        <g key={limit.at}>
          <path
            d={`M${x(limit.at)} ${top - (small ? 2 : 4)}v${deep + (small ? 4 : 8)}`}
            stroke={leaf}
            strokeWidth={small ? 2 : 2.4}
          />
          {!small && (
            <text
              x={x(limit.at)}
              y={top + deep + 22}
              textAnchor="middle"
              className="num"
              fontSize="16"
              fill={leaf}
            >
              {limit.label}
            </text>
          )}
        </g>
      ))}
      {strip.whisker && (
        <rect
          x={x(strip.whisker.start)}
          y={small ? 2 : 12}
          width={Math.max(x(strip.whisker.end) - x(strip.whisker.start), 2)}
          height={small ? 3 : 5}
          fill={tone}
          opacity="0.55"
        />
      )}
      {strip.reading != null && (
        <Pointer
          at={x(strip.reading)}
          off={strip.off}
          top={top}
          deep={deep}
          tone={tone ?? ink ?? ""}
          small={small}
        />
      )}
    </svg>
  );
}

function Pointer(props: {
  at: number;
  off: -1 | 0 | 1;
  top: number;
  deep: number;
  tone: string;
  small: boolean;
}) {
  const { at, off, top, deep, tone, small } = props;
  if (off !== 0) {
    const tip = at + off * 7;
    const middle = top + deep / 2;
    return <path d={`M${tip} ${middle}l${-off * 14} -9v18z`} fill={tone} />;
  }
  const wing = small ? 5 : 8;
  return (
    <>
      <path d={`M${at} ${top}v${deep}`} stroke={tone} strokeWidth={small ? 2 : 3} />
      <path d={`M${at - wing} ${top - wing - 3}h${2 * wing}l${-wing} ${wing + 3}z`} fill={tone} />
    </>
  );
}

function describe(finding: Taped): string {
  const unit = finding.unit;
  const limits = [
    finding.low != null ? `from ${say(finding.low)}` : "",
    finding.high != null ? `to ${say(finding.high)}` : "",
  ].filter(Boolean);
  return `${finding.shown || (finding.value ?? "")} ${unit}, limits ${limits.join(" ") || "none"}: ${markWord(markOf(finding.verdict))}`;
}
