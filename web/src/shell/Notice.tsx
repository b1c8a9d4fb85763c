/** A page with one sentence on it. */
import { Box, Link } from "@chakra-ui/react";
import type { ReactNode } from "react";

export function Notice({ children }: { children: ReactNode }) {
  return (
    <Box as="main" p="8" maxW="40rem">
      <p>{children}</p>
      <Link href="/" color="copper" textDecoration="underline" mt="4" display="inline-block">
        The day’s visits
      </Link>
    </Box>
  );
}
