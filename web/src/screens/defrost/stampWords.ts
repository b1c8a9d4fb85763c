import type { Schemas } from "../../api/client";

type RunEvent = NonNullable<Schemas["DefrostEvent"]["event"]>;

/** The stamps a person sets, in the order they come; the place of the first ones is their key. */
export const STAMPS: [RunEvent, string][] = [
  ["valve-shift", "Valve shifts"],
  ["fan-off", "Fan stops"],
  ["aux-on", "Aux call, W on"],
  ["contactor-open", "Contactor opens"],
  ["contactor-close", "Contactor closes"],
  ["switch-open", "Switch opens"],
  ["ended", "Ended"],
  ["fan-on", "Fan on"],
  ["valve-back", "Valve back"],
];
const MORE: [RunEvent, string][] = [
  ["aux-off", "W off"],
  ["outdoor-line-warm", "Outdoor line warms"],
];
export const EVENTS = [...STAMPS, ...MORE];

export const eventWords = (event: string) =>
  event === "forced" ? "Forced" : (EVENTS.find(([name]) => name === event)?.[1] ?? event);
