/** The wires of a board that is swapped: mapped, taken off one at a time, and each put on the new board or retired. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import { fieldErrors, type FieldError, type Round, type Schemas, type VisitShown } from "../../api/client";
import { useDraft } from "../../api/draft";
import { parsed } from "../../api/stored";
import { endLine, lift, stillOff } from "../../api/writes";
import { act } from "../../device/act";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";
import { useIsWide } from "../../theme/screens";

export type Guide = Round["defrost"]["swap"];
type Wire = Guide["wires"][number];

const STATE: Record<Wire["state"], string> = {
  mapped: "on the old board",
  off: "off, in your hand",
  moved: "on the new board",
  retired: "retired",
  left: "left for the return visit",
};

const FIELDS = [
  ["terminal", "Terminal", "6rem", 20],
  ["colour", "Colour", "8rem", 20],
  ["goes_to", "Comes from", "14rem", 80],
] as const;

export function WireMap({ visit, guide, disabled }: { visit: VisitShown; guide: Guide; disabled: boolean }) {
  const [draft, setDraft] = useDraft(`${visit.id} wire`);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const typed = parsed<Record<string, string>>(draft, {});
  const write = async (body: Partial<Schemas["NewWire"]> & { terminal: string }) => {
    try {
      const blank = { colour: "", goes_to: "", new_terminal: "", on_old: false, gone: false };
      await act(visit.id, { ...blank, ...body, kind: "wire" });
      setErrors([]);
      return true;
    } catch (error) {
      setErrors(fieldErrors(error));
      return false;
    }
  };
  const add = async () => {
    if (await write({ ...typed, terminal: typed.terminal ?? "" })) setDraft("");
  };
  const at = (name: string) => errors.find(({ field }) => field.split(".").at(-1) === name)?.message;
  const other = errors.find(({ field }) => !FIELDS.some(([name]) => field.split(".").at(-1) === name));
  const usual = visit.round.plate.defrost.terminals;
  // One wire at a time: the one in the hand, else the next on the old board.
  const byThumb = !useIsWide();
  const [all, setAll] = useState(false);
  const inTurn =
    guide.wires.find(({ state }) => state === "off") ?? guide.wires.find(({ state }) => state === "mapped");
  const atHand = byThumb && !disabled ? inTurn : undefined;
  const line = (shown: Wire) => (
    <WireLine
      key={shown.line}
      visit={visit}
      shown={shown}
      mayLift={guide.may_lift}
      disabled={disabled}
      write={write}
    />
  );
  return (
    <Box mt="4">
      <Heading as="h3" fontSize="md" mb="1">
        The wires
      </Heading>
      {atHand && (
        <Box borderLeftWidth="4px" borderLeftColor="copper" pl="3" py="2" mb="2">
          <Text color="faint">
            Wire {guide.wires.indexOf(atHand) + 1} of {guide.wires.length}
          </Text>
          {line(atHand)}
        </Box>
      )}
      {!byThumb || all ? (
        guide.wires.filter((one) => one !== atHand).map(line)
      ) : (
        <Text color="faint">{counted(guide.wires)}</Text>
      )}
      {byThumb && guide.wires.length > 1 && (
        <Button look="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? "Only the wire at hand" : "Every wire"}
        </Button>
      )}
      {!disabled && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void add();
          }}
        >
          <Flex gap="3" wrap="wrap" align="end" mt="3">
            {FIELDS.map(([name, label, width, most]) => (
              <Field label={label} key={name} flex={`0 1 ${width}`} problem={at(name)}>
                <TextInput
                  maxLength={most}
                  list={name === "terminal" ? "board-terminals" : undefined}
                  value={typed[name] ?? ""}
                  onChange={(event) => setDraft(JSON.stringify({ ...typed, [name]: event.target.value }))}
                />
              </Field>
            ))}
            <datalist id="board-terminals">
              {usual.map((one) => (
                <option key={one} value={one} />
              ))}
            </datalist>
            <Button type="submit">Map this wire</Button>
          </Flex>
          {other && <Problem>{other.message}</Problem>}
        </form>
      )}
    </Box>
  );
}

/** Where the wires are, in one line. */
function counted(wires: Wire[]): string {
  const states = [...new Set(wires.map(({ state }) => state))];
  return states
    .map((state) => `${wires.filter((one) => one.state === state).length} ${STATE[state]}`)
    .join(" · ");
}

function WireLine(props: {
  visit: VisitShown;
  shown: Wire;
  mayLift: boolean;
  disabled: boolean;
  write: (body: Partial<Schemas["NewWire"]> & { terminal: string }) => Promise<boolean>;
}) {
  const { visit, shown, mayLift, disabled, write } = props;
  const { wire, state, line } = shown;
  const [why, setWhy] = useState("");
  const [to, setTo] = useState("");
  const off = stillOff(visit.round.lifted).findLast(({ what }) => what === line);
  const end = (how: "back" | "retired") => off && endLine(visit.id, off.id, how, how === "back" ? "" : why);
  const correct = (change: Partial<Schemas["NewWire"]>) =>
    write({
      terminal: wire.terminal,
      colour: wire.colour,
      goes_to: wire.goes_to,
      new_terminal: wire.new_terminal,
      on_old: wire.on_old,
      of: wire.id ?? null,
      ...change,
    });
  const place = async () => {
    const moved = to.trim() === wire.terminal ? "" : to.trim();
    const same = moved === wire.new_terminal && !wire.on_old;
    if (same || (await correct({ new_terminal: moved, on_old: false }))) end("back");
  };
  const putBack = async () => {
    if (await correct({ on_old: true })) end("back");
  };
  return (
    <Flex gap="3" wrap="wrap" align="center" py="2" borderTopWidth="1px" borderColor="rule">
      <Text className="num" fontWeight="700" fontSize="lg" minW="3.5rem">
        {wire.terminal}
      </Text>
      <Text flex="1 1 12rem">
        {[wire.colour, wire.goes_to && `from ${wire.goes_to}`].filter(Boolean).join(", ")}{" "}
        <Text
          as="span"
          color={state === "off" ? "brick" : "faint"}
          fontWeight={state === "off" ? "700" : "400"}
          ml="2"
        >
          {STATE[state]}
          {state === "moved" && wire.new_terminal ? `, at ${wire.new_terminal}` : ""}
          {shown.why && `: ${shown.why}`}
        </Text>
      </Text>
      {!disabled && state === "mapped" && (
        <>
          <Button disabled={!mayLift} onClick={() => lift(visit.id, line)}>
            Take it off
          </Button>
          <Button look="quiet" onClick={() => void correct({ gone: true })}>
            not a wire
          </Button>
        </>
      )}
      {!disabled && state === "off" && (
        <>
          <Field label="New terminal">
            <TextInput
              w="6rem"
              maxLength={20}
              value={to}
              placeholder={wire.terminal}
              onChange={(event) => setTo(event.target.value)}
            />
          </Field>
          <Button look="next" alignSelf="end" onClick={() => void place()}>
            On the new board
          </Button>
          <Button alignSelf="end" onClick={() => void putBack()}>
            Back on the old board
          </Button>
          <Field label="or retired, because">
            <TextInput
              w="12rem"
              maxLength={300}
              value={why}
              onChange={(event) => setWhy(event.target.value)}
            />
          </Field>
          <Button alignSelf="end" disabled={why.trim() === ""} onClick={() => end("retired")}>
            Retire it
          </Button>
        </>
      )}
    </Flex>
  );
}
