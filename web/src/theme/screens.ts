/** How much glass there is. */
import { useBreakpointValue } from "@chakra-ui/react";

/** Room for the path, the step and what follows beside each other; else one step is one screen, worked by thumb. */
export const useIsWide = (): boolean => useBreakpointValue({ base: false, lg: true }) ?? true;

export const SHORT_SCREEN = "@media (max-height: 700px)";
