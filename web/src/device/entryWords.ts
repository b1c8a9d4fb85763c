/** An entry that waits, as a person would say it. */
import type { VisitShown } from "../api/client";
import { queries } from "../api/queries";
import { capital } from "../shell/words";
import type { Entry } from "./store";

const KIND: Record<Entry["act"]["kind"], string> = {
  reading: "Reading",
  line: "Entry line",
  power: "Power",
  lifted: "Off",
  end: "Put back",
  part: "Part put in",
  "part-undo": "Part not put in",
  stamp: "Defrost stamp",
  undo: "Stamp removed",
  answer: "Defrost answer",
  conditions: "The day",
  wire: "Wire map",
  note: "Note",
  plate: "Plate",
  finish: "Visit finished",
  reopen: "Visit opened again",
  signature: "Signature",
  unit: "New unit",
  open: "Visit opened",
  plan: "Visit planned",
  cancel: "Visit cancelled",
  correct: "Complaint corrected",
  "correct-unit": "Unit corrected",
};

export function entryWords({ act, visit }: Entry): string {
  switch (act.kind) {
    case "reading": {
      const stations = queries.getQueryData<VisitShown>(["visit", visit])?.round.stations ?? [];
      const step = stations.flatMap(({ steps }) => steps).find(({ point }) => point === act.point);
      return `${step?.title ?? act.point}: ${act.typed}`;
    }
    case "line":
    case "note":
      return `${KIND[act.kind]}: ${act.text}`;
    case "lifted":
      return `${KIND.lifted}: ${act.what}`;
    case "part":
      return `${KIND.part}: ${act.repair.part}`;
    case "unit":
      return `${KIND.unit}: ${act.site}, ${act.label}`;
    case "power":
      return act.state === "live" ? "Power: live" : "Power: claimed dead";
    case "stamp":
      return `${KIND.stamp}: ${act.event.replaceAll("-", " ")}`;
    default:
      return capital(KIND[act.kind]);
  }
}
