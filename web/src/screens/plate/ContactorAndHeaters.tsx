/** The fitted contactor by its own label, and the aux heat elements one by one. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";

import type { FieldError } from "../../api/client";
import { Button } from "../../shell/controls";
import { Field, TextInput } from "../../shell/fields";
import type { PlateTyped } from "./plateForm";

interface Props {
  form: UseFormReturn<PlateTyped>;
  errors: FieldError[];
}

export function ContactorAndHeaters({ form, errors }: Props) {
  const elements = useFieldArray({ control: form.control, name: "elements" });
  const problem = (place: string) => errors.find(({ field }) => field.endsWith(place))?.message;
  const cell = (
    name:
      `contactor.${"poles" | "amps" | "coil_v"}` | `elements.${number}.${"kw" | "volts" | "disconnected"}`,
    label: string,
    place: string,
  ) => (
    <Field label={label} key={name} flex="1 1 7rem" problem={problem(place)}>
      <TextInput
        className={name.endsWith("disconnected") ? undefined : "num"}
        inputMode={name.endsWith("disconnected") ? "text" : "decimal"}
        maxLength={name.endsWith("disconnected") ? 120 : 20}
        {...form.register(name)}
      />
    </Field>
  );
  return (
    <Box
      as="section"
      aria-label="Fitted contactor and aux heat"
      borderTopWidth="1px"
      borderColor="edge"
      pt="3"
      mb="5"
    >
      <Heading as="h2" fontSize="md" mb="2">
        Fitted contactor, by its own label
      </Heading>
      <Flex gap="3" wrap="wrap" mb="4" align="end">
        {cell("contactor.poles", "Poles", "contactor_fitted.poles")}
        {cell("contactor.amps", "Amps", "contactor_fitted.amps")}
        {cell("contactor.coil_v", "Coil, V", "contactor_fitted.coil_v")}
      </Flex>
      <Heading as="h2" fontSize="md" mb="2">
        Aux heat elements
      </Heading>
      {elements.fields.length === 0 && (
        <Text color="faint" mb="2">
          None recorded.
        </Text>
      )}
      {elements.fields.map((element, index) => (
        <Flex key={element.id} gap="3" wrap="wrap" mb="3" align="end">
          {cell(`elements.${index}.kw`, "kW", `elements.${index}.kw`)}
          {cell(`elements.${index}.volts`, "V", `elements.${index}.volts`)}
          {cell(`elements.${index}.disconnected`, "Disconnected, why", `elements.${index}.disconnected`)}
          <Button onClick={() => elements.remove(index)}>Remove</Button>
        </Flex>
      ))}
      <Button onClick={() => elements.append({ kw: "", volts: "240", disconnected: "" })}>
        Add an element
      </Button>
    </Box>
  );
}
