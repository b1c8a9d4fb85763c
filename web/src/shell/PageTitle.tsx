/** What the tab says: the clock that ends next, then the page, then the product. */
import { next, useTimers } from "../api/timers";

export function PageTitle({ children }: { children: string }) {
  const clock = next(useTimers());
  return <title>{[...new Set([clock, children, "Outer Test"])].filter(Boolean).join(" · ")}</title>;
}
