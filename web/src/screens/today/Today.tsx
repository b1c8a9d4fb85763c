/** The day's visits, one's own first. */
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { Link, useSearchParams } from "react-router";

import { inWords, type Schemas } from "../../api/client";
import { useToday } from "../../api/queries";
import { Mark, markWord } from "../../drawing/Mark";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { TextInput } from "../../shell/fields";
import { clock, COMPLAINT, shortDay } from "../../shell/words";
import { useDayHere } from "../../device/dayHere";
import { takeAlong } from "../../device/route";
import { FirstVisit } from "./FirstVisit";
import { NewVisit } from "./NewVisit";
import { TakeAlong } from "./TakeAlong";
import { PlanVisit } from "./PlanVisit";
import { asDay, dayOn } from "../../times";

type TodayVisit = Schemas["TodayVisit"];
const Row = chakra(Link);

export default function Today() {
  const [query, setQuery] = useSearchParams();
  const asked = query.get("day") ?? undefined;
  const today = useToday(asked);
  const changed = today.dataUpdatedAt;
  // A visit that was planned meanwhile is taken along too.
  useEffect(() => {
    if (changed > 0) takeAlong();
  }, [changed]);
  const now = asDay(new Date());
  const day = asked ?? today.data?.day ?? now;
  const go = (to: string) => setQuery(to === now ? {} : { day: to });
  return (
    <>
      <Bar title={NAMED[dayDistance(day, now)] ?? "The day"}>
        <Text color="onBarFaint">{today.data?.company}</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="66rem">
        <Flex align="center" gap="2" mb="4" wrap="wrap">
          <Heading as="h1" fontSize="2xl" mr="2">
            {NAMED[dayDistance(day, now)] ?? "The day"}
          </Heading>
          <Text color="faint" flex="1 1 12rem">
            {new Date(`${day}T12:00:00`).toLocaleDateString([], {
              weekday: "long",
              month: "long",
              day: "numeric",
            })}
          </Text>
          <Flex as="nav" aria-label="Day" gap="2">
            <Button aria-label="The day before" onClick={() => go(dayOn(day, -1))}>
              ‹
            </Button>
            {day !== now && <Button onClick={() => go(now)}>Today</Button>}
            <Button aria-label="The day after" onClick={() => go(dayOn(day, 1))}>
              ›
            </Button>
            <TextInput
              type="date"
              w="auto"
              aria-label="Another day"
              value={day}
              onChange={(event) => event.target.value && go(event.target.value)}
            />
          </Flex>
        </Flex>
        <FirstVisit />
        {today.isPending && <Text>Opening …</Text>}
        {today.isError && <Text color="brick">{inWords(today.error)}</Text>}
        {today.data && <DayList day={day} isToday={day === now} today={today.data} />}
        {today.data && <TakeAlong key={day} visits={today.data.visits} />}
        {today.data && (
          <NewVisit units={today.data.units} people={today.data.people} day={day === now ? "" : day} />
        )}
      </Box>
    </>
  );
}

const NAMED: Record<number, string> = { [-1]: "Yesterday", 0: "Today", 1: "Tomorrow" };

const dayDistance = (day: string, from: string): number =>
  Math.round((Date.parse(`${day}T12:00:00Z`) - Date.parse(`${from}T12:00:00Z`)) / 86_400_000);

type DayProps = { day: string; isToday: boolean; today: Schemas["Today"] };

function DayList({ day, isToday, today }: DayProps) {
  const here = useDayHere(today.visits, isToday);
  const [changing, setChanging] = useState("");
  const mine = here.filter((visit) => visit.mine);
  const others = here.filter((visit) => !visit.mine);
  const change = here.find(({ id }) => id === changing);
  const parts = [
    ["Yours", mine],
    ["Other technicians", others],
  ] as const;
  return (
    <>
      {here.length === 0 && <Text mb="6">No visit {isToday ? "today" : "on this day"}. Open one below.</Text>}
      {parts.map(
        ([title, visits]) =>
          visits.length > 0 && (
            <Box as="section" mb="7" aria-label={title} key={title}>
              <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
                {title}
              </Heading>
              <Box borderTopWidth="1px" borderColor="edge">
                {visits.map((visit) => (
                  <Flex key={visit.id} align="center" borderBottomWidth="1px" borderColor="rule">
                    <VisitRow visit={visit} day={day} />
                    <Box
                      flex="none"
                      w={{ base: "auto", md: "5rem" }}
                      alignSelf={{ base: "flex-start", md: "center" }}
                    >
                      {visit.finished_at == null && (
                        <Button
                          look="quiet"
                          px={{ base: "0", md: "2" }}
                          mt={{ base: "2", md: "0" }}
                          aria-label={`Change: ${visit.site}, ${visit.unit}`}
                          onClick={() => setChanging(visit.id)}
                        >
                          Change
                        </Button>
                      )}
                    </Box>
                  </Flex>
                ))}
              </Box>
            </Box>
          ),
      )}
      {change && (
        <PlanVisit
          key={change.id}
          visit={{ ...change, technician: change.technician_key }}
          people={today.people}
          close={() => setChanging("")}
        />
      )}
    </>
  );
}

function VisitRow({ visit, day }: { visit: TodayVisit; day: string }) {
  const another = asDay(new Date(visit.scheduled_for)) !== day;
  const state = visit.cancelled
    ? `cancelled: ${visit.cancelled}`
    : visit.finished_at
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
      flex="1"
      minW="0"
      _hover={{ bg: "panel" }}
    >
      <Box>
        <Text className="num" fontSize="xl">
          {clock(visit.scheduled_for)}
        </Text>
        {another && (
          <Text fontSize="sm" color="ochre" fontWeight="600">
            {shortDay(visit.scheduled_for)}
          </Text>
        )}
      </Box>
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
