/** What was wrong, by complaint, as repairs proved it: numbers of this company's own finished calls. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { api, data } from "../../api/client";
import { capital, COMPLAINT, counted } from "../../shell/words";

export function Experience() {
  const told = useQuery({
    queryKey: ["experience"],
    queryFn: () => data(api.GET("/api/v1/fleet/experience")),
  });
  if (!told.data || told.data.length === 0) return null;
  return (
    <Box as="section" aria-label="What was wrong" mb="8" maxW="40rem">
      <Heading as="h2" fontSize="lg" mb="1">
        What was wrong
      </Heading>
      <Text color="faint" mb="2">
        By complaint, from finished calls whose repair proved it. Whether it weighs in on what is likely is a{" "}
        <Link to="/rules" style={{ textDecoration: "underline" }}>
          house rule
        </Link>
        .
      </Text>
      {told.data.map(({ complaint, visits, causes }) => (
        <Box key={complaint} borderTopWidth="1px" borderColor="edge" py="2">
          <Flex justify="space-between" gap="3">
            <Text fontWeight="700">{capital(COMPLAINT[complaint] ?? "no complaint recorded")}</Text>
            <Text color="faint">{counted(visits, "call")}</Text>
          </Flex>
          {causes.map((cause) => (
            <Flex key={cause.fault} justify="space-between" gap="3">
              <Text>{cause.says}</Text>
              <Text className="num" fontWeight="700">
                {cause.count}
              </Text>
            </Flex>
          ))}
        </Box>
      ))}
    </Box>
  );
}
