/** What the browser has stored, read so that a damaged text breaks no screen. */

/** The value of a stored JSON text; `otherwise` where there is none, or it cannot be read. */
export function parsed<T>(text: string | null, otherwise: T): T {
  if (!text) return otherwise;
  try {
    return JSON.parse(text) as T;
  } catch (problem) {
    // Somebody else wrote here, or the browser died in mid-write; what it was is worth a line for whoever looks into it.
    console.warn("A stored text cannot be read and is passed over.", problem);
    return otherwise;
  }
}
