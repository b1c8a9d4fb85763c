/** Numbers with the prefixes that meters show: 40 MΩ, 600 k, 2.5 m. */
const TIMES: Record<string, number> = { "": 1, k: 1e3, K: 1e3, M: 1e6, G: 1e9, m: 1e-3, µ: 1e-6, u: 1e-6 };
const SHOWN: [number, string][] = [
  [1e9, "G"],
  [1e6, "M"],
  [1e3, "k"],
];

/** What was typed as a plain number; undefined where it is none. A unit behind it is passed over. */
export function fromPrefixed(typed: string): number | undefined {
  const found = /^\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*([kKMGmµu]?)\s*(?:Ω|ohms?|V|A|F|Hz)?\s*$/.exec(typed);
  const [, digits, prefix = ""] = found ?? [];
  if (digits === undefined) return undefined;
  const times = TIMES[prefix] ?? 1;
  const number = Number(digits.replace(",", "."));
  // Divided where it is less than one: thousandths are no exact factors.
  return times < 1 ? number / Math.round(1 / times) : number * times;
}

/** A number as a meter shows it: 40000000 is "40 M". */
export function inPrefixed(value: number): string {
  const [times, prefix] = SHOWN.find(([least]) => value >= least) ?? [1, ""];
  return prefix === "" ? String(value) : `${String(value / times)} ${prefix}`;
}

/** What is no number goes as typed, and comes back refused. */
export function numeric(typed: string): number {
  const plain = typed.trim().replace(",", ".");
  return (plain !== "" && Number.isFinite(Number(plain)) ? Number(plain) : typed) as number;
}
