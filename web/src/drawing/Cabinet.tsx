/**
 * This unit's circuit, drawn from the server's graph of it: parts, terminals and wires, what is proven and what suspect,
 * and where the probes go for the reading at hand.
 */
import { Box, Flex, Text, useToken } from "@chakra-ui/react";
import { memo, useMemo } from "react";

import { height, place, WIDE, type CabinetData, type Placed } from "./cabinetLayout";
import { routeAll } from "./route";

interface Props {
  cabinet: CabinetData;
  point: string;
}

interface Tones {
  ink: string;
  faint: string;
  edge: string;
  panel: string;
  brick: string;
  brickTint: string;
  leaf: string;
  copper: string;
}

export const Cabinet = memo(function Cabinet({ cabinet, point }: Props) {
  const [ink, faint, edge, panel, brick, brickTint, leaf, copper] = useToken("colors", [
    "ink",
    "faint",
    "edge",
    "panel",
    "brick",
    "brickTint",
    "leaf",
    "copper",
  ]) as [string, string, string, string, string, string, string, string];
  const tones = { ink, faint, edge, panel, brick, brickTint, leaf, copper };
  const shape = JSON.stringify([
    cabinet.parts.map(({ part }) => part),
    cabinet.wires.map(({ wire }) => wire.name),
  ]);
  const drawn = useMemo(() => {
    const placed = place(cabinet);
    const high = height(placed);
    return {
      high,
      routes: routeAll(
        cabinet.wires.map(({ wire }) => wire),
        placed,
        WIDE,
        high,
      ),
    };
    // The ways depend on the parts and the wires, not on what was found of them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shape]);
  const placed = place(cabinet);
  const probe = cabinet.probes.find((one) => one.point === point);
  return (
    <Box
      as="figure"
      aria-label="This unit, as wired"
      bg="panel"
      borderWidth="1px"
      borderColor="rule"
      px="2"
      pt="2"
      mb="4"
    >
      <Flex justify="space-between" gap="3" wrap="wrap" fontSize="sm" color="faint">
        <Text fontWeight="700">This unit, as wired</Text>
        <Text>solid: proven · dashed: not yet · red: suspect</Text>
      </Flex>
      <svg
        viewBox={`0 0 ${WIDE} ${drawn.high}`}
        width="100%"
        role="img"
        aria-label={describe(cabinet, point)}
        style={{ display: "block", maxHeight: 290 }}
      >
        {drawn.routes.map(({ name, points }) => {
          const shown = cabinet.wires.find(({ wire }) => wire.name === name);
          const state = shown?.state ?? "not-yet";
          const thin = shown?.wire.group !== "line";
          return (
            <path
              key={name}
              d={`M${points.map(([x, y]) => `${x} ${y}`).join("L")}`}
              fill="none"
              stroke={state === "suspect" ? brick : state === "proven" ? ink : edge}
              strokeWidth={(thin ? 1 : 1.6) + (state === "not-yet" ? 0 : 0.6)}
              strokeDasharray={state === "not-yet" ? "5 4" : undefined}
            />
          );
        })}
        {placed.map((one) => (
          <PartDrawing key={one.part.name} placed={one} links={cabinet.links} tones={tones} />
        ))}
        {probe?.clamp && (
          <Clamp points={drawn.routes.find(({ name }) => name === probe.clamp)?.points ?? []} tones={tones} />
        )}
        {probe?.red && <Tip terminal={probe.red} placed={placed} colour={brick} panel={panel} />}
        {probe?.black && <Tip terminal={probe.black} placed={placed} colour={ink} panel={panel} />}
      </svg>
    </Box>
  );
});

function PartDrawing({
  placed,
  links,
  tones,
}: {
  placed: Placed;
  links: CabinetData["links"];
  tones: Tones;
}) {
  const { part, state, x, y, w, h, round, spots } = placed;
  const suspect = state === "suspect";
  const line = {
    fill: suspect ? tones.brickTint : tones.panel,
    stroke: suspect ? tones.brick : tones.ink,
    strokeWidth: suspect ? 2.4 : state === "proven" ? 2 : 1.1,
  };
  const capacitor = part.kind.includes("capacitor");
  const middle = { x: x + w / 2, y: y + h / 2 };
  return (
    <g>
      {round ? (
        <circle cx={middle.x} cy={middle.y} r={w / 2} {...line} />
      ) : (
        <rect x={x} y={y} width={w} height={h} rx={capacitor ? 16 : 0} {...line} />
      )}
      {links
        .filter(
          (link) =>
            link.a.startsWith(`${part.name}.`) &&
            (link.kind === "contact" || link.kind === "bar" || link.kind === "fuse"),
        )
        .map((link) => (
          <Inner
            key={link.a + link.b}
            placed={placed}
            a={link.a}
            b={link.b}
            kind={link.kind}
            ink={tones.ink}
          />
        ))}
      <Labels placed={placed} tones={tones} />
      {Object.entries(spots).map(([name, spot]) => (
        <g key={name}>
          <circle cx={spot.x} cy={spot.y} r="4" fill={tones.panel} stroke={tones.ink} strokeWidth="1.4" />
          {!UNLETTERED.has(part.kind) && (
            <text {...lettering(spot)} style={{ fontSize: 11 }} fill={tones.ink}>
              {name === "YO" ? "Y out" : name}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

/** A terminal's letter stands inside its part, away from the wire. */
function lettering({ x, y, side }: { x: number; y: number; side: string }) {
  if (side === "left") return { x: x + 8, y: y + 4, textAnchor: "start" as const };
  if (side === "right") return { x: x - 8, y: y + 4, textAnchor: "end" as const };
  return { x, y: side === "up" ? y + 17 : y - 9, textAnchor: "middle" as const };
}

/** Parts with two like ends: a letter would say nothing. */
const UNLETTERED = new Set(["valve", "coil-switch", "sensor", "start-capacitor", "start-kit"]);

function Labels({ placed, tones }: { placed: Placed; tones: Tones }) {
  const { part, x, y, w, h } = placed;
  if (part.kind === "ground") return null;
  const value = part.label.includes("µF");
  const spot = labelSpot(placed, value);
  const detail = part.kind === "contactor" || part.kind === "indoor" ? "" : (part.detail ?? "");
  const beside = part.kind === "disconnect" ? { x: x + w / 2, y: y + h + 26 } : { x: spot.x, y: spot.y + 13 };
  return (
    <g textAnchor={spot.anchor} fill={tones.ink}>
      <text
        x={spot.x}
        y={spot.y}
        style={{ fontSize: !value ? 12 : part.label.length * 9 < w ? 15 : 13 }}
        fontWeight={value ? 700 : 500}
        className={value ? "num" : undefined}
      >
        {part.label}
      </text>
      {detail && (
        <text x={beside.x} y={beside.y} style={{ fontSize: 11 }} fill={tones.faint}>
          {detail}
        </text>
      )}
    </g>
  );
}

/** Where a part's name stands: inside it, but for parts whose inside is drawn. */
function labelSpot(
  { part, x, y, w, h }: Placed,
  value: boolean,
): { x: number; y: number; anchor: "start" | "middle" | "end" } {
  const middle = { x: x + w / 2, anchor: "middle" as const };
  switch (part.kind) {
    case "contactor":
      return { ...middle, y: y - 5 };
    case "disconnect":
      return { ...middle, y: y + h + 13 };
    case "indoor":
      return { x: x + w - 8, y: y + h / 2 + 4, anchor: "end" };
    case "board":
      return { ...middle, y: y + h / 2 };
    case "start-relay": // its sides' letters stand at its middle
      return { ...middle, y: y + 14 };
    default:
      return { ...middle, y: y + h / 2 + (value && h > 50 ? 12 : part.detail ? 0 : 4) };
  }
}

/** What joins two terminals inside a part: an open contact, a bar that never opens, a fuse. */
function Inner({
  placed,
  a,
  b,
  kind,
  ink,
}: {
  placed: Placed;
  a: string;
  b: string;
  kind: string;
  ink: string;
}) {
  const from = placed.spots[a.split(".")[1] ?? ""];
  const to = placed.spots[b.split(".")[1] ?? ""];
  if (!from || !to || from === to) return null;
  const left = from.x + 30;
  const right = to.x - 30;
  if (kind === "fuse") {
    const wide = right + 8 - left;
    return (
      <path d={`M${left - 4} ${from.y}h4m0 -5h${wide}v10h-${wide}zm${wide} 5h4`} fill="none" stroke={ink} />
    );
  }
  if (kind === "bar") return <path d={`M${left - 2} ${from.y}H${right + 2}`} stroke={ink} strokeWidth="2" />;
  return (
    <path
      d={`M${left - 2} ${from.y}h4l${right - left - 6} -9M${right} ${to.y}h2`}
      fill="none"
      stroke={ink}
      strokeWidth="1.4"
    />
  );
}

function Tip({
  terminal,
  placed,
  colour,
  panel,
}: {
  terminal: string;
  placed: Placed[];
  colour: string;
  panel: string;
}) {
  const [part = "", own = ""] = terminal.split(".");
  const spot = placed.find((one) => one.part.name === part)?.spots[own];
  if (!spot) return null;
  return (
    <g>
      <circle cx={spot.x} cy={spot.y} r="10" fill={colour} stroke={panel} strokeWidth="2" />
      <circle cx={spot.x} cy={spot.y} r="3.4" fill={panel} />
    </g>
  );
}

/** The clamp's jaw round a wire, on its longest straight piece. */
function Clamp({ points, tones }: { points: [number, number][]; tones: Tones }) {
  let best: [number, number] | null = null;
  let longest = 0;
  points.forEach(([x, y], index) => {
    const next = points[index + 1];
    if (!next) return;
    const length = Math.abs(next[0] - x) + Math.abs(next[1] - y);
    if (length > longest) {
      longest = length;
      best = [(x + next[0]) / 2, (y + next[1]) / 2];
    }
  });
  if (best === null) return null;
  const [x, y] = best as [number, number];
  return (
    <g fill="none" stroke={tones.copper} strokeWidth="3.4">
      <path d={`M${x - 4} ${y - 10}a11 11 0 1 0 8 0`} />
      <path d={`M${x - 6} ${y + 13}h12v14h-12z`} fill={tones.copper} strokeWidth="1" />
    </g>
  );
}

const own = (terminal: string) => terminal.replace(".", " ");

function describe(cabinet: CabinetData, point: string): string {
  const suspects = cabinet.parts.filter(({ state }) => state === "suspect").map(({ part }) => part.label);
  const probe = cabinet.probes.find((one) => one.point === point);
  const where = probe?.clamp
    ? `Clamp on the wire ${probe.clamp.replaceAll(".", " ")}.`
    : probe
      ? `Red probe on ${own(probe.red ?? "")}, black on ${own(probe.black ?? "")}.`
      : "";
  return `Wiring of this unit: ${cabinet.parts.map(({ part }) => part.label).join(", ")}. ${where} ${suspects.length ? `Suspect: ${suspects.join(", ")}.` : ""}`.trim();
}
