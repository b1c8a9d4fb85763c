/** A part that was put in, as it is typed: from the plate, to what is sent, and back where it was refused. */
import type { Schemas, VisitShown } from "../../api/client";

export type Repair = Schemas["Repair"];
export type Part = Repair["part"];

export interface Form {
  part: Part | "";
  section: Repair["section"];
  uf: string;
  fan_uf: string;
  vac: string;
  herm: string;
  fan: string;
  old_goes: Repair["old_goes"];
  note: string;
}

export const amount = (text: string): number | null => {
  const number = Number(text.trim().replace(",", "."));
  return text.trim() === "" || !Number.isFinite(number) ? null : number;
};

const text = (value: number | null | undefined): string => (value == null ? "" : String(value));

/** An empty form, with the plate's own ratings. */
export function asNew(visit: VisitShown): Form {
  const own = visit.round.plate.run_capacitor;
  return {
    part: "",
    section: own?.herm_uf != null && own.fan_uf == null ? "herm" : "both",
    uf: text(own?.herm_uf),
    fan_uf: text(own?.fan_uf),
    vac: text(own?.vac),
    herm: "",
    fan: "",
    old_goes: "",
    note: "",
  };
}

export function asAct(form: Form): Schemas["NewPart"] {
  const isRun = form.part === "run capacitor";
  const rated = isRun || form.part === "start capacitor";
  const repair: Repair = {
    part: form.part as Part,
    section: isRun ? form.section : "both",
    put_back: false,
    old_goes: form.old_goes,
    note: form.note,
    uf: rated && !(isRun && form.section === "fan") ? amount(form.uf) : null,
    fan_uf: isRun && form.section !== "herm" ? amount(form.fan_uf) : null,
    vac: rated ? amount(form.vac) : null,
  };
  return {
    kind: "part",
    repair,
    in_hand: {
      herm: isRun && form.section !== "fan" ? form.herm : "",
      fan: isRun && form.section !== "herm" ? form.fan : "",
    },
  };
}

export function asForm({ repair, in_hand }: Schemas["NewPart"]): Form {
  return {
    part: repair.part,
    section: repair.section,
    uf: text(repair.uf),
    fan_uf: text(repair.fan_uf),
    vac: text(repair.vac),
    herm: in_hand?.["herm"] ?? "",
    fan: in_hand?.["fan"] ?? "",
    old_goes: repair.old_goes,
    note: repair.note,
  };
}
