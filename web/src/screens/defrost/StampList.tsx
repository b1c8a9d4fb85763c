/** What was stamped, to be mended while it runs or after: a time changed, one removed, one added that was missed. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Round } from "../../api/client";
import { send } from "../../device/act";
import { Button } from "../../shell/controls";
import { Choice, Field, TextInput } from "../../shell/fields";
import { EVENTS, eventWords } from "./stampWords";

type Defrost = Round["defrost"];
type Stamp = Defrost["stamps"][number];

const SECONDS = /^\d{1,5}([.,]\d)?$/;

export function StampList({ visit, defrost }: { visit: string; defrost: Defrost }) {
  const forced = defrost.stamps.find(({ event }) => event === "forced");
  if (forced === undefined) return null;
  const stamp = (event: string, seconds: number) => {
    send(visit, { kind: "stamp", event, s: seconds });
  };
  const remove = (id: string) => send(visit, { kind: "undo", stamp: id });
  return (
    <Box as="section" aria-label="Stamped" my="3">
      <Text fontWeight="700">Stamped</Text>
      {defrost.stamps
        .filter(({ id }) => id !== forced.id)
        .map((one) => (
          <Line
            key={one.id}
            stamp={one}
            remove={() => remove(one.id)}
            change={(seconds) => {
              remove(one.id);
              stamp(one.event, seconds);
            }}
          />
        ))}
      <Missed key={defrost.stamps.length} stamp={stamp} />
    </Box>
  );
}

function number(typed: string): number | null {
  return SECONDS.test(typed.trim()) ? Number(typed.trim().replace(",", ".")) : null;
}

function Line(props: { stamp: Stamp; change: (seconds: number) => void; remove: () => void }) {
  const { stamp, change, remove } = props;
  const [typed, setTyped] = useState(String(stamp.s));
  const seconds = number(typed);
  const words = eventWords(stamp.event);
  return (
    <Flex gap="2" align="center" py="1" borderTopWidth="1px" borderColor="rule" wrap="wrap">
      <Text flex="1" minW="9rem">
        {words}
      </Text>
      <TextInput
        className="num"
        w="6rem"
        inputMode="decimal"
        aria-label={`${words}: seconds after it was forced`}
        aria-invalid={seconds === null}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Text color="faint">s</Text>
      {seconds !== null && seconds !== stamp.s && (
        <Button look="next" onClick={() => change(seconds)}>
          Save
        </Button>
      )}
      <Button aria-label={`Remove the stamp: ${words}`} onClick={remove}>
        Remove
      </Button>
    </Flex>
  );
}

function Missed({ stamp }: { stamp: (event: string, seconds: number) => void }) {
  const [event, setEvent] = useState("");
  const [typed, setTyped] = useState("");
  const seconds = number(typed);
  return (
    <Flex gap="2" align="end" wrap="wrap" py="2" borderTopWidth="1px" borderColor="rule">
      <Field label="Add one that was missed" flex="1 1 11rem">
        <Choice value={event} onChange={(change) => setEvent(change.target.value)}>
          <option value="">Choose the event</option>
          {EVENTS.map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </Choice>
      </Field>
      <Field label="Seconds after it was forced" flex="0 1 9rem">
        <TextInput
          className="num"
          inputMode="decimal"
          value={typed}
          onChange={(change) => setTyped(change.target.value)}
        />
      </Field>
      <Button
        disabled={event === "" || seconds === null}
        onClick={() => {
          if (seconds !== null) stamp(event, seconds);
        }}
      >
        Add
      </Button>
    </Flex>
  );
}
