/** The one thing that interrupts: a reading that says somebody can get hurt. Shown once for each such reading. */
import { Flex, Text } from "@chakra-ui/react";

import type { Finding, Round } from "../../api/client";
import { useDraft } from "../../api/draft";
import { Mark } from "../../drawing/Mark";
import { Button } from "../../shell/controls";
import { Modal } from "../../shell/Modal";

export function StopDialog({ round, visit }: { round: Round; visit: string }) {
  const [seen, setSeen] = useDraft(`${visit} stops seen`);
  const known = seen ? seen.split("|") : [];
  const mark = (one: Finding) => `${one.point} ${one.shown} ${one.why}`;
  const stop = round.assessment.findings.find(
    (one) => one.verdict === "stop" && shows(one, round) && !known.includes(mark(one)),
  );
  if (!stop || round.finished_at != null) return null;
  const step = round.stations.flatMap((station) => station.steps).find((one) => one.point === stop.point);
  const close = () => setSeen([...known, mark(stop)].join("|"));
  return (
    <Modal
      alert
      close={close}
      borderWidth="6px"
      borderColor="brick"
      title={
        <Flex align="center" gap="3" mb="2" fontSize="3xl" color="brick">
          <Mark kind="stop" size={30} />
          Stop
        </Flex>
      }
    >
      <Text fontSize="xl" mb="1">
        {step ? (
          <>
            {step.title}: <b className="num">{stop.shown}</b> {stop.unit}
          </>
        ) : (
          "Do not energise this unit."
        )}
      </Text>
      <Text fontSize="lg" mb="2">
        {stop.why}
      </Text>
      <Text fontSize="lg" fontWeight="700" mb="4">
        {stop.next}
      </Text>
      <Button look="next" onClick={close}>
        I have stopped
      </Button>
    </Modal>
  );
}

/** A stop is told for a reading, and for energising; a summary of readings repeats them and is not. */
function shows(finding: Finding, round: Round): boolean {
  return finding.point === "power.energise" || round.entries.some((one) => one.point === finding.point);
}
