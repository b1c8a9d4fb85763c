/** Between the plate as the server keeps it and the plate as it is typed. Every typed field is a text. */
import type { Schemas } from "../../api/client";
import { DEFROST_FIELDS, PLATE_FIELDS, type PlateField } from "./plateFields";

type Plate = Schemas["Plate"];
type Fitted = Schemas["FittedCapacitor"];
type Contactor = Schemas["Contactor"];

export interface FittedTyped {
  section: string;
  uf: string;
  fan_uf: string;
  vac: string;
  tolerance_pct: string;
  duty: string;
  add_on: boolean;
}

/** The fitted contactor by its own label; all empty where none is recorded. */
export interface ContactorTyped {
  poles: string;
  amps: string;
  coil_v: string;
}

export interface ElementTyped {
  kw: string;
  volts: string;
  disconnected: string;
}

export interface PlateTyped {
  /** Texts by field name; the names' dots are written as bars, which the form library does not split on. */
  fields: Record<string, string>;
  unreadable: Record<string, boolean>;
  fitted: FittedTyped[];
  contactor: ContactorTyped;
  elements: ElementTyped[];
  why: string;
}

/** A board profile's settings from typed fields, on their own. */
export function defrostFrom(fields: Record<string, string>): Schemas["Defrost"] {
  const plate: Record<string, unknown> = {};
  for (const field of DEFROST_FIELDS) {
    const text = fields[key(field.name)] ?? "";
    if (text.trim() !== "") put(plate, field.name, valueOf(field, text));
  }
  return (plate.defrost ?? {}) as Schemas["Defrost"];
}

/** A board profile's settings as typed fields. */
export const typedDefrost = (defrost: Plate["defrost"] | undefined): Record<string, string> =>
  Object.fromEntries(
    DEFROST_FIELDS.map((field) => [key(field.name), textOf(field, at({ defrost }, field.name))]),
  );

export const key = (name: string) => name.replaceAll(".", "|");
const FITTED_NUMBERS = ["uf", "fan_uf", "vac", "tolerance_pct"] as const;

function at(value: unknown, name: string): unknown {
  return name
    .split(".")
    .reduce<unknown>((part, word) => (part as Record<string, unknown> | null)?.[word], value);
}

/** A field's value as it is typed. */
export function textOf(field: PlateField, value: unknown): string {
  if (field.lines) return ((value ?? []) as Record<string, unknown>[]).map(field.lines.write).join("\n");
  if (Array.isArray(value)) return value.join(" / ");
  return typeof value === "string" || typeof value === "number" || typeof value === "boolean"
    ? String(value)
    : "";
}

export function typedFrom(
  plate: Plate,
  fitted: Fitted[],
  contactor: Contactor | null | undefined,
): PlateTyped {
  const fields: Record<string, string> = {};
  const unreadable: Record<string, boolean> = {};
  for (const field of PLATE_FIELDS) {
    const { name } = field;
    fields[key(name)] = textOf(field, at(plate, name));
    unreadable[key(name)] = plate.unreadable.includes(name);
  }
  const text = (value: number | null | undefined) => (value == null ? "" : String(value));
  const parts = fitted.map((part) => ({
    section: part.section,
    uf: text(part.uf),
    fan_uf: text(part.fan_uf),
    vac: text(part.vac),
    tolerance_pct: text(part.tolerance_pct),
    duty: part.duty,
    add_on: part.add_on,
  }));
  const elements = plate.aux_heat.elements.map((one) => ({
    kw: text(one.kw),
    volts: text(one.volts),
    disconnected: one.disconnected,
  }));
  return {
    fields,
    unreadable,
    fitted: parts,
    contactor: {
      poles: text(contactor?.poles),
      amps: text(contactor?.amps),
      coil_v: text(contactor?.coil_v),
    },
    elements,
    why: "",
  };
}

/** A typed number for the server: a decimal comma becomes a point; what is no number goes as typed, and comes back refused. */
function numeric(text: string): number | string {
  const plain = text.trim().replace(",", ".");
  return plain !== "" && Number.isFinite(Number(plain)) ? Number(plain) : text;
}

function valueOf(field: PlateField, text: string): unknown {
  if (field.lines)
    return text
      .split("\n")
      .map((line) => line.trim())
      .filter(Boolean)
      .map(field.lines.read);
  if (field.list)
    return text
      .split(/[/\s]+/)
      .filter(Boolean)
      .map(numeric);
  if (text === "true" || text === "false") return text === "true";
  return field.numeric ? numeric(text) : text.trim();
}

/** The plate to send. Only what was typed is in it; parts of the plate that the form does not show are kept from `before`. */
export function plateFrom(
  typed: PlateTyped,
  before: Plate,
): { plate: Plate; fitted: Fitted[]; contactor_fitted: Contactor | null } {
  const plate = structuredClone(before) as Record<string, unknown>;
  for (const field of PLATE_FIELDS) {
    const text = typed.fields[key(field.name)] ?? "";
    put(
      plate,
      field.name,
      text.trim() === "" ? (field.list || field.lines ? [] : undefined) : valueOf(field, text),
    );
  }
  for (const part of ["run_capacitor", "start_capacitor", "blower_capacitor"]) {
    const asked = plate[part] as Record<string, unknown> | null | undefined;
    const named = PLATE_FIELDS.some(({ name }) => name.startsWith(`${part}.`) && typed.unreadable[key(name)]);
    const telling = Object.entries(asked ?? {}).filter(([name, value]) => name !== "form" && value != null);
    if (telling.length === 0 && !named) plate[part] = null;
  }
  plate.unreadable = PLATE_FIELDS.map(({ name }) => name).filter((name) => typed.unreadable[key(name)]);
  const fitted = typed.fitted.map((part) => ({
    section: part.section,
    duty: part.duty,
    add_on: part.add_on,
    ...Object.fromEntries(
      FITTED_NUMBERS.filter((name) => part[name].trim()).map((name) => [name, numeric(part[name])]),
    ),
  }));
  const elements = typed.elements.map((one) => ({
    kw: numeric(one.kw),
    volts: numeric(one.volts),
    disconnected: one.disconnected.trim(),
  }));
  put(plate, "aux_heat.elements", elements);
  const known = Object.entries<string>({ ...typed.contactor }).filter(([, value]) => value.trim() !== "");
  const contactor = known.length
    ? (Object.fromEntries(known.map(([name, value]) => [name, numeric(value)])) as Contactor)
    : null;
  return { plate: plate as Plate, fitted: fitted as Fitted[], contactor_fitted: contactor };
}

function put(plate: Record<string, unknown>, name: string, value: unknown): void {
  const [first = "", second] = name.split(".");
  if (second === undefined) {
    if (value === undefined) Reflect.deleteProperty(plate, first);
    else plate[first] = value;
    return;
  }
  const part = { ...(plate[first] as Record<string, unknown> | null | undefined) };
  if (value === undefined) Reflect.deleteProperty(part, second);
  else part[second] = value;
  plate[first] = part;
}
