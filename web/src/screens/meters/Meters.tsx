/** The company's meters: accuracy by unit and range, and when their calibration is due. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useFieldArray, useWatch, type UseFormReturn } from "react-hook-form";

import { api, data, type FieldError } from "../../api/client";
import { queries, useMeters } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem, TextInput } from "../../shell/fields";
import { useDraftForm } from "../../shell/draftForm";
import { metersFrom, typedMeters, UNITS, type MetersShown, type MetersTyped } from "./metersForm";

export default function MetersScreen() {
  const meters = useMeters();
  return (
    <>
      <Bar title="Meters">
        <Text color="onBarFaint">Meters</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="66rem">
        <Heading as="h1" fontSize="2xl" mb="1">
          Meters
        </Heading>
        <Text color="faint" mb="5" maxW="46rem">
          A reading’s band comes from its meter: percent of reading plus counts of the last digit, for the
          smallest range that holds it. Without a meter, a usual hand meter’s accuracy is assumed. A reading
          taken after the calibration day says so.
        </Text>
        {meters.isPending && <Text>Opening …</Text>}
        {meters.isError && <Text color="brick">{meters.error.message}</Text>}
        {meters.data && <Form key={JSON.stringify(meters.data.meters)} shown={meters.data} />}
      </Box>
    </>
  );
}

function Form({ shown }: { shown: MetersShown }) {
  const { form, changed, errors, attempt, settle, forget } = useDraftForm<MetersTyped>(
    "meters",
    typedMeters(shown),
  );
  const meters = useFieldArray({ control: form.control, name: "meters" });
  const save = (typed: MetersTyped) =>
    attempt(async () => {
      const body = { meters: metersFrom(typed) };
      const kept = await data(api.PUT("/api/v1/company/meters", { body }));
      settle(typedMeters(kept));
      queries.setQueryData(["meters"], kept);
      void queries.invalidateQueries({ queryKey: ["visit"] });
    });
  return (
    <form onSubmit={(event) => void form.handleSubmit(save)(event)}>
      <fieldset disabled={!shown.may_change}>
        {!shown.may_change && <Text mb="4">Only a lead can change these.</Text>}
        {meters.fields.map((meter, place) => (
          <OneMeter key={meter.id} form={form} place={place} today={shown.today} errors={errors} />
        ))}
        {shown.may_change && (
          <Flex gap="3" wrap="wrap" align="center">
            <Button onClick={() => meters.append({ name: "", due: "", retired: false, ranges: [] })}>
              Add a meter
            </Button>
            <Button type="submit" look="next">
              Save meters
            </Button>
            {changed && (
              <Button look="quiet" onClick={forget}>
                Discard changes
              </Button>
            )}
            {errors.length > 0 && <Problem id="meters-problem">{errors[0]?.message}</Problem>}
          </Flex>
        )}
      </fieldset>
    </form>
  );
}

interface MeterProps {
  form: UseFormReturn<MetersTyped>;
  place: number;
  today: string;
  errors: FieldError[];
}

function OneMeter({ form, place, today, errors }: MeterProps) {
  const ranges = useFieldArray({ control: form.control, name: `meters.${place}.ranges` });
  const due = useWatch({ control: form.control, name: `meters.${place}.due` });
  const named = errors.find(({ field }) => field.endsWith(`meters.${place}.name`))?.message;
  const name = useWatch({ control: form.control, name: `meters.${place}.name` }) || "new meter";
  return (
    <Box as="section" aria-label={name} borderTopWidth="1px" borderColor="edge" pt="3" mb="6">
      <Flex gap="4" wrap="wrap" align="end" mb="3">
        <Field label="Name" flex="1 1 14rem" problem={named}>
          <TextInput maxLength={40} {...form.register(`meters.${place}.name`)} />
        </Field>
        <Field label="Calibration due" flex="0 1 12rem">
          <TextInput type="date" className="num" {...form.register(`meters.${place}.due`)} />
        </Field>
        <Flex as="label" align="center" gap="2" minH="44px">
          <input type="checkbox" {...form.register(`meters.${place}.retired`)} /> out of use
        </Flex>
        {due !== "" && due < today && (
          <Text color="ochre" fontWeight="700" minH="44px" display="flex" alignItems="center">
            Calibration overdue
          </Text>
        )}
      </Flex>
      {ranges.fields.map((range, row) => (
        <Flex key={range.id} gap="3" wrap="wrap" align="end" mb="2">
          <Field label="Measures" flex="0 1 8rem">
            <Choice {...form.register(`meters.${place}.ranges.${row}.unit`)}>
              {UNITS.map(([unit, words]) => (
                <option key={unit} value={unit}>
                  {words}
                </option>
              ))}
            </Choice>
          </Field>
          {(["top", "pct", "counts"] as const).map((field) => (
            <Field
              label={<>{{ top: "Range to", pct: "± % of reading", counts: "+ counts" }[field]}</>}
              key={field}
              flex="0 1 8rem"
            >
              <TextInput
                className="num"
                inputMode="decimal"
                maxLength={12}
                {...form.register(`meters.${place}.ranges.${row}.${field}`)}
              />
            </Field>
          ))}
          <Button onClick={() => ranges.remove(row)}>Remove</Button>
        </Flex>
      ))}
      <Button onClick={() => ranges.append({ unit: "uf", top: "", pct: "", counts: "" })}>Add a range</Button>
    </Box>
  );
}
