/** The fleet's watch list: what is wrong now, what fails first, and what to carry for it. */
import { Box, Flex, Grid, Heading, Link, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link as RouterLink } from "react-router";

import type { Schemas } from "../../api/client";
import { useWatch } from "../../api/queries";
import { Mark } from "../../drawing/Mark";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { Choice, Field } from "../../shell/fields";
import { day, month } from "../../shell/words";
import { StockFor } from "./StockFor";

type WatchedUnit = Schemas["WatchedUnit"];
const FEW = 3;

export default function WatchScreen() {
  const [point, setPoint] = useState("");
  const [page, setPage] = useState(0);
  const list = useWatch(point, page);
  return (
    <>
      <Bar title="Watch list">
        <Text color="onBarFaint">Watch list</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="76rem">
        <Flex justify="space-between" align="end" wrap="wrap" gap="4" mb="4">
          <Box>
            <Heading as="h1" fontSize="2xl">
              Watch list
            </Heading>
            <Text color="faint">Worst first, then the soonest to meet a limit.</Text>
          </Box>
          <Field label="Only where this is watched">
            <Choice
              w="20rem"
              maxW="100%"
              value={point}
              onChange={(event) => {
                setPoint(event.target.value);
                setPage(0);
              }}
            >
              <option value="">any reading</option>
              {list.data?.points.map((one) => (
                <option key={one.point} value={one.point}>
                  {one.title}
                </option>
              ))}
            </Choice>
          </Field>
        </Flex>
        {list.isPending && <Text>Opening …</Text>}
        {list.isError && <Text color="brick">{list.error.message}</Text>}
        {list.data && (
          <Grid templateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 18rem" }} gap="8" alignItems="start">
            <Box>
              {list.data.units.length === 0 && <Text>Nothing to watch here.</Text>}
              <Box borderTopWidth={list.data.units.length > 0 ? "1px" : "0"} borderColor="edge">
                {list.data.units.map((unit) => (
                  <UnitRow key={unit.id} unit={unit} />
                ))}
              </Box>
              <Flex gap="3" mt="4">
                {page > 0 && <Button onClick={() => setPage(page - 1)}>Previous</Button>}
                {list.data.more && <Button onClick={() => setPage(page + 1)}>Next</Button>}
              </Flex>
            </Box>
            <StockFor list={list.data} />
          </Grid>
        )}
      </Box>
    </>
  );
}

function UnitRow({ unit }: { unit: WatchedUnit }) {
  return (
    <Box py="3" borderBottomWidth="1px" borderColor="rule">
      <Flex justify="space-between" gap="4" wrap="wrap" align="baseline">
        <Link
          asChild
          color="ink"
          fontWeight="700"
          fontSize="lg"
          minH="44px"
          display="inline-flex"
          alignItems="center"
        >
          <RouterLink to={`/units/${unit.id}`}>
            {unit.site}, {unit.unit}
          </RouterLink>
        </Link>
        <Text fontSize="sm" color="faint">
          {unit.left > 0 && <b>{unit.left} left until the return visit · </b>}
          last read {day(unit.visit_at)}
        </Text>
      </Flex>
      {unit.problem && <Text color="brick">{unit.problem}</Text>}
      {unit.watched.slice(0, FEW).map((one) => (
        <Grid key={one.point} templateColumns="20px 1fr auto" gap="3" alignItems="baseline">
          <Mark kind={one.verdict ?? "none"} />
          <Text>
            {one.title}: {one.why}
            {one.verdict && one.crosses && ` Its drift meets the limit around ${month(one.crosses)}.`}
          </Text>
          <Text className="num" whiteSpace="nowrap" fontWeight="600">
            {one.crosses && one.verdict == null ? month(one.crosses) : one.value}
          </Text>
        </Grid>
      ))}
      {unit.watched.length > FEW && (
        <Text fontSize="sm" color="faint">
          and {unit.watched.length - FEW} more
        </Text>
      )}
    </Box>
  );
}
