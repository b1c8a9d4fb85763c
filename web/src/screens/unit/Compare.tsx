/** Two visits side by side: before and after, on the same tapes. */
import { Box, Flex, Grid, Heading, Text } from "@chakra-ui/react";

import type { Schemas } from "../../api/client";
import { Button } from "../../shell/controls";
import { day } from "../../shell/words";
import { Pair } from "./History";

export function Compare(props: { unit: Schemas["UnitFile"]; visits: string[]; close: () => void }) {
  const { unit, visits, close } = props;
  const [before, after] = unit.visits
    .filter(({ id }) => visits.includes(id))
    .sort((one, two) => one.at.localeCompare(two.at));
  if (!before || !after) return null;
  const rows = unit.points
    .map((history) => ({
      history,
      before: history.readings.find(({ visit }) => visit === before.id),
      after: history.readings.find(({ visit }) => visit === after.id),
    }))
    .filter((row) => row.before ?? row.after);
  return (
    <Box as="section" aria-label="Two visits side by side">
      <Flex justify="space-between" align="center" gap="3" wrap="wrap" mb="1">
        <Heading as="h2" fontSize="md">
          {day(before.at)}, and below it {day(after.at)}
        </Heading>
        <Button onClick={close}>Back to all readings</Button>
      </Flex>
      {rows.length === 0 && <Text>Neither visit has a reading.</Text>}
      {rows.map((row) => (
        <Grid
          key={row.history.point + row.history.title}
          templateColumns={{ base: "1fr", md: "minmax(0, 1fr) minmax(0, 1.4fr)" }}
          gap="3"
          py="2"
          alignItems="center"
          borderTopWidth="1px"
          borderColor="rule"
        >
          <Text fontWeight="600">{row.history.title}</Text>
          <Pair before={row.before} after={row.after} />
        </Grid>
      ))}
    </Box>
  );
}
