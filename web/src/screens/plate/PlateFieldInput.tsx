/** One field of the plate: its value, or that it cannot be read. */
import { Field, Flex, Text } from "@chakra-ui/react";
import { useWatch, type UseFormReturn } from "react-hook-form";

import { Choice, TextArea, TextInput } from "../../shell/fields";
import type { PlateField } from "./plateFields";
import { key, type PlateTyped } from "./plateForm";

interface Props {
  field: PlateField;
  form: UseFormReturn<PlateTyped>;
  problem: string | undefined;
}

export function PlateFieldInput({ field, form, problem }: Props) {
  const name = `fields.${key(field.name)}` as const;
  const flag = `unreadable.${key(field.name)}` as const;
  const unreadable = useWatch({ control: form.control, name: flag });
  return (
    <Field.Root
      invalid={problem !== undefined}
      justifyContent={field.lines ? "flex-start" : "flex-end"}
      {...(field.wide && { gridColumn: { sm: "span 2" } })}
    >
      <Flex justify="space-between" align="baseline">
        <Field.Label>{field.label}</Field.Label>
        <Flex
          as="label"
          fontSize="sm"
          color={unreadable ? "ochre" : "faint"}
          gap="1"
          align="center"
          minH="28px"
          cursor="pointer"
        >
          <input type="checkbox" aria-label={`${field.label}: unreadable`} {...form.register(flag)} />
          unreadable
        </Flex>
      </Flex>
      {field.choices ? (
        <Choice {...form.register(name)}>
          <option value="">{unreadable ? "unreadable" : "not entered"}</option>
          {field.choices.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </Choice>
      ) : field.lines ? (
        <TextArea rows={4} placeholder={field.lines.hint} maxLength={4000} {...form.register(name)} />
      ) : (
        <Flex align="center" gap="2">
          <TextInput
            className="num"
            inputMode={field.numeric ? "decimal" : "text"}
            autoComplete="off"
            placeholder={unreadable ? "unreadable" : ""}
            maxLength={field.wide ? 400 : 40}
            {...form.register(name)}
          />
          {field.unit && (
            <Text className="num" color="faint" minW="2.4rem">
              {field.unit}
            </Text>
          )}
        </Flex>
      )}
      {problem && <Field.ErrorText role="alert">{problem}</Field.ErrorText>}
    </Field.Root>
  );
}
