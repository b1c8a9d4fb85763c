/** A second tap right after the first is a slip of a gloved hand: for a moment it counts as none. */
const LOCK_MS = 600;
let lockedUntil = 0;

export function lockTaps(): void {
  lockedUntil = performance.now() + LOCK_MS;
}

/** Whether a click is such a second tap; a key's is none. */
export const isSecondTap = (event: { detail: number }): boolean =>
  event.detail > 0 && performance.now() < lockedUntil;
