/** A group of the plate's fields, folded on a phone until it is wanted; only what this kind of unit has. */
import { Box, chakra, Heading, SimpleGrid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useWatch, type UseFormReturn } from "react-hook-form";

import type { Finding } from "../../api/client";
import { useIsWide } from "../../theme/screens";
import { BoardChoice } from "./BoardChoice";
import { PlateFieldInput } from "./PlateFieldInput";
import { DEFROST_FIELDS, type PlateGroup as Group } from "./plateFields";
import type { PlateTyped } from "./plateForm";
import { entered, fieldsOf } from "./plateKinds";

const Fold = chakra("button", {
  base: {
    display: "flex",
    w: "100%",
    minH: "48px",
    alignItems: "center",
    justifyContent: "space-between",
    textAlign: "left",
    cursor: "pointer",
  },
});

interface Props {
  group: Group;
  form: UseFormReturn<PlateTyped>;
  errorAt: (name: string) => string | undefined;
  /** What was worked out of the other figures, by field. */
  recovered: Record<string, Finding>;
  /** Whether it stands open before anybody asked. */
  first: boolean;
}

export function PlateGroup({ group, form, errorAt, recovered, first }: Props) {
  const wide = useIsWide();
  const [asked, setAsked] = useState(first);
  const typed = useWatch({ control: form.control }) as PlateTyped;
  const fields = fieldsOf(group.fields, typed);
  const wrong = fields.some(({ name }) => errorAt(name) !== undefined);
  const open = wide || asked || wrong;
  const title = (
    <Heading as="h2" fontSize="md">
      {group.title}
    </Heading>
  );
  return (
    <Box as="section" aria-label={group.title} borderTopWidth="1px" borderColor="edge" mb={open ? "5" : "0"}>
      {wide ? (
        <Box pt="3" mb="2">
          {title}
        </Box>
      ) : (
        <Fold type="button" aria-expanded={open} onClick={() => setAsked(!asked)}>
          {title}
          <Text color="faint" fontSize="sm">
            {entered(fields, typed)} of {fields.length} {open ? "▴" : "▾"}
          </Text>
        </Fold>
      )}
      {open && (
        <>
          {group.fields === DEFROST_FIELDS && <BoardChoice form={form} />}
          <SimpleGrid columns={{ base: 2, sm: 2, xl: 3 }} columnGap={{ base: "3", sm: "5" }} rowGap="3">
            {fields.map((field) => (
              <PlateFieldInput
                key={field.name}
                field={field}
                form={form}
                problem={errorAt(field.name)}
                recovered={recovered[field.name]}
              />
            ))}
          </SimpleGrid>
        </>
      )}
    </Box>
  );
}
