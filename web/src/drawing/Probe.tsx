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
