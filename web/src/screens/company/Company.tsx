/** The company's own pages, and what stands at the head of its sheets. */
import { Box, Heading, Link, SimpleGrid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Link as RouterLink } from "react-router";

import { api, data } from "../../api/client";
import { Bar } from "../../shell/Bar";
import { Experience } from "./Experience";
import { Head } from "./Head";

const PAGES: [string, string, string][] = [
  ["/rules", "House rules", "Where the trade disagrees: which school judges your readings."],
  ["/meters", "Meters", "Your instruments, their accuracy, and when their calibration is due."],
  ["/boards", "Defrost boards", "What each kind of board should do, and what its lights mean."],
  ["/people", "People", "Who works here, how they join, sign-ins, and who changed what."],
  ["/files", "Files", "Import and export in open formats; stickers; the calendar."],
  ["/licences", "Licences", "What ships with this app, and under which terms."],
];

export default function CompanyScreen() {
  const head = useQuery({
    queryKey: ["letterhead"],
    queryFn: () => data(api.GET("/api/v1/company/letterhead")),
  });
  return (
    <>
      <Bar title="Company">
        <Text color="onBarFaint">Company</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="62rem">
        <Heading as="h1" fontSize="2xl" mb="4">
          {head.data?.name ?? "Company"}
        </Heading>
        <SimpleGrid columns={{ base: 1, md: 2 }} columnGap="8" mb="8">
          {PAGES.map(([to, title, about]) => (
            <Link
              key={to}
              asChild
              display="block"
              color="ink"
              py="3"
              borderTopWidth="1px"
              borderColor="edge"
              _hover={{ bg: "panel" }}
            >
              <RouterLink to={to}>
                <b>{title}</b>
                <Text as="span" display="block" color="faint">
                  {about}
                </Text>
              </RouterLink>
            </Link>
          ))}
        </SimpleGrid>
        <Experience />
        {head.data && <Head head={head.data} />}
      </Box>
    </>
  );
}
