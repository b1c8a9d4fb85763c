/** A meter's log taken in: choose the file, say which column is what, look at the judged rows, then keep all of it or none. */
import { Box, Flex, Heading, Table, Text } from "@chakra-ui/react";
import { useState } from "react";

import { api, data, type Schemas } from "../../api/client";
import { upload } from "../../api/upload";
import { Mark, type MarkKind } from "../../drawing/Mark";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem } from "../../shell/fields";
import { FileButton } from "../../shell/FileButton";
import { counted, dayAndClock } from "../../shell/words";
import { useJob, type Way } from "./job";
import { LogColumns } from "./LogColumns";

type Job = Schemas["JobShown"];
type Mapping = Schemas["Mapping"];
const isRunning = (job: Job | undefined) => job?.state === "checking" || job?.state === "keeping";
const WAY: Way<Job> = {
  held: "outer-test.import",
  read: (id) => data(api.GET("/api/v1/imports/{job_id}", { params: { path: { job_id: id } } })),
  isRunning,
};
const SAYS: Record<string, string> = {
  checking: "Reading the file …",
  checked: "Checked. Nothing is saved yet.",
  keeping: "Saving …",
  done: "Saved.",
  cancelled: "Stopped. Nothing was saved.",
  failed: "Failed. Nothing was saved.",
};

export function LogIn() {
  const { job, problem, attempt, forget } = useJob(WAY);
  const takeIn = (file: File) =>
    attempt(() => upload<Job>("/api/v1/imports", { id: crypto.randomUUID(), file }));
  return (
    <Box as="section" aria-label="Import a meter log" borderTopWidth="1px" borderColor="edge" pt="3" mb="6">
      <Heading as="h2" fontSize="md">
        Import a meter log
      </Heading>
      <Text color="faint" mb="2">
        CSV in UTF-8, up to 60 MB. Its heading row and columns are guessed; you put them right and see the
        rows judged before anything is saved. If one row is wrong, nothing is saved.
      </Text>
      <FileButton label="Log file" accept=".csv,.txt,text/csv" chosen={(file) => void takeIn(file)}>
        Choose the log file
      </FileButton>
      {problem && <Problem id="log-problem">{problem}</Problem>}
      {job && <OnItsWay key={job.id} job={job} attempt={attempt} forget={forget} />}
    </Box>
  );
}

function OnItsWay(props: {
  job: Job;
  attempt: (ask: () => Promise<Job>) => Promise<void>;
  forget: () => void;
}) {
  const { job, attempt, forget } = props;
  const [mapping, setMapping] = useState<Mapping>(job.mapping);
  const path = { job_id: job.id };
  const running = isRunning(job);
  const ask = (what: "keep" | "cancel") => {
    const params = { params: { path } };
    return what === "keep"
      ? data(api.POST("/api/v1/imports/{job_id}/keep", params))
      : data(api.POST("/api/v1/imports/{job_id}/cancel", params));
  };
  const look = (heading: number, unit: string | null) =>
    void attempt(async () => {
      const next = await data(
        api.POST("/api/v1/imports/{job_id}/look", { params: { path }, body: { heading, unit } }),
      );
      if (heading !== job.mapping.heading) setMapping(next.mapping);
      return next;
    });
  return (
    <Box mt="4">
      <Text fontWeight="700">{job.name}</Text>
      {job.saved_before && job.state !== "done" && (
        <Text borderWidth="1px" borderColor="ochre" bg="ochreTint" p="3" my="2">
          This same file was saved already, {dayAndClock(job.saved_before.at)} by {job.saved_before.by_whom}.
          Saved again, each of its readings stands twice.
        </Text>
      )}
      {job.state !== "done" && (
        <LogColumns job={job} mapping={mapping} setMapping={setMapping} look={look} running={running} />
      )}
      <Progress job={job} />
      <Flex gap="3" wrap="wrap" mt="2">
        {!running && job.state !== "done" && (
          <Button
            onClick={() =>
              void attempt(() =>
                data(api.POST("/api/v1/imports/{job_id}/check", { params: { path }, body: mapping })),
              )
            }
          >
            Check the file
          </Button>
        )}
        {job.state === "checked" && job.problem_count === 0 && job.total > 0 && (
          <Button look="next" onClick={() => void attempt(() => ask("keep"))}>
            {job.saved_before ? "Save again" : "Save all"} {counted(job.total, "reading")} of{" "}
            {counted(job.visits, "visit")}
          </Button>
        )}
        {job.state !== "done" && job.state !== "cancelled" && (
          <Button onClick={() => void attempt(() => ask("cancel"))}>{running ? "Stop" : "Cancel"}</Button>
        )}
        {!running && (
          <Button look="quiet" onClick={forget}>
            close
          </Button>
        )}
      </Flex>
      <Wrong job={job} mapping={mapping} setMapping={setMapping} />
      <Looked job={job} />
    </Box>
  );
}

