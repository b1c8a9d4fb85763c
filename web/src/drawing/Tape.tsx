/**
 * A reading laid on a strip with tick marks: the band of the limits, the nominal, and the reading with its meter band
 * as a whisker. Drawn from a finding alone, the same everywhere.
 */
import { useBreakpointValue, useToken } from "@chakra-ui/react";
import { useId } from "react";

import type { Finding } from "../api/client";
import { markColour, markWord } from "./Mark";
import { tapeScale } from "./tapeScale";

/** Drawn narrower on a phone, so that its figures stay readable. */
const WIDE = { base: 330, md: 460 };
const TOP = 26;
const DEEP = 44;
/** A tick this near a limit has no figure of its own: the limit says it. */
const NEAR = 24;
/** Half the width of a figure: none is cut off at the strip's ends. */
const EDGE = 20;

const say = (value: number) => String(Number(value.toPrecision(4)));

export function Tape({ finding, small = false }: { finding: Finding; small?: boolean }) {
  const hatch = useId();
  const width = useBreakpointValue(WIDE) ?? WIDE.md;
  const [ink, faint, rule, panel, leaf, leafTint, ochreTint, ochre, tone] = useToken("colors", [
    "ink",
    "faint",
    "rule",
    "panel",
    "leaf",
    "leafTint",
    "ochreTint",
    "ochre",
    markColour(finding.verdict),
  ]);
  const scale = tapeScale(finding, width);
  if (scale === null) return null;
  const { x } = scale;
  const deep = small ? 18 : DEEP;
  const top = small ? 8 : TOP;
  const low = finding.low ?? finding.watch_low;
  const high = finding.high ?? finding.watch_high;
  const goodFrom = x(finding.watch_low ?? finding.low ?? scale.from);
  const goodTo = x(finding.watch_high ?? finding.high ?? scale.to);
  const value = finding.value ?? null;
  const shown = value === null ? null : low == null ? Math.abs(value) : value;
  const limits = [low, high].filter((one) => one != null);
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
      {low != null && (
        <rect
          x={x(low)}
          y={top}
          width={Math.max(goodFrom - x(low), 0)}
          height={deep}
          fill={`url(#${hatch})`}
        />
      )}
      {high != null && (
        <rect
          x={goodTo}
          y={top}
          width={Math.max(x(high) - goodTo, 0)}
          height={deep}
          fill={`url(#${hatch})`}
        />
      )}
      <rect x={goodFrom} y={top} width={Math.max(goodTo - goodFrom, 0)} height={deep} fill={leafTint} />
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
        scale.ticks.map(({ at, long, label }) => (
          <g key={at}>
            <path d={`M${x(at)} ${top}v${long ? 15 : 8}`} stroke={ink} strokeWidth={long ? 1.4 : 0.8} />
            {long && limits.every((limit) => Math.abs(x(limit) - x(at)) > NEAR) && (
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
      {finding.nominal != null && (
        <path
          d={`M${x(finding.nominal)} ${small ? top : top + 37}V${top + deep}`}
          stroke={faint}
          strokeWidth="1.6"
        />
      )}
      {limits.map((limit) => (
        <g key={limit}>
          <path
            d={`M${x(limit)} ${top - (small ? 2 : 4)}v${deep + (small ? 4 : 8)}`}
            stroke={leaf}
            strokeWidth={small ? 2 : 2.4}
          />
          {!small && (
            <text
              x={x(limit)}
              y={top + deep + 22}
              textAnchor="middle"
              className="num"
              fontSize="16"
              fill={leaf}
            >
              {say(limit)}
            </text>
          )}
        </g>
      ))}
      {finding.band && shown !== null && scale.off(shown) === 0 && (
        <rect
          x={x(finding.band[0] ?? shown)}
          y={small ? 2 : 12}
          width={Math.max(x(finding.band[1] ?? shown) - x(finding.band[0] ?? shown), 2)}
          height={small ? 3 : 5}
          fill={tone}
          opacity="0.55"
        />
      )}
      {shown !== null && (
        <Pointer
          at={x(shown)}
          off={scale.off(shown)}
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

function describe(finding: Finding): string {
  const unit = finding.unit;
  const limits = [
    finding.low != null ? `from ${say(finding.low)}` : "",
    finding.high != null ? `to ${say(finding.high)}` : "",
  ].filter(Boolean);
  return `${finding.shown || (finding.value ?? "")} ${unit}, limits ${limits.join(" ") || "none"}: ${markWord(finding.verdict)}`;
}
