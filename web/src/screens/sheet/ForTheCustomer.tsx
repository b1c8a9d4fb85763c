/** What was found, done and left, in the words of the person whose unit it is: what they sign under. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";

import type { Schemas } from "../../api/client";
import { Mark } from "../../drawing/Mark";

export function ForTheCustomer({ page }: { page: Schemas["CustomerPage"] }) {
  const lists = [
    ["Tested, and as it should be", page.sound.map((words) => `${words}.`)],
    ["Done", page.done],
    ["Left", page.left],
    ["Please", page.cautions],
  ] as const;
  return (
    <Box mb="5">
      {page.found.length > 0 && (
        <Box as="section" aria-label="Found" mb="4">
          <Heading as="h2" fontSize="lg" mb="1">
            Found
          </Heading>
          {page.found.map((one) => (
            <Flex key={one.words + one.measured} gap="3" mb="2" align="baseline">
              <Box flex="none">
                <Mark kind={one.verdict} />
              </Box>
              <Box>
                <Text fontWeight="600">{one.words}</Text>
                <Text fontSize="sm" color="faint">
                  {one.measured}
                </Text>
              </Box>
            </Flex>
          ))}
        </Box>
      )}
      {lists.map(
        ([title, lines]) =>
          lines.length > 0 && (
            <Box as="section" aria-label={title} key={title} mb="4">
              <Heading as="h2" fontSize="lg" mb="1">
                {title}
              </Heading>
              <Box as="ul" ps="5" listStyleType="disc">
                {lines.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </Box>
            </Box>
          ),
      )}
    </Box>
  );
}
