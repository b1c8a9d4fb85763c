/** Opening a visit that nobody scheduled. */
import { Box, Flex, Heading } from "@chakra-ui/react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";

import { fieldErrors, type FieldError, type Schemas } from "../../api/client";
import { useDraft } from "../../api/draft";
import { parsed } from "../../api/stored";
import { queries } from "../../api/queries";
import { useEntries } from "../../device/entries";
import { addUnit, openVisit, unitsHere } from "../../device/opening";
import { useReached } from "../../device/reach";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem, TextInput } from "../../shell/fields";
import { say } from "../../shell/toast";
import { UnitSearch } from "../../shell/UnitSearch";
import { BeganOptions, ComplaintOptions, PeopleOptions } from "./choices";
import { fromInput } from "../../times";

type Opening = Schemas["OpenVisit"];
type Form = Pick<Opening, "unit" | "complaint" | "began"> & { when: string; technician: string };

interface Props {
  units: Schemas["UnitChoice"][];
  people: Schemas["PersonChoice"][];
  /** The day that is looked at, empty where it is today. */
  day: string;
  /** The unit it is for, where that is known already. */
  unit?: string;
}

/** As many as the day's list brings along. */
const MOST_LISTED = 200;

export function NewVisit({ units, people, day, unit: known = "" }: Props) {
  const form = useForm<Form>({
    defaultValues: { unit: known, complaint: "maintenance", began: "", when: "", technician: "" },
    values: { unit: known, complaint: "maintenance", began: "", when: day && `${day}T09:00`, technician: "" },
    resetOptions: { keepDirtyValues: true },
  });
  const [problem, setProblem] = useState("");
  const [found, setFound] = useState<{ id: string; name: string } | null>(null);
  const go = useNavigate();
  const added = unitsHere(useEntries());
  // With signal a unit that was added is on the list in a moment.
  const here = useReached() ? [] : added;

  const open = async ({ unit, complaint, began, when, technician }: Form) => {
    try {
      const planned = when === "" ? {} : { scheduled_for: fromInput(when) };
      const whose = technician === "" ? {} : { technician: Number(technician) };
      const id = await openVisit({ unit, complaint, began, notes: "", ...planned, ...whose });
      await queries.invalidateQueries({ queryKey: ["today"] });
      form.reset();
      if (when === "") await go(`/visits/${id}`);
      else say("The visit is on the list.");
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };

  return (
    <Box as="section" aria-label="Open a visit" borderTopWidth="1px" borderColor="edge" pt="4">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="2">
        Open a visit
      </Heading>
      <form onSubmit={(event) => void form.handleSubmit(open)(event)}>
        <Flex gap="3" align="end" wrap="wrap">
          {known === "" && (
            <Field label="Unit" flex="1 1 16rem">
              <Choice required {...form.register("unit")}>
                <option value="">Choose a unit</option>
                {found && <option value={found.id}>{found.name}</option>}
                {[...here, ...units].map((unit) => (
                  <option key={unit.id} value={unit.id}>
                    {unit.site}, {unit.unit}
                  </option>
                ))}
              </Choice>
            </Field>
          )}
          <Field label="Complaint" flex="1 1 14rem">
            <Choice {...form.register("complaint")}>
              <ComplaintOptions />
            </Choice>
          </Field>
          <Field label="Began" flex="0 1 10rem">
            <Choice {...form.register("began")}>
              <BeganOptions />
            </Choice>
          </Field>
          <Field label="When, if not now" flex="0 1 12rem">
            <TextInput type="datetime-local" {...form.register("when")} />
          </Field>
          <Field label="Technician" flex="0 1 10rem">
            <Choice {...form.register("technician")}>
              <option value="">you</option>
              <PeopleOptions people={people} />
            </Choice>
          </Field>
          <Button type="submit" disabled={form.formState.isSubmitting}>
            Open
          </Button>
        </Flex>
        {known === "" && units.length >= MOST_LISTED && (
          <UnitSearch
            label={`The list holds the first ${units.length}. Find another`}
            chosen=""
            choose={(id, name) => {
              setFound({ id, name });
              form.setValue("unit", id, { shouldDirty: true });
            }}
          />
        )}
        {problem && <Problem id="new-visit-problem">{problem}</Problem>}
      </form>
      {known === "" && <NewUnit added={(id) => form.setValue("unit", id, { shouldDirty: true })} />}
    </Box>
  );
}

const ABOUT: [string, string, number][] = [
  ["site", "Site, as you call it", 120],
  ["address", "Address", 200],
  ["label", "Which unit there", 80],
  ["serial", "Serial, if it can be read", 40],
];

/** A unit that is not in the list yet. */
function NewUnit({ added }: { added: (id: string) => void }) {
  const [draft, setDraft] = useDraft("new unit");
  const typed = parsed<Record<string, string>>(draft, {});
  const [open, setOpen] = useState(draft !== "");
  const [errors, setErrors] = useState<FieldError[]>([]);
  const add = async () => {
    try {
      const id = await addUnit({ site: "", address: "", label: "", serial: "", ...typed });
      await queries.invalidateQueries({ queryKey: ["today"] });
      added(id);
      setDraft("");
      setErrors([]);
      setOpen(false);
    } catch (error) {
      setErrors(fieldErrors(error));
    }
  };
  if (!open)
    return (
      <Button look="quiet" mt="2" onClick={() => setOpen(true)}>
        Add a new unit
      </Button>
    );
  const at = (name: string) => errors.find(({ field }) => field.split(".").at(-1) === name)?.message;
  const other = errors.find((one) => !ABOUT.some(([name]) => one.field.split(".").at(-1) === name));
  return (
    <Box as="section" aria-label="A new unit" mt="4">
      <Flex gap="3" wrap="wrap" align="start">
        {ABOUT.map(([name, label, most]) => (
          <Field label={label} key={name} flex="1 1 13rem" problem={at(name)}>
            <TextInput
              maxLength={most}
              value={typed[name] ?? ""}
              onChange={(event) => setDraft(JSON.stringify({ ...typed, [name]: event.target.value }))}
            />
          </Field>
        ))}
      </Flex>
      <Flex gap="3" mt="2" align="center">
        <Button onClick={() => void add()}>Add the unit</Button>
        <Button look="quiet" onClick={() => setOpen(false)}>
          Cancel
        </Button>
        {other && <Problem id="unit-problem">{other.message}</Problem>}
      </Flex>
    </Box>
  );
}
