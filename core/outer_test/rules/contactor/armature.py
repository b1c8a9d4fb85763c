"""A contactor that stays out with a call, or chatters (handbook section 6, rules `coil-volts` and `coil-ohm`)."""

from decimal import Decimal

from outer_test.judgement import Finding, Verdict, judged, unjudged
from outer_test.measurement import Measured, say
from outer_test.rules.contactor.coil import COIL_OHM, COIL_VOLTS, USUAL_COIL_V, WATCH_LOW_V, control_cuts


def armature(
    state: str, volts: Measured | None, coil: Finding | None, coil_v: float = USUAL_COIL_V, contactor: str = "contactor"
) -> Finding | None:  # fmt: skip
    """Out with enough voltage on a sound coil it is mechanically stuck; None where that is not known.

    state: as seen at the armature. volts: V a.c. at the coil. coil: what its ohms say. coil_v: its rated volts.
    contactor: how its points begin. Source: [T] common practice, no source.

    >>> armature("chatters", None, None).verdict.value, armature("in", None, None)
    ('bad', None)
    """
    point, coil_point = f"{contactor}.armature", f"{contactor}.coil.ohm"
    if state == "chatters":
        return judged(
            point, COIL_VOLTS, Verdict.BAD, "It chatters: weak control voltage, insects or dirt.", shown="chatters",
            needs=(f"{contactor}.coil.v",), next="Read the volts at its coil while it chatters.",
        )  # fmt: skip
    least = control_cuts(coil_v).low or Decimal(0)
    if state != "out" or volts is None or volts.number is None or volts.number < least:
        return None
    shown = f"{say(volts.number)} V"
    if volts.number < WATCH_LOW_V * least / control_cuts().low:  # type: ignore[operator]
        return judged(
            point, COIL_VOLTS, Verdict.UNSURE, f"It stays out, but {shown} is barely what closes it.", shown="out",
            next="Find why the control voltage is low first: transformer, a long wire, a bad joint.",
        )  # fmt: skip
    if coil is None or coil.verdict is not Verdict.GOOD:
        return unjudged(
            point, COIL_OHM, f"It stays out with {shown} there: its ohms tell a bad coil from a stuck contactor.", (coil_point,),
            shown="out", next="Power off, leads off, measure the coil.",
        )  # fmt: skip
    return judged(
        point, COIL_VOLTS, Verdict.BAD, f"{shown} on a sound coil and no pull-in: mechanically stuck.", shown="out",
        next="Power off; look for insects and dirt, else replace it. Do not push it in by hand.",
    )  # fmt: skip
