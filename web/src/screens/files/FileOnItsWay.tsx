/** A file that the server makes or reads by itself: how far it is, to be stopped, and, once made, taken. */
import { Box, Flex, Text } from "@chakra-ui/react";

import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import type { Way } from "./job";

export type FileMade = Schemas["FileMade"];
type Kind = FileMade["kind"];

const WORKING: Record<Kind, string> = {
  "company-out": "Making the zip …",
  "company-in": "Reading the zip …",
  sheet: "Making the PDF …",
};
const NAME: Record<Kind, string> = { "company-out": "zip", "company-in": "zip", sheet: "PDF" };

export const isUnderWay = (file: FileMade | undefined) =>
  file?.state === "waiting" || file?.state === "working";

export const fileMade: Omit<Way<FileMade>, "held"> = {
  read: (id) => data(api.GET("/api/v1/files/made/{job_id}", { params: { path: { job_id: id } } })),
  isRunning: isUnderWay,
};

export function FileOnItsWay(props: {
  file: FileMade;
  attempt: (ask: () => Promise<FileMade>) => Promise<void>;
  forget: () => void;
}) {
  const { file, attempt, forget } = props;
  const params = { path: { job_id: file.id } };
  return (
    <Box mt="3">
      {file.state === "failed" ? (
        <Problem id="file-failed">{file.problem}</Problem>
      ) : (
        <Text role="status" fontWeight="600">
          {says(file)}
        </Text>
      )}
      {isUnderWay(file) && (
        <progress
          {...(file.total > 1 && { value: file.done / file.total })}
          max={1}
          aria-label="Progress"
          style={{ width: "100%" }}
        />
      )}
      <Flex gap="3" mt="2" align="center">
        {file.state === "done" && file.kind !== "company-in" && (
          <a href={`/api/v1/files/made/${file.id}/file`} download>
            <Button as="span" look="next" display="inline-flex" alignItems="center">
              Download the {NAME[file.kind]}
            </Button>
          </a>
        )}
        {isUnderWay(file) ? (
          <Button
            onClick={() =>
              void attempt(() => data(api.POST("/api/v1/files/made/{job_id}/cancel", { params })))
            }
          >
            Stop
          </Button>
        ) : (
          <Button look="quiet" onClick={forget}>
            close
          </Button>
        )}
      </Flex>
    </Box>
  );
}

function says(file: FileMade): string {
  if (file.state === "waiting") return "Waiting for its turn …";
  if (file.state === "working") return WORKING[file.kind];
  if (file.state === "cancelled") return "Stopped. Nothing was changed.";
  const { taken } = file;
  if (!taken) return `The ${NAME[file.kind]} is ready. It is kept for a day.`;
  return `Imported: ${taken.units} units, ${taken.visits} visits, ${taken.photos} photos.`;
}
