/** Everything in and out, in open formats. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";

import { useSession } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { CompanyZip } from "./CompanyZip";
import { LogIn } from "./LogIn";

export default function FilesScreen() {
  const lead = useSession().data?.member?.role === "lead";
  return (
    <>
      <Bar title="Files">
        <Text color="onBarFaint">Files</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="66rem">
        <Heading as="h1" fontSize="2xl" mb="3">
          Files
        </Heading>
        <Part
          title="Out"
          about="One visit’s file and sheet are at the foot of its sheet, one unit’s readings in its file."
        >
          <Out href="/api/v1/files/readings.csv">All readings (CSV)</Out>
          <Out href="/api/v1/files/next-visits.ics">Next visits (iCalendar)</Out>
          <Out href="/api/v1/files/labels">Stickers for the units</Out>
        </Part>
        <LogIn />
        {lead && <CompanyZip />}
      </Box>
    </>
  );
}

function Part(props: { title: string; about: string; children: React.ReactNode }) {
  return (
    <Box as="section" aria-label={props.title} borderTopWidth="1px" borderColor="edge" pt="3" mb="6">
      <Heading as="h2" fontSize="md">
        {props.title}
      </Heading>
      <Text color="faint" mb="2">
        {props.about}
      </Text>
      <Flex gap="3" wrap="wrap">
        {props.children}
      </Flex>
    </Box>
  );
}

function Out({ href, children }: { href: string; children: string }) {
  return (
    <a href={href} target="_blank" rel="noreferrer">
      <Button as="span" display="inline-flex" alignItems="center">
        {children}
      </Button>
    </a>
  );
}
