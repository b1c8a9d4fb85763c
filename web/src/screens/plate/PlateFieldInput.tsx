/** One field of the plate: its value, or that it cannot be read; what the others say it must be stands beside it. */
import { chakra, Field, Flex, Text } from "@chakra-ui/react";
import { useWatch, type UseFormReturn } from "react-hook-form";

import type { Finding } from "../../api/client";
import { Choice, TextArea, TextInput } from "../../shell/fields";
import type { PlateField } from "./plateFields";
import { key, type PlateTyped } from "./plateForm";

const CANNOT = "cannot read it";
/** Typed in place of a value, it says the same. */
const ASKED = "?";

const Cannot = chakra("button", {
  base: {
    flex: "none",
    minH: "44px",
    minW: "44px",
    px: "2",
    fontSize: "sm",
    borderWidth: "1px",
    borderColor: "edge",
    color: "faint",
    cursor: "pointer",
    _pressed: { bg: "ochre", color: "paper", borderColor: "ochre" },
  },
});

interface Props {
  field: PlateField;
  form: UseFormReturn<PlateTyped>;
  problem: string | undefined;
  recovered: Finding | undefined;
}

export function PlateFieldInput({ field, form, problem, recovered }: Props) {
  const name = `fields.${key(field.name)}` as const;
  const flag = `unreadable.${key(field.name)}` as const;
  const unreadable = useWatch({ control: form.control, name: flag });
  const value = useWatch({ control: form.control, name });
  const mark = (cannot: boolean) => {
    form.setValue(flag, cannot, { shouldDirty: true });
    if (cannot) form.setValue(name, "", { shouldDirty: true });
  };
  const typed = form.register(name, {
    onChange: (event: { target: { value: string } }) => {
      const said = event.target.value;
      if (said === ASKED || said === CANNOT) mark(true);
      else if (said !== "") mark(false);
    },
  });
  const button = (
    // Not in the tab order: a question mark in the field says the same.
    <Cannot
      type="button"
      tabIndex={-1}
      aria-pressed={unreadable}
      aria-label={`${field.label}: cannot read it`}
      title="cannot read it; or type ?"
      onClick={() => mark(!unreadable)}
    >
      ?
    </Cannot>
  );
  return (
    <Field.Root
      invalid={problem !== undefined}
      justifyContent={field.lines ? "flex-start" : "flex-end"}
      {...((field.wide || field.lines) && { gridColumn: "span 2" })}
    >
      <Field.Label>{field.label}</Field.Label>
      {field.choices ? (
        <Choice {...typed} value={unreadable ? CANNOT : value}>
          <option value="">not entered</option>
          {field.choices.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
          <option value={CANNOT}>{CANNOT}</option>
        </Choice>
      ) : field.lines ? (
        <TextArea rows={4} placeholder={field.lines.hint} maxLength={4000} {...typed} />
      ) : (
        <Flex align="center" gap="1.5">
          <TextInput
            className="num"
            inputMode={field.numeric ? "decimal" : "text"}
            autoComplete="off"
            placeholder={unreadable ? CANNOT : ""}
            maxLength={field.wide ? 400 : 40}
            minW="0"
            {...typed}
          />
          {field.unit && (
            <Text className="num" color="faint" flexShrink="0">
              {field.unit}
            </Text>
          )}
          {button}
        </Flex>
      )}
      {recovered && (
        <Text fontSize="sm" color="frost">
          {recovered.why}
        </Text>
      )}
      {problem && <Field.ErrorText role="alert">{problem}</Field.ErrorText>}
    </Field.Root>
  );
}
