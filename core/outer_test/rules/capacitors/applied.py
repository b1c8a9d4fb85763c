"""Which capacitor rules apply to a visit, and with whose rating: on the bench, in the hand, and while it runs."""

from collections.abc import Iterator
from dataclasses import replace

from outer_test.judgement import Finding, Rule, Verdict, does_not_apply, unjudged
from outer_test.measurement import Measured, exact
from outer_test.nameplate import RunCapacitor, is_electronic, why_missing
from outer_test.rules.capacitors.bench import CAP_BENCH, CAP_NEW, cap_bench, cap_new, capacitor_limits
from outer_test.rules.capacitors.fitted import Rating, cap_installed, section_rating
from outer_test.rules.capacitors.replacement import CapacitorNeed, cap_fit
from outer_test.rules.capacitors.start import CAP_START, cap_start
from outer_test.rules.capacitors.under_load import (
    CAP_LOAD,
    CAP_VOLTS,
    cap_load,
    cap_volts,
    load_capacitance,
    load_turns,
    microfarads_per_ratio,
)
from outer_test.visit import SECTIONS, Inputs, Section, Visit

NO_CAPACITOR = {
    "herm": "An inverter compressor has no run capacitor.",
    "fan": "An electronic fan motor has no run capacitor.",
}
_NO_START = ("hums-no-start", "nothing-at-all", "compressor-stopped", "trips-breaker")
_TOLERANCE = "run_capacitor.tolerance_pct"


def capacitor_findings(inputs: Inputs) -> Iterator[Finding]:
    """Each section on the bench and under load, each new part and the start capacitor; a bad section carries what fits."""
    visit = inputs.visit
    for section in SECTIONS:
        for point, rule in ((f"cap.{section}.uf", CAP_BENCH), (f"cap.new_{section}.uf", CAP_NEW)):
            if (reading := inputs.get(point)) is not None:
                yield _section(visit, section, reading, point, rule)
    if (start := inputs.get("cap.start.uf")) is not None:
        yield _start(visit, start)
    for section in SECTIONS:
        yield from _load_findings(inputs, section)
    if (blower := inputs.get("cap.blower.uf")) is not None:
        yield _blower(visit, blower)


def fitted_findings(visit: Visit) -> Iterator[Finding]:
    """`cap-installed` for each section that has a part recorded."""
    for section in SECTIONS:
        found = cap_installed(section, visit.plate, visit.fitted, visit.rules)
        if found is not None:
            yield found


def _not_judged(visit: Visit, section: Section, rating: Rating | None) -> tuple[str, str]:
    """The plate field that keeps a section from being judged, and why; empty where nothing does."""
    if rating is None:
        field = f"run_capacitor.{section}_uf"
        return field, why_missing(visit.plate, field)
    by_label = visit.rules.capacitor_limit == "label"
    if by_label and rating.tolerance_pct is None and _TOLERANCE in visit.plate.unreadable:
        return _TOLERANCE, "The label's tolerance is there and cannot be read, so its limits are not known."
    return "", ""


def _section(visit: Visit, section: Section, reading: Measured, point: str, rule: Rule) -> Finding:
    if is_electronic(visit.plate, section):
        return does_not_apply(point, rule, NO_CAPACITOR[section], reading, "µF")
    rating = section_rating(section, visit.plate, () if rule is CAP_NEW else visit.fitted)
    field, why = _not_judged(visit, section, rating)
    if rating is None or field:
        return unjudged(
            point, rule, why, (field,), shown=reading.value.text, unit="µF",
            next="Look the value up by model and serial, and enter it on the plate.",
        )  # fmt: skip
    if rule is CAP_NEW:
        return cap_new(reading, rating.uf, rating.tolerance_pct, visit.rules, point)
    found = cap_bench(reading, rating.uf, rating.tolerance_pct, visit.rules, point, against=rating.against)
    return _not_the_end(_with_replacement(found, visit), visit) if found.verdict is Verdict.BAD else found


def _not_the_end(found: Finding, visit: Visit) -> Finding:
    """A failed capacitor does not end a no-start (handbook section 5)."""
    if visit.complaint not in _NO_START:
        return found
    more = "It does not end a no-start: windings and ground before power returns; clear a stored fault code and watch it."
    return replace(found, next=f"{found.next} {more}")


def capacitor_need(visit: Visit) -> CapacitorNeed | None:
    """What a replacement must be, by the plate; None where its volts or every µF are unknown.

    >>> capacitor_need(Visit()) is None
    True
    """
    asked = visit.plate.run_capacitor or RunCapacitor()
    if asked.vac is None or (asked.herm_uf is None and asked.fan_uf is None):
        return None
    return CapacitorNeed(asked.herm_uf, asked.fan_uf, asked.vac)


