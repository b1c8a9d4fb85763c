/** Everything in and out, in open formats. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";

import { inWords, type Schemas } from "../../api/client";
import { queries, useSession } from "../../api/queries";
import { upload } from "../../api/upload";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { say } from "../../shell/toast";
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
          {lead && <Out href="/api/v1/files/company.zip">The whole company (zip)</Out>}
        </Part>
        <LogIn />
        {lead && <CompanyIn />}
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

function CompanyIn() {
  const file = useRef<HTMLInputElement>(null);
  const [taking, setTaking] = useState(false);
  const [problem, setProblem] = useState("");
  const takeIn = async (chosen: File) => {
    try {
      setTaking(true);
      const taken = await upload<Schemas["TakenIn"]>("/api/v1/files/company-zip", { file: chosen });
      say(`Imported: ${taken.units} units, ${taken.visits} visits, ${taken.photos} photos.`);
      setProblem("");
      await queries.invalidateQueries();
    } catch (error) {
      setProblem(inWords(error));
    } finally {
      setTaking(false);
    }
  };
  return (
    <Part
      title="Import a company zip"
      about="Only into a company that has no units yet. The zip is checked first; all of it is imported, or none."
    >
      <input
        ref={file}
        type="file"
        hidden
        accept=".zip,application/zip"
        aria-label="Company zip"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) void takeIn(chosen);
          event.target.value = "";
        }}
      />
      <Button onClick={() => file.current?.click()}>Choose the zip file</Button>
      {taking && <Text role="status">Reading the file …</Text>}
      {problem && <Problem id="zip-problem">{problem}</Problem>}
    </Part>
  );
}
