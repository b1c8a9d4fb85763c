/** The plate of a unit like this one: what is empty here is filled from there, and shown before anything is saved. */
import { Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { UseFormReturn } from "react-hook-form";

import type { Schemas } from "../../api/client";
import { kit } from "../../device/kit";
import { Button } from "../../shell/controls";
import { TextInput } from "../../shell/fields";
import { typedFrom, type PlateTyped } from "./plateForm";

type Known = { plate?: Schemas["Plate"] };
/** What belongs to that very unit. */
const ITS_OWN = new Set(["made_year", "made_week"]);
const MOST = 6;

export function CopyPlate({ form, unit }: { form: UseFormReturn<PlateTyped>; unit: string }) {
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const [filled, setFilled] = useState("");
  const own = useQuery({ queryKey: ["kit"], queryFn: kit, enabled: open });
  if (!open)
    return (
      <Flex align="center" gap="3" wrap="wrap" mb="3">
        <Button onClick={() => setOpen(true)}>Copy from a unit like it</Button>
        {filled && <Text role="status">{filled}</Text>}
      </Flex>
    );
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const units = (own.data?.units ?? []).filter(
    (one) =>
      one.id !== unit &&
      hasPlate(one.known) &&
      wanted.every((word) =>
        `${one.site} ${one.address} ${one.unit} ${one.serial}`.toLowerCase().includes(word),
      ),
  );
  const copy = (from: (typeof units)[number]) => {
    const there = typedFrom(whole(from.known), [], null);
    const here = form.getValues();
    let count = 0;
    for (const [name, value] of Object.entries(there.fields)) {
      if (value === "" || ITS_OWN.has(name) || here.fields[name] || here.unreadable[name]) continue;
      form.setValue(`fields.${name}`, value, { shouldDirty: true });
      count += 1;
    }
    setFilled(`${count} fields filled from ${from.site}, ${from.unit}. Check them against this plate.`);
    setOpen(false);
  };
  return (
    <Flex direction="column" gap="2" mb="4" align="stretch" maxW="30rem">
      <TextInput
        aria-label="Find a unit like it"
        placeholder="site, label or serial"
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      {own.isPending && <Text>Looking …</Text>}
      {own.isError && <Text color="brick">This needs signal once.</Text>}
      {own.data && units.length === 0 && <Text color="faint">No other unit with a plate fits.</Text>}
      {units.slice(0, MOST).map((one) => (
        <Button key={one.id} textAlign="left" justifyContent="flex-start" onClick={() => copy(one)}>
          {one.site}, {one.unit}
        </Button>
      ))}
      <Button look="quiet" onClick={() => setOpen(false)}>
        Cancel
      </Button>
    </Flex>
  );
}

const hasPlate = (known: unknown): boolean => Object.keys((known as Known).plate ?? {}).length > 0;

/** A plate as the kit has it leaves out what is empty; the form asks for some of it. */
function whole(known: unknown): Schemas["Plate"] {
  const plate = (known as Known).plate;
  return {
    ...plate,
    unreadable: [],
    aux_heat: { elements: [], ...plate?.aux_heat },
  } as unknown as Schemas["Plate"];
}
