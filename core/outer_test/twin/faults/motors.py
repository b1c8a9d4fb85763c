"""What can be wrong with capacitors, start gear, the compressor, its leads and the fan motor."""

from collections.abc import Callable, Mapping

from outer_test.judgement import Part
from outer_test.twin.faults.fault import Fault, Variant, fault, times, way
from outer_test.twin.faults.key import FaultKey as K
from outer_test.twin.unit import Unit

_OPEN = 1e9
_RUN_CAPACITOR = "Replace the run capacitor."
_COMPRESSOR = "Replace the compressor; acid test first."
_FAN = "Replace the fan motor with its capacitor."
# The same lead by its ends on one phase and on three, with the capacitor dual or single.
_LEAD_C = ("contactor.T1–compressor.C", "contactor.T1–compressor.T1")
_LEAD_R = ("contactor.T2–compressor.R", "contactor.T2–compressor.T2")
_LEAD_S = ("capacitor.HERM–compressor.S", "capacitor_herm.HERM–compressor.S", "contactor.T3–compressor.T3")
_SWOLLEN = {"look.capacitor.case": {"flat": 0.42, "dished": 0.11, "bulged": 0.41, "leaking": 0.06}}
_TRIPPED = {"breaker.tripped": 1.0, **{f"panel.{leg}–breaker.{leg}": _OPEN for leg in (1, 2, 3)}}


def _to_case(unit: Unit) -> Mapping[str, float]:
    """It trips what feeds it; a unit without a capacitor has nothing to break through."""
    return {"cap.case": 1.0, **_TRIPPED} if {"uf.herm", "uf.fan"} & unit.values.keys() else {}


def _lead(ends: tuple[str, ...], ohm: float) -> Variant:
    return way(dict.fromkeys(ends, ohm))


def _swapped(unit: Unit) -> Mapping[str, float]:
    """HERM's wire on FAN and FAN's on HERM: each motor runs on the other's section, and each section reads right on the bench."""
    herm, fan = unit.values.get("uf.herm"), unit.values.get("uf.fan")
    return {"uf.herm": fan, "uf.fan": herm, "wires.swapped": 1.0} if herm is not None and fan is not None else {}


def _fan_open(*windings: str) -> Callable[[Unit], Mapping[str, float]]:
    """These windings of the fan motor open; an electronic motor has none to open and is dead."""
    return lambda unit: {"fan.load": 0.0} if unit.fan is None else {f"fan.{winding}.ohm": _OPEN for winding in windings}


