/** How much glass there is. */
import { useBreakpointValue } from "@chakra-ui/react";

/** Else a phone's way is drawn first on every screen, for a server that cannot know, and the right one after it. */
export const AT_ONCE = { ssr: false };

/** Room for the path, the step and what follows beside each other; else one step is one screen, worked by thumb. */
export const useIsWide = (): boolean => useBreakpointValue({ base: false, lg: true }, AT_ONCE) ?? true;

export const SHORT_SCREEN = "@media (max-height: 700px)";
