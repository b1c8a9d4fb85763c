/** A board's lists as a person writes them, one a line, and as the server keeps them. What is no such line goes as it is, and comes back refused. */

export interface Lines {
  hint: string;
  write: (value: Record<string, unknown>) => string;
  read: (line: string) => Record<string, unknown>;
}

const numberOrText = (text: string): number | string => {
  const plain = text.replace(",", ".");
  return plain !== "" && Number.isFinite(Number(plain)) ? Number(plain) : text;
};

export const SENSOR_LINES: Lines = {
  hint: "77 10000",
  write: ({ f, ohm }) => `${String(f)} ${String(ohm)}`,
  read: (line) => {
    const [f = "", ohm] = line.split(/[\s;=]+/);
    return { f: numberOrText(f), ...(ohm === undefined ? {} : { ohm: numberOrText(ohm) }) };
  },
};

/** `red 3 Ambient sensor`; with `ok` after the count for what is no fault. */
export const LIGHT_LINES: Lines = {
  hint: "red 3 Ambient sensor; green 1 ok A call",
  write: ({ colour, flashes, fault, meaning }) =>
    [colour, flashes, fault === false ? "ok" : "", meaning].filter((word) => word !== "").join(" "),
  read: (line) => {
    const [colour = "", flashes = "", ...rest] = line.split(/\s+/);
    const fine = rest[0] === "ok";
    return {
      colour,
      flashes: numberOrText(flashes),
      fault: !fine,
      meaning: rest.slice(fine ? 1 : 0).join(" "),
    };
  },
};

const STANDS: [string, boolean | null][] = [
  ["cut", true],
  ["whole", false],
  ["?", null],
];
const WHEN_CUT: [string, string][] = [
  ["cut gives shift delay", "shift-delay"],
  ["cut takes shift delay", "no-shift-delay"],
];

/** `fin kind: cut`, `delay: ? (cut gives shift delay)`. */
export const LINK_LINES: Lines = {
  hint: "fin kind: cut; delay: ? (cut gives shift delay)",
  write: ({ name, cut, when_cut }) => {
    const stands = STANDS.find(([, value]) => value === (cut ?? null))?.[0] ?? "?";
    const does = WHEN_CUT.find(([, value]) => value === when_cut)?.[0];
    return `${String(name)}: ${stands}${does ? ` (${does})` : ""}`;
  },
  read: (line) => {
    const [name = "", rest = "?"] = line.split(/:\s*/, 2);
    const word = rest.split(/\s/)[0] ?? "?";
    const stands = STANDS.find(([said]) => said === word);
    const does = WHEN_CUT.find(([said]) => rest.includes(said))?.[1];
    return {
      name: name.trim(),
      cut: stands ? stands[1] : word,
      when_cut: does ?? "recorded-only",
    };
  },
};
