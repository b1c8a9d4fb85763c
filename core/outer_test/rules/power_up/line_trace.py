"""Line voltage followed from the breaker to the compressor: the rules `line-trace` and `fuse` (handbook section 8)."""

from collections.abc import Iterator, Mapping
from decimal import Decimal

from outer_test.judgement import Finding, Verdict, judged, unjudged
from outer_test.measurement import Measured, say
from outer_test.rules.power_up.trace import Place, trace

DEAD_V = Decimal(30)
WAY = (
    Place("line.disconnect.v", "the disconnect's line side", "the indoor breaker and its feeder"),
    Place("line.l1_l2.v", "the disconnect's load side", "the disconnect and its fuses"),
    Place("contactor.line.v", "the contactor's line side", "the whip and its terminals"),
    Place("contactor.load.v", "the contactor's load side", "the contactor's closed poles"),
)
FUSE_OHM = Decimal(1)


def line_trace(volts: Mapping[str, Measured], armature: str | None) -> Iterator[Finding]:
    """Pin a lost line voltage between two points. volts: by point, V a.c. armature: in, out or None where not seen.

    A dead load side with the armature not seen in is no fault yet. Source: [D]; under 30 V counts as dead [T].

    >>> from outer_test.measurement import measure
    >>> found = list(line_trace({"line.disconnect.v": measure("240"), "contactor.line.v": measure("1.2")}, None))
    >>> found[-1].point, found[-1].verdict.value
    ('contactor.line.v', 'bad')
    """
    traced = trace(WAY, volts, DEAD_V)
    for place in WAY:
        reading = volts.get(place.point)
        if reading is None or (place.point == "line.l1_l2.v" and (reading.number is None or abs(reading.number) >= DEAD_V)):
            continue  # `line-volts` judges a live line against the plate
        yield _found(place, reading, traced.first_dead, traced.last_live, armature)


def _found(place: Place, reading: Measured, first_dead: Place | None, last_live: Place | None, armature: str | None) -> Finding:
    point, rule = place.point, "line-trace"
    if reading.number is None:
        return judged(point, rule, Verdict.UNSURE, "No number to judge.", reading, unit="V", next="Use a range of 600 V or more.")
    shown = f"{say(reading.number)} V"
    if abs(reading.number) >= DEAD_V:
        return judged(point, rule, Verdict.GOOD, f"{shown}: alive here.", reading, unit="V")
    if place is not first_dead:
        return unjudged(point, rule, f"{shown}: it is lost before this point.", shown=reading.value.text, unit="V")
    if point == "contactor.load.v" and armature != "in":
        why = "the contactor is open" if armature == "out" else "nobody noted whether the armature is in"
        return unjudged(
            point, rule, f"{shown}, but {why}.", ("contactor.armature",), shown=reading.value.text, unit="V",
            next="Call for it to run and look at the armature.",
        )  # fmt: skip
    if last_live is None:
        return judged(
            point, rule, Verdict.BAD, f"{shown} at {place.name}: it is lost before it, in {place.before}.", reading, unit="V",
            next="Go back one point: the indoor breaker first.",
        )  # fmt: skip
    why = f"{shown} at {place.name}, alive at {last_live.name}: it is lost in between, in {place.before}."
    return judged(point, rule, Verdict.BAD, why, reading, unit="V", next=f"Power off, prove dead, then look at {place.before}.")


def fuse(point: str, ohm: Measured | None = None, volts: Measured | None = None) -> Finding | None:
    """A fuse: out of circuit to 1 Ω or a beep `good`, open `bad`; in circuit, line volts across it under load `bad`.

    ohm: Ω, OL or a beep, out of circuit. volts: V across it in circuit; 0 V proves nothing. Source: [T], no source.

    >>> from outer_test.measurement import measure
    >>> fuse("line.fuse1.ohm", measure("OL")).verdict.value, fuse("line.fuse1.v", volts=measure("0.1")).verdict.value
    ('bad', 'unsure')
    """
    rule = "fuse"
    if ohm is not None:
        if ohm.value.kind in ("OL", "open"):
            return judged(
                point, rule, Verdict.BAD, "Open: blown.", ohm, unit="Ω", accuses="fuse", next="Find out why, then the same size."
            )  # fmt: skip
        sound = ohm.value.kind == "closed" or (ohm.number or Decimal(0)) <= FUSE_OHM
        shown = "It beeps" if ohm.value.kind == "closed" else f"{say(ohm.number or 0)} Ω"
        why = f"{shown}: through." if sound else f"{shown}: a sound fuse reads 1 Ω or less."
        step = "" if sound else "Clean its ends and measure again, out of circuit."
        return judged(point, rule, Verdict.GOOD if sound else Verdict.WATCH, why, ohm, unit="Ω", watch_high=float(FUSE_OHM), next=step)
    if volts is None:
        return None
    if volts.number is not None and abs(volts.number) >= DEAD_V:
        return judged(
            point, rule, Verdict.BAD, f"{say(volts.number)} V stands across it: open.", volts, unit="V", accuses="fuse",
            next="Power off, prove dead; find out why before a new one of the same size.",
        )  # fmt: skip
    return judged(
        point, rule, Verdict.UNSURE, "No volts across a fuse without load prove nothing.", volts, unit="V",
        next="Pull it and measure its ohms.",
    )  # fmt: skip


def breaker(state: str, amps: Measured | None, size_a: float | None) -> Finding:
    """The indoor breaker as found: on, off or tripped. amps: running total, A. size_a: its size.

    It is reset once, and the amps taken: it tripped for a reason. One that trips while amps are well under its size is
    itself the fault, an electrician's work. Source: [T] common practice, no source.

    >>> breaker("tripped", None, 40).next
    'Reset it once, and take the running amps: it tripped for a reason.'
    """
    point, rule = "line.breaker", "line-trace"
    if state == "on":
        return judged(point, rule, Verdict.GOOD, "The breaker is on.", shown=state)
    if state == "off":
        return judged(point, rule, Verdict.WATCH, "Somebody switched it off: ask why before you switch it on.", shown=state)
    if amps is not None and amps.number is not None and size_a is not None and float(amps.number) < 0.8 * size_a:
        why = f"It tripped while the unit draws {say(amps.number)} A, well under its {say(size_a)} A."
        return judged(point, rule, Verdict.WATCH, why, shown=state, next="The breaker itself: an electrician's work.")
    return judged(
        point, rule, Verdict.WATCH, "Tripped.", shown=state, next="Reset it once, and take the running amps: it tripped for a reason.",
        needs=("amps.total.run_a",) if amps is None else (),
    )  # fmt: skip
