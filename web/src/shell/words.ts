/** Words for what the server names by a code, and times as a technician reads them. */

export const COMPLAINT: Record<string, string> = {
  "nothing-at-all": "will not start, nothing at all",
  "hums-no-start": "hums, does not start",
  "trips-breaker": "trips breaker or fuse",
  "fan-stopped": "runs, fan does not",
  "compressor-stopped": "fan runs, compressor does not",
  "iced-over": "iced over",
  "blows-cold": "blows cold in heating",
  "never-defrosts": "never defrosts",
  "defrosts-too-often": "defrosts too often",
  "noisy-defrost": "noisy in defrost",
  "high-bill": "high bill, aux always on",
  maintenance: "maintenance, no complaint",
};

export const POWER: Record<string, string> = {
  unknown: "Power not known",
  live: "Live",
  "dead-claimed": "Dead (claimed)",
  "dead-proved": "Dead (proved)",
};

// Made once: making a formatter costs more than a hundred uses of it.
const CLOCK = new Intl.DateTimeFormat([], { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
const DAY_AND_CLOCK = new Intl.DateTimeFormat([], {
  year: "numeric",
  month: "short",
  day: "numeric",
  hour: "2-digit",
  minute: "2-digit",
  hourCycle: "h23",
});

export const clock = (at: string) => CLOCK.format(new Date(at));

export const dayAndClock = (at: string) => DAY_AND_CLOCK.format(new Date(at));

const SHORT_DAY = new Intl.DateTimeFormat([], { month: "short", day: "numeric" });

export const shortDay = (at: string) => SHORT_DAY.format(new Date(at));

const DAY = new Intl.DateTimeFormat([], { year: "numeric", month: "short", day: "numeric" });
const MONTH = new Intl.DateTimeFormat([], { year: "numeric", month: "short" });

export const day = (at: string) => DAY.format(new Date(at));

export const month = (at: string) => MONTH.format(new Date(at));

/** Seconds as a running clock shows them: 4:59. */
export const minutes = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

export const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** A number and what it counts: 1 row, 2 rows. */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
