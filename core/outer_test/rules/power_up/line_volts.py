"""Line voltage at the unit, and what its legs to ground tell of the service: the rule `line-volts` (handbook section 8)."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Rule, Verdict, does_not_apply, judged, place, unjudged, worst
from outer_test.measurement import Measured, exact, say
from outer_test.nameplate import Plate, why_missing

LINE_VOLTS = Rule(
    "line-volts", "Line voltage", "NEMA MG 1, 12.44, ±10 %; ANSI C84.1 range B, both from memory; leg patterns are common practice", "P T"
)

ACROSS, LEG_1, LEG_2 = "line.l1_l2.v", "line.l1_ground.v", "line.l2_ground.v"
TENTH, ALIVE_V = Decimal("0.10"), Decimal(30)
ADDS_UP, APART_WATCH, APART_BAD = Decimal("0.04"), Decimal("0.05"), Decimal("0.10")
WYE_LOW, WYE_HIGH = Decimal("0.54"), Decimal("0.62")
HIGH_LEG_LOW, HIGH_LEG_HIGH = Decimal("1.6"), Decimal("1.85")
SERVICE_WATCH, SERVICE_BAD = Decimal("0.92"), Decimal("0.867")
SPLIT_V, WYE_V = Decimal(240), Decimal(208)
_LOW_IMPEDANCE = "Read the legs again at low impedance (LoZ)."


@dataclass(frozen=True, slots=True)
class VoltLimits:
    """The least and most line voltage, V, and where they come from."""

    low: Decimal
    high: Decimal
    whence: str


def volt_limits(plate: Plate) -> VoltLimits | None:
    """The plate's minimum and maximum where printed, else 0.9 × the lowest and 1.1 × the highest rated; None where neither.

    Source: [P: NEMA MG 1 12.44 ±10 %, from memory].

    >>> limits = volt_limits(Plate(volts=(208, 230)))
    >>> limits.low, limits.high
    (Decimal('187.2'), Decimal('253.0'))
    """
    rated = [exact(volt) for volt in plate.volts]
    low = exact(plate.volts_min) if plate.volts_min is not None else min(rated) * Decimal("0.9") if rated else None
    high = exact(plate.volts_max) if plate.volts_max is not None else max(rated) * Decimal("1.1") if rated else None
    if low is None or high is None:
        return None
    printed = plate.volts_min is not None and plate.volts_max is not None
    return VoltLimits(low, high, "printed on the plate" if printed else "±10 % of the rated volts")


@dataclass(frozen=True, slots=True)
class _Pattern:
    """What the pattern of the legs says at one point."""

    verdict: Verdict
    why: str
    next: str = ""


def line_findings(across: Measured, plate: Plate, legs: tuple[Measured | None, Measured | None], rules: HouseRules) -> Iterator[Finding]:
    """L1 to L2 against the plate, and both legs to ground by the first pattern that fits. All in V a.c.

    Source: [P: NEMA MG 1 12.44; ANSI C84.1 range B, from memory]; the patterns are [T].

    >>> from outer_test.measurement import measure
    >>> found = line_findings(measure("0.4"), Plate(volts=(208, 230)), (measure("121"), measure("120.6")), DEFAULT)
    >>> [one.verdict.value for one in found]
    ['bad', 'unsure', 'unsure']
    """
    pattern = _pattern(across, plate, legs)
    yield _with_service(line_volts(across, plate, rules), pattern.get(ACROSS), across)
    for point, leg in ((LEG_1, legs[0]), (LEG_2, legs[1])):
        if leg is not None:
            if plate.phase == 3:
                yield does_not_apply(point, LINE_VOLTS, "On three phase the volts are judged line to line.", leg, "V")
            else:
                yield _leg(point, leg, pattern.get(point))


def _with_service(found: Finding, pattern: _Pattern | None, across: Measured) -> Finding:
    """What the plate says of L1 to L2, and what its legs add to it; a leg that is lost is all there is to say."""
    if pattern is None:
        return found
    lost = pattern.verdict is Verdict.BAD and across.number is not None and abs(across.number) < ALIVE_V
    if lost:
        return replace(found, verdict=Verdict.BAD, why=pattern.why, next=pattern.next)
    why = f"{found.why} {pattern.why}".strip()
    return replace(found, verdict=worst([found.verdict, pattern.verdict]), why=why, next=pattern.next or found.next)


def _leg(point: str, leg: Measured, pattern: _Pattern | None) -> Finding:
    if pattern is None:
        return unjudged(point, LINE_VOLTS, "Needs numbers for both legs and for L1 to L2.", (ACROSS,), shown=leg.value.text, unit="V")
    return judged(point, LINE_VOLTS, pattern.verdict, pattern.why, leg, unit="V", next=pattern.next)


def _pattern(across: Measured, plate: Plate, legs: tuple[Measured | None, Measured | None]) -> dict[str, _Pattern]:
    """What both legs tell, by point; empty where a number is missing, or on three phase, which has a third leg."""
    if plate.phase == 3 or legs[0] is None or legs[1] is None:
        return {}
    if across.number is None or legs[0].number is None or legs[1].number is None:
        return {}
    volts, one, two = abs(across.number), abs(legs[0].number), abs(legs[1].number)
    rated = max((exact(v) for v in plate.volts), default=SPLIT_V)
    low, high = min(one, two), max(one, two)
    if volts > rated / 2 and abs(high - volts) <= TENTH * volts and low < TENTH * volts:
        return _line_and_neutral(plate)
    if volts < TENTH * rated or low < TENTH * high:
        return _lost(volts, one, two)
    if abs(one + two - volts) <= ADDS_UP * volts:
        return _split(volts, one, two)
    if WYE_LOW <= (one + two) / 2 / volts <= WYE_HIGH:
        return _service(volts, one, two, WYE_V, "a 208 V wye")
    if low and HIGH_LEG_LOW <= high / low <= HIGH_LEG_HIGH:
        leg = _Pattern(
            Verdict.WATCH, "One leg is about 1.7 times the other: a high-leg delta.", "Is this unit made for it? Ask an electrician."
        )
        return {ACROSS: leg, LEG_1: leg, LEG_2: leg}
    leg = _Pattern(Verdict.UNSURE, f"{say(one)} and {say(two)} V to ground fit no service at {say(volts)} V: a ghost leg.", _LOW_IMPEDANCE)
    return {ACROSS: _Pattern(Verdict.GOOD, ""), LEG_1: leg, LEG_2: leg}


def _line_and_neutral(plate: Plate) -> dict[str, _Pattern]:
    asks = {208.0, 230.0} <= set(plate.volts)
    verdict = Verdict.WATCH if asks else Verdict.GOOD
    step = "The plate names 208/230 V: ask how this house is fed." if asks else ""
    leg = _Pattern(verdict, "One leg carries it all and the other is neutral: line and neutral.", step)
    return {ACROSS: leg, LEG_1: leg, LEG_2: leg}


def _lost(volts: Decimal, one: Decimal, two: Decimal) -> dict[str, _Pattern]:
    low, high = min(one, two), max(one, two)
    if high < ALIVE_V:
        step = "Go back one point: the disconnect's line side, then the indoor breaker."
        dead = _Pattern(Verdict.BAD, "No voltage to ground: no supply arrives.", step)
        return {ACROSS: dead, LEG_1: dead, LEG_2: dead}
    if low < high / 2:
        name, live = ("L1", "L2") if one < two else ("L2", "L1")
        lost = _Pattern(
            Verdict.BAD, f"{name} is dead here: that leg is lost upstream.", f"Follow {name} back: its fuse, breaker pole or joint."
        )
        sound = _Pattern(Verdict.GOOD, f"{live} is alive.")
        at_1, at_2 = (lost, sound) if one < two else (sound, lost)
        return {
            ACROSS: _Pattern(Verdict.BAD, f"{say(volts)} V between the legs: {name} is lost upstream.", lost.next),
            LEG_1: at_1,
            LEG_2: at_2,
        }
    why = f"Both legs are alive to ground with {say(volts)} V between them: one is dead and back-fed, or both hang on one pole."
    leg = _Pattern(Verdict.UNSURE, "Alive to ground, which a back-fed leg is too.", "")
    step = "Both are live to touch. Open the contactor and read the legs again."
    return {ACROSS: _Pattern(Verdict.BAD, why, step), LEG_1: leg, LEG_2: leg}


def _split(volts: Decimal, one: Decimal, two: Decimal) -> dict[str, _Pattern]:
    apart = abs(one - two) / ((one + two) / 2)
    if apart > APART_WATCH:
        verdict = Verdict.BAD if apart > APART_BAD else Verdict.WATCH
        leg = _Pattern(
            verdict, f"The legs are {say(apart * 100, 2)} % apart: the service's neutral, not this unit.",
            "Tell the utility or an electrician: a lost neutral burns what else is in the house.",
        )  # fmt: skip
        return {ACROSS: _Pattern(Verdict.GOOD, ""), LEG_1: leg, LEG_2: leg}
    return _service(volts, one, two, SPLIT_V, "a split-phase service of 240 V")


def _service(volts: Decimal, one: Decimal, two: Decimal, nominal: Decimal, name: str) -> dict[str, _Pattern]:
    """A known service against its own nominal. Source: [P: ANSI C84.1 utilization range B, from memory]."""
    part = volts / nominal
    legs = {point: _Pattern(Verdict.GOOD, f"{say(leg)} V: a leg of {name}.") for point, leg in ((LEG_1, one), (LEG_2, two))}
    if part >= SERVICE_WATCH:
        return {ACROSS: _Pattern(Verdict.GOOD, ""), **legs}
    verdict = Verdict.BAD if part < SERVICE_BAD else Verdict.WATCH
    step = "Measure back to the panel; low voltage raises the amps. The utility or an electrician."
    return {ACROSS: _Pattern(verdict, f"The legs say {name}, of which {say(part * 100, 3)} % is left.", step), **legs}


def line_volts(reading: Measured, plate: Plate, rules: HouseRules = DEFAULT, point: str = ACROSS) -> Finding:
    """One line voltage against the plate. reading: V a.c. Source: [P: NEMA MG 1 12.44 ±10 %, from memory].

    >>> from outer_test.measurement import measure
    >>> line_volts(measure("181"), Plate(volts=(208, 230))).verdict.value
    'bad'
    """
    limits = volt_limits(plate)
    if reading.number is not None and abs(reading.number) < ALIVE_V:
        return judged(
            point, LINE_VOLTS, Verdict.BAD, f"{say(reading.number)} V: no supply here.", reading, unit="V",
            next="Go back one point: the disconnect's line side, then the indoor breaker.",
        )  # fmt: skip
    if limits is None:
        return unjudged(point, LINE_VOLTS, why_missing(plate, "volts"), ("volts",), shown=reading.value.text, unit="V")
    if reading.number is None:
        return judged(point, LINE_VOLTS, Verdict.UNSURE, "No number to judge.", reading, unit="V", next="Use a range of 600 V or more.")
    cuts = Cuts(low=limits.low, high=limits.high)
    where = place(reading, cuts, rules, "V")
    about = f"{say(reading.number)} V; {say(limits.low)} to {say(limits.high)} V is allowed, {limits.whence}."
    steps = {
        "below": "Measure back to the panel; low voltage raises the amps. The utility or an electrician.",
        "above": "Tell the utility: high voltage shortens every motor's life.",
    }
    return judged(
        point, LINE_VOLTS, where.verdict, f"{about} {where.why_unsure}".strip(), reading, unit="V", decision=rules.decision,
        next=where.remedy or steps.get(where.side, ""), limits=cuts.limits(),
    )  # fmt: skip
