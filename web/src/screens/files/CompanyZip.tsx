/** The whole company as a zip, out and in: the server makes or reads it by itself, and says here how far it is. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";

import { api, data, type Schemas } from "../../api/client";
import { queries } from "../../api/queries";
import { upload } from "../../api/upload";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { useJob, type Way } from "./job";

type Zip = Schemas["ZipShown"];
const isRunning = (zip: Zip | undefined) => zip?.state === "waiting" || zip?.state === "working";
const WAY: Way<Zip> = {
  held: "outer-test.zip",
  read: (id) => data(api.GET("/api/v1/files/company-zip/{job_id}", { params: { path: { job_id: id } } })),
  isRunning,
};

export function CompanyZip() {
  const { job: zip, problem, attempt, forget } = useJob(WAY);
  const file = useRef<HTMLInputElement>(null);
  const out = () =>
    attempt(() => data(api.POST("/api/v1/files/company-zip/out", { body: { id: crypto.randomUUID() } })));
  return (
    <Box as="section" aria-label="The whole company" borderTopWidth="1px" borderColor="edge" pt="3" mb="6">
      <Heading as="h2" fontSize="md">
        The whole company
      </Heading>
      <Text color="faint" mb="2">
        One zip of open files. It goes only into a company that has no units yet: all of it, or none.
      </Text>
      <input
        ref={file}
        type="file"
        hidden
        accept=".zip,application/zip"
        aria-label="Company zip"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen)
            void attempt(() =>
              upload<Zip>("/api/v1/files/company-zip", { id: crypto.randomUUID(), file: chosen }),
            );
          event.target.value = "";
        }}
      />
      <Flex gap="3" wrap="wrap">
        <Button disabled={isRunning(zip)} onClick={() => void out()}>
          Make the zip
        </Button>
        <Button disabled={isRunning(zip)} onClick={() => file.current?.click()}>
          Import a company zip
        </Button>
      </Flex>
      {problem && <Problem id="zip-problem">{problem}</Problem>}
      {zip && <OnItsWay key={zip.id} zip={zip} attempt={attempt} forget={forget} />}
    </Box>
  );
}

function OnItsWay(props: {
  zip: Zip;
  attempt: (ask: () => Promise<Zip>) => Promise<void>;
  forget: () => void;
}) {
  const { zip, attempt, forget } = props;
  const params = { path: { job_id: zip.id } };
  const came = zip.state === "done" && !zip.out;
  useEffect(() => {
    if (came) void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== WAY.held });
  }, [came]);
  return (
    <Box mt="3">
      {zip.state === "failed" ? (
        <Problem id="zip-failed">{zip.problem}</Problem>
      ) : (
        <Text role="status" fontWeight="600">
          {says(zip)}
        </Text>
      )}
      {isRunning(zip) && (
        <progress
          {...(zip.total > 0 && { value: zip.done / zip.total })}
          max={1}
          aria-label="Progress"
          style={{ width: "100%" }}
        />
      )}
      <Flex gap="3" mt="2" align="center">
        {zip.state === "done" && zip.out && (
          <a href={`/api/v1/files/company-zip/${zip.id}/file`} download="company.zip">
            <Button as="span" look="next" display="inline-flex" alignItems="center">
              Take the zip
            </Button>
          </a>
        )}
        {isRunning(zip) ? (
          <Button
            onClick={() =>
              void attempt(() => data(api.POST("/api/v1/files/company-zip/{job_id}/cancel", { params })))
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

function says(zip: Zip): string {
  if (zip.state === "waiting") return "Waiting for its turn …";
  if (zip.state === "working") return zip.out ? "Making the zip …" : "Reading the zip …";
  if (zip.state === "cancelled") return "Stopped. Nothing was changed.";
  const { taken } = zip;
  if (!taken) return "The zip is ready. It is kept for a day.";
  return `Imported: ${taken.units} units, ${taken.visits} visits, ${taken.photos} photos.`;
}
