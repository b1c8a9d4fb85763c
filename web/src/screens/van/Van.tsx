/** One's own van: the capacitors on it, counted by hand, counted down by repairs, and beside them what the next weeks will ask for. */
import { Box, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useFieldArray, useWatch, type UseFormReturn } from "react-hook-form";

import { api, data, type FieldError, type Schemas } from "../../api/client";
import { queries, useWatch as useWatchList } from "../../api/queries";
import { remembered } from "../../device/remember";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { useDraftForm } from "../../shell/draftForm";
import { Choice, Field, Problem, TextInput } from "../../shell/fields";
import { say } from "../../shell/toast";
import { StockFor } from "../watch/StockFor";
import { EMPTY, typedVan, vanFrom, type VanTyped } from "./vanForm";

type VanShown = Schemas["VanShown"];

export default function VanScreen() {
  const van = useQuery({
    queryKey: ["van"],
    queryFn: () => remembered("van", () => data(api.GET("/api/v1/van"))),
  });
  const list = useWatchList("", 0);
  return (
    <>
      <Bar title="Your van">
        <Text color="onBarFaint">Your van</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="76rem">
        <Heading as="h1" fontSize="2xl" mb="1">
          Your van
        </Heading>
        <Text color="faint" mb="5" maxW="46rem">
          Capacitors you carry. A replacement is offered from these, and one that you put in is counted down.
        </Text>
        {van.isPending && <Text>Opening …</Text>}
        {van.isError && <Text color="brick">{van.error.message}</Text>}
        <Grid templateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 20rem" }} gap="8" alignItems="start">
          {van.data && <Form key={JSON.stringify(van.data)} shown={van.data} />}
          {list.data && <StockFor list={list.data} />}
        </Grid>
      </Box>
    </>
  );
}

function Form({ shown }: { shown: VanShown }) {
  const kept = typedVan(shown.parts);
  const { form, changed, errors, attempt, basis, settle, forget } = useDraftForm<VanTyped>(
    "van",
    kept,
    shown.version,
  );
  const parts = useFieldArray({ control: form.control, name: "parts" });
  const save = (typed: VanTyped) =>
    attempt(async () => {
      const answer = await data(
        api.PUT("/api/v1/van", { body: { parts: vanFrom(typed), version: basis() } }),
      );
      settle(typedVan(answer.parts), answer.version);
      queries.setQueryData(["van"], answer);
      void queries.invalidateQueries({ queryKey: ["watch"] });
      void queries.invalidateQueries({ queryKey: ["visit"] });
      say("Saved.");
    });
  const general = errors.find(({ field }) => !/parts\.\d+\./.test(field));
  return (
    <form onSubmit={(event) => void form.handleSubmit(save)(event)}>
      {parts.fields.map((part, place) => (
        <OnePart key={part.id} form={form} place={place} errors={errors} remove={() => parts.remove(place)} />
      ))}
      <Flex gap="3" wrap="wrap" align="center" mt="3">
        <Button onClick={() => parts.append(EMPTY)}>Add a part</Button>
        <Button type="submit" look="next">
          Save
        </Button>
        {changed && (
          <Button look="quiet" onClick={forget}>
            Discard changes
          </Button>
        )}
      </Flex>
      {general && <Problem id="van-problem">{general.message}</Problem>}
    </form>
  );
}

interface PartProps {
  form: UseFormReturn<VanTyped>;
  place: number;
  errors: FieldError[];
  remove: () => void;
}

function OnePart({ form, place, errors, remove }: PartProps) {
  const typed = useWatch({ control: form.control, name: `parts.${place}` });
  const at = (name: string) => errors.find(({ field }) => field.endsWith(`parts.${place}.${name}`))?.message;
  const count = Number(typed.count);
  const by = (more: number) =>
    form.setValue(`parts.${place}.count`, String(Math.max(0, (Number.isInteger(count) ? count : 0) + more)), {
      shouldDirty: true,
    });
  const name = `${typed.uf || "new"}${typed.fan_uf && ` + ${typed.fan_uf}`} µF`;
  return (
    <Flex
      as="section"
      aria-label={name}
      gap="3"
      wrap="wrap"
      align="end"
      borderTopWidth="1px"
      borderColor="rule"
      py="2"
    >
      <Field label="Duty" flex="0 1 6.5rem">
        <Choice {...form.register(`parts.${place}.duty`)}>
          <option value="run">run</option>
          <option value="start">start</option>
        </Choice>
      </Field>
      <Typed form={form} place={place} name="uf" label="µF" problem={at("uf")} />
      <Typed form={form} place={place} name="fan_uf" label="FAN µF" problem={at("fan_uf")} />
      <Typed form={form} place={place} name="vac" label="Volts" problem={at("vac")} />
      <Flex align="end" gap="1">
        <Button aria-label={`One ${name} less`} onClick={() => by(-1)}>
          −
        </Button>
        <Typed form={form} place={place} name="count" label="Count" problem={at("count")} />
        <Button aria-label={`One ${name} more`} onClick={() => by(1)}>
          +
        </Button>
      </Flex>
      <Button look="quiet" onClick={remove}>
        Remove
      </Button>
    </Flex>
  );
}

interface TypedProps {
  form: UseFormReturn<VanTyped>;
  place: number;
  name: "uf" | "fan_uf" | "vac" | "count";
  label: string;
  problem: string | undefined;
}

const Typed = ({ form, place, name, label, problem }: TypedProps) => (
  <Field label={label} flex="0 1 5.5rem" problem={problem}>
    <TextInput
      className="num"
      inputMode="decimal"
      maxLength={8}
      {...form.register(`parts.${place}.${name}`)}
    />
  </Field>
);
