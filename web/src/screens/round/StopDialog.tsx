/** The one thing that interrupts: a reading that says somebody can get hurt. Shown once for each such reading. */
import { chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";

import type { Finding, Round } from "../../api/client";
import { useDraft } from "../../api/draft";
import { Mark } from "../../drawing/Mark";
import { Button } from "../../shell/controls";

const Dialog = chakra("dialog");

export function StopDialog({ round, visit }: { round: Round; visit: string }) {
  const [seen, setSeen] = useDraft(`${visit} stops seen`);
  const known = seen ? seen.split("|") : [];
  const mark = (one: Finding) => `${one.point} ${one.shown} ${one.why}`;
  const stop = round.assessment.findings.find(
    (one) => one.verdict === "stop" && shows(one, round) && !known.includes(mark(one)),
  );
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (stop && !dialog.current?.open) dialog.current?.showModal();
  }, [stop]);
  if (!stop || round.finished_at != null) return null;
  const step = round.stations.flatMap((station) => station.steps).find((one) => one.point === stop.point);
  const close = () => setSeen([...known, mark(stop)].join("|"));
  return (
    <Dialog
      ref={dialog}
      onClose={close}
      aria-labelledby="stop-title"
      m="auto"
      p="6"
      maxW="32rem"
      bg="panel"
      color="ink"
      borderWidth="6px"
      borderColor="brick"
    >
      <Flex align="center" gap="3" mb="2">
        <Mark kind="stop" size={30} />
        <Heading id="stop-title" as="h2" fontSize="3xl" color="brick">
          Stop
        </Heading>
      </Flex>
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
      <Button look="next" autoFocus onClick={close}>
        I have stopped
      </Button>
    </Dialog>
  );
}

/** A stop is told for a reading, and for energising; a summary of readings repeats them and is not. */
function shows(finding: Finding, round: Round): boolean {
  return finding.point === "power.energise" || round.entries.some((one) => one.point === finding.point);
}
