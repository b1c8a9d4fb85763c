/** Where each part of a unit's circuit stands in the drawing, and where its terminals are. Places only, no judging. */
import type { Schemas } from "../api/client";

export type CabinetData = Schemas["Cabinet"];
export type Part = Schemas["Part"];

/** Which way a wire leaves a terminal. */
export type Side = "left" | "right" | "up" | "down";
export interface Spot {
  x: number;
  y: number;
  side: Side;
}
export interface Placed {
  part: Part;
  state: Schemas["PartShown"]["state"];
  x: number;
  y: number;
  w: number;
  h: number;
  round: boolean;
  spots: Record<string, Spot>;
}

export const WIDE = 720;
export const HIGH = 296;

type Box = [x: number, y: number, w: number, h: number];

const BOXES: Record<string, Box> = {
  ground: [40, 4, 32, 20],
  disconnect: [16, 40, 80, 72],
  contactor: [160, 32, 96, 88],
  contactor2: [160, 144, 96, 72],
  capacitor: [384, 152, 152, 64],
  capacitor_herm: [344, 152, 88, 64],
  capacitor_fan: [464, 152, 88, 64],
  start_capacitor: [280, 96, 88, 48],
  relay: [280, 32, 88, 48],
  start_kit: [280, 152, 80, 48],
  drive: [416, 32, 96, 88],
  compressor: [600, 16, 104, 104],
  fan: [616, 152, 80, 80],
  board: [16, 168, 240, 64],
  indoor: [16, 264, 240, 24],
  valve: [288, 256, 112, 32],
  coil_switch: [432, 256, 104, 32],
  coil_sensor: [424, 256, 96, 32],
  ambient_sensor: [544, 256, 112, 32],
};

/** Terminals by the edge of the box they sit on, in order. What is not named sits on top. */
const EDGES: Record<string, Partial<Record<Side, string[]>>> = {
  ground: { down: ["G"] },
  disconnect: { left: ["L1", "L2", "L3"], right: ["1", "2", "3"] },
  contactor: { left: ["L1", "L2", "L3"], right: ["T1", "T2", "T3"], down: ["A", "B"] },
  contactor2: { left: ["L1", "L2", "L3"], right: ["T1", "T2", "T3"], down: ["A", "B"] },
  drive: { left: ["L1", "L2"], right: ["U", "V", "W"] },
  compressor: { left: ["C", "R", "U", "V", "W", "T1", "T2", "T3"], down: ["S", "2"] },
  fan: { left: ["C", "R"], down: ["S"] },
  relay: { left: ["5"], right: ["2"], down: ["1"] },
  start_capacitor: { up: ["1"], right: ["2"] },
  start_kit: { up: ["1", "2"] },
  board: { up: ["YO", "F1", "F2"], down: ["R", "C", "Y", "O", "B", "W"], right: ["D1", "D2", "CS", "AS"] },
  indoor: { up: ["R", "C", "Y", "O", "B", "W", "Y2"] },
  valve: { up: ["1", "2"] },
};

/** Every part with its place; a contactor of a two-stage unit pushes the board down. */
export function place(cabinet: CabinetData): Placed[] {
  const two = cabinet.parts.some(({ part }) => part.name === "contactor2");
  return cabinet.parts.flatMap(({ part, state }) => {
    const box = BOXES[part.name];
    if (box === undefined) return [];
    const low = two && box[1] >= 160 && box[0] < 144;
    const [x, y, w, h] = low ? [box[0], box[1] + 72, box[2], box[3]] : box;
    const round = part.kind === "compressor" || part.kind === "fan";
    return [{ part, state, x, y, w, h, round, spots: spots(part, x, y, w, h) }];
  });
}

/** The height a drawing of these parts needs. */
export function height(placed: Placed[]): number {
  return Math.max(HIGH, ...placed.map(({ y, h }) => y + h + 8));
}

function spots(part: Part, x: number, y: number, w: number, h: number): Record<string, Spot> {
  const edges = EDGES[part.name] ?? {};
  const named = new Set(Object.values(edges).flat());
  const at: Record<Side, string[]> = { left: [], right: [], up: [], down: [] };
  for (const side of Object.keys(at) as Side[]) {
    at[side] = (edges[side] ?? []).filter((name) => part.terminals.includes(name));
  }
  at.up.push(...part.terminals.filter((name) => !named.has(name)));
  const found: Record<string, Spot> = {};
  for (const side of Object.keys(at) as Side[]) {
    at[side].forEach((name, index) => {
      const share = part.name === "indoor" ? 0.76 : 1; // its name stands at the right end
      const along = (share * (index + 1)) / (at[side].length + 1);
      const flat = side === "up" || side === "down";
      found[name] = {
        x: snap(flat ? x + w * along : side === "left" ? x : x + w),
        y: snap(flat ? (side === "up" ? y : y + h) : y + h * along),
        side,
      };
    });
  }
  return found;
}

export const GRID = 8;
const snap = (value: number) => Math.round(value / GRID) * GRID;
