/** The day's temperatures and humidity: some rules and the frost outlook ask for them. */
import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";

import { fieldErrors, type FieldError, type VisitShown } from "../../api/client";
import { useDraft } from "../../api/draft";
import { parsed } from "../../api/stored";
import { act } from "../../device/act";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";
import { kept, shown, useScale } from "../../theme/temperature";

const FIELDS = [
  ["outdoor_f", "Outdoors", "°F"],
  ["indoor_f", "Indoors", "°F"],
  ["outdoor_rh", "Humidity outdoors", "%"],
] as const;

export function DaysConditions({ visit }: { visit: VisitShown }) {
  const [draft, setDraft] = useDraft(`${visit.id} conditions`);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [scale] = useScale();
  const now = visit.round.conditions;
  const typed = parsed<Record<string, string>>(draft, {});
  const text = (name: (typeof FIELDS)[number][0], unit: string) => {
    const value = now[name];
    return typed[name] ?? (value == null ? "" : shown(String(value), unit, name, scale)[0]);
  };
  const save = async () => {
    const conditions = Object.fromEntries(
      FIELDS.map(([name, , unit]) => [name, kept(text(name, unit), unit, scale)]),
    ) as typeof now;
    try {
      await act(visit.id, { kind: "conditions", conditions });
      setDraft("");
      setErrors([]);
    } catch (error) {
      setErrors(fieldErrors(error, " What you typed is stored on this device."));
    }
  };
  return (
    <Box as="section" aria-label="The day" mb="5">
      <Flex gap="4" wrap="wrap" align="end">
        {FIELDS.map(([name, label, unit]) => {
          const problem = errors.find(({ field }) => field.endsWith(name))?.message;
          return (
            <Field
              label={`${label}, ${unit === "°F" ? scale : unit}`}
              problem={problem}
              key={name}
              flex="0 1 10rem"
            >
              <TextInput
                className="num"
                inputMode="decimal"
                maxLength={10}
                disabled={visit.round.finished_at != null}
                value={text(name, unit)}
                onChange={(event) => setDraft(JSON.stringify({ ...typed, [name]: event.target.value }))}
              />
            </Field>
          );
        })}
        {draft !== "" && (
          <Button look="next" onClick={() => void save()}>
            Save conditions
          </Button>
        )}
      </Flex>
      {errors.some(({ field }) => !FIELDS.some(([name]) => field.endsWith(name))) && (
        <Problem id="day-problem">{errors[0]?.message}</Problem>
      )}
    </Box>
  );
}
