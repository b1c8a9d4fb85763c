/** A lead keeps the fleet in order: a unit out of use, one that was entered twice, a place that goes by two names. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate } from "react-router";

import { api, data, type Schemas } from "../../api/client";
import { queries, useSession } from "../../api/queries";
import { useAttempt } from "../../shell/attempt";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";
import { Sure } from "../../shell/Sure";
import { say } from "../../shell/toast";
import { UnitSearch } from "../../shell/UnitSearch";

type UnitFile = Schemas["UnitFile"];
type Task = "archive" | "merge" | "place";

const TASKS: [Task, string][] = [
  ["archive", "Take out of use"],
  ["merge", "This unit was entered twice"],
  ["place", "This place goes by two names"],
];

export function InOrder({ unit }: { unit: UnitFile }) {
  const lead = useSession().data?.member?.role === "lead";
  const [task, setTask] = useState<Task | null>(null);
  const [problem, attempt] = useAttempt();
  const go = useNavigate();
  const path = { unit_id: unit.id };
  const change = (ask: () => Promise<UnitFile>, done: string) =>
    attempt(async () => {
      const answer = await ask();
      await queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "session" });
      queries.setQueryData(["unit", answer.id], answer);
      setTask(null);
      say(done);
      if (answer.id !== unit.id) await go(`/units/${answer.id}`, { replace: true });
    });
  const back = () =>
    change(() => data(api.POST("/api/v1/units/{unit_id}/back", { params: { path } })), "It is in use again.");
  if (!lead) return null;
  return (
    <Box as="section" aria-label="Keep in order">
      <Heading as="h2" fontSize="md" mb="1">
        Keep in order
      </Heading>
      {problem && <Problem id="order-problem">{problem}</Problem>}
      {unit.archived && <Button onClick={() => void back()}>Bring back into use</Button>}
      {!unit.archived && task === null && (
        <Flex direction="column" align="flex-start">
          {TASKS.map(([name, words]) => (
            <Button key={name} look="quiet" onClick={() => setTask(name)}>
              {words}
            </Button>
          ))}
        </Flex>
      )}
      {task === "archive" && (
        <Archive
          cancel={() => setTask(null)}
          archive={(why) =>
            void change(
              () => data(api.POST("/api/v1/units/{unit_id}/archive", { params: { path }, body: { why } })),
              "It is out of use. Its file is kept.",
            )
          }
        />
      )}
      {task === "merge" && (
        <Other
          unit={unit}
          label="It is the same as"
          about="The other unit takes over this one’s visits, parts, notes, photos and sticker, and keeps its own plate. This cannot be undone."
          yes="Merge them"
          cancel={() => setTask(null)}
          chosen={(into) =>
            void change(
              () => data(api.POST("/api/v1/units/{unit_id}/merge", { params: { path }, body: { into } })),
              "They are one unit now.",
            )
          }
        />
      )}
      {task === "place" && (
        <Other
          unit={unit}
          label="It stands where this unit stands"
          about={`Every unit of ${unit.site}, ${unit.address} stands there from now on.`}
          yes="Make it one place"
          cancel={() => setTask(null)}
          chosen={(into) =>
            void change(
              () =>
                data(api.POST("/api/v1/units/{unit_id}/merge-place", { params: { path }, body: { into } })),
              "They stand at one place now.",
            )
          }
        />
      )}
    </Box>
  );
}

function Archive({ archive, cancel }: { archive: (why: string) => void; cancel: () => void }) {
  const [why, setWhy] = useState("");
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        archive(why);
      }}
    >
      <Field label="Why: taken down, replaced, another company’s" mb="2">
        <TextInput maxLength={200} value={why} onChange={(event) => setWhy(event.target.value)} />
      </Field>
      <Flex gap="2">
        <Button type="submit" look="next">
          Take out of use
        </Button>
        <Button onClick={cancel}>Cancel</Button>
      </Flex>
    </form>
  );
}

interface OtherProps {
  unit: UnitFile;
  label: string;
  about: string;
  yes: string;
  chosen: (unit: string) => void;
  cancel: () => void;
}

function Other({ unit, label, about, yes, chosen, cancel }: OtherProps) {
  const [other, setOther] = useState({ id: "", name: "" });
  return (
    <Box>
      <UnitSearch
        label={label}
        but={unit.id}
        chosen={other.name}
        choose={(id, name) => setOther({ id, name })}
      />
      <Text color="faint" my="2">
        {about}
      </Text>
      <Flex gap="2" wrap="wrap">
        {other.id && <Sure ask={`${other.name}?`} yes={yes} onYes={() => chosen(other.id)} />}
        <Button onClick={cancel}>Cancel</Button>
      </Flex>
    </Box>
  );
}
