/** Which of the company's meters is in hand; its accuracy gives each reading its band. */
import { Flex, Text } from "@chakra-ui/react";

import type { VisitShown } from "../../api/client";
import { readDraft, useDraft } from "../../api/draft";
import { Choice } from "../../shell/fields";

const NAME = "meter";

/** The meter in hand, among those the visit knows; empty for none. */
export function meterInHand(): string {
  return readDraft(NAME);
}

export function MeterChoice({ meters }: { meters: VisitShown["meters"] }) {
  const [meter, setMeter] = useDraft(NAME);
  return (
    <Flex as="label" align="center" gap="2">
      <Text fontSize="sm" color="faint">
        Meter
      </Text>
      <Choice
        w="11rem"
        value={meters.some(({ name }) => name === meter) ? meter : ""}
        onChange={(event) => setMeter(event.target.value)}
      >
        <option value="">not given</option>
        {meters.map(({ name, overdue }) => (
          <option key={name} value={name}>
            {name}
            {overdue && " (calibration overdue)"}
          </option>
        ))}
      </Choice>
    </Flex>
  );
}