MOTORS: tuple[Fault, ...] = (
    fault(K.HERM_WEAK, Part.RUN_CAPACITOR, "The run capacitor's HERM section is weak.", "Its µF on the bench, alone on the meter.", _RUN_CAPACITOR,
          *times("uf.herm", 0.3, 0.5, 0.65, 0.8, 0.9), looks={"look.capacitor.case": {"flat": 0.53, "dished": 0.14, "bulged": 0.27, "leaking": 0.06}}),
    fault(K.HERM_OPEN, Part.RUN_CAPACITOR, "The run capacitor's HERM section is open or shorted.", "Its µF on the bench, alone on the meter.", _RUN_CAPACITOR,
          *times("uf.herm", 0.005, 0.005, 0.005, 0.005), way({"leak.herm": 2.0}), looks=_SWOLLEN),
    fault(K.HERM_WRONG, Part.RUN_CAPACITOR, "The run capacitor's HERM section is too large for this unit: a wrong part, or a second one beside it.",
          "Its µF on the bench against the plate.", "Fit the plate's own size.", *times("uf.herm", 1.5, 1.25, 1.12)),
    fault(K.FAN_SECTION_WEAK, Part.RUN_CAPACITOR, "The run capacitor's FAN section is weak.", "Its µF on the bench, alone on the meter.", _RUN_CAPACITOR,
          *times("uf.fan", 0.3, 0.5, 0.7, 0.9), looks=_SWOLLEN),
    fault(K.FAN_SECTION_OPEN, Part.RUN_CAPACITOR, "The run capacitor's FAN section is open or shorted.", "Its µF on the bench, alone on the meter.", _RUN_CAPACITOR,
          *times("uf.fan", 0.005, 0.005, 0.005), way({"leak.fan": 2.0}), looks=_SWOLLEN),
    fault(K.FAN_SECTION_WRONG, Part.RUN_CAPACITOR, "The run capacitor's FAN section is too large for this motor.", "Its µF on the bench against the plate.",
          "Fit the plate's own size.", *times("uf.fan", 1.6, 1.3)),
    fault(K.WIRES_SWAPPED, Part.WIRING, "The wires on HERM and FAN are swapped.", "Follow both wires to their motors.", "Put each wire on its own terminal.",
          Variant(1.0, _swapped)),
    fault(K.START_CAPACITOR_WEAK, Part.START_CAPACITOR, "The start capacitor is weak or open.", "Its µF, bleed resistor unclipped.", "Replace the start capacitor.",
          *times("uf.start", 0.01, 0.01, 0.3, 0.6)),
    fault(K.RELAY_STUCK_OPEN, Part.POTENTIAL_RELAY, "The potential relay's contact does not close: the start capacitor is never in.",
          "Ohms across its contact, dead: OL.", "Replace the relay.", way({"relay.1–relay.2": _OPEN})),
    fault(K.RELAY_STUCK_CLOSED, Part.POTENTIAL_RELAY, "The potential relay does not open: the start capacitor stays in.",
          "Amps in the start capacitor's wire 1 s after the start.", "Replace the relay, and look at the start capacitor.", way({"relay.pick_up": 9.0})),
    fault(K.RELAY_COIL_OPEN, Part.POTENTIAL_RELAY, "The potential relay's coil is open: its contact stays closed.", "Its coil's ohms.", "Replace the relay.",
          way({"relay.2–relay.5": _OPEN, "relay.pick_up": 9.0})),
    fault(K.LEAD_OPEN, Part.COMPRESSOR_LEAD, "A compressor lead is open or burnt.", "Each lead's own ohms, plug to panel.", "Mend or replace the lead.",
          *(_lead(ends, _OPEN) for ends in (_LEAD_C, _LEAD_R, _LEAD_S)), looks={"look.wiring": {"sound": 0.4, "burnt": 0.5, "loose": 0.1}}),
    fault(K.LEAD_JOINT, Part.COMPRESSOR_LEAD, "A compressor lead has a hot joint.", "Each lead's own ohms, plug to panel: over 0.5 Ω.", "Mend or replace the lead.",
          *(_lead(ends, ohm) for ohm in (6.0, 2.0) for ends in (_LEAD_C, _LEAD_R)), looks={"look.wiring": {"sound": 0.45, "burnt": 0.45, "loose": 0.1}}),
    fault(K.CAP_TO_CASE, Part.RUN_CAPACITOR, "The run capacitor has broken through to its case.", "Wires off, each terminal to its bare case.", _RUN_CAPACITOR,
          Variant(1.0, _to_case), looks={"look.capacitor.case": {"flat": 0.4, "dished": 0.2, "bulged": 0.3, "leaking": 0.1}}),
    fault(K.HEATER_GROUNDED, Part.CRANKCASE_HEATER, "The crankcase heater is grounded.", "Both leads off, to bare metal.", "Leave its leads off, capped, and replace it.",
          way({"heater.ground": 1.0, **_TRIPPED})),
    fault(K.HARNESS_GROUNDED, Part.COMPRESSOR_LEAD, "A compressor lead is rubbed through to the cabinet.", "Grounded at the plug, and sound at the terminals.",
          "Mend or replace the lead, and keep it clear of metal.", way({"harness.ground": 1.0, **_TRIPPED}), way({"harness.ground": 1.0}),
          looks={"look.wiring": {"rubbed": 0.7, "burnt": 0.2, "sound": 0.1}}),
    fault(K.GROUNDED, Part.COMPRESSOR, "A winding of the compressor is grounded.", "Each terminal to bare copper, at the terminals: under 10 kΩ, or to 0.5 MΩ twice or at 500 V.",
          _COMPRESSOR, way({"compressor.ground": 3.0, **_TRIPPED}, 0.7), way({"compressor.ground": 3.0}, 0.7), way({"compressor.ground": 3e3}, 0.3), way({"compressor.ground": 6e4}, 0.3)),
    fault(K.RUN_OPEN, Part.COMPRESSOR, "The run winding of the compressor is open.", "The three pairs at the terminals, overload cold.", _COMPRESSOR,
          way({"compressor.run.ohm": _OPEN, "winding T1–T2": _OPEN, "winding T1–T3": _OPEN})),
    fault(K.START_OPEN, Part.COMPRESSOR, "The start winding of the compressor is open.", "The three pairs at the terminals, overload cold.", _COMPRESSOR,
          way({"compressor.start.ohm": _OPEN, "winding T2–T3": _OPEN, "winding T1–T2": _OPEN})),
    fault(K.OVERLOAD_OPEN, Part.COMPRESSOR, "The compressor's internal overload is open: it is hot.", "Common reads open to run and to start, and closes once it is cold.",
          "Let it cool an hour or more, and find what made it hot.", way({"compressor.overload": _OPEN, **{f"winding {pair}": _OPEN for pair in ("T1–T2", "T2–T3", "T1–T3")}})),
    fault(K.OVERLOAD_FAILED, Part.COMPRESSOR, "The compressor's internal overload stays open, cold.", "Common reads open to run and to start with the shell cold, hours off.",
          _COMPRESSOR, way({"compressor.overload": _OPEN, "compressor.overload.stays": 1, **{f"winding {pair}": _OPEN for pair in ("T1–T2", "T2–T3", "T1–T3")}})),
    fault(K.SHORTED_TURNS, Part.COMPRESSOR, "A winding of the compressor has shorted turns.", "Its pairs against its own baseline, leads taken off; amps.",
          _COMPRESSOR, way({"compressor.shorted": 0.8, **_TRIPPED}), way({"compressor.shorted": 0.8}), way({"compressor.shorted": 0.4})),
    fault(K.LOCKED, Part.COMPRESSOR, "The compressor is locked.", "Grounds, pairs, leads and its capacitors sound, and full volts at the load side while it hums.",
          "A start kit as a test, by the house rule; then plan its replacement.", way({"compressor.rest": 12.0})),
    fault(K.TIGHT, Part.COMPRESSOR, "The compressor is tight: it starts hard or not at all.", "As for a locked one; a long start and high amps.",
          "A start kit as a test, by the house rule; then plan its replacement.", way({"compressor.rest": 1.6, "compressor.load": 1.35}), way({"compressor.rest": 1.4, "compressor.load": 1.25})),
    fault(K.NOT_PUMPING, Part.COMPRESSOR, "The compressor turns and does not pump.", "Low amps, and pressures that stay together.", _COMPRESSOR,
          way({"compressor.load": 0.25, "no.flow": 1}), way({"compressor.load": 0.4, "no.flow": 1})),
    fault(K.MODULE_DEAD, Part.MOTOR_MODULE, "The motor module does not drive the compressor.", "Line volts at the module, a call, no output; its own lights.",
          "The maker's own procedure; wait for the bus.", way({"drive.dead": 1})),
    fault(K.FAN_GROUNDED, Part.FAN_MOTOR, "A winding of the fan motor is grounded.", "Its wires to bare metal, wires off.", _FAN,
          way({"fan.ground": 3.0, "fan.drag": 3.0, **_TRIPPED}), way({"fan.ground": 3.0, "fan.drag": 3.0}), way({"fan.ground": 2e3, "fan.drag": 3.0})),
    fault(K.FAN_OPEN, Part.FAN_MOTOR, "A winding of the fan motor is open.", "Its three pairs, wires off, cold.", _FAN,
          Variant(1.0, _fan_open("run")), Variant(1.0, _fan_open("start")), Variant(1.0, _fan_open("run", "start"))),
    fault(K.FAN_SHORTED, Part.FAN_MOTOR, "The fan motor has shorted turns: it runs slow and hot.", "Its pairs, wires off; its amps.", _FAN,
          way({"fan.shorted": 0.7, "fan.drag": 0.5}), way({"fan.shorted": 0.5})),
    fault(K.FAN_TIGHT, Part.FAN_MOTOR, "The fan motor's bearing is tight.", "Power off and proved dead, turn it by hand; its amps.", _FAN,
          way({"fan.drag": 3.0}), way({"fan.drag": 0.75}), way({"fan.drag": 0.4})),
    fault(K.FAN_WRONG_WAY, Part.FAN_MOTOR, "The fan turns the wrong way.", "Air goes down instead of up.", "Set its direction as its label says.", way({"fan.load": 0.55})),
    fault(K.FAN_WIRE, Part.WIRE, "A wire to the fan motor is open.", "Volts at the contactor's load side and none at the motor's wires.", "Mend the wire.",
          way({"board.F2–fan.C": _OPEN}), looks={"look.wiring": {"sound": 0.4, "burnt": 0.35, "loose": 0.15, "rubbed": 0.1}}),
)  # fmt: skip
