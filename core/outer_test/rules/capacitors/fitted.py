"""What is fitted against what the plate asks: the rule `cap-installed`, and whose rating a reading is held against."""

from collections.abc import Iterator
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import DEFAULT, Finding, HouseRules, Limits, Rule, Verdict, judged, unjudged
from outer_test.measurement import exact, say
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.rules.capacitors.combined import cap_parallel
from outer_test.rules.capacitors.replacement import STOPGAP
from outer_test.visit import SECTION_NAME, FittedCapacitor, Section

CAP_INSTALLED = Rule("cap-installed", "Fitted capacitor against the plate", "common practice, no source", "T", choice="replacement")


@dataclass(frozen=True, slots=True)
class Rating:
    """A section's rating: µF, tolerance in %, and a sentence saying whose it is where that is not the plate's."""

    uf: float
    tolerance_pct: float | None
    against: str = ""


def _parts_of(section: Section, fitted: tuple[FittedCapacitor, ...]) -> list[tuple[FittedCapacitor, float | None]]:
    return [
        (part, part.fan_uf if part.section == "both" and section == "fan" else part.uf)
        for part in fitted
        if part.section in ("both", section)
    ]


def section_rating(section: Section, plate: Plate, fitted: tuple[FittedCapacitor, ...]) -> Rating | None:
    """What a section's reading is held against: the fitted parts' own labels where recorded, else the plate.

    Parts in parallel are judged as their sum (`cap-parallel`). None where neither says.

    >>> both = (FittedCapacitor("herm", uf=50), FittedCapacitor("herm", uf=5, add_on=True))
    >>> section_rating("herm", Plate(run_capacitor=RunCapacitor(herm_uf=55)), both).uf
    55.0
    """
    asked = plate.run_capacitor or RunCapacitor()
    plate_uf = asked.herm_uf if section == "herm" else asked.fan_uf
    parts = _parts_of(section, fitted)
    known = [(part, uf) for part, uf in parts if uf is not None]
    if not parts or len(known) < len(parts):
        return None if plate_uf is None else Rating(plate_uf, asked.tolerance_pct)
    total = float(cap_parallel(exact(uf) for _, uf in known))
    printed = [part.tolerance_pct for part, _ in known if part.tolerance_pct is not None]
    tolerance = max(printed) if printed else asked.tolerance_pct if total == plate_uf else None
    if total == plate_uf and len(known) == 1:
        return Rating(total, tolerance)
    whose = "parts' sum in parallel" if len(known) > 1 else "part's own label"
    asks = f"; the plate asks {say(plate_uf)} µF" if plate_uf is not None else ""
    return Rating(total, tolerance, f"Held against the fitted {whose}, {say(total)} µF{asks}.")


def cap_installed(section: Section, plate: Plate, fitted: tuple[FittedCapacitor, ...], rules: HouseRules = DEFAULT) -> Finding | None:
    """Judge the parts fitted for one section against the plate; None where none is recorded for it.

    Lower volts, another duty or other µF is `bad`; other µF within ±10 % is `watch` where the house rule allows a
    stopgap. A dual used as a single is fine and its unused section is not missing. An add-on in parallel is judged as
    the sum and reported as `watch`. Source: [T] common practice, no source.

    >>> plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440))
    >>> cap_installed("herm", plate, (FittedCapacitor("both", uf=55, fan_uf=7.5, vac=370),)).verdict.value
    'bad'
    """
    parts = _parts_of(section, fitted)
    if not parts:
        return None
    asked = plate.run_capacitor or RunCapacitor()
    wanted = asked.herm_uf if section == "herm" else asked.fan_uf
    point, rule, name = f"cap.{section}.fitted", CAP_INSTALLED, SECTION_NAME[section]
    faults = list(_plain_faults(parts, asked))
    if faults:
        return judged(point, rule, Verdict.BAD, " ".join(faults), school=rules.replacement, next=f"Fit the right part on {name}.")
    if wanted is None or any(uf is None for _, uf in parts):
        what = "the plate's µF" if wanted is None else "the fitted part's µF"
        needs = (f"run_capacitor.{section}_uf",) if wanted is None else ()
        return unjudged(point, rule, f"Needs {what} for {name}.", needs)
    total, target = cap_parallel(exact(uf) for _, uf in parts if uf is not None), exact(wanted)
    verdict, why, step = _microfarads(total, target, any(part.add_on for part, _ in parts), rules)
    return judged(
        point, rule, verdict, f"{name}: {why}", unit="µF", value=float(total), nominal=wanted,
        limits=Limits(low=float(target * (1 - STOPGAP)), high=float(target * (1 + STOPGAP))), school=rules.replacement, next=step,
    )  # fmt: skip


def _plain_faults(parts: list[tuple[FittedCapacitor, float | None]], asked: RunCapacitor) -> Iterator[str]:
    for part, _ in parts:
        if part.duty == "start":
            yield "A start capacitor is fitted for run duty: it overheats and bursts."
        if part.vac is not None and asked.vac is not None and part.vac < asked.vac:
            yield f"{say(part.vac)} V is fitted where {say(asked.vac)} V is asked: higher is fine, lower never."


def _microfarads(total: Decimal, target: Decimal, add_on: bool, rules: HouseRules) -> tuple[Verdict, str, str]:
    has = f"{say(total)} µF is fitted where {say(target)} µF is asked"
    if total == target:
        if add_on:
            return Verdict.WATCH, f"{has}, as parts strapped in parallel.", "Record it; fit one part of the right value when due."
        return Verdict.GOOD, f"{has}.", ""
    if rules.replacement == "within-10" and abs(total - target) <= STOPGAP * target:
        return Verdict.WATCH, f"{has}: within ±10 %, a stopgap.", "Fit the right value soon."
    return Verdict.BAD, f"{has}.", "Fit the value the plate asks."
