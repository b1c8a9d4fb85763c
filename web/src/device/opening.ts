/** Opening a visit, or adding a unit: on the server where it can be reached, else on this device, from the company's kit. */
import { ApiProblem, type Schemas, type VisitShown } from "../api/client";
import { coreIsUp, startCore } from "./core";
import { allEntries, dropEntries, isRefused, storeEntry } from "./entries";
import { judgedHere } from "./judge";
import { kit } from "./kit";
import { keepVisit, store, type Act, type Entry } from "./store";
import { sendNow } from "./sync";

type Kit = Schemas["Kit"];
type UnitInKit = Kit["units"][number];
type Opening = Extract<Act, { kind: "open" }>;

/** A unit that a visit can be opened for. */
export type UnitChoice = Pick<UnitInKit, "id" | "site" | "unit">;

/** The units that were added here and are not on the server yet. */
export const unitsHere = (entries: Entry[]): UnitChoice[] =>
  entries.flatMap(({ visit, act, wrong }) =>
    act.kind === "unit" && wrong.length === 0 ? [{ id: visit, site: act.site, unit: act.label }] : [],
  );

/** Add a unit; gives back its id. Throws ApiProblem where the server refuses it. */
export async function addUnit(about: Omit<Extract<Act, { kind: "unit" }>, "kind">): Promise<string> {
  const id = crypto.randomUUID();
  await sent(await storeEntry(id, { kind: "unit", ...about }));
  return id;
}

/** Open a visit; gives back its id. Throws ApiProblem where it cannot be opened. */
export async function openVisit(opening: Omit<Opening, "kind">): Promise<string> {
  const id = crypto.randomUUID();
  const entry = await storeEntry(id, { kind: "open", ...opening });
  if (await sent(entry)) return id;
  try {
    await keepVisit(await blank(id, entry.at, opening));
  } catch (problem) {
    await dropEntries([entry.id]);
    throw problem;
  }
  return id;
}

/** Whether the server has an entry now; false where it cannot be reached. Throws ApiProblem where it refuses it. */
async function sent(entry: Entry): Promise<boolean> {
  await sendNow();
  const now = await store.entries.where({ id: entry.id }).first();
  if (now !== undefined && isRefused(now)) {
    await dropEntries([entry.id]);
    throw new ApiProblem(422, now.wrong);
  }
  return now === undefined;
}

/** A visit that only this device knows, as the server will show it once it has it. */
async function blank(
  id: string,
  at: string,
  { unit, complaint, began }: Omit<Opening, "kind">,
): Promise<VisitShown> {
  const own = await kit();
  const about = own.units.find((one) => one.id === unit) ?? addedHere(unit, own);
  if (about === undefined)
    throw new ApiProblem(0, [
      { field: "unit", message: "This unit is not on this device. Open its visit where there is signal." },
    ]);
  startCore();
  await coreIsUp();
  const known = { ...about.known, complaint, ...(began !== "" && { began }) };
  const record = { place: 0, known, events: [], names: own.names, me: own.me, device: own.device };
  const { round } = await judgedHere(id, record, []);
  return {
    id,
    company: own.company,
    site: about.site,
    address: about.address,
    unit_id: unit,
    unit: about.unit,
    serial: about.serial,
    technician: own.technician,
    technician_key: own.me,
    scheduled_for: at,
    complaint,
    began,
    notes: "",
    schools: own.schools,
    meters: own.meters,
    rules_are_current: true,
    round,
    plate_history: [],
    before: {},
    record,
  };
}

function addedHere(id: string, { known }: Kit): UnitInKit | undefined {
  const act = allEntries().find(({ visit, act: one }) => visit === id && one.kind === "unit")?.act;
  if (act?.kind !== "unit") return undefined;
  return { id, site: act.site, address: act.address, unit: act.label, serial: act.serial, known };
}
