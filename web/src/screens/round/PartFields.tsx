/** The fields of a part that was put in: what it is, its rating, what it measured in the hand, where the old one goes. */
import { Flex, SimpleGrid } from "@chakra-ui/react";
import { useState } from "react";

import { Button } from "../../shell/controls";
import { Choice, Field, Problem, TextInput } from "../../shell/fields";
import { capital } from "../../shell/words";
import { amount, type Form, type Part, type Repair } from "./partForm";

/** What a technician puts in from the van, in the order of how often. */
const PARTS: Part[] = [
  "run capacitor",
  "contactor",
  "start capacitor",
  "potential relay",
  "start device",
  "fan motor",
  "control fuse",
  "fuse",
  "defrost board",
  "coil switch",
  "coil sensor",
  "ambient sensor",
  "valve coil",
  "reversing valve",
  "transformer",
  "thermostat",
  "pressure switch",
  "compressor lead",
  "wire",
  "aux element",
  "compressor",
];
const SECTIONS: Record<Repair["section"], string> = {
  both: "Both sections",
  herm: "HERM only",
  fan: "FAN only",
};
const OLD: Record<Repair["old_goes"], string> = {
  "": "Where the old one goes",
  customer: "To the customer",
  warranty: "Warranty",
  scrap: "Scrap",
  kept: "Kept on the van",
};

interface FieldsProps {
  form: Form;
  change: (more: Partial<Form>) => void;
  put: () => void;
  cancel: () => void;
}

export function PartFields({ form, change, put, cancel }: FieldsProps) {
  const [problem, setProblem] = useState("");
  const isRun = form.part === "run capacitor";
  const rated = isRun || form.part === "start capacitor";
  const wrong = [form.uf, form.fan_uf, form.vac].find((text) => text.trim() !== "" && amount(text) === null);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        setProblem(
          form.part === ""
            ? "Choose the part."
            : wrong === undefined
              ? ""
              : `“${wrong}” is not a rating. Use a number such as 55.`,
        );
        if (form.part !== "" && wrong === undefined) put();
      }}
    >
      <Field label="Part" mb="1">
        <Choice value={form.part} onChange={(event) => change({ part: event.target.value as Part })}>
          <option value="">Choose the part</option>
          {PARTS.map((part) => (
            <option key={part} value={part}>
              {capital(part)}
            </option>
          ))}
        </Choice>
      </Field>
      {isRun && (
        <OneOf label="Serves" words={SECTIONS} value={form.section} set={(section) => change({ section })} />
      )}
      {rated && (
        <SimpleGrid columns={3} gap="2">
          <Amount label={isRun ? "HERM, µF" : "µF"} value={form.uf} set={(uf) => change({ uf })} />
          {isRun && <Amount label="FAN, µF" value={form.fan_uf} set={(fan_uf) => change({ fan_uf })} />}
          <Amount label="Volts" value={form.vac} set={(vac) => change({ vac })} />
        </SimpleGrid>
      )}
      {isRun && (
        <SimpleGrid columns={2} gap="2">
          {form.section !== "fan" && (
            <Amount label="HERM in the hand" value={form.herm} set={(herm) => change({ herm })} />
          )}
          {form.section !== "herm" && (
            <Amount label="FAN in the hand" value={form.fan} set={(fan) => change({ fan })} />
          )}
        </SimpleGrid>
      )}
      <OneOf
        label="The old part"
        words={OLD}
        value={form.old_goes}
        set={(old_goes) => change({ old_goes })}
      />
      <Field label="Note" mb="1">
        <TextInput
          value={form.note}
          maxLength={200}
          onChange={(event) => change({ note: event.target.value })}
        />
      </Field>
      {problem && <Problem id="part-problem">{problem}</Problem>}
      <Flex gap="2" mt="2">
        <Button type="submit" look="next">
          Save
        </Button>
        <Button onClick={cancel}>Cancel</Button>
      </Flex>
    </form>
  );
}

interface OneOfProps<T extends string> {
  label: string;
  words: Record<T, string>;
  value: T;
  set: (choice: T) => void;
}

function OneOf<T extends string>({ label, words, value, set }: OneOfProps<T>) {
  return (
    <Field label={label} mb="1">
      <Choice value={value} onChange={(event) => set(event.target.value as T)}>
        {Object.entries<string>(words).map(([choice, said]) => (
          <option key={choice} value={choice}>
            {said}
          </option>
        ))}
      </Choice>
    </Field>
  );
}

function Amount({ label, value, set }: { label: string; value: string; set: (text: string) => void }) {
  return (
    <Field label={label} mb="1">
      <TextInput
        inputMode="decimal"
        className="num"
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </Field>
  );
}
