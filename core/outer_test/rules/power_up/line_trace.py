"""Line voltage followed from the breaker to the compressor: the rule `line-trace` (handbook section 8)."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, Rule, Verdict, judged, unjudged
from outer_test.measurement import Measured, say

LINE_TRACE = Rule("line-trace", "Where line voltage is lost", "common practice, no source", "T")

DEAD_V = Decimal(30)


@dataclass(frozen=True, slots=True)
class Place:
    """A point on the way, what it is called, and what lies just before it."""

    point: str
    name: str
    before: tuple[str, ...]


WAY = (
    Place("line.disconnect.v", "the disconnect's line side", ("the indoor breaker", "its feeder")),
    Place("line.l1_l2.v", "the disconnect's load side", ("the disconnect's blades", "fuse 1", "fuse 2")),
    Place("contactor.line.v", "the contactor's line side", ("the whip and its terminals",)),
    Place("contactor.load.v", "the contactor's load side", ("the contactor's closed poles",)),
)
# From the contactor on to the fan motor: the first place is on both ways.
FAN_WAY = (
    WAY[-1],
    Place("fan.board.v", "the board's fan terminal", ("the board's fan relay",)),
    Place("fan.feed.v", "the fan motor's wires", ("the wire to the fan motor",)),
)


@dataclass(frozen=True, slots=True)
class Seen:
    """What else is on record along the way: the armature, and which fuses were found blown or through."""

    armature: str | None = None
    blown: tuple[str, ...] = ()
    through: tuple[str, ...] = ()


def line_trace(volts: Mapping[str, Measured], seen: Seen) -> Iterator[Finding]:
    """The fault lies between the last point read live and the first read dead, leg to leg; what was not read in between is named.

    volts: by point, V a.c.; under 30 V counts as dead. A dead load side with the armature not seen in is no fault yet. A live
    point is left to `line-volts`, except along the contactor. Source: [D].

    >>> from outer_test.measurement import measure
    >>> found = list(line_trace({"line.disconnect.v": measure("240"), "contactor.line.v": measure("1.2")}, Seen()))
    >>> found[-1].point, found[-1].verdict.value
    ('contactor.line.v', 'bad')
    """
    last_live: int | None = None
    first_dead: int | None = None
    for index, place in enumerate(WAY):
        reading = volts.get(place.point)
        if reading is None:
            continue
        if reading.number is None:
            yield judged(
                place.point, LINE_TRACE, Verdict.UNSURE, "No number to judge.", reading, unit="V", next="Use a range of 600 V or more."
            )
        elif abs(reading.number) >= DEAD_V:
            last_live = index if first_dead is None else last_live
            if place.point != "line.l1_l2.v":
                yield judged(place.point, LINE_TRACE, Verdict.GOOD, f"{say(reading.number)} V: alive here.", reading, unit="V")
        elif first_dead is not None:
            why = f"{say(reading.number)} V: it is lost before this point."
            yield unjudged(place.point, LINE_TRACE, why, shown=reading.value.text, unit="V")
        else:
            first_dead = index
            yield _first_dead(index, reading, last_live, seen, volts)


def fan_trace(volts: Mapping[str, Measured]) -> Iterator[Finding]:
    """Line voltage followed from the contactor's load side to the fan motor. Dead there says something only where it is alive before.

    volts: by point, V a.c., with a call and not in a defrost: the board switches the fan. Source: [D].

    >>> from outer_test.measurement import measure
    >>> read = {"contactor.load.v": measure("236"), "fan.feed.v": measure("0.4")}
    >>> [(found.point, found.verdict.value) for found in fan_trace(read)]
    [('fan.feed.v', 'bad')]
    """
    last_live = None
    for index, place in enumerate(FAN_WAY):
        reading = volts.get(place.point)
        if reading is None or reading.number is None:
            continue
        alive = abs(reading.number) >= DEAD_V
        if alive:
            last_live = index
        if index == 0:
            continue
        if alive:
            yield judged(place.point, LINE_TRACE, Verdict.GOOD, f"{say(reading.number)} V: alive here.", reading, unit="V")
        elif last_live is None:
            yield unjudged(
                place.point, LINE_TRACE, f"{say(reading.number)} V, and nothing before it was read alive.", (WAY[-1].point,),
                shown=reading.value.text, unit="V",
            )  # fmt: skip
        else:
            between = [what for step in FAN_WAY[last_live + 1 : index + 1] for what in step.before]
            why = f"{say(reading.number)} V at {place.name}, alive at {FAN_WAY[last_live].name}: it is lost in {_listed(between)}."
            step = (
                "Power off, prove dead, then look there." if len(between) == 1 else f"Read {FAN_WAY[index - 1].name} next: that halves it."
            )
            yield judged(place.point, LINE_TRACE, Verdict.BAD, why, reading, unit="V", next=step)


def _first_dead(index: int, reading: Measured, last_live: int | None, seen: Seen, volts: Mapping[str, Measured]) -> Finding:
    place, shown = WAY[index], f"{say(reading.number or 0)} V"
    if place.point == "contactor.load.v" and seen.armature != "in":
        why = "the contactor is open" if seen.armature == "out" else "nobody noted whether the armature is in"
        return unjudged(
            place.point, LINE_TRACE, f"{shown}, but {why}.", ("contactor.armature",), shown=reading.value.text, unit="V",
            next="Call for it to run and look at the armature.",
        )  # fmt: skip
    start = 0 if last_live is None else last_live + 1
    between = [what for step in WAY[start : index + 1] for what in step.before if what not in seen.through]
    blown = [what for what in between if what in seen.blown]
    since = "nothing is alive before it" if last_live is None else f"alive at {WAY[last_live].name}"
    if blown:
        why = f"{shown} at {place.name}, {since}: {' and '.join(blown)} is blown."
        return judged(
            place.point, LINE_TRACE, Verdict.BAD, why, reading, unit="V",
            next="Find what blew it before another goes in: grounds, pairs, leads, capacitors, wiring, dead.",
        )  # fmt: skip
    why = f"{shown} at {place.name}, {since}: it is lost in {_listed(between)}."
    halving = _halving(start, index, volts)
    if last_live is None:
        step = "Go back one point: the disconnect's line side, then the indoor breaker."
    elif halving is not None:
        step = f"Read {halving.name} next: that halves it."
    elif place.point == "line.l1_l2.v":
        step = "Power off; measure both fuses out of circuit."
    else:
        step = f"Power off, prove dead, then look at {_listed(between)}."
    return judged(place.point, LINE_TRACE, Verdict.BAD, why, reading, unit="V", next=step)


def _halving(start: int, index: int, volts: Mapping[str, Measured]) -> Place | None:
    unread = [place for place in WAY[start:index] if place.point not in volts]
    return unread[len(unread) // 2] if unread else None


def _listed(what: list[str]) -> str:
    return what[0] if len(what) == 1 else f"{', '.join(what[:-1])} or {what[-1]}"
