/** The few controls all screens share: at least 44 px, square, copper only for the thing to do next. */
import { chakra } from "@chakra-ui/react";
import type { ComponentProps, ReactNode } from "react";

/** A button. `next` is the one thing to do next, drawn in copper. */
const Plain = chakra("button", {
  base: {
    minH: "44px",
    px: "4",
    borderWidth: "1px",
    borderColor: "edge",
    bg: "panel",
    color: "ink",
    fontWeight: "600",
    cursor: "pointer",
    textAlign: "center",
    _hover: { borderColor: "ink" },
    _disabled: { opacity: 0.55, cursor: "default" },
  },
  variants: {
    look: {
      next: { bg: "copper", borderColor: "copper", color: "onCopper" },
      plain: {},
      quiet: {
        borderColor: "transparent",
        bg: "transparent",
        color: "copper",
        px: "2",
        textDecoration: "underline",
      },
    },
  },
  defaultVariants: { look: "plain" },
});

export function Button(props: ComponentProps<typeof Plain>) {
  return <Plain type="button" {...props} />;
}

/** A button of the dark bar that shows an icon and says its name. */
const OnBar = chakra("button", {
  base: {
    minW: "44px",
    minH: "44px",
    display: "grid",
    placeItems: "center",
    color: "onBar",
    cursor: "pointer",
  },
});

export function BarButton({
  label,
  children,
  onClick,
}: {
  label: string;
  children: ReactNode;
  onClick: () => void;
}) {
  return (
    <OnBar type="button" aria-label={label} title={label} onClick={onClick}>
      {children}
    </OnBar>
  );
}
