/** The plate's fields as the form shows them: what they are called, their unit, their choices. */
import { LIGHT_LINES, LINK_LINES, SENSOR_LINES, type Lines } from "./boardLines";

export interface PlateField {
  name: string;
  label: string;
  unit?: string;
  choices?: [string, string][];
  numeric?: boolean;
  list?: boolean;
  /** Several things, one a line: how a line is written, and read. */
  lines?: Lines;
  /** Wider than one column. */
  wide?: boolean;
}

const amps = (name: string, label: string): PlateField => ({ name, label, unit: "A", numeric: true });
const number = (name: string, label: string, unit: string): PlateField => ({
  name,
  label,
  unit,
  numeric: true,
});
const choice = (name: string, label: string, choices: [string, string][], numeric = false): PlateField => ({
  name,
  label,
  choices,
  numeric,
});
const same = (...words: (string | number)[]): [string, string][] =>
  words.map((word) => [String(word), String(word)]);

const yesNo = (name: string, label: string) =>
  choice(name, label, [
    ["true", "yes"],
    ["false", "no"],
  ]);

/** A defrost board's own settings: part of a unit's plate, and all of a board profile. */
export const DEFROST_FIELDS: PlateField[] = [
  choice("defrost.control", "Defrost control", [
    ["time-temperature", "time and temperature"],
    ["demand", "demand"],
  ]),
  number("defrost.minutes", "Defrost interval", "min"),
  number("defrost.limit_min", "Defrost limit", "min"),
  number("defrost.closes_f", "Coil switch closes", "°F"),
  number("defrost.opens_f", "Coil switch opens", "°F"),
  yesNo("defrost.switch_in_air", "Coil switch in the air stream, by design"),
  yesNo("defrost.shift_delay", "Shift delay"),
  choice("defrost.start", "Forced by", [
    ["pins", "time or force pins"],
    ["switch-and-test", "switch jumper and test"],
  ]),
  { name: "defrost.pins", label: "Shorted to force it: what, and where", wide: true },
  number("defrost.pins_hold_s", "Held for", "s"),
  { name: "defrost.start_signs", label: "What a start looks like", wide: true },
  choice("defrost.hold_jumper", "Jumper, once it starts", [
    ["lift", "lift it"],
    ["leave", "leave it"],
  ]),
  number("defrost.fan_first_s", "Fan on before the valve", "s"),
  number("defrost.tolerance_s", "Tolerance of its events ±", "s"),
  number("defrost.speed_up", "Test pins speed its clock", "times"),
  number("defrost.anti_short_cycle_s", "Restart hold", "s"),
  number("defrost.lockout_after", "Locks out after", "time-outs"),
  yesNo("defrost.pressure_switch", "Pressure switch at the board"),
  yesNo("defrost.low_ambient_kit", "Low-ambient kit"),
  yesNo("defrost.freeze_stat", "Freeze-stat"),
  number("defrost.sensor_r25_ohm", "Sensor at 77 °F", "Ω"),
  number("defrost.sensor_b_k", "Sensor B", "K"),
  number("defrost.sensor_pull_ohm", "Board’s sensor resistor", "Ω"),
  { name: "defrost.terminals", label: "Terminals", list: true, wide: true },
  { name: "defrost.sensor_table", label: "Sensor table: °F and Ω", lines: SENSOR_LINES },
  { name: "defrost.lights", label: "Lights: colour, flashes, meaning", lines: LIGHT_LINES, wide: true },
  { name: "defrost.links", label: "Links: name, setting", lines: LINK_LINES },
  { name: "defrost.notes", label: "Notes for whoever watches a run", wide: true },
];

export interface PlateGroup {
  title: string;
  fields: PlateField[];
}

export const PLATE_GROUPS: PlateGroup[] = [
  {
    title: "Motors and circuit",
    fields: [
      amps("compressor.rla", "Compressor RLA"),
      amps("compressor.lra", "Compressor LRA"),
      choice("compressor.kind", "Compressor", same("scroll", "reciprocating", "rotary", "inverter")),
      choice("compressor.stages", "Stages", same(1, 2), true),
      choice("compressor.winding", "Winding wire", same("copper", "aluminium")),
      amps("fan.fla", "Fan FLA"),
      yesNo("fan.switched_by_board", "Outdoor fan switched by the board"),
      choice("fan.kind", "Fan motor", [
        ["capacitor", "capacitor motor"],
        ["electronic", "electronic"],
      ]),
      amps("mca", "MCA"),
      amps("mop", "MOP"),
      amps("branch_selection_a", "Branch-circuit selection"),
      amps("protection_a", "Fuse or breaker installed"),
      choice(
        "conductor_awg",
        "Copper conductor",
        [14, 12, 10, 8, 6, 4].map((size) => [String(size), `${size} AWG`]),
        true,
      ),
    ],
  },
  {
    title: "Capacitors",
    fields: [
      number("run_capacitor.herm_uf", "Run, compressor section", "µF"),
      number("run_capacitor.fan_uf", "Run, fan section", "µF"),
      number("run_capacitor.vac", "Run, volts", "V"),
      number("run_capacitor.tolerance_pct", "Run, tolerance ±", "%"),
      choice("run_capacitor.form", "Run, form", [
        ["dual", "one dual"],
        ["singles", "two singles"],
      ]),
      number("start_capacitor.low_uf", "Start, from", "µF"),
      number("start_capacitor.high_uf", "Start, to", "µF"),
      number("start_capacitor.vac", "Start, volts", "V"),
      choice("start_device", "Start device", [
        ["none", "none"],
        ["two-wire", "two-wire kit"],
        ["relay", "relay and capacitor"],
      ]),
      number("blower_capacitor.uf", "Indoor blower", "µF"),
      number("blower_capacitor.tolerance_pct", "Indoor blower, ±", "%"),
    ],
  },
  {
    title: "Supply and control",
    fields: [
      {
        name: "system",
        label: "Kind of system",
        list: true,
        choices: [
          ["dual-fuel", "dual fuel: a furnace backs it up"],
          ["zone-panel", "zone panel in W"],
          ["outdoor-thermostat", "outdoor thermostat in W"],
          ["dual-fuel / zone-panel", "dual fuel with a zone panel"],
          ["dual-fuel / outdoor-thermostat", "dual fuel with an outdoor thermostat"],
        ],
      },
      { name: "volts", label: "Rated volts", unit: "V", list: true },
      number("volts_min", "Volts, least", "V"),
      number("volts_max", "Volts, most", "V"),
      choice("phase", "Phase", same(1, 3), true),
      choice("hz", "Hertz", same(50, 60), true),
      choice("contactor.poles", "Contactor poles", same(1, 2, 3), true),
      amps("contactor.amps", "Contactor amps"),
      number("contactor.coil_v", "Contactor coil", "V"),
      choice("valve", "Valve energised in", [
        ["O", "cooling (O)"],
        ["B", "heating (B)"],
      ]),
      choice("aux_heat.kind", "Aux heat", same("electric", "gas", "none")),
      amps("aux_heat.protection_a", "Aux heat fuse or breaker"),
      { name: "refrigerant", label: "Refrigerant" },
      number("made_year", "Year made", ""),
      number("made_week", "Week made", ""),
    ],
  },
  { title: "Defrost board", fields: DEFROST_FIELDS },
];

export const PLATE_FIELDS = [
  ...PLATE_GROUPS.flatMap((group) => group.fields),
  { name: "defrost.profile", label: "Board profile" },
];
