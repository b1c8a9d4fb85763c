/** Where the probes or the clamp go for the reading at hand. */
import type { Schemas } from "../api/client";
import type { Tones } from "./Ladder";

type Place = Schemas["Place"];

export function Tip({ at, colour, panel }: { at: Place; colour: string; panel: string }) {
  return (
    <g>
      <circle cx={at.x} cy={at.y} r="9" fill={colour} stroke={panel} strokeWidth="2" />
      <circle cx={at.x} cy={at.y} r="3.2" fill={panel} />
    </g>
  );
}

/** The clamp's jaw round a wire. */
export function Clamp({ at: { x, y }, tones }: { at: Place; tones: Tones }) {
  return (
    <g fill="none" stroke={tones.copper} strokeWidth="3.4">
      <path d={`M${x - 4} ${y - 10}a11 11 0 1 0 8 0`} />
      <path d={`M${x - 6} ${y + 13}h12v10h-12z`} fill={tones.copper} strokeWidth="1" />
    </g>
  );
}
