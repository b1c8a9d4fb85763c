/** One part of a unit's circuit: its outline, its name, its terminals, and what joins them inside. */
import type { CabinetData, Placed } from "./cabinetLayout";

/** The colours of the drawing, as the mode of the day has them. */
export interface Tones {
  ink: string;
  faint: string;
  edge: string;
  panel: string;
  brick: string;
  brickTint: string;
  leaf: string;
  copper: string;
}

export function PartDrawing({
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
  const detail = part.kind === "contactor" || part.kind === "indoor" ? "" : part.detail;
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
