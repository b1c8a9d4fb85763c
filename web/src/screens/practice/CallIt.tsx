/** Saying what is wrong with the unit that was watched. */
import { Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Schemas } from "../../api/client";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem } from "../../shell/fields";
import { capital } from "../../shell/words";

export function CallIt({
  faults,
  call,
  problem,
}: {
  faults: Schemas["FaultToName"][];
  call: (named: string) => void;
  problem: string;
}) {
  const [named, setNamed] = useState("");
  const says = faults.find(({ fault }) => fault === named)?.says;
  return (
    <>
      <Text mb="3">What is wrong with this unit, by what you saw?</Text>
      <Field label="The fault">
        <Choice
          w={{ base: "100%", md: "20rem" }}
          value={named}
          onChange={(event) => setNamed(event.target.value)}
        >
          <option value="">choose</option>
          <option value="nothing wrong">nothing wrong</option>
          {faults.map(({ fault }) => (
            <option key={fault}>{fault}</option>
          ))}
        </Choice>
      </Field>
      <Text color="faint" minH="2lh" my="2">
        {says && capital(says)}
      </Text>
      <Button
        look="next"
        w={{ base: "100%", md: "auto" }}
        minH="60px"
        disabled={named === ""}
        onClick={() => call(named)}
      >
        Check it
      </Button>
      {problem && <Problem id="practice-problem">{problem}</Problem>}
    </>
  );
}
