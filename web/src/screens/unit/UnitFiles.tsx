/** Files of one unit: its readings out, a visit file in, its sticker. */
import { Box, Flex, Heading } from "@chakra-ui/react";
import { useNavigate } from "react-router";

import { upload } from "../../api/upload";
import { useAttempt } from "../../shell/attempt";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { FileButton } from "../../shell/FileButton";

export function UnitFiles({ unit }: { unit: string }) {
  const [problem, attempt] = useAttempt();
  const go = useNavigate();
  const takeIn = (file: File) =>
    attempt(async () => {
      const visit = await upload<{ id: string }>(`/api/v1/files/units/${unit}/visit-file`, {
        id: crypto.randomUUID(),
        file,
      });
      await go(`/visits/${visit.id}/sheet`);
    });
  return (
    <Box as="section" aria-label="Files of this unit">
      <Heading as="h2" fontSize="md" mb="1">
        Files
      </Heading>
      <Flex gap="2" wrap="wrap">
        <a href={`/api/v1/files/readings.csv?unit=${unit}`}>
          <Button as="span" display="inline-flex" alignItems="center">
            Readings (CSV)
          </Button>
        </a>
        <a href={`/api/v1/files/labels?unit=${unit}`} target="_blank" rel="noreferrer">
          <Button as="span" display="inline-flex" alignItems="center">
            Sticker
          </Button>
        </a>
        <FileButton label="Visit file" accept="application/json,.json" chosen={(file) => void takeIn(file)}>
          Import a visit file
        </FileButton>
      </Flex>
      {problem && <Problem id="visit-file-problem">{problem}</Problem>}
    </Box>
  );
}
