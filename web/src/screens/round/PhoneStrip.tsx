/** On a phone, at the bottom: where this stands, what is still off, and every reading; each opens over the step. */
import { chakra, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "react-router";

import type { VisitShown } from "../../api/client";
import { Button } from "../../shell/controls";
import { Modal } from "../../shell/Modal";
import { capital } from "../../shell/words";
import { Finish } from "./Finish";
import { NotPutBack } from "./NotPutBack";
import { PartsIn } from "./PartsIn";
import { PowerPanel } from "./Power";
import { Rejudge } from "./Rejudge";
import { Figures, Standing } from "./Standing";
import { VisitNotes } from "./VisitNotes";

type Open = "" | "standing" | "off";

const Slot = chakra("button", {
  base: {
    flex: "1 1 0",
    minW: "0",
    minH: "48px",
    px: "2",
    color: "onBar",
    fontWeight: "700",
    fontSize: "sm",
    _first: { flexGrow: "1.5" },
    cursor: "pointer",
    overflow: "hidden",
    textOverflow: "ellipsis",
    whiteSpace: "nowrap",
  },
});
const SlotLink = chakra(Link, {
  base: {
    flex: "1",
    minH: "48px",
    px: "2",
    color: "onBar",
    fontWeight: "700",
    fontSize: "sm",
    display: "grid",
    placeItems: "center",
  },
});

export function PhoneStrip({ visit, leave }: { visit: VisitShown; leave: string }) {
  const [open, setOpen] = useState<Open>("");
  const { round } = visit;
  const off = round.assessment.open_lines;
  const finished = round.finished_at != null;
  const close = () => setOpen("");
  return (
    <Flex as="nav" aria-label="Beside the step" bg="bar" align="center">
      <Slot type="button" onClick={() => setOpen("standing")}>
        {shortly(visit)}
      </Slot>
      <Slot type="button" onClick={() => setOpen("off")}>
        {off === 0 ? "All is back" : `${off} to put back`}
      </Slot>
      <SlotLink to={leave}>{leave.endsWith("/all") ? "All readings" : "The step"}</SlotLink>
      {open === "standing" && (
        <Modal title="Where this stands" close={close}>
          <Flex direction="column" gap="5" onClickCapture={(event) => closesOn(event.target, close)}>
            <Standing visit={visit} />
            <PartsIn visit={visit} />
            <VisitNotes visit={visit.id} round={round} />
            <Figures visit={visit} />
            <Rejudge visit={visit} />
            <Finish visit={visit} />
            <Button onClick={close}>Close</Button>
          </Flex>
        </Modal>
      )}
      {open === "off" && (
        <Modal title="To put back, and power" close={close}>
          <Flex direction="column" gap="5">
            <NotPutBack visit={visit.id} lines={round.lifted} disabled={finished} />
            <PowerPanel visit={visit.id} power={round.assessment.power} disabled={finished} />
            <Button onClick={close}>Close</Button>
          </Flex>
        </Modal>
      )}
    </Flex>
  );
}

/** A link followed leads to another step: the panel that stood over it goes. */
function closesOn(target: EventTarget, close: () => void): void {
  if (target instanceof Element && target.closest("a")) close();
}

/** What is accused, else the likeliest with its chance. */
function shortly(visit: VisitShown): string {
  const { accused, suspects } = visit.round.diagnosis;
  if (accused.length > 0) return accused.map(({ part }) => capital(part)).join(", ");
  const first = suspects[0];
  if (!first) return "Where this stands";
  return `${capital(first.part ?? "nothing wrong")} ${Math.round(first.probability * 100)} %`;
}
