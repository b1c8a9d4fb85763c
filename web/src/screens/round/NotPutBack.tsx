/** What is lifted, pulled or jumpered and not put back yet; always in sight. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Schemas } from "../../api/client";
import { useDraft } from "../../api/draft";
import { endLine, lift, stillOff } from "../../api/writes";
import { Button } from "../../shell/controls";
import { Field, TextInput } from "../../shell/fields";
import { clock } from "../../shell/words";

type Line = Schemas["LiftedShown"];
type How = Schemas["LiftedHow"]["how"];

export function NotPutBack({ visit, lines, disabled }: { visit: string; lines: Line[]; disabled: boolean }) {
  const open = stillOff(lines);
  const [what, setWhat] = useDraft(`${visit} lifted`);
  return (
    <Box as="section" id="not-put-back" aria-label="To put back">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
        To put back
      </Heading>
      {open.length === 0 && <Text color="faint">Everything is back.</Text>}
      {open.map((line) => (
        <OpenLine key={line.id} visit={visit} line={line} disabled={disabled} />
      ))}
      {lines.length > open.length && (
        <Text fontSize="sm" color="faint" mt="1">
          {lines.length - open.length} already put back or accounted for.
        </Text>
      )}
      {!disabled && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (!what.trim()) return;
            lift(visit, what.trim());
            setWhat("");
          }}
        >
          <Flex gap="2" mt="2">
            <TextInput
              id="lifted-what"
              aria-label="Lifted, pulled or jumpered"
              placeholder="wire, jumper, panel, fuse"
              maxLength={120}
              value={what}
              onChange={(event) => setWhat(event.target.value)}
            />
            <Button type="submit">Add</Button>
          </Flex>
        </form>
      )}
    </Box>
  );
}

function OpenLine({ visit, line, disabled }: { visit: string; line: Line; disabled: boolean }) {
  const [how, setHow] = useState<How | null>(null);
  const [why, setWhy] = useDraft(`${visit} why ${line.id}`);
  const [problem, setProblem] = useState(false);
  const end = (chosen: How) => {
    setProblem(chosen !== "back" && !why.trim());
    if (chosen !== "back" && !why.trim()) return;
    endLine(visit, line.id, chosen, why.trim());
    setWhy("");
  };
  return (
    <Box borderWidth="1px" borderColor="rule" bg="panel" px="3" py="1" mb="2">
      <Flex align="center" gap="2">
        <Text flex="1" fontWeight="600">
          {line.what}
        </Text>
        <Text className="num" fontSize="sm" color="faint">
          {clock(line.at)}
        </Text>
        {!disabled && (
          <>
            <Button px="3" aria-label={`${line.what}: back`} onClick={() => end("back")}>
              Back
            </Button>
            <Button
              look="quiet"
              aria-expanded={how !== null}
              aria-label={`${line.what}: not back`}
              onClick={() => setHow(how ? null : "retired")}
            >
              …
            </Button>
          </>
        )}
      </Flex>
      {how !== null && (
        <Box pb="2">
          <Field label="Why it is not put back" problem={problem ? "Say why it is not put back." : undefined}>
            <TextInput maxLength={300} value={why} onChange={(event) => setWhy(event.target.value)} />
          </Field>
          <Flex gap="2" mt="2" wrap="wrap">
            <Button onClick={() => end("retired")}>Not needed any more</Button>
            <Button onClick={() => end("left")}>Left until the return visit</Button>
          </Flex>
        </Box>
      )}
    </Box>
  );
}