def _with_replacement(found: Finding, visit: Visit) -> Finding:
    need = capacitor_need(visit)
    asked = visit.plate.run_capacitor
    if need is None or asked is None:
        needs = why_missing(visit.plate, "run_capacitor.vac")
        return replace(found, next=f"{found.next} What fits is not known: {needs}")
    if asked.form == "singles":
        is_herm = found.point == "cap.herm.uf"
        need = CapacitorNeed(need.herm_uf if is_herm else None, None if is_herm else need.fan_uf, need.vac)
    fits = cap_fit(need, visit.van_stock, visit.rules.replacement)
    step = f"{found.next} Fits: {need.words()}, never lower volts."
    if visit.van_stock and not fits:
        step += " Nothing on the van fits."
    return replace(found, fits=fits, next=step)


def _start(visit: Visit, reading: Measured) -> Finding:
    start = visit.plate.start_capacitor
    if start is None or start.low_uf is None or start.high_uf is None:
        needs = ("start_capacitor.low_uf", "start_capacitor.high_uf")
        return unjudged("cap.start.uf", CAP_START, why_missing(visit.plate, *needs), needs, shown=reading.value.text, unit="µF")
    return cap_start(reading, start.low_uf, start.high_uf, visit.rules)


def _load_findings(inputs: Inputs, section: Section) -> Iterator[Finding]:
    visit, plate = inputs.visit, inputs.visit.plate
    point, volts_point = f"cap.{section}.load_a", f"cap.{section}.load_v"
    amps, volts = inputs.get(point), inputs.get(volts_point)
    if is_electronic(plate, section):
        for name, reading, rule in ((point, amps, CAP_LOAD), (volts_point, volts, CAP_VOLTS)):
            if reading is not None:
                yield does_not_apply(name, rule, NO_CAPACITOR[section], reading)
        return
    if amps is not None:
        yield _under_load(inputs, section, amps, volts)
    if volts is not None:
        yield _volts_across(visit, section, volts, volts_point)


def _volts_across(visit: Visit, section: Section, volts: Measured, point: str) -> Finding:
    asked = visit.plate.run_capacitor
    own = next((part.vac for part in visit.fitted if part.section in ("both", section) and part.vac is not None), None)
    vac = own if own is not None else asked.vac if asked is not None else None
    if vac is None:
        needs = ("run_capacitor.vac",)
        return unjudged(point, CAP_VOLTS, why_missing(visit.plate, *needs), needs, shown=volts.value.text, unit="V")
    if volts.number is None:
        return unjudged(point, CAP_VOLTS, "No number to judge.", shown=volts.value.text, unit="V")
    return cap_volts(volts, vac, visit.rules, point)


def _under_load(inputs: Inputs, section: Section, amps: Measured, volts: Measured | None) -> Finding:
    visit, point = inputs.visit, f"cap.{section}.load_a"
    if volts is None or not volts.number or amps.number is None:
        needs = (f"cap.{section}.load_v",) if volts is None else ()
        why = "Needs the volts from C to this terminal, read at the same time." if volts is None else "Needs amps and volts above 0."
        return unjudged(point, CAP_LOAD, why, needs, shown=amps.value.text, unit="A")
    hz = visit.plate.hz
    if hz is None:
        why = f"{why_missing(visit.plate, 'hz')} 50 Hz makes a fifth more of it than 60 Hz."
        return unjudged(point, CAP_LOAD, why, ("hz",), shown=amps.value.text, unit="A", next="Read the hertz on the plate and enter it.")
    found = load_capacitance(amps, volts, hz)
    rating = section_rating(section, visit.plate, visit.fitted)
    field, why = _not_judged(visit, section, rating)
    if rating is None or field:
        hint = f"Under load it works as {float(found.number or 0):.3g} µF, a hint only. {why}"
        return unjudged(point, CAP_LOAD, hint, (field,), shown=found.value.text, unit="µF", value=float(found.number or 0))
    limits = capacitor_limits(rating.uf, rating.tolerance_pct, visit.rules.capacitor_limit)
    turns = load_turns(amps, volts, (limits.high - limits.low) / 2, exact(float(microfarads_per_ratio(hz))))
    bench = inputs.get(f"cap.{section}.uf") or inputs.get(f"cap.new_{section}.uf")
    return cap_load(found, rating.uf, rating.tolerance_pct, visit.rules, point, bench, turns)


def _blower(visit: Visit, reading: Measured) -> Finding:
    asked, point = visit.plate.blower_capacitor, "cap.blower.uf"
    if asked is None or asked.uf is None:
        needs = ("blower_capacitor.uf",)
        return unjudged(point, CAP_BENCH, why_missing(visit.plate, *needs), needs, shown=reading.value.text, unit="µF")
    return cap_bench(reading, asked.uf, asked.tolerance_pct, visit.rules, point)
