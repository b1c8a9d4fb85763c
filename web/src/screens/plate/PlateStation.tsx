/** The plate station: the complaint, the plate as read and to be corrected, what is fitted, and what the plate's rules say. */
import { Box, chakra, Flex, Heading, Link, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { UseFormReturn } from "react-hook-form";
import { Link as RouterLink, useNavigate } from "react-router";

import type { FieldError, Finding, VisitShown } from "../../api/client";
import { act } from "../../device/act";
import { ifDone } from "../../device/judge";
import { isOfPlate } from "../../shell/points";
import { Button } from "../../shell/controls";
import { Problem, TextInput } from "../../shell/fields";
import { useDraftForm } from "../../shell/draftForm";
import { capital, COMPLAINT, dayAndClock } from "../../shell/words";
import { Photos } from "../unit/Photos";
import { ContactorAndHeaters } from "./ContactorAndHeaters";
import { DaysConditions } from "./Conditions";
import { FittedParts } from "./FittedParts";
import { CopyPlate } from "./CopyPlate";
import { PlateChecks } from "./PlateChecks";
import { PlateGroup } from "./PlateGroup";
import { PLATE_GROUPS } from "./plateFields";
import { plateFrom, typedFrom, type PlateTyped } from "./plateForm";

const Fields = chakra("fieldset");
const INFER = "plate-infer";
const SETTLES_MS = 700;

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
  const findings = useAsTyped(visit, form, changed && !finished);
  const recovered = Object.fromEntries(
    findings.filter(({ rule }) => rule === INFER).map((found) => [found.point.replace("plate.", ""), found]),
  );
  const placed = (error: FieldError) => /plate\.|fitted\.|fitted$/.test(error.field);

  return (
    <form onSubmit={(event) => void form.handleSubmit(save)(event)}>
      <Complaint visit={visit} />
      <DaysConditions visit={visit} />
      <PlateChecks findings={findings} typing={changed} />
      <Fields disabled={finished} minW="0">
        {!finished && <CopyPlate form={form} unit={visit.unit_id} />}
        {PLATE_GROUPS.map((group, place) => (
          <PlateGroup
            key={group.title}
            group={group}
            form={form}
            errorAt={errorAt}
            recovered={recovered}
            first={place === 0}
          />
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

/** What the plate's rules say: of the plate as it is saved, or, a moment after each key, as it is typed. */
function useAsTyped(visit: VisitShown, form: UseFormReturn<PlateTyped>, typing: boolean): Finding[] {
  const saved = visit.round.assessment.findings.filter(isOfPlate);
  const [ahead, setAhead] = useState<Finding[] | null>(null);
  useEffect(() => {
    if (!typing) return;
    let timer = 0;
    const look = () => {
      window.clearTimeout(timer);
      timer = window.setTimeout(() => {
        const read = plateFrom(form.getValues(), visit.round.plate);
        void ifDone(visit, { kind: "plate", why: "", ...read }).then((judged) => {
          const outcome = judged?.outcomes.at(-1);
          if (judged && outcome?.wrong.length === 0)
            setAhead(judged.round.assessment.findings.filter(isOfPlate));
        });
      }, SETTLES_MS);
    };
    look();
    const stop = form.subscribe({ formState: { values: true }, callback: look });
    return () => {
      window.clearTimeout(timer);
      stop();
    };
  }, [visit, form, typing]);
  return (typing ? ahead : null) ?? saved;
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
