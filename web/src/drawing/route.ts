/** Wires laid at right angles round the parts: shortest way with few bends, never along another wire. */
import { GRID, type Placed, type Side, type Spot } from "./cabinetLayout";

export interface Route {
  name: string;
  points: [number, number][];
}

const STEP: Record<Side, [number, number]> = { left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] };
const SIDES = Object.keys(STEP) as Side[];
const BEND = 5;
const CROSS = 4;
const ALONG = 60;

interface Field {
  across: number;
  down: number;
  blocked: Uint8Array;
  /** Bit 1: a wire runs level here; bit 2: a wire runs upright here. */
  used: Uint8Array;
}

export function routeAll(
  wires: { name: string; a: string; b: string }[],
  placed: Placed[],
  wide: number,
  high: number,
): Route[] {
  const field = makeField(placed, wide, high);
  const spot = (terminal: string): Spot | undefined => {
    const [part = "", own = ""] = terminal.split(".");
    return placed.find((one) => one.part.name === part)?.spots[own];
  };
  const known = wires.flatMap(({ name, a, b }) => {
    const from = spot(a);
    const to = spot(b);
    return from && to ? [{ name, from, to }] : [];
  });
  // Short wires first: they have the fewest ways round.
  known.sort((one, two) => span(one.from, one.to) - span(two.from, two.to));
  return known.map(({ name, from, to }) => ({ name, points: route(field, from, to) }));
}

const span = (one: Spot, two: Spot) => Math.abs(one.x - two.x) + Math.abs(one.y - two.y);

function makeField(placed: Placed[], wide: number, high: number): Field {
  const across = Math.ceil(wide / GRID) + 1;
  const down = Math.ceil(high / GRID) + 1;
  const blocked = new Uint8Array(across * down);
  for (const { x, y, w, h } of placed) {
    for (
      let row = Math.max(Math.floor(y / GRID), 0);
      row <= Math.min(Math.ceil((y + h) / GRID), down - 1);
      row++
    )
      for (let col = Math.floor(x / GRID); col <= Math.ceil((x + w) / GRID); col++)
        blocked[row * across + col] = 1;
  }
  return { across, down, blocked, used: new Uint8Array(across * down) };
}

/** Dijkstra over cell and heading. A wire that finds no way is drawn straight. */
function route(field: Field, from: Spot, to: Spot): [number, number][] {
  const start = cell(from);
  const goal = cell(to);
  const first = [start[0] + STEP[from.side][0], start[1] + STEP[from.side][1]] as const;
  const last = [goal[0] + STEP[to.side][0], goal[1] + STEP[to.side][1]] as const;
  const size = field.across * field.down;
  const cost = new Float64Array(size * 4).fill(Infinity);
  const before = new Int32Array(size * 4).fill(-1);
  const open = new Heap();
  const begin = (first[1] * field.across + first[0]) * 4 + SIDES.indexOf(from.side);
  cost[begin] = 0;
  open.push(0, begin);
  const end = last[1] * field.across + last[0];
  let reached = -1;
  for (let here = open.pop(); here !== undefined; here = open.pop()) {
    const at = here >> 2;
    if (at === end) {
      reached = here;
      break;
    }
    for (let heading = 0; heading < 4; heading++) {
      const [dx, dy] = STEP[SIDES[heading] ?? "up"];
      const col = (at % field.across) + dx;
      const row = Math.floor(at / field.across) + dy;
      if (col < 0 || row < 0 || col >= field.across || row >= field.down) continue;
      const next = row * field.across + col;
      if (field.blocked[next] && next !== end) continue;
      const level = dy === 0 ? 1 : 2;
      const used = field.used[next] ?? 0;
      const turn = heading === (here & 3) ? 0 : BEND;
      const extra = used & level ? ALONG : used ? CROSS : 0;
      const total = (cost[here] ?? Infinity) + 1 + turn + extra;
      if (total < (cost[next * 4 + heading] ?? Infinity)) {
        cost[next * 4 + heading] = total;
        before[next * 4 + heading] = here;
        open.push(total, next * 4 + heading);
      }
    }
  }
  if (reached < 0) return [at(from), at(to)];
  const cells: [number, number][] = [[goal[0], goal[1]]];
  for (let here = reached; here >= 0; here = before[here] ?? -1) {
    const where = here >> 2;
    cells.push([where % field.across, Math.floor(where / field.across)]);
    field.used[where] = (field.used[where] ?? 0) | ((here & 3) < 2 ? 1 : 2);
  }
  cells.push([start[0], start[1]]);
  return straighten(cells.reverse()).map(([col, row]) => [col * GRID, row * GRID]);
}

const at = (spot: Spot): [number, number] => [spot.x, spot.y];
const cell = (spot: Spot): [number, number] => [Math.round(spot.x / GRID), Math.round(spot.y / GRID)];

/** The corners of a way: points in the middle of a straight piece are left out. */
function straighten(cells: [number, number][]): [number, number][] {
  return cells.filter((here, index) => {
    const one = cells[index - 1];
    const two = cells[index + 1];
    if (!one || !two) return true;
    return !((one[0] === here[0] && here[0] === two[0]) || (one[1] === here[1] && here[1] === two[1]));
  });
}

/** A least-first queue. */
class Heap {
  private items: [number, number][] = [];

  push(cost: number, value: number): void {
    this.items.push([cost, value]);
    let here = this.items.length - 1;
    while (here > 0) {
      const above = (here - 1) >> 1;
      if ((this.items[above]?.[0] ?? 0) <= cost) break;
      this.swap(here, above);
      here = above;
    }
  }

  pop(): number | undefined {
    const top = this.items[0];
    const tail = this.items.pop();
    if (top === undefined || tail === undefined) return undefined;
    if (this.items.length > 0) {
      this.items[0] = tail;
      this.sink();
    }
    return top[1];
  }

  private sink(): void {
    let here = 0;
    for (;;) {
      const [left, right] = [2 * here + 1, 2 * here + 2];
      let least = here;
      for (const one of [left, right]) if (this.cost(one) < this.cost(least)) least = one;
      if (least === here) return;
      this.swap(here, least);
      here = least;
    }
  }

  private cost(index: number): number {
    return this.items[index]?.[0] ?? Infinity;
  }

  private swap(one: number, two: number): void {
    const [a, b] = [this.items[one], this.items[two]];
    if (a && b) [this.items[one], this.items[two]] = [b, a];
  }
}
