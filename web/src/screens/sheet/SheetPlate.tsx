/** The plate as it was read, and what its own rules say. */
import { Box, Flex, Heading, SimpleGrid, Text } from "@chakra-ui/react";

import { isOfPlate } from "../../shell/points";
import type { Finding, VisitShown } from "../../api/client";
import { Mark, markOf } from "../../drawing/Mark";
import { PLATE_FIELDS, type PlateField } from "../plate/plateFields";
import { key, typedFrom, type PlateTyped } from "../plate/plateForm";

export function SheetPlate({ visit }: { visit: VisitShown }) {
  const { round } = visit;
  const findings = round.assessment.findings.filter(isOfPlate);
  return (
    <PlateShown typed={typedFrom(round.plate, round.fitted, round.contactor_fitted)} findings={findings} />
  );
}

/** A choice by the words it was chosen by. */
const inWords = (field: PlateField, value: string) =>
  field.choices?.find(([code]) => code === value)?.[1] ?? value;

/** A plate's fields as read, and findings on them. */
export function PlateShown({ typed, findings }: { typed: PlateTyped; findings: Finding[] }) {
  const shown = PLATE_FIELDS.filter(({ name }) => typed.fields[key(name)] || typed.unreadable[key(name)]);
  return (
    <Box as="section" aria-label="Plate">
      <Heading as="h2" fontSize="lg" mb="1">
        Plate
      </Heading>
      <SimpleGrid
        columns={{ base: 2, md: 4 }}
        columnGap="5"
        borderTopWidth="1px"
        borderColor="rule"
        pt="1"
        mb="2"
      >
        {shown.map((field) => (
          <Text key={field.name} fontSize="sm">
            <Text as="span" color="faint">
              {field.label}{" "}
            </Text>
            <span className="num">
              {typed.unreadable[key(field.name)]
                ? "unreadable"
                : `${inWords(field, typed.fields[key(field.name)] ?? "")} ${field.unit ?? ""}`}
            </span>
          </Text>
        ))}
      </SimpleGrid>
      {findings.map((finding) => (
        <Flex key={finding.point} gap="2" align="baseline" fontSize="sm">
          <Mark kind={markOf(finding.verdict)} size={12} />
          <Text>
            {finding.why} <b>{finding.next}</b>
          </Text>
        </Flex>
      ))}
    </Box>
  );
}
