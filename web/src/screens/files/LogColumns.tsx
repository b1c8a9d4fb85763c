/** What a log's columns are: its heading row, which column says what (with what stands in it), and whose readings they are. */
import { Box, Flex, SimpleGrid } from "@chakra-ui/react";

import type { Schemas } from "../../api/client";
import { Choice, Field } from "../../shell/fields";
import { UnitSearch } from "../../shell/UnitSearch";

type Job = Schemas["JobShown"];
type Mapping = Schemas["Mapping"];
type Column = "value" | "at" | "clock" | "serial" | "point" | "sign" | "meter";

const COLUMNS: [Column, string][] = [
  ["value", "Value"],
  ["at", "Day and time"],
  ["clock", "Time of day, if apart"],
  ["point", "What was read"],
  ["sign", "Unit of measure"],
  ["meter", "Meter"],
  ["serial", "Unit’s serial"],
];

interface Props {
  job: Job;
  mapping: Mapping;
  setMapping: (mapping: Mapping) => void;
  look: (heading: number, unit: string | null) => void;
  running: boolean;
}

export function LogColumns({ job, mapping, setMapping, look, running }: Props) {
  const heading = job.mapping.heading;
  return (
    <Box my="2">
      <SimpleGrid columns={{ base: 1, sm: 2 }} gap="3" mb="3">
        <Field label="Heading row">
          <Choice
            value={heading}
            disabled={running}
            onChange={(event) => look(Number(event.target.value), job.unit)}
          >
            <option value={0}>none: the data begin at once</option>
            {job.lines.map((line, place) => (
              <option key={place} value={place + 1}>
                {place + 1}: {line.slice(0, 60)}
              </option>
            ))}
          </Choice>
        </Field>
        <UnitSearch
          label="One unit for the whole file"
          chosen={job.unit_name}
          choose={(id) => look(heading, id || null)}
          disabled={running}
        />
      </SimpleGrid>
      <SimpleGrid columns={{ base: 1, sm: 2, lg: 3 }} gap="3">
        {COLUMNS.filter(([name]) => name !== "serial" || !job.unit).map(([name, label]) => (
          <Field label={label} key={name}>
            <Choice
              value={mapping[name]}
              disabled={running}
              onChange={(event) => setMapping({ ...mapping, [name]: event.target.value })}
            >
              <option value="">no column</option>
              {job.columns.map((column, place) => (
                <option key={column} value={column}>
                  {column}
                  {held(job.samples[place])}
                </option>
              ))}
            </Choice>
          </Field>
        ))}
        {mapping.point === "" && (
          <Field label="Every row is">
            <Choice
              value={mapping.fixed_point}
              onChange={(event) => setMapping({ ...mapping, fixed_point: event.target.value })}
            >
              <option value="">say which reading</option>
              {job.points.map((one) => (
                <option key={one.point} value={one.point}>
                  {one.title}
                </option>
              ))}
            </Choice>
          </Field>
        )}
        <Flex as="label" align="center" gap="2" minH="44px">
          <input
            type="checkbox"
            checked={mapping.day_first}
            onChange={(event) => setMapping({ ...mapping, day_first: event.target.checked })}
          />
          day before month
        </Flex>
      </SimpleGrid>
    </Box>
  );
}

/** What stands in a column, after its name. */
const held = (samples: readonly string[] | undefined) =>
  samples && samples.length > 0 ? `: ${samples.join(", ").slice(0, 40)}` : "";
