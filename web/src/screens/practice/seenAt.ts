/** What can be seen and heard of the simulated unit at a moment: each part as its last change left it. Words only. */
interface Change {
  event?: string;
  s: number;
}

const CHANGES: Record<string, [part: string, state: string]> = {
  "contactor-open": ["Contactor", "out, the compressor stops"],
  "contactor-close": ["Contactor", "in, the compressor runs"],
  "fan-off": ["Outdoor fan", "stands still"],
  "fan-on": ["Outdoor fan", "turns"],
  "valve-shift": ["Reversing valve", "a whoosh: it has shifted to cooling"],
  "valve-back": ["Reversing valve", "a whoosh: it is back in heating"],
  "aux-on": ["24 V on W", "on"],
  "aux-off": ["24 V on W", "off"],
  "outdoor-line-warm": ["Outdoor line", "warm to the hand"],
  "switch-open": ["Coil switch, by its volts", "open"],
  ended: ["Coil", "clear, the steam stops"],
};
const AT_FIRST: [part: string, state: string][] = [
  ["Contactor", "in, the compressor runs"],
  ["Outdoor fan", "turns"],
  ["Reversing valve", "quiet, in heating"],
  ["24 V on W", "off"],
  ["Outdoor line", "cold"],
  ["Coil", "white with frost"],
];

export function seenAt(events: Change[], seconds: number): { part: string; state: string }[] {
  const states = new Map(AT_FIRST);
  for (const { event = "forced", s } of events) {
    const change = CHANGES[event];
    if (change !== undefined && s <= seconds) states.set(...change);
  }
  return [...states].map(([part, state]) => ({ part, state }));
}
