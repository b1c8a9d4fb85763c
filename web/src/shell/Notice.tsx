/** A page with one sentence on it. */
import { Box, Link } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { PageTitle } from "./PageTitle";

export function Notice({ children }: { children: ReactNode }) {
  return (
    <Box as="main" p="8" maxW="40rem">
      <PageTitle>Outer Test</PageTitle>
      <p>{children}</p>
      <Link href="/" color="copper" textDecoration="underline" mt="4" display="inline-block">
        Today’s visits
      </Link>
    </Box>
  );
}
