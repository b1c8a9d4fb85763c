/** Times as a browser's own field has them: local, to the minute. */

const two = (number: number): string => String(number).padStart(2, "0");

/** The day of a moment here, as in 2027-01-14. */
export const asDay = (at: Date): string =>
  `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;

/** A time as a `datetime-local` field has it. */
export function asInput(at: string): string {
  const here = new Date(at);
  return `${asDay(here)}T${two(here.getHours())}:${two(here.getMinutes())}`;
}

/** The time such a field has, with its offset; empty where it has none. */
export const fromInput = (text: string): string => (text === "" ? "" : new Date(text).toISOString());

/** A day so many days on. */
export function dayOn(day: string, days: number): string {
  const at = new Date(`${day}T12:00:00`);
  at.setDate(at.getDate() + days);
  return asDay(at);
}
