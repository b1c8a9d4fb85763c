/** The round's own keypad: digits large enough for a glove, and the words and prefixes that this reading can take. */
import { chakra, Grid } from "@chakra-ui/react";
import { Delete } from "lucide-react";
import type { ReactNode } from "react";

import type { Step } from "../../api/client";
import { SHORT_SCREEN } from "../../theme/screens";

type Extra = Step["keys"][number];

const Blank = chakra("span", { base: { bg: "panel" } });

const Key = chakra("button", {
  base: {
    minH: "46px",
    fontFamily: "mono",
    fontWeight: "600",
    fontSize: "xl",
    bg: "panel",
    color: "ink",
    display: "grid",
    placeItems: "center",
    cursor: "pointer",
    touchAction: "manipulation",
    _active: { bg: "edge" },
  },
});

interface Props {
  keys: Extra[];
  /** What the field holds when a key is pressed: the keys stay as they are while it is typed into. */
  typed: () => string;
  set: (text: string) => void;
  /** The thing to do next with what is typed. */
  children: ReactNode;
}

const ROWS = [
  ["7", "8", "9"],
  ["4", "5", "6"],
  ["1", "2", "3"],
];

export function Keypad({ keys, typed, set, children }: Props) {
  const press = (extra: Extra) => set(extra.whole ? extra.types : typed() + extra.types);
  const extra = (place: number) => {
    const key = keys[place];
    return key ? (
      <KeypadKey key={place} label={key.label} press={() => press(key)} small={key.label.length > 2} />
    ) : (
      <Blank key={place} />
    );
  };
  return (
    <Grid
      role="group"
      aria-label="Keypad"
      templateColumns="repeat(4, 1fr)"
      gap="1px"
      bg="rule"
      borderTopWidth="1px"
      borderColor="rule"
      css={{ gridAutoRows: "54px", [SHORT_SCREEN]: { gridAutoRows: "46px" } }}
      // The field keeps the focus, and its caret.
      onPointerDown={(event) => event.preventDefault()}
    >
      {ROWS.flatMap((row, place) => [
        ...row.map((digit) => <KeypadKey key={digit} label={digit} press={() => set(typed() + digit)} />),
        place === 0 ? (
          <KeypadKey key="back" label="Delete the last" press={() => set(typed().slice(0, -1))}>
            <Delete aria-hidden size={24} />
          </KeypadKey>
        ) : (
          extra(place - 1)
        ),
      ])}
      <KeypadKey label="." press={() => set(`${typed()}.`)} />
      <KeypadKey label="0" press={() => set(`${typed()}0`)} />
      {extra(2)}
      {children}
    </Grid>
  );
}

interface KeyProps {
  label: string;
  press: () => void;
  small?: boolean;
  children?: ReactNode;
}

function KeypadKey({ label, press, small = false, children }: KeyProps) {
  return (
    <Key type="button" aria-label={label} onClick={press} fontSize={small ? "md" : "xl"}>
      {children ?? label}
    </Key>
  );
}
