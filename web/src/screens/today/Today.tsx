/** The day's visits, one's own first. */
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { useToday } from "../../api/queries";
import { Mark, markWord } from "../../drawing/Mark";
import { Bar } from "../../shell/Bar";
import { clock, COMPLAINT } from "../../shell/words";
import { NewVisit } from "./NewVisit";

type TodayVisit = Schemas["TodayVisit"];
const Row = chakra(Link);

export default function Today() {
  const today = useToday();
  return (
    <>
      <Bar title="Today">
        <Text color="onBarFaint">{today.data?.company}</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="66rem">
        <Flex align="baseline" gap="4" mb="4" wrap="wrap">
          <Heading as="h1" fontSize="2xl">
            Today
          </Heading>
          <Text color="faint">
            {new Date().toLocaleDateString([], { weekday: "long", month: "long", day: "numeric" })}
          </Text>
        </Flex>
        {today.isPending && <Text>Opening …</Text>}
        {today.isError && <Text color="brick">{today.error.message}</Text>}
        {today.data && <DayList visits={today.data.visits} />}
        {today.data && <NewVisit units={today.data.units} />}
      </Box>
    </>
  );
}

function DayList({ visits }: { visits: TodayVisit[] }) {
  if (visits.length === 0) return <Text mb="6">No visit today. Open one below.</Text>;
  const mine = visits.filter((visit) => visit.mine);
  const others = visits.filter((visit) => !visit.mine);
  return (
    <>
      {mine.length > 0 && <Part title="Yours" visits={mine} />}
      {others.length > 0 && <Part title="Other technicians" visits={others} />}
    </>
  );
}

function Part({ title, visits }: { title: string; visits: TodayVisit[] }) {
  return (
    <Box as="section" mb="7" aria-label={title}>
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
        {title}
      </Heading>
      <Box borderTopWidth="1px" borderColor="edge">
        {visits.map((visit) => (
          <VisitRow key={visit.id} visit={visit} />
        ))}
      </Box>
    </Box>
  );
}

function VisitRow({ visit }: { visit: TodayVisit }) {
  const state = visit.finished_at
    ? `finished ${clock(visit.finished_at)}`
    : visit.readings > 0
      ? `${visit.readings} read`
      : "not begun";
  return (
    <Row
      to={`/visits/${visit.id}${visit.finished_at ? "/sheet" : ""}`}
      display="grid"
      gridTemplateColumns={{ base: "4rem 1fr", md: "5rem 1fr 15rem 11rem" }}
      columnGap="4"
      rowGap="1"
      alignItems="center"
      py="3"
      minH="64px"
      borderBottomWidth="1px"
      borderColor="rule"
      _hover={{ bg: "panel" }}
    >
      <Text className="num" fontSize="xl">
        {clock(visit.scheduled_for)}
      </Text>
      <Box>
        <Text fontWeight="700" fontSize="lg">
          {visit.site}, {visit.unit}
        </Text>
        <Text color="faint">
          {visit.address} · {visit.technician}
        </Text>
      </Box>
      <Text gridColumn={{ base: "2", md: "auto" }}>{COMPLAINT[visit.complaint] ?? visit.complaint}</Text>
      <Flex align="center" gap="2" gridColumn={{ base: "2", md: "auto" }} wrap="wrap">
        {visit.problem && <Text color="brick">{visit.problem}</Text>}
        {visit.overtaken > 0 && (
          <Text color="ochre" fontWeight="700">
            changed by another meanwhile
          </Text>
        )}
        {visit.readings > 0 && <Mark kind={visit.overall} />}
        <Text>{visit.readings > 0 ? `${markWord(visit.overall)}, ${state}` : state}</Text>
        {visit.open_lines > 0 && (
          <Text color="copper" fontWeight="700">
            {visit.open_lines} to put back
          </Text>
        )}
      </Flex>
    </Row>
  );
}
