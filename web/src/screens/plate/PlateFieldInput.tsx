/** One field of the plate: its value, or that it cannot be read. */
import { Flex, Text } from "@chakra-ui/react";
import { useWatch, type UseFormReturn } from "react-hook-form";

import { Choice, FieldProblem, TextArea, TextInput } from "../../shell/controls";
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
  const id = `plate-${field.name}`;
  const marks = { id, "aria-invalid": problem !== undefined, "aria-describedby": `${id}-problem` };
  return (
    <Flex
      direction="column"
      justify={field.lines ? "flex-start" : "flex-end"}
      gridColumn={field.wide ? { sm: "span 2" } : undefined}
    >
      <Flex justify="space-between" align="baseline">
        <label htmlFor={id}>{field.label}</label>
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
        <Choice {...marks} {...form.register(name)}>
          <option value="">{unreadable ? "unreadable" : "not entered"}</option>
          {field.choices.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </Choice>
      ) : field.lines ? (
        <TextArea
          {...marks}
          rows={4}
          placeholder={field.lines.hint}
          maxLength={4000}
          {...form.register(name)}
        />
      ) : (
        <Flex align="center" gap="2">
          <TextInput
            {...marks}
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
      {problem && <FieldProblem id={`${id}-problem`}>{problem}</FieldProblem>}
    </Flex>
  );
}
