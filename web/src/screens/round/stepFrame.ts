/** How a step stands on the screen where it is no reading: a section of its own, that scrolls on a phone. */
export const STEP_FRAME = {
  "aria-label": "The step at hand",
  bg: "panel",
  p: { base: "3", lg: "4" },
  borderTopWidth: { lg: "1px" },
  borderColor: "ink",
  overflowY: { base: "auto", lg: "visible" },
  h: { base: "100%", lg: "auto" },
} as const;
