/** Typing a reading: by keys on a laptop, by the round's own keypad on a phone. What was refused stays to be mended. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useLayoutEffect, useRef, useState, type MouseEvent } from "react";

import { useDraft } from "../../api/draft";
import { dropRefusedReading } from "../../device/entries";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { useIsWide } from "../../theme/screens";
import { shown as inScale, useScale, withScale } from "../../theme/temperature";
import { Keypad } from "./Keypad";
import { isSecondTap, lockTaps } from "../../shell/secondTap";
import { useTags } from "./Tags";
import { writeReading, type Written } from "./writeReading";

interface Props extends Written {
  /** Called with the point that was saved. */
  saved: (point: string) => void;
  /** Go to what comes next; the word on its button, and where it leads. */
  goOn: () => void;
  onward: string;
  onwardTo: string;
  verdict: React.ReactNode;
}

const Big = chakra("input", {
  base: {
    fontFamily: "mono",
    fontWeight: "700",
    fontSize: { base: "34px", lg: "44px" },
    lineHeight: "1",
    w: { base: "auto", lg: "15rem" },
    flex: { base: "1", lg: "none" },
    minW: "0",
    px: "3",
    h: { base: "56px", lg: "72px" },
    bg: "paper",
    color: "ink",
    borderWidth: "2px",
    borderColor: "copper",
    _placeholder: { color: "ink", opacity: 1 },
    _invalid: { borderColor: "brick" },
  },
});

/** A number without a unit. */
const BARE = /^\d+(?:[.,]\d*)?$/;

export function NumberEntry(props: Props) {
  const { visit, step, state, saved, goOn, onward, onwardTo, verdict } = props;
  const [typed, setTyped] = useDraft(`${visit} ${step.point}`);
  const input = useRef<HTMLInputElement>(null);
  const byThumb = !useIsWide();
  const text = typed || (state.refusal?.typed ?? "");
  const tags = useTags(visit, step, text);
  const [scale] = useScale();
  const [before, unit] = inScale(state.entry?.value ?? "", step.unit, step.point, scale);
  // Before the next key: what is typed ahead must land here.
  useLayoutEffect(() => {
    input.current?.focus({ preventScroll: true });
  }, [step.point]);

  const set = (next: string) => {
    dropRefusedReading(visit, step.point);
    setTyped(next);
  };
  const held = () => input.current?.value ?? "";
  const save = (unitSaid = "") => {
    const typing = unitSaid ? `${text.trim()} ${unitSaid}` : text;
    writeReading(props, withScale(typing, step.unit), tags.said);
    setTyped("");
    tags.forget();
    lockTaps();
    saved(step.point);
  };
  const act = (event: MouseEvent) => {
    if (text.trim()) save();
    else if (!isSecondTap(event)) {
      lockTaps();
      goOn();
    }
  };
  const primary = (
    <Button
      type="submit"
      look={text || state.entry ? "next" : "plain"}
      minH={{ base: "46px", lg: "56px" }}
      px="2"
      onClick={(event) => {
        event.preventDefault();
        act(event);
      }}
      {...(!text && { "aria-label": `${onward}: ${onwardTo}` })}
    >
      {text ? (state.entry && !props.again ? "Correct" : "Save") : onward}
    </Button>
  );

  return (
    <chakra.form
      display="contents"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) save();
        else if (state.entry) goOn();
      }}
    >
      <Box px={{ base: "3", lg: "0" }}>
        <Flex align="center" gap="3">
          <Big
            ref={input}
            data-reading
            value={text}
            inputMode={byThumb ? "none" : "decimal"}
            autoComplete="off"
            spellCheck={false}
            aria-label={`${step.title}, ${unit}`}
            aria-invalid={state.refusal !== undefined}
            aria-describedby="reading-problem"
            placeholder={before}
            onChange={(event) => set(event.target.value)}
          />
          <Text className="num" fontSize="2xl" color="faint" minW="2rem">
            {unit}
          </Text>
          {!byThumb && primary}
        </Flex>
        {step.units.length > 0 && BARE.test(text.trim()) && (
          <Flex
            role="group"
            aria-label="What the meter shows it in"
            gap="2"
            mt="2"
            align="center"
            wrap="wrap"
          >
            <Text color="faint">The meter shows</Text>
            {step.units.map((one) => (
              <Button key={one} className="num" minW="64px" minH="48px" px="2" onClick={() => save(one)}>
                {text.trim()} {one}
              </Button>
            ))}
          </Flex>
        )}
        {step.counts && <Flashes count={text} set={set} />}
        {tags.fields && (byThumb ? <SayMore>{tags.fields}</SayMore> : tags.fields)}
        {state.refusal && <Problem id="reading-problem">{state.refusal.message}</Problem>}
      </Box>
      {verdict}
      {byThumb && (
        <Keypad keys={step.keys} typed={held} set={set}>
          {primary}
        </Keypad>
      )}
    </chakra.form>
  );
}

/** Flashes counted with a thumb while the eyes stay on the light. */
function Flashes({ count, set }: { count: string; set: (text: string) => void }) {
  const now = Number(count) || 0;
  return (
    <Flex gap="2" mt="2" wrap="wrap">
      <Button minH="60px" minW="12rem" onClick={() => set(String(now + 1))}>
        Tap at each flash
      </Button>
      <Button onClick={() => set("")}>Count again</Button>
    </Flex>
  );
}

/** What is said along with a number, on a phone only when asked for: the keypad needs the glass. */
function SayMore({ children }: { children: React.ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button look="quiet" px="0" aria-expanded={open} onClick={() => setOpen(!open)}>
        Say more about this reading
      </Button>
      {open && children}
    </>
  );
}
