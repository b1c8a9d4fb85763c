/** Where the probes or the clamp go for the reading at hand. */
import type { Placed } from "./cabinetLayout";
import type { Tones } from "./PartDrawing";

export function Tip({
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
export function Clamp({ points, tones }: { points: [number, number][]; tones: Tones }) {
  const runs = points.slice(1).map(([x, y], index) => {
    const [fromX, fromY] = points[index] ?? [x, y];
    return { x: (x + fromX) / 2, y: (y + fromY) / 2, length: Math.abs(x - fromX) + Math.abs(y - fromY) };
  });
  const longest = runs.sort((first, second) => second.length - first.length)[0];
  if (longest === undefined) return null;
  const { x, y } = longest;
  return (
    <g fill="none" stroke={tones.copper} strokeWidth="3.4">
      <path d={`M${x - 4} ${y - 10}a11 11 0 1 0 8 0`} />
      <path d={`M${x - 6} ${y + 13}h12v14h-12z`} fill={tones.copper} strokeWidth="1" />
    </g>
  );
}
