/** A unit's file: what it is, what was put into it, its visits, and what each point read over the years. */
import { Box, Flex, Grid, Heading, Link, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link as RouterLink, useParams } from "react-router";

import type { Schemas } from "../../api/client";
import { useToday, useUnit } from "../../api/queries";
import { Ladder } from "../../drawing/Ladder";
import { Mark, type MarkKind } from "../../drawing/Mark";
import { Bar } from "../../shell/Bar";
import { Notice } from "../../shell/Notice";
import { COMPLAINT, day } from "../../shell/words";
import { typedFrom } from "../plate/plateForm";
import { PlateShown } from "../sheet/SheetPlate";
import { NewVisit } from "../today/NewVisit";
import { Compare } from "./Compare";
import { History } from "./History";
import { InOrder } from "./InOrder";
import { NotesAndParts } from "./NotesAndParts";
import { Photos } from "./Photos";
import { UnitFiles } from "./UnitFiles";

type UnitFile = Schemas["UnitFile"];

export default function UnitScreen() {
  const { unitId = "" } = useParams();
  const unit = useUnit(unitId);
  if (unit.isPending) return <Notice>Opening the unit …</Notice>;
  if (unit.isError) return <Notice>{unit.error.message}</Notice>;
  return <Opened unit={unit.data} />;
}

function Opened({ unit }: { unit: UnitFile }) {
  const [compared, setCompared] = useState<string[]>([]);
  const today = useToday();
  return (
    <>
      <Bar title={`${unit.site}, ${unit.label}`}>
        <Text fontWeight="600" truncate>
          {unit.site}, {unit.label}
        </Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "6" }} maxW="82rem">
        <Heading as="h1" fontSize="2xl">
          {unit.site}, {unit.label}
        </Heading>
        <Text color="faint" mb="4">
          {[unit.address, unit.serial && `serial ${unit.serial}`].filter(Boolean).join(" · ")}
        </Text>
        {unit.archived && (
          <Text borderWidth="1px" borderColor="ochre" bg="ochreTint" p="3" mb="4">
            Out of use: {unit.archived}. It is on no list; a visit opened here puts it in use again.
          </Text>
        )}
        <Grid templateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 20rem" }} gap="8" alignItems="start">
          <Box minW="0">
            {compared.length === 2 ? (
              <Compare unit={unit} visits={compared} close={() => setCompared([])} />
            ) : (
              <History points={unit.points} />
            )}
            <Box as="section" aria-label="Wiring" mt="8">
              <Ladder ladder={unit.ladder} point="" />
            </Box>
            <PlateShown typed={typedFrom(unit.plate, [], null)} findings={[]} />
          </Box>
          <Box display="grid" gap="6">
            <NewVisit units={[]} people={today.data?.people ?? []} day="" unit={unit.id} />
            <Visits unit={unit} compared={compared} setCompared={setCompared} />
            <NotesAndParts unit={unit} />
            <Photos unit={unit.id} />
            <UnitFiles unit={unit.id} />
            <InOrder unit={unit} />
          </Box>
        </Grid>
      </Box>
    </>
  );
}

function Visits(props: { unit: UnitFile; compared: string[]; setCompared: (visits: string[]) => void }) {
  const { unit, compared, setCompared } = props;
  const turn = (id: string) =>
    setCompared(compared.includes(id) ? compared.filter((one) => one !== id) : [...compared, id].slice(-2));
  return (
    <Box as="section" aria-label="Visits">
      <Heading as="h2" fontSize="md" mb="1">
        Visits
      </Heading>
      {unit.visits.length === 0 && <Text color="faint">None yet.</Text>}
      {unit.visits.length > 1 && (
        <Text fontSize="sm" color="faint" mb="1">
          Tick two to lay them side by side.
        </Text>
      )}
      {unit.visits.map((visit) => (
        <Flex key={visit.id} gap="2" align="center" borderTopWidth="1px" borderColor="rule" py="1.5">
          <Flex as="label" align="center" justify="center" minW="44px" minH="44px">
            <input
              type="checkbox"
              aria-label={`Compare the visit of ${day(visit.at)}`}
              checked={compared.includes(visit.id)}
              onChange={() => turn(visit.id)}
            />
          </Flex>
          <Mark kind={visit.overall as MarkKind} />
          <Link
            asChild
            color="ink"
            flex="1"
            minH="44px"
            display="flex"
            gap="0"
            flexDirection="column"
            alignItems="flex-start"
            justifyContent="center"
          >
            <RouterLink to={`/visits/${visit.id}${visit.finished ? "/sheet" : ""}`}>
              <Text as="span" fontWeight="600">
                {day(visit.at)}
              </Text>
              <Text as="span" fontSize="sm" color="faint">
                {[
                  COMPLAINT[visit.complaint] ?? visit.complaint,
                  visit.technician,
                  !visit.finished && "open",
                  visit.return_of && "return visit",
                  visit.problem,
                ]
                  .filter(Boolean)
                  .join(" · ")}
              </Text>
            </RouterLink>
          </Link>
        </Flex>
      ))}
    </Box>
  );
}
