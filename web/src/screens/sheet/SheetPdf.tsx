/** The sheet as PDF, made by the server beside the requests: a day with hundreds of readings takes a while. */
import { Box } from "@chakra-ui/react";

import { api, data } from "../../api/client";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { FileOnItsWay, fileMade, isUnderWay } from "../files/FileOnItsWay";
import { useJob } from "../files/job";

export function SheetPdf({ visit }: { visit: string }) {
  const { job: file, problem, attempt, forget } = useJob(fileMade);
  const make = () =>
    attempt(() =>
      data(
        api.POST("/api/v1/files/sheet/{visit_id}", {
          params: { path: { visit_id: visit } },
          body: { id: crypto.randomUUID() },
        }),
      ),
    );
  return (
    <Box>
      <Button disabled={isUnderWay(file)} onClick={() => void make()}>
        PDF
      </Button>
      {problem && <Problem id="pdf-problem">{problem}</Problem>}
      {file && <FileOnItsWay key={file.id} file={file} attempt={attempt} forget={forget} />}
    </Box>
  );
}
