/** A unit chosen by a few words of its street, name or serial: for a company with more of them than a list can hold. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";

import { useFind } from "../api/queries";
import { Button } from "./controls";
import { Field, TextInput } from "./fields";
import { useRested } from "./rested";

interface Props {
  label: string;
  /** The name of the one that was chosen, else empty. */
  chosen: string;
  choose: (id: string, name: string) => void;
  /** A unit that is not offered. */
  but?: string;
  disabled?: boolean;
}

export function UnitSearch({ label, chosen, choose, but, disabled = false }: Props) {
  const [words, setWords] = useState("");
  const found = useFind(useRested(words));
  const hits = found.data?.units.filter(({ id, archived }) => id !== but && !archived) ?? [];
  if (chosen)
    return (
      <Box>
        <Text fontSize="sm" color="faint">
          {label}
        </Text>
        <Flex gap="3" align="center" minH="44px">
          <b>{chosen}</b>
          <Button look="quiet" disabled={disabled} onClick={() => choose("", "")}>
            Change
          </Button>
        </Flex>
      </Box>
    );
  return (
    <Box>
      <Field label={label}>
        <TextInput
          type="search"
          placeholder="street, name or serial"
          maxLength={200}
          disabled={disabled}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </Field>
      {words.trim().length > 1 && found.data && hits.length === 0 && (
        <Text color="faint">No unit fits these words.</Text>
      )}
      {words.trim().length > 1 &&
        hits.map((unit) => (
          <Button
            key={unit.id}
            look="quiet"
            display="block"
            textAlign="left"
            onClick={() => {
              setWords("");
              choose(unit.id, `${unit.site}, ${unit.unit}`);
            }}
          >
            {unit.site}, {unit.unit}
            {unit.serial && `, serial ${unit.serial}`}
          </Button>
        ))}
    </Box>
  );
}
