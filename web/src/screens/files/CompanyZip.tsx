/** The whole company as a zip, out and in: the server makes or reads it by itself, and says here how far it is. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect } from "react";

import { api, data } from "../../api/client";
import { queries } from "../../api/queries";
import { upload } from "../../api/upload";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { FileButton } from "../../shell/FileButton";
import { FileOnItsWay, fileMade, isUnderWay, type FileMade } from "./FileOnItsWay";
import { useJob } from "./job";

const HELD = "outer-test.zip";

export function CompanyZip() {
  const { job: zip, problem, attempt, forget } = useJob({ ...fileMade, held: HELD });
  const came = zip?.state === "done" && zip.kind === "company-in";
  useEffect(() => {
    if (came) void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== HELD });
  }, [came]);
  const out = () =>
    attempt(() => data(api.POST("/api/v1/files/company-zip/out", { body: { id: crypto.randomUUID() } })));
  const takeIn = (file: File) =>
    attempt(() => upload<FileMade>("/api/v1/files/company-zip", { id: crypto.randomUUID(), file }));
  return (
    <Box as="section" aria-label="The whole company" borderTopWidth="1px" borderColor="edge" pt="3" mb="6">
      <Heading as="h2" fontSize="md">
        The whole company
      </Heading>
      <Text color="faint" mb="2">
        One zip of open files. It goes only into a company that has no units yet: all of it, or none.
      </Text>
      <Flex gap="3" wrap="wrap">
        <Button disabled={isUnderWay(zip)} onClick={() => void out()}>
          Make the zip
        </Button>
        <FileButton
          label="Company zip"
          accept=".zip,application/zip"
          disabled={isUnderWay(zip)}
          chosen={(file) => void takeIn(file)}
        >
          Import a company zip
        </FileButton>
      </Flex>
      {problem && <Problem id="zip-problem">{problem}</Problem>}
      {zip && <FileOnItsWay key={zip.id} file={zip} attempt={attempt} forget={forget} />}
    </Box>
  );
}
