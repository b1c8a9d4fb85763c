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

/** A text input. */
export const TextInput = chakra("input", {
  base: {
    minH: "44px",
    px: "3",
    w: "100%",
    bg: "panel",
    color: "ink",
    borderWidth: "1px",
    borderColor: "edge",
    _invalid: { borderColor: "brick", borderWidth: "2px" },
    _disabled: { opacity: 0.6 },
    _placeholder: { color: "faint" },
  },
});

/** Several lines of text. */
export const TextArea = chakra("textarea", {
  base: {
    px: "3",
    py: "2",
    w: "100%",
    bg: "panel",
    color: "ink",
    fontFamily: "mono",
    borderWidth: "1px",
    borderColor: "edge",
    _invalid: { borderColor: "brick", borderWidth: "2px" },
    _disabled: { opacity: 0.6 },
    _placeholder: { color: "faint" },
  },
});

/** A choice from a list. */
export const Choice = chakra("select", {
  base: {
    minH: "44px",
    px: "2",
    w: "100%",
    bg: "panel",
    color: "ink",
    borderWidth: "1px",
    borderColor: "edge",
  },
});

/** What is wrong, beside the field it is about. */
export function FieldProblem({ id, children }: { id: string; children: ReactNode }) {
  return (
    <chakra.p id={id} role="alert" color="brick" fontWeight="600" mt="1">
      {children}
    </chakra.p>
  );
}