function Progress({ job }: { job: Job }) {
  const said = SAYS[job.state];
  if (!said) return null;
  const share = job.state === "keeping" && job.total > 0 ? job.done / job.total : undefined;
  return (
    <Box role="status">
      <Text fontWeight="600">
        {said} {job.done > 0 && `${counted(job.done, "row")}.`}
      </Text>
      {isRunning(job) && <progress value={share} max={1} aria-label="Progress" style={{ width: "100%" }} />}
    </Box>
  );
}

/** What is wrong, row by row; a name this app does not know can be given its reading here. */
function Wrong(props: { job: Job; mapping: Mapping; setMapping: (mapping: Mapping) => void }) {
  const { job, mapping, setMapping } = props;
  if (job.problem_count === 0) return null;
  const unknown = [...new Set(job.problems.map(({ name }) => name).filter((name) => name !== ""))];
  return (
    <Box mt="3" role="alert">
      <Text fontWeight="700" color="brick">
        {counted(job.problem_count, "row")} {job.problem_count === 1 ? "is" : "are"} wrong:
      </Text>
      {unknown.map((name) => (
        <Field label={<>“{name}” is</>} key={name}>
          <Choice
            maxW="24rem"
            value={mapping.names?.[name] ?? ""}
            onChange={(event) =>
              setMapping({ ...mapping, names: { ...mapping.names, [name]: event.target.value } })
            }
          >
            <option value="">not known</option>
            {job.points.map((one) => (
              <option key={one.point} value={one.point}>
                {one.title}
              </option>
            ))}
          </Choice>
        </Field>
      ))}
      {job.problems.slice(0, 20).map((one) => (
        <Text key={`${one.line} ${one.why}`}>
          {one.line > 0 && `Line ${one.line}`}
          {one.column && `, ${one.column}`}: {one.why}
        </Text>
      ))}
      {job.problem_count > 20 && <Text color="faint">and {job.problem_count - 20} more</Text>}
    </Box>
  );
}

function Looked({ job }: { job: Job }) {
  if (job.preview.length === 0 || job.state === "done") return null;
  const titles = new Map(job.points.map((one) => [one.point, one.title]));
  return (
    <Box mt="3" overflowX="auto">
      <Text fontSize="sm" color="faint">
        The first rows, judged by each unit’s plate as it stands now:
      </Text>
      <Table.Root size="sm" aria-label="The first rows, judged">
        <Table.Body>
          {job.preview.slice(0, 20).map((one) => (
            <Table.Row key={one.line}>
              <Table.Cell>
                <Mark kind={one.verdict as MarkKind} />
              </Table.Cell>
              <Table.Cell>{one.unit}</Table.Cell>
              <Table.Cell>{dayAndClock(one.at)}</Table.Cell>
              <Table.Cell>{titles.get(one.point)}</Table.Cell>
              <Table.Cell className="num" textAlign="right">
                {one.value}
              </Table.Cell>
              <Table.Cell>{one.why}</Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}
