"""Other parts to ground, with a winding's own cuts: the rule `part-ground` (capacitor to its case, crankcase heater)."""

from outer_test.judgement import Finding, Rule
from outer_test.measurement import Measured
from outer_test.rules.windings.ground import to_ground

PART_GROUND = Rule("part-ground", "Capacitor and heater to ground", "common practice, no source", "T")

_STEP = {
    "cap.case_ground.ohm": "It can trip the breaker and make the cabinet live. Replace the capacitor.",
    "heater.ground.ohm": "It can trip the breaker and make the cabinet live. Leave its leads off, capped, and replace it.",
}

PARTS_TO_GROUND = tuple(_STEP)


def part_to_ground(point: str, reading: Measured) -> Finding:
    """A part with its wires off, to bare metal: OL or 20 MΩ and over `good`, from 0.5 MΩ `watch`, under it or a beep `bad`.

    point: what was read. reading: Ω, OL or a beep. OL is `unsure` on a range under 1 MΩ. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> readings = [measure(text, unit="ohm") for text in ("OL", "5200000", "12000", "closed")]
    >>> [part_to_ground("heater.ground.ohm", one).verdict.value for one in readings]
    ['good', 'watch', 'bad', 'bad']
    """
    return to_ground(point, PART_GROUND, reading, wet="Clean and dry it, and read it again.", grounded=_STEP[point])
