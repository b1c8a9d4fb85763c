/** Colours, type and the few recipes that differ from the library's: square corners, thin rules, copper for what is next. */
import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";
import * as library from "@chakra-ui/react/theme";

import { recipes, slotRecipes } from "./recipes";

const both = (light: string, dark: string) => ({ value: { base: light, _dark: dark } });

const config = defineConfig({
  preflight: true,
  cssVarsPrefix: library.cssVarsPrefix,
  cssVarsRoot: library.cssVarsRoot,
  globalCss: {
    ...library.globalCss,
    html: {
      lineHeight: "1.5",
      bg: "paper",
      color: "ink",
      fontFamily: "body",
      fontSize: "16px",
      "@media print": { bg: "white", color: "black" },
    },
    ".no-print": { "@media print": { display: "none !important" } },
    "*:focus-visible": { outline: "3px solid var(--chakra-colors-frost)", outlineOffset: "2px" },
    ".num": { fontFamily: "mono", fontVariantNumeric: "tabular-nums" },
  },
  theme: {
    breakpoints: library.breakpoints,
    textStyles: library.textStyles,
    recipes,
    slotRecipes,
    tokens: {
      ...library.tokens,
      fonts: {
        body: { value: "'Archivo Variable', sans-serif" },
        heading: { value: "'Archivo Variable', sans-serif" },
        mono: { value: "'Red Hat Mono Variable', monospace" },
      },
      radii: Object.fromEntries(
        ["xs", "sm", "md", "lg", "xl", "2xl", "l1", "l2", "l3"].map((name) => [name, { value: "0" }]),
      ),
    },
    semanticTokens: {
      radii: { l1: { value: "0" }, l2: { value: "0" }, l3: { value: "0" } },
      colors: {
        ink: both("#1b2624", "#ece8dc"),
        paper: both("#f1eee5", "#121817"),
        panel: both("#fffefa", "#1b2423"),
        faint: both("#55615d", "#a9b4af"),
        rule: both("#d5d0c0", "#3a4644"),
        edge: both("#7b857f", "#7f8b86"),
        bar: both("#1b2624", "#0b100f"),
        onBar: both("#f1eee5", "#ece8dc"),
        onBarFaint: both("#b9c2bd", "#a9b4af"),
        copper: both("#a4491b", "#e59362"),
        onCopper: both("#ffffff", "#16100c"),
        leaf: both("#2c6e49", "#74c69b"),
        leafTint: both("#dbe9df", "#1f3a2d"),
        ochre: both("#805507", "#dcab4c"),
        ochreTint: both("#f3e5c4", "#43351a"),
        brick: both("#b3261e", "#ff8f84"),
        brickTint: both("#f8e0dc", "#4a211d"),
        frost: both("#2b6f97", "#7fbfe4"),
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, config);
