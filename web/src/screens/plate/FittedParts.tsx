/** The run capacitors found in the unit, by their own labels: what is fitted against what the plate asks. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useFieldArray, useWatch, type UseFormReturn } from "react-hook-form";

import type { FieldError } from "../../api/client";
import { Button } from "../../shell/controls";
import { Choice, Field, TextInput } from "../../shell/fields";
import type { PlateTyped } from "./plateForm";

const NEW = { section: "both", uf: "", fan_uf: "", vac: "", tolerance_pct: "", duty: "run", add_on: false };

export function FittedParts({ form, errors }: { form: UseFormReturn<PlateTyped>; errors: FieldError[] }) {
  const parts = useFieldArray({ control: form.control, name: "fitted" });
  return (
    <Box as="section" aria-label="Fitted capacitors" borderTopWidth="1px" borderColor="edge" pt="3" mb="5">
      <Heading as="h2" fontSize="md" mb="1">
        Fitted, by the parts’ own labels
      </Heading>
      {parts.fields.length === 0 && (
        <Text color="faint" mb="2">
          None recorded: readings are held against the plate.
        </Text>
      )}
      {parts.fields.map((part, place) => (
        <PartRow key={part.id} form={form} place={place} errors={errors} remove={() => parts.remove(place)} />
      ))}
      <Button onClick={() => parts.append(NEW)}>Add a fitted capacitor</Button>
    </Box>
  );
}

interface RowProps {
  form: UseFormReturn<PlateTyped>;
  place: number;
  errors: FieldError[];
  remove: () => void;
}

function PartRow({ form, place, errors, remove }: RowProps) {
  const section = useWatch({ control: form.control, name: `fitted.${place}.section` });
  const problem = (name: string) =>
    errors.find(({ field }) => field.endsWith(`fitted.${place}.${name}`))?.message;
  const cell = (name: "uf" | "fan_uf" | "vac" | "tolerance_pct", label: string) => (
    <Field label={label} flex="1 1 6rem" problem={problem(name)}>
      <TextInput
        className="num"
        inputMode="decimal"
        maxLength={20}
        {...form.register(`fitted.${place}.${name}`)}
      />
    </Field>
  );
  return (
    <Flex gap="3" align="end" wrap="wrap" mb="3" pb="3" borderBottomWidth="1px" borderColor="rule">
      <Field label="Serves" flex="1 1 9rem">
        <Choice {...form.register(`fitted.${place}.section`)}>
          <option value="both">HERM and FAN, dual</option>
          <option value="herm">HERM</option>
          <option value="fan">FAN</option>
        </Choice>
      </Field>
      {cell("uf", section === "both" ? "HERM, µF" : "µF")}
      {section === "both" && cell("fan_uf", "FAN, µF")}
      {cell("vac", "V")}
      {cell("tolerance_pct", "± %")}
      <Field label="Rated for" flex="1 1 6rem">
        <Choice {...form.register(`fitted.${place}.duty`)}>
          <option value="run">run</option>
          <option value="start">start</option>
        </Choice>
      </Field>
      <Flex as="label" align="center" gap="2" minH="44px">
        <input type="checkbox" {...form.register(`fitted.${place}.add_on`)} /> strapped in parallel
      </Flex>
      <Button onClick={remove}>Remove</Button>
    </Flex>
  );
}
