/** A page with nothing on it but the theme, the fonts and a heading: what bench.lighthouse holds the app's screens against. */
import "@fontsource-variable/archivo/index.css";
import "@fontsource-variable/red-hat-mono/index.css";

import { ChakraProvider, Heading } from "@chakra-ui/react";
import { createRoot } from "react-dom/client";

import { system } from "../src/theme/system";

const root = document.getElementById("root");
if (root === null) throw new Error("index.html has no root element");
createRoot(root).render(
  <ChakraProvider value={system}>
    <Heading as="h1">Empty</Heading>
  </ChakraProvider>,
);
