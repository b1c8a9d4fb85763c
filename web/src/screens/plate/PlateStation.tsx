/** The plate station: the complaint, the plate as read and to be corrected, what is fitted, and what the plate's rules say. */
import { Box, chakra, Flex, Heading, Link, SimpleGrid, Text } from "@chakra-ui/react";
import { Link as RouterLink, useNavigate } from "react-router";

import type { FieldError, VisitShown } from "../../api/client";
import { act } from "../../device/act";
import { isOfPlate } from "../../shell/points";
import { Button } from "../../shell/controls";
import { Problem, TextInput } from "../../shell/fields";
import { useDraftForm } from "../../shell/draftForm";
import { FindingLines } from "../../shell/FindingLines";
import { capital, COMPLAINT, dayAndClock } from "../../shell/words";
import { Photos } from "../unit/Photos";
import { BoardChoice } from "./BoardChoice";
import { ContactorAndHeaters } from "./ContactorAndHeaters";
import { DaysConditions } from "./Conditions";
import { FittedParts } from "./FittedParts";
import { PlateFieldInput } from "./PlateFieldInput";
import { DEFROST_FIELDS, PLATE_GROUPS } from "./plateFields";
import { plateFrom, typedFrom, type PlateTyped } from "./plateForm";

const Fields = chakra("fieldset");

export function PlateStation({ visit }: { visit: VisitShown }) {
  const { round } = visit;
  const kept = typedFrom(round.plate, round.fitted, round.contactor_fitted);
  const { form, changed, errors, attempt, settle, forget } = useDraftForm<PlateTyped>(
    `${visit.id} plate`,
    kept,
  );
  const finished = round.finished_at != null;
  const go = useNavigate();

  const save = (typed: PlateTyped) =>
    attempt(async () => {
      const read = plateFrom(typed, round.plate);
      await act(visit.id, { kind: "plate", why: typed.why, ...read });
      settle(typedFrom(read.plate, read.fitted, read.contactor_fitted));
    });
  const errorAt = (name: string) =>
    errors.find(({ field }) => field.endsWith(`plate.${name}`) || field.includes(`plate.${name}.`))?.message;
  const placed = (error: FieldError) => /plate\.|fitted\.|fitted$/.test(error.field);

  return (
    <form onSubmit={(event) => void form.handleSubmit(save)(event)}>
      <Complaint visit={visit} />
      <DaysConditions visit={visit} />
      <FindingLines
        label="What the plate says"
        findings={round.assessment.findings.filter(isOfPlate)}
        sources
      />
      <Fields disabled={finished} minW="0">
        {PLATE_GROUPS.map((group) => (
          <Box
            key={group.title}
            as="section"
            aria-label={group.title}
            borderTopWidth="1px"
            borderColor="edge"
            pt="3"
            mb="5"
          >
            <Heading as="h2" fontSize="md" mb="2">
              {group.title}
            </Heading>
            {group.fields === DEFROST_FIELDS && <BoardChoice form={form} />}
            <SimpleGrid columns={{ base: 1, sm: 2, xl: 3 }} columnGap="5" rowGap="3">
              {group.fields.map((field) => (
                <PlateFieldInput key={field.name} field={field} form={form} problem={errorAt(field.name)} />
              ))}
            </SimpleGrid>
          </Box>
        ))}
        <Box borderTopWidth="1px" borderColor="edge" pt="3" mb="5">
          <Photos unit={visit.unit_id} visit={visit.id} />
        </Box>
        <FittedParts form={form} errors={errors} />
        <ContactorAndHeaters form={form} errors={errors} />
      </Fields>
      {changed && !finished && (
        <Flex
          position="sticky"
          bottom="0"
          bg="paper"
          borderTopWidth="2px"
          borderColor="copper"
          py="3"
          gap="3"
          wrap="wrap"
          align="center"
        >
          <TextInput
            flex="1 1 14rem"
            w="auto"
            aria-label="Why it was corrected"
            placeholder="why it was corrected"
            maxLength={200}
            {...form.register("why")}
          />
          <Button type="submit" look="next">
            Save the plate
          </Button>
          <Button onClick={forget}>Discard changes</Button>
          {errors.length > 0 && (
            <Problem id="plate-problem">
              {errors.find((error) => !placed(error))?.message ?? "Not saved: see the marked fields."}
            </Problem>
          )}
        </Flex>
      )}
      {!changed && (
        <Flex gap="3" align="center" wrap="wrap">
          <Button look="next" onClick={() => void go(`/visits/${visit.id}`)}>
            On with the call
          </Button>
          {visit.plate_history.map((one) => (
            <Text key={one.at} fontSize="sm" color="faint">
              Corrected {dayAndClock(one.at)} by {one.by_whom}
              {one.why && `: ${one.why}`}
            </Text>
          ))}
        </Flex>
      )}
    </form>
  );
}

const BEGAN: Record<string, string> = {
  suddenly: "suddenly quit: start with the electrical side",
  slowly: "slowly worse: charge or dirt likelier",
};

function Complaint({ visit }: { visit: VisitShown }) {
  return (
    <Box mb="4">
      <Heading as="h1" fontSize="2xl">
        {capital(COMPLAINT[visit.complaint] ?? "no complaint recorded")}
      </Heading>
      <Text color="faint">
        {[visit.address, visit.serial && `serial ${visit.serial}`, BEGAN[visit.began]]
          .filter(Boolean)
          .join(" · ")}
      </Text>
      {visit.notes && <Text mt="1">{visit.notes}</Text>}
      <Link asChild color="copper" fontWeight="600" minH="44px" display="inline-flex" alignItems="center">
        <RouterLink to={`/units/${visit.unit_id}`}>What this unit read before</RouterLink>
      </Link>
    </Box>
  );
}
