/** One box over units, sites, serials and visits. */
import { Box, Heading, Link, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link as RouterLink, useSearchParams } from "react-router";

import { useFind } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { TextInput } from "../../shell/fields";
import { useRested } from "../../shell/rested";
import { COMPLAINT, dayAndClock } from "../../shell/words";

export default function FindScreen() {
  const [query, setQuery] = useSearchParams();
  const [words, setWords] = useState(query.get("q") ?? "");
  const found = useFind(useRested(words));
  // In the address at every key, so that going back finds the same. An address written later, when the fingers rest, would
  // call back this page after its hit was tapped.
  const type = (next: string) => {
    setWords(next);
    setQuery(next ? { q: next } : {}, { replace: true });
  };
  const nothing = found.data && found.data.units.length + found.data.visits.length === 0;
  return (
    <>
      <Bar title="Find">
        <Text color="onBarFaint">Find</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="60rem">
        <Heading as="h1" fontSize="2xl" mb="3">
          Find a unit or a visit
        </Heading>
        <TextInput
          // One comes here to type: the field is what was asked for.
          // eslint-disable-next-line jsx-a11y/no-autofocus
          autoFocus
          type="search"
          aria-label="Street, name, serial, complaint or day"
          placeholder="street, name, serial, complaint or day"
          fontSize="xl"
          minH="60px"
          maxLength={200}
          value={words}
          onChange={(event) => type(event.target.value)}
        />
        {found.isError && <Text color="brick">{found.error.message}</Text>}
        {words.trim().length > 1 && nothing && <Text mt="4">Nothing fits these words.</Text>}
        {words.trim().length > 1 && found.data && found.data.units.length > 0 && (
          <Part title="Units">
            {found.data.units.map((one) => (
              <Hit
                key={one.id}
                to={`/units/${one.id}`}
                title={`${one.site}, ${one.unit}`}
                more={[one.address, one.serial && `serial ${one.serial}`, one.archived ? "out of use" : ""]}
              />
            ))}
          </Part>
        )}
        {words.trim().length > 1 && found.data && found.data.visits.length > 0 && (
          <Part title="Visits">
            {found.data.visits.map((one) => (
              <Hit
                key={one.id}
                to={`/visits/${one.id}/sheet`}
                title={`${one.site}, ${one.unit}`}
                more={[dayAndClock(one.at), COMPLAINT[one.complaint] ?? one.complaint]}
              />
            ))}
          </Part>
        )}
      </Box>
    </>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box as="section" aria-label={title} mt="6">
      <Heading as="h2" fontSize="sm" color="faint" mb="1">
        {title}
      </Heading>
      <Box borderTopWidth="1px" borderColor="edge">
        {children}
      </Box>
    </Box>
  );
}

function Hit({ to, title, more }: { to: string; title: string; more: (string | undefined)[] }) {
  return (
    <Link
      asChild
      display="block"
      color="ink"
      py="3"
      minH="56px"
      borderBottomWidth="1px"
      borderColor="rule"
      _hover={{ bg: "panel" }}
    >
      <RouterLink to={to}>
        <b>{title}</b>
        <Text as="span" display="block" color="faint">
          {more.filter(Boolean).join(" · ")}
        </Text>
      </RouterLink>
    </Link>
  );
}
