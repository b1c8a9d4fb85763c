/** How the library's controls look here: at least 44 px, square, thin rules. Only what is used is written, so only that ships. */
import { defineRecipe, defineSlotRecipe } from "@chakra-ui/react";
import { dialogAnatomy, fieldAnatomy, nativeSelectAnatomy, toastAnatomy } from "@chakra-ui/react/anatomy";
import { headingRecipe, linkRecipe, tableSlotRecipe } from "@chakra-ui/react/theme";

const box = {
  w: "100%",
  bg: "panel",
  color: "ink",
  borderWidth: "1px",
  borderColor: "edge",
  _invalid: { borderColor: "brick", borderWidth: "2px" },
  _disabled: { opacity: 0.6 },
} as const;

const input = defineRecipe({ base: { ...box, minH: "44px", px: "3", _placeholder: { color: "faint" } } });

const textarea = defineRecipe({
  base: { ...box, px: "3", py: "2", fontFamily: "mono", _placeholder: { color: "faint" } },
});

const nativeSelect = defineSlotRecipe({
  slots: nativeSelectAnatomy.keys(),
  base: {
    root: { display: "flex", position: "relative", w: "100%" },
    field: { ...box, minH: "44px", ps: "2", pe: "8", appearance: "none" },
    indicator: {
      position: "absolute",
      insetEnd: "2",
      top: "50%",
      transform: "translateY(-50%)",
      pointerEvents: "none",
      _icon: { w: "1em", h: "1em" },
    },
  },
});

const field = defineSlotRecipe({
  slots: fieldAnatomy.keys(),
  base: {
    root: {
      display: "flex",
      flexDirection: "column",
      alignItems: "stretch",
      position: "relative",
      minW: "0",
    },
    label: { fontSize: "sm", textAlign: "start" },
    errorText: { color: "brick", fontWeight: "600", mt: "1" },
  },
});

const dialog = defineSlotRecipe({
  slots: dialogAnatomy.keys(),
  base: {
    backdrop: { bg: "black/60", position: "fixed", inset: "0", zIndex: "modal" },
    positioner: { position: "fixed", inset: "0", display: "flex", overflow: "auto", p: "4", zIndex: "modal" },
    content: {
      m: "auto",
      p: "6",
      maxW: "32rem",
      bg: "panel",
      color: "ink",
      borderWidth: "1px",
      borderColor: "edge",
    },
    title: { fontSize: "xl", fontWeight: "700" },
  },
});

const toast = defineSlotRecipe({
  slots: toastAnatomy.keys(),
  base: {
    root: { bg: "ink", color: "paper", px: "4", py: "3", minH: "44px", w: "100%", zIndex: "var(--z-index)" },
  },
});

export const recipes = { heading: headingRecipe, link: linkRecipe, input, textarea };
export const slotRecipes = { table: tableSlotRecipe, nativeSelect, field, dialog, toast };
