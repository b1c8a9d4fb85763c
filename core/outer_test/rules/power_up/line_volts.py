"""Line voltage at the unit, and while it starts: the rules `line-volts` and `start-sag` (handbook section 8)."""

from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place, unjudged
from outer_test.measurement import Measured, exact, say
from outer_test.nameplate import Plate, why_missing

LEG_LOW, LEG_HIGH = Decimal("0.45"), Decimal("0.62")
ALIVE_LEG_V, NEAR_ZERO_V = Decimal(60), Decimal(30)


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
    rated = [exact(one) for one in plate.volts]
    low = exact(plate.volts_min) if plate.volts_min is not None else min(rated) * Decimal("0.9") if rated else None
    high = exact(plate.volts_max) if plate.volts_max is not None else max(rated) * Decimal("1.1") if rated else None
    if low is None or high is None:
        return None
    printed = plate.volts_min is not None and plate.volts_max is not None
    return VoltLimits(low, high, "printed on the plate" if printed else "±10 % of the rated volts")


def line_volts(
    reading: Measured, plate: Plate, legs: tuple[Measured | None, Measured | None] = (None, None), rules: HouseRules = DEFAULT
) -> Finding:
    """Line voltage L1 to L2 against the plate; both legs alive with nothing between them is a back-fed leg.

    reading: V a.c. legs: L1 and L2 to ground, V. Source: [P: NEMA MG 1 12.44 ±10 %, from memory].

    >>> from outer_test.measurement import measure
    >>> line_volts(measure("181"), Plate(volts=(208, 230))).verdict.value
    'bad'
    """
    point, rule = "line.l1_l2.v", "line-volts"
    alive = [leg is not None and leg.number is not None and leg.number >= ALIVE_LEG_V for leg in legs]
    if reading.number is not None and reading.number < NEAR_ZERO_V and all(alive):
        return judged(
            point, rule, Verdict.BAD, "Both legs are alive to ground but nothing stands between them: one leg is dead and back-fed.",
            reading, unit="V", next="Find the open fuse, breaker pole or joint of the dead leg. Both are live to touch.",
        )  # fmt: skip
    limits = volt_limits(plate)
    if limits is None:
        return unjudged(point, rule, why_missing(plate, "volts"), ("volts",), shown=reading.value.text, unit="V")
    if reading.number is None:
        return judged(point, rule, Verdict.UNSURE, "No number to judge.", reading, unit="V", next="Use a range of 600 V or more.")
    cuts = Cuts(low=limits.low, high=limits.high)
    where = place(reading, cuts, rules, "V")
    about = f"{say(reading.number)} V; {say(limits.low)} to {say(limits.high)} V is allowed, {limits.whence}."
    steps = {
        "below": "Measure back to the panel; low voltage raises the amps. The utility or an electrician.",
        "above": "Tell the utility: high voltage shortens every motor's life.",
    }
    why = f"{about} {where.why_unsure}".strip()
    return judged(
        point, rule, where.verdict, why, reading, unit="V", decision=rules.decision, next=where.remedy or steps.get(where.side, ""),
        **cuts.limits(),
    )  # fmt: skip


def leg_volts(leg: Measured, across: Measured, point: str) -> Finding:
    """One leg to ground: 0.45 to 0.62 of L1 to L2 is `good`; a dead leg is `bad`, else `watch`. Both in V a.c.

    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> leg_volts(measure("119"), measure("238"), "line.l1_ground.v").verdict.value
    'good'
    """
    rule = "line-volts"
    if leg.number is None or not across.number:
        return unjudged(point, rule, "Needs numbers for this leg and for L1 to L2.", ("line.l1_l2.v",), unit="V")
    ratio = leg.number / across.number
    sound = LEG_LOW <= ratio <= LEG_HIGH
    dead = leg.number < NEAR_ZERO_V
    verdict = Verdict.GOOD if sound else Verdict.BAD if dead else Verdict.WATCH
    why = f"{say(leg.number)} V is {say(ratio, 2)} of {say(across.number)} V; 0.45 to 0.62 is normal."
    step = "" if sound else "This leg is dead: follow it back." if dead else "Check the ground you measure to, and the neutral."
    low, high = float(across.number * LEG_LOW), float(across.number * LEG_HIGH)
    return judged(point, rule, verdict, why, leg, unit="V", watch_low=low, watch_high=high, next=step)


def start_sag(starting: Measured, running: Measured | None, plate: Plate) -> Finding:
    """Line voltage while starting: under 0.90 of the running line `watch`, under plate minimum × 0.9 `bad`.

    starting, running: V a.c. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> start_sag(measure("205"), measure("238"), Plate(volts=(208, 230))).verdict.value
    'watch'
    """
    point, rule, limits = "line.starting.v", "start-sag", volt_limits(plate)
    volts = starting.number
    if volts is None:
        return judged(point, rule, Verdict.UNSURE, "No number to judge.", starting, unit="V")
    floor = limits.low * Decimal("0.9") if limits is not None else None
    line = running.number * Decimal("0.9") if running is not None and running.number is not None else None
    cut = {"low": _float(floor), "watch_low": _float(line)}
    step = "Look for a bad joint or a long thin feeder; the start takes the most amps."
    if floor is not None and volts < floor:
        return judged(
            point, rule, Verdict.BAD, f"{say(volts)} V while starting; under {say(floor)} V it cannot turn.", starting, unit="V",
            next=step, **cut,
        )  # fmt: skip
    if line is None:
        return unjudged(point, rule, "Needs the running line voltage.", ("line.l1_l2.v",), shown=starting.value.text, unit="V")
    if volts < line:
        why = f"{say(volts)} V while starting is under nine tenths of the line."
        return judged(point, rule, Verdict.WATCH, why, starting, unit="V", next=step, **cut)
    return judged(point, rule, Verdict.GOOD, f"{say(volts)} V while starting: the line holds up.", starting, unit="V", **cut)


def _float(value: Decimal | None) -> float | None:
    return None if value is None else float(value)
