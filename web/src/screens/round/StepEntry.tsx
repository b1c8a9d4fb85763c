/** Typing a reading, or choosing what is seen. Enter keeps it; what was refused stays to be mended. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useLayoutEffect, useRef } from "react";

import type { Step } from "../../api/client";
import { useDraft } from "../../api/draft";
import { made } from "../../api/made";
import { dismissReading, send } from "../../api/outbox";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { capital, clock } from "../../shell/words";
import { shown as asShown, useScale, withScale } from "../../theme/temperature";
import { meterInHand } from "./MeterChoice";
import type { PointState } from "./points";
import { useTags, type Said } from "./Tags";

interface Props {
  visit: string;
  step: Step;
  state: PointState;
  kept: (point: string) => void;
}

export function StepEntry(props: Props) {
  return props.step.kind === "number" ? <NumberEntry {...props} /> : <SeenEntry {...props} />;
}

/** Send what was typed for a step; a reading that already stands is superseded by it. */
function keep({ visit, step, state }: Props, typed: string, said: Said = NOTHING_SAID): void {
  dismissReading(visit, step.point);
  const meter = step.kind === "number" ? meterInHand() : "";
  send({
    kind: "reading",
    visit,
    body: {
      ...made(visit),
      point: step.point,
      typed,
      meter,
      ...said,
      supersedes: supersedes(step, state, said),
    },
  });
}

const NOTHING_SAID: Said = { by: "", fitted: "", turns: 1, top: null };

/** What a new reading takes the place of; a peak with another start device fitted is another reading. */
function supersedes(step: Step, state: PointState, said: Said): string | null {
  const same = step.tags.length === 0 || (state.entry?.by === said.by && state.entry.fitted === said.fitted);
  return same ? (state.entry?.id ?? null) : null;
}

const Big = chakra("input", {
  base: {
    fontFamily: "mono",
    fontWeight: "700",
    fontSize: "44px",
    lineHeight: "1",
    w: "15rem",
    maxW: "100%",
    px: "3",
    h: "72px",
    bg: "paper",
    color: "ink",
    borderWidth: "2px",
    borderColor: "copper",
    _placeholder: { color: "faint", opacity: 1 },
    _invalid: { borderColor: "brick" },
  },
});

/** A number without a unit. */
const BARE = /^\d+(?:[.,]\d*)?$/;

function NumberEntry(props: Props) {
  const { visit, step, state, kept } = props;
  const [typed, setTyped] = useDraft(`${visit} ${step.point}`);
  const input = useRef<HTMLInputElement>(null);
  const refused = state.refusal?.write.kind === "reading" ? state.refusal.write.body.typed : undefined;
  const shown = typed || (refused ?? "");
  const tags = useTags(visit, step, shown);
  const [scale] = useScale();
  const [before, unit] = asShown(state.entry?.value ?? "", step.unit, step.point, scale);
  // Before the next key: what is typed ahead must land here.
  useLayoutEffect(() => {
    input.current?.focus({ preventScroll: true });
  }, [step.point]);

  const submit = (unit = "") => {
    keep(props, withScale(unit ? `${shown.trim()} ${unit}` : shown, step.unit), tags.said);
    setTyped("");
    tags.forget();
    if (shown.trim()) kept(step.point);
  };

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Flex align="center" gap="3" wrap="wrap">
        <Big
          ref={input}
          data-reading
          value={shown}
          inputMode="decimal"
          autoComplete="off"
          spellCheck={false}
          aria-label={`${step.title}, ${unit}`}
          aria-invalid={state.refusal !== undefined}
          aria-describedby="reading-problem"
          placeholder={before}
          onChange={(event) => {
            dismissReading(visit, step.point);
            setTyped(event.target.value);
          }}
        />
        <Text className="num" fontSize="2xl" color="faint">
          {unit}
        </Text>
        <Button type="submit" look={shown || !state.entry ? "next" : "plain"} minH="56px">
          {state.entry ? "Correct" : "Save"}
        </Button>
        {state.entry && (
          <Text fontSize="sm" color="faint">
            saved {clock(state.entry.at)} by {state.entry.by_whom}
          </Text>
        )}
      </Flex>
      {step.units.length > 0 && BARE.test(shown.trim()) && (
        <Flex role="group" aria-label="What the meter shows it in" gap="2" mt="2" align="center" wrap="wrap">
          <Text color="faint">The meter shows</Text>
          {step.units.map((one) => (
            <Button key={one} className="num" minW="64px" minH="52px" onClick={() => submit(one)}>
              {shown.trim()} {one}
            </Button>
          ))}
        </Flex>
      )}
      {step.counts && <Flashes count={shown} set={setTyped} />}
      {tags.fields}
      {state.refusal && <Problem id="reading-problem">{state.refusal.errors[0]?.message}</Problem>}
    </form>
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

function SeenEntry(props: Props) {
  const { step, state, kept } = props;
  return (
    <Box>
      <Flex gap="2" wrap="wrap" role="group" aria-label={step.title}>
        {step.choices.map((choice, place) => (
          <Button
            key={choice}
            data-choice={place + 1}
            aria-pressed={state.entry?.value === choice}
            look={state.entry?.value === choice ? "next" : "plain"}
            minH="52px"
            onClick={() => {
              keep(props, choice);
              kept(step.point);
            }}
          >
            <Text as="span" className="num" mr="2" opacity="0.75">
              {place + 1}
            </Text>
            {capital(choice)}
          </Button>
        ))}
      </Flex>
      {state.refusal && <Problem id="seen-problem">{state.refusal.errors[0]?.message}</Problem>}
    </Box>
  );
}
