/** What ships with the app, and under which licence: scripts and fonts of the pages, and the server's packages. */
import { Box, chakra, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";

import { api, data, type Schemas } from "../../api/client";
import { Bar } from "../../shell/Bar";

type Licence = Schemas["Licence"];
interface Bundled {
  name: string;
  version: string;
  identifier?: string;
  text?: string;
}

const Details = chakra("details");
const Summary = chakra("summary");

async function bundled(): Promise<Licence[]> {
  const answer = await fetch("/licences.json");
  if (!answer.ok) throw new Error(`The server answered ${answer.status}.`);
  const packages = (await answer.json()) as Bundled[];
  const pages = packages.map(({ name, version, identifier = "", text = "" }) => ({
    name,
    version,
    licence: identifier,
    text,
  }));
  return [...pages, ...BESIDE];
}

/** What ships beside the scripts, as it is: this browser's Python. */
const BESIDE: Licence[] = [
  { name: "pyodide", version: /pyodide-([\d.]+)/.exec(__PYODIDE__)?.[1] ?? "", licence: "MPL-2.0", text: "" },
  { name: "CPython, within pyodide", version: "", licence: "PSF-2.0", text: "" },
];

export default function Licences() {
  const pages = useQuery({ queryKey: ["licences", "pages"], queryFn: bundled });
  const server = useQuery({
    queryKey: ["licences", "server"],
    queryFn: () => data(api.GET("/api/v1/licences")),
  });
  return (
    <>
      <Bar title="Licences">
        <Text color="onBarFaint">Licences</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="56rem">
        <Heading as="h1" fontSize="2xl" mb="1">
          Licences
        </Heading>
        <Text color="faint" mb="5">
          Outer Test is built on the work of others. This is what ships with it.
        </Text>
        <Part title="Scripts and fonts of the pages" packages={pages.data} problem={pages.error?.message} />
        <Part title="The server’s Python packages" packages={server.data} problem={server.error?.message} />
      </Box>
    </>
  );
}

function Part(props: { title: string; packages: Licence[] | undefined; problem: string | undefined }) {
  const { title, packages, problem } = props;
  return (
    <Box as="section" aria-label={title} mb="8">
      <Heading as="h2" fontSize="lg" mb="2">
        {title}
      </Heading>
      {problem && <Text color="brick">{problem}</Text>}
      {!packages && !problem && <Text>Opening …</Text>}
      {packages?.map((one) => (
        <Details key={one.name} borderTopWidth="1px" borderColor="rule">
          <Summary minH="44px" py="2" cursor="pointer">
            <b>{one.name}</b> <span className="num">{one.version}</span>
            {one.licence && ` · ${one.licence}`}
          </Summary>
          <Text whiteSpace="pre-wrap" fontSize="sm" pb="4" overflowX="auto">
            {one.text || "It ships no text of its licence."}
          </Text>
        </Details>
      ))}
    </Box>
  );
}
