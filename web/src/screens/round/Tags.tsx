/** What is said along with a number: how a peak was caught and with what fitted, turns through the jaw, the range's top. */
import { Flex } from "@chakra-ui/react";

import type { Schemas, Step } from "../../api/client";
import { useDraft } from "../../api/draft";
import { Choice, Field, TextInput } from "../../shell/fields";
import { fromPrefixed } from "../../shell/prefix";

export type Said = Pick<Schemas["TypedReading"], "by" | "fitted" | "turns" | "top">;

const WORDS = {
  by: {
    name: "Caught by",
    choices: [
      ["", "not stated"],
      ["inrush", "true inrush"],
      ["max-hold", "max-hold"],
    ],
  },
  fitted: {
    name: "Start device",
    choices: [
      ["", "not stated"],
      ["none", "none"],
      ["two-wire", "two-wire kit"],
      ["relay", "relay kit"],
    ],
  },
} as const;

/** The tags of a step, kept as drafts until the reading is sent; and the fields to say them with. */
export function useTags(visit: string, step: Step, typed: string) {
  const [by, setBy] = useDraft(`${visit} ${step.point} by`);
  const [fitted, setFitted] = useDraft(`${visit} ${step.point} fitted`);
  const [turns, setTurns] = useDraft(`${visit} ${step.point} turns`);
  const [top, setTop] = useDraft(`${visit} ${step.point} top`);
  const overRange = /^\s*(o\.?l|0l|over|inf)/i.test(typed);
  const said: Said = {
    by: step.tags.includes("by") ? (by as Said["by"]) : "",
    fitted: step.tags.includes("fitted") ? (fitted as Said["fitted"]) : "",
    turns: step.clamp && /^[1-9]\d?$/.test(turns.trim()) ? Number(turns) : 1,
    top: overRange ? fromPrefixed(top) || null : null,
  };
  const fields = (
    <Flex gap="4" wrap="wrap" mt="2" align="end">
      {(["by", "fitted"] as const)
        .filter((tag) => step.tags.includes(tag))
        .map((tag) => (
          <Field label={WORDS[tag].name} key={tag}>
            <Choice
              w="10rem"
              value={tag === "by" ? by : fitted}
              onChange={(event) => (tag === "by" ? setBy : setFitted)(event.target.value)}
            >
              {WORDS[tag].choices.map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </Choice>
          </Field>
        ))}
      {step.clamp && (
        <Field label="Turns through the jaw">
          <TextInput
            className="num"
            w="6rem"
            inputMode="numeric"
            maxLength={2}
            placeholder="1"
            value={turns}
            onChange={(event) => setTurns(event.target.value)}
          />
        </Field>
      )}
      {overRange && (
        <Field label={<>Top of the range, {step.unit}</>}>
          <TextInput
            className="num"
            w="10rem"
            inputMode="text"
            maxLength={12}
            placeholder="such as 40 M"
            value={top}
            onChange={(event) => setTop(event.target.value)}
          />
        </Field>
      )}
    </Flex>
  );
  const any = step.tags.length > 0 || step.clamp || overRange;
  return { said, fields: any ? fields : null, forget: () => [setTurns, setTop].forEach((set) => set("")) };
}
