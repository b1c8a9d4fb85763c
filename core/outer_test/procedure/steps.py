"""How each reading is taken: where the probes go, how the meter is set, what is lifted for it."""

from dataclasses import dataclass

from outer_test.visit import POINTS

STATION_TITLE = {
    "plate": "Plate", "safe": "Make safe", "look": "Look over", "capacitors": "Capacitors", "contactor": "Contactor",
    "windings": "Windings", "power": "Power up", "run": "Start and run", "defrost": "Defrost", "button": "Button up",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Step:
    """One reading of the round.

    `lifts` is the line it adds to the not-put-back list by itself; `tags` what is said along with it (how a peak was
    caught, what was fitted); `clamp` that turns through the jaw count; `timer` a clock that belongs to it, `timer_s` long.
    """

    point: str
    title: str
    short: str
    how: str
    unit: str
    kind: str
    choices: tuple[str, ...]
    power: str
    needed: bool = True
    lifts: str = ""
    caution: str = ""
    tags: tuple[str, ...] = ()
    clamp: bool = False
    timer: str = ""
    timer_s: float = 0.0
    counts: bool = False


def make_step(
    point: str, title: str, short: str, how: str, needed: bool = True, lifts: str = "", caution: str = "", tags: tuple[str, ...] = (),
    clamp: bool = False, timer: str = "", timer_s: float = 0.0, counts: bool = False,
) -> Step:  # fmt: skip
    """A step, with what the point itself knows: unit, kind, choices, dead or live work."""
    about = POINTS[point]
    return Step(
        point, title, short, how, about.sign, about.kind, about.choices, about.power, needed, lifts, caution, tags, clamp, timer, timer_s, counts=counts
    )  # fmt: skip


_ARC = "Keep your other hand off the cabinet. Rated gloves and tester; until it is proved, treat it as live."
_SHORTED = "Shorting it with a screwdriver arcs and marks the terminals, and must never be done near a flammable refrigerant. Bleed it."
_DC = "Meter on d.c. volts: a.c. volts cannot see a charged capacitor."

SAFE = (
    make_step("safe.tester_before", "Prove the tester", "tester", "Touch a source you know is live. Does the tester show it?", caution=_ARC),
    make_step("safe.line.v", "Contactor line side, L1 to L2", "line", "Meter on a.c. volts, one probe on each line terminal.", caution=_ARC),
    make_step("safe.l1_ground.v", "Line side, L1 to ground", "L1–gnd", "One probe on L1, the other on bare metal ground.", caution=_ARC),
    make_step("safe.l2_ground.v", "Line side, L2 to ground", "L2–gnd", "One probe on L2, the other on bare metal ground.", caution=_ARC),
    make_step("safe.load.v", "Contactor load side, L1 to L2", "load", "One probe on each load terminal.", caution=_ARC),
    make_step("safe.load_l1_ground.v", "Load side, L1 to ground", "load L1–gnd", "One probe on load L1, the other on ground.", caution=_ARC),
    make_step("safe.load_l2_ground.v", "Load side, L2 to ground", "load L2–gnd", "One probe on load L2, the other on ground.", caution=_ARC),
    make_step("safe.tester_after", "Prove the tester again", "tester", "Back to the live source. Does it still show it?"),
    make_step("safe.c_herm.vdc", "Charge left, C to HERM", "C–HERM", f"Bleed through 20 kΩ 5 W first. {_DC}", caution=_SHORTED),
    make_step("safe.c_fan.vdc", "Charge left, C to FAN", "C–FAN", f"Bleed through 20 kΩ 5 W first. {_DC}", caution=_SHORTED),
    make_step("safe.herm_fan.vdc", "Charge left, HERM to FAN", "HERM–FAN", _DC, caution=_SHORTED),
    make_step("safe.start.vdc", "Charge left, start capacitor", "start", f"Bleed through 20 kΩ 5 W first. {_DC}", caution=_SHORTED),
    make_step(
        "safe.bus.vdc", "Motor module, d.c. bus", "d.c. bus",
        "Wait the maker's time, then d.c. volts across the bus. The module holds charge after the power is gone.",
    ),
    make_step(
        "safe.control.v", "Control voltage at the board, R to C", "R–C",
        "Only where you will touch the board or its wires: low voltage often comes from indoors.", needed=False,
    ),
)  # fmt: skip

LOOK = (
    make_step("look.capacitor.case", "Capacitor case", "case", "Look at the top and the seam. A good look does not prove it."),
    make_step("look.contactor.faces", "Contactor faces", "faces", "Look between the open faces, power off."),
    make_step("look.contactor.insects", "Insects in the contactor", "insects", "Look under the armature and between the faces."),
    make_step("look.wiring", "Wires and terminals", "wiring", "Rubbed on sheet metal, burnt, or loose? Tug each terminal, dead."),
    make_step("look.coil.face", "Coil face", "coil", "Dirt, frost or ice on the outdoor coil."),
    make_step("look.sensor.seat", "Coil sensor's seat", "sensor", "Fully in its well or clip, and tied?"),
    make_step("look.board.lights", "Board lights", "lights", "Lit with the disconnect out means control voltage from indoors.", needed=False),
    make_step("look.board.colour", "Board light, colour", "colour", "The light that flashes.", needed=False),
    make_step(
        "look.board.flashes", "Board light, flashes", "flashes", "Count one group, twice. 0 is lit and steady.", needed=False, counts=True
    ),
)  # fmt: skip

SECTION = {
    "herm": make_step(
        "cap.herm.uf", "Compressor section, C to HERM", "HERM",
        "Meter on µF. Wires off HERM. One probe on C, the other on HERM. Let it settle.", lifts="HERM wires off",
    ),
    "fan": make_step(
        "cap.fan.uf", "Fan section, C to FAN", "FAN",
        "Meter on µF. Wires off FAN. One probe on C, the other on FAN. Let it settle.", lifts="FAN wire off",
    ),
}  # fmt: skip

START = make_step(
    "cap.start.uf", "Start capacitor", "start", "Meter on µF. Wires off, bleed resistor unclipped.",
    lifts="Start capacitor wires off", caution="A start capacitor can hold a charge: bleed it and prove it first.",
)  # fmt: skip

NEW_PART = {
    "herm": make_step("cap.new_herm.uf", "New part, C to HERM", "new HERM", "Measure the new part before it goes in.", needed=False),
    "fan": make_step("cap.new_fan.uf", "New part, C to FAN", "new FAN", "Measure the new part before it goes in.", needed=False),
}  # fmt: skip

EVERY_EARLY_STEP = (*SAFE, *LOOK, *SECTION.values(), START, *NEW_PART.values())
