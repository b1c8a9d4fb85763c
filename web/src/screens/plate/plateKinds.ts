/** Which fields a unit of this kind has: what it cannot have is not asked for, unless it says something there already. */
import type { PlateField } from "./plateFields";
import { key, type PlateTyped } from "./plateForm";

type Typed = PlateTyped["fields"];
type Test = (typed: Typed) => boolean;

const is =
  (name: string, ...values: string[]): Test =>
  (typed) =>
    values.includes(typed[key(name)] ?? "");

/** By the beginning of a field's name: what the unit must not be to have it. */
const NOT_FOR: [string, Test][] = [
  ["compressor.lra", is("compressor.kind", "inverter")],
  ["compressor.winding", is("compressor.kind", "inverter")],
  ["run_capacitor.herm_uf", is("compressor.kind", "inverter")],
  ["run_capacitor.herm_uf", is("phase", "3")],
  ["run_capacitor.fan_uf", is("fan.kind", "electronic")],
  ["run_capacitor.form", is("fan.kind", "electronic")],
  ["start_capacitor.", is("start_device", "none")],
  ["start_", is("compressor.kind", "inverter")],
  ["start_", is("phase", "3")],
  ["aux_heat.protection_a", is("aux_heat.kind", "none", "gas")],
  ["defrost.minutes", is("defrost.control", "demand")],
  ["defrost.closes_f", is("defrost.control", "demand")],
  ["defrost.opens_f", is("defrost.control", "demand")],
  ["defrost.switch_in_air", is("defrost.control", "demand")],
  ["defrost.sensor_", is("defrost.control", "time-temperature")],
  ["defrost.links", is("defrost.control", "time-temperature")],
];

/** The fields of a group that this unit has, or that say something already. */
export const fieldsOf = (fields: PlateField[], typed: PlateTyped): PlateField[] =>
  fields.filter(
    ({ name }) =>
      (typed.fields[key(name)] ?? "") !== "" ||
      typed.unreadable[key(name)] ||
      !NOT_FOR.some(([beginning, without]) => name.startsWith(beginning) && without(typed.fields)),
  );

/** How many of these say something, be it that they cannot be read. */
export const entered = (fields: PlateField[], typed: PlateTyped): number =>
  fields.filter(({ name }) => (typed.fields[key(name)] ?? "") !== "" || typed.unreadable[key(name)]).length;
