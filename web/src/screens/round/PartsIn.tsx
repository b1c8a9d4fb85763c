/** Parts put in on this visit: one step for a part, its rating and what it measured in the hand. */
import { Box, Flex, Heading, SimpleGrid, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import type { Schemas, VisitShown } from "../../api/client";
import { useDraft } from "../../api/draft";
import { parsed } from "../../api/stored";
import { dismiss, send, useOutbox } from "../../api/outbox";
import { Button, Choice, FieldProblem, TextInput } from "../../shell/controls";
import { Sure } from "../../shell/Sure";
import { capital, clock } from "../../shell/words";

type Repair = Schemas["Repair"];
type Part = Repair["part"];

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

interface Form {
  part: Part | "";
  section: Repair["section"];
  uf: string;
  fan_uf: string;
  vac: string;
  herm: string;
  fan: string;
  old_goes: Repair["old_goes"];
  note: string;
}

export function PartsIn({ visit }: { visit: VisitShown }) {
  const { parts, finished_at, diagnosis, assessment } = visit.round;
  const finished = finished_at != null;
  const [draft, setDraft] = useDraft(`${visit.id} part put in`);
  const form = parsed<Form | null>(draft, null);
  const refusal = useOutbox().refused.findLast(
    ({ write }) => write.kind === "part" && write.visit === visit.id,
  );
  const change = (more: Partial<Form>) => {
    if (refusal) dismiss(refusal);
    setDraft(JSON.stringify({ ...(form ?? asNew(visit)), ...more }));
  };
  const put = () => {
    if (form === null || form.part === "") return;
    send({ kind: "part", visit: visit.id, body: asBody(form) });
    setDraft("");
  };
  const mend = () => {
    if (refusal?.write.kind !== "part") return;
    setDraft(JSON.stringify(asForm(refusal.write.body)));
    dismiss(refusal);
  };
  const offered = [...new Set(diagnosis.accused.map(({ part }) => part))];
  return (
    <Box as="section" aria-label="Parts put in" borderTopWidth="1px" borderColor="edge" pt="3">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
        Parts put in
      </Heading>
      {parts.length > 0 && (
        <Text fontSize="sm">
          Found {assessment.as_found}, left {assessment.as_left}.
        </Text>
      )}
      {parts.map((one) => (
        <PartLine key={one.id} visit={visit.id} part={one} disabled={finished} />
      ))}
      {refusal && (
        <Box mb="2">
          {refusal.errors.map(({ field, message }) => (
            <FieldProblem key={field} id={`part-${field}`}>
              {message}
            </FieldProblem>
          ))}
          <Button onClick={mend}>Mend it</Button>
        </Box>
      )}
      {!finished &&
        (form === null ? (
          <Flex gap="2" wrap="wrap">
            {offered.map((part) => (
              <Button key={part} look="next" onClick={() => change({ part })}>
                New {part} is in
              </Button>
            ))}
            <Button onClick={() => change({})}>A part was put in</Button>
          </Flex>
        ) : (
          <Fields form={form} change={change} put={put} cancel={() => setDraft("")} />
        ))}
    </Box>
  );
}

interface FieldsProps {
  form: Form;
  change: (more: Partial<Form>) => void;
  put: () => void;
  cancel: () => void;
}

function Fields({ form, change, put, cancel }: FieldsProps) {
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
      <Labelled label="Part">
        <Choice
          aria-label="Part"
          value={form.part}
          onChange={(event) => change({ part: event.target.value as Part })}
        >
          <option value="">Choose the part</option>
          {PARTS.map((part) => (
            <option key={part} value={part}>
              {capital(part)}
            </option>
          ))}
        </Choice>
      </Labelled>
      {isRun && (
        <Labelled label="Serves">
          <Choice
            aria-label="Serves"
            value={form.section}
            onChange={(event) => change({ section: event.target.value as Form["section"] })}
          >
            {Object.entries(SECTIONS).map(([section, words]) => (
              <option key={section} value={section}>
                {words}
              </option>
            ))}
          </Choice>
        </Labelled>
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
      <Labelled label="The old part">
        <Choice
          aria-label="The old part"
          value={form.old_goes}
          onChange={(event) => change({ old_goes: event.target.value as Form["old_goes"] })}
        >
          {Object.entries(OLD).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Choice>
      </Labelled>
      <Labelled label="Note">
        <TextInput
          value={form.note}
          maxLength={200}
          onChange={(event) => change({ note: event.target.value })}
        />
      </Labelled>
      {problem && <FieldProblem id="part-problem">{problem}</FieldProblem>}
      <Flex gap="2" mt="2">
        <Button type="submit" look="next">
          It is in
        </Button>
        <Button onClick={cancel}>Cancel</Button>
      </Flex>
    </form>
  );
}

function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box as="label" display="block" mb="1">
      <Text as="span" fontSize="sm" color="faint">
        {label}
      </Text>
      {children}
    </Box>
  );
}

function Amount({ label, value, set }: { label: string; value: string; set: (text: string) => void }) {
  return (
    <Labelled label={label}>
      <TextInput
        inputMode="decimal"
        className="num"
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </Labelled>
  );
}

function PartLine({
  visit,
  part,
  disabled,
}: {
  visit: string;
  part: Schemas["NewPartShown"];
  disabled: boolean;
}) {
  const { repair } = part;
  const rating = [repair.uf, repair.fan_uf].filter((one) => one != null).join(" + ");
  return (
    <Flex align="center" gap="2" py="1">
      <Text flex="1">
        <b>{capital(repair.part)}</b>
        {rating && ` ${rating} µF`}
        {repair.note && `: ${repair.note}`}
      </Text>
      <Text className="num" fontSize="sm" color="faint">
        {clock(part.at)}
      </Text>
      {!disabled && (
        <Sure
          ask="It was never put in?"
          yes="Not in"
          onYes={() => send({ kind: "partUndo", visit, part: part.id, body: { id: crypto.randomUUID() } })}
        />
      )}
    </Flex>
  );
}

const amount = (text: string): number | null => {
  const number = Number(text.trim().replace(",", "."));
  return text.trim() === "" || !Number.isFinite(number) ? null : number;
};

/** An empty form, with the plate's own ratings. */
function asNew(visit: VisitShown): Form {
  const own = visit.round.plate.run_capacitor;
  const text = (value: number | null | undefined) => (value == null ? "" : String(value));
  return {
    part: "",
    section: own?.herm_uf != null && own.fan_uf == null ? "herm" : "both",
    uf: text(own?.herm_uf),
    fan_uf: text(own?.fan_uf),
    vac: text(own?.vac),
    herm: "",
    fan: "",
    old_goes: "",
    note: "",
  };
}

function asBody(form: Form): Schemas["NewPart"] {
  const isRun = form.part === "run capacitor";
  const rated = isRun || form.part === "start capacitor";
  const repair: Repair = {
    part: form.part as Part,
    at: new Date().toISOString(),
    section: isRun ? form.section : "both",
    put_back: false,
    old_goes: form.old_goes,
    note: form.note,
    uf: rated && form.section !== "fan" ? amount(form.uf) : null,
    fan_uf: isRun && form.section !== "herm" ? amount(form.fan_uf) : null,
    vac: rated ? amount(form.vac) : null,
  };
  return {
    id: crypto.randomUUID(),
    repair,
    in_hand: isRun
      ? Object.fromEntries(
          Object.entries({
            herm: form.section === "fan" ? "" : form.herm,
            fan: form.section === "herm" ? "" : form.fan,
          }),
        )
      : {},
  };
}

function asForm({ repair, in_hand }: Schemas["NewPart"]): Form {
  const text = (value: number | null | undefined) => (value == null ? "" : String(value));
  return {
    part: repair.part,
    section: repair.section,
    uf: text(repair.uf),
    fan_uf: text(repair.fan_uf),
    vac: text(repair.vac),
    herm: in_hand?.["herm"] ?? "",
    fan: in_hand?.["fan"] ?? "",
    old_goes: repair.old_goes,
    note: repair.note,
  };
}
