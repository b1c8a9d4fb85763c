/** Files of one unit: its readings out, a visit file in, its sticker. */
import { Box, Flex, Heading } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";

import { inWords } from "../../api/client";
import { upload } from "../../api/upload";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";

export function UnitFiles({ unit }: { unit: string }) {
  const [problem, setProblem] = useState("");
  const file = useRef<HTMLInputElement>(null);
  const go = useNavigate();
  const takeIn = async (chosen: File) => {
    try {
      const visit = await upload<{ id: string }>(`/api/v1/files/units/${unit}/visit-file`, {
        id: crypto.randomUUID(),
        file: chosen,
      });
      await go(`/visits/${visit.id}/sheet`);
    } catch (error) {
      setProblem(inWords(error));
    }
  };
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
        <input
          ref={file}
          type="file"
          hidden
          accept="application/json,.json"
          aria-label="Visit file"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void takeIn(chosen);
            event.target.value = "";
          }}
        />
        <Button onClick={() => file.current?.click()}>Import a visit file</Button>
      </Flex>
      {problem && <Problem id="visit-file-problem">{problem}</Problem>}
    </Box>
  );
}
