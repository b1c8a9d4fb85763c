/** A verdict by its shape: disc good, half disc watch, diamond bad, wavy line unsure, filled square stop, ring not yet. */
import { useToken } from "@chakra-ui/react";

import type { Verdict } from "../api/client";

export type MarkKind = Verdict | "none" | "kept" | "error" | "apart";

const WORD: Record<MarkKind, string> = {
  good: "good",
  watch: "watch",
  bad: "bad",
  unsure: "unsure",
  stop: "stop",
  unjudged: "unjudged",
  none: "not yet",
  kept: "saved",
  error: "not saved",
  apart: "does not apply",
};
const COLOUR: Record<MarkKind, string> = {
  good: "leaf",
  watch: "ochre",
  bad: "brick",
  unsure: "frost",
  stop: "brick",
  unjudged: "faint",
  none: "edge",
  kept: "ink",
  error: "brick",
  apart: "faint",
};

/** A finding's mark: a rule that does not apply to this unit gives no verdict. */
export const markOf = (verdict: Verdict | null | undefined): MarkKind => verdict ?? "apart";
export const markWord = (kind: MarkKind): string => WORD[kind];
export const markColour = (kind: MarkKind): string => COLOUR[kind];

export function Mark({ kind, size = 14, now = false }: { kind: MarkKind; size?: number; now?: boolean }) {
  const [colour, copper] = useToken("colors", [COLOUR[kind], "copper"]);
  const line = {
    fill: "none",
    stroke: now && kind === "none" ? copper : colour,
    strokeWidth: now ? 2.6 : 1.6,
  };
  const shape = {
    good: <circle cx="8" cy="8" r="6" fill={colour} />,
    watch: (
      <>
        <circle cx="8" cy="8" r="6" {...line} />
        <path d="M8 2a6 6 0 0 1 0 12z" fill={colour} />
      </>
    ),
    bad: <path d="M8 1l7 7-7 7-7-7z" fill={colour} />,
    unsure: <path d="M1 9c2-5 4-5 6 0s4 5 7-1" {...line} strokeWidth="2.4" />,
    stop: <rect x="1.5" y="1.5" width="13" height="13" fill={colour} />,
    unjudged: <path d="M2 8h3M7 8h2M11 8h3" {...line} strokeWidth="2.4" />,
    none: <circle cx="8" cy="8" r="5.5" {...line} />,
    kept: <path d="M2 9l4 4 8-10" {...line} strokeWidth="2" />,
    error: <path d="M3 3l10 10M13 3L3 13" {...line} strokeWidth="2.4" />,
    apart: <path d="M3 8h10" {...line} strokeWidth="2" />,
  }[kind];
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      role="img"
      aria-label={WORD[kind]}
      style={{ flex: "none" }}
    >
      {shape}
    </svg>
  );
}
