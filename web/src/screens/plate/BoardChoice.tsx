/** Which board this unit has: a profile fills the settings below; a coil switch's mark fills where it closes and opens. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useWatch, type UseFormReturn } from "react-hook-form";

import { api, data, inWords, type Schemas } from "../../api/client";
import { useBoards } from "../../api/queries";
import { Button } from "../../shell/controls";
import { Choice, Field, TextInput } from "../../shell/fields";
import { shown, useScale } from "../../theme/temperature";
import { key, typedDefrost, type PlateTyped } from "./plateForm";

type Form = UseFormReturn<PlateTyped>;
const PROFILE = `fields.${key("defrost.profile")}` as const;

export function BoardChoice({ form }: { form: Form }) {
  const boards = useBoards();
  const named = useWatch({ control: form.control, name: PROFILE });
  const choose = (name: string) => {
    form.setValue(PROFILE, name, { shouldDirty: true });
    const profile = boards.data?.boards.find((one) => one.name === name);
    if (!profile) return;
    for (const [field, text] of Object.entries(typedDefrost(profile.defrost)))
      form.setValue(`fields.${field}`, text, { shouldDirty: true });
  };
  const names = boards.data?.boards.map((one) => one.name) ?? [];
  return (
    <Flex gap="5" wrap="wrap" align="start" mb="3">
      <Field label="Board profile" flex="1 1 16rem">
        <Choice value={named} onChange={(event) => choose(event.target.value)}>
          <option value="">none: enter its settings</option>
          {[...new Set([...names, ...(named ? [named] : [])])].map((name) => (
            <option key={name}>{name}</option>
          ))}
        </Choice>
      </Field>
      <SwitchMark form={form} />
    </Flex>
  );
}

/** Two readings of a mark exist; a person says which. */
function SwitchMark({ form }: { form: Form }) {
  const [mark, setMark] = useState("");
  const [readings, setReadings] = useState<Schemas["MarkReading"][]>([]);
  const [problem, setProblem] = useState("");
  const [scale] = useScale();
  const control = useWatch({ control: form.control, name: `fields.${key("defrost.control")}` });
  if (control === "demand") return null;
  const read = async () => {
    try {
      setReadings(await data(api.GET("/api/v1/advice/switch-mark", { params: { query: { mark } } })));
      setProblem("");
    } catch (error) {
      setReadings([]);
      setProblem(inWords(error));
    }
  };
  const take = (one: Schemas["MarkReading"]) => {
    form.setValue(`fields.${key("defrost.closes_f")}`, String(one.closes_f), { shouldDirty: true });
    form.setValue(`fields.${key("defrost.opens_f")}`, String(one.opens_f), { shouldDirty: true });
    setReadings([]);
  };
  const said = (fahrenheit: number) => shown(String(fahrenheit), "°F", "", scale).join(" ");
  return (
    <Box flex="1 1 20rem">
      <Flex gap="2" align="start">
        <Field label="Mark on the coil switch" flex="1" problem={problem}>
          <TextInput
            value={mark}
            maxLength={20}
            placeholder="L55-25"
            onChange={(event) => setMark(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== "Enter") return;
              event.preventDefault();
              void read();
            }}
          />
        </Field>
        <Button mt="5" onClick={() => void read()}>
          What it means
        </Button>
      </Flex>
      {readings.length > 0 && (
        <Text mt="2" fontSize="sm">
          This mark can be read two ways. Choose one; until then nothing is judged by it.
        </Text>
      )}
      <Flex gap="2" wrap="wrap" mt="1">
        {readings.map((one) => (
          <Button key={one.closes_f} onClick={() => take(one)}>
            Closes at {said(one.closes_f)}, opens at {said(one.opens_f)}
            {one.plausible ? ": more likely" : ""}
          </Button>
        ))}
      </Flex>
    </Box>
  );
}
