"""Which capacitor rules apply to a visit, and with whose rating."""

from collections.abc import Iterator, Mapping
from dataclasses import replace

from outer_test.judgement import Finding, Verdict, unjudged
from outer_test.measurement import Measured
from outer_test.nameplate import RunCapacitor, is_electronic, why_missing
from outer_test.rules.capacitors.bench import cap_bench, cap_new
from outer_test.rules.capacitors.fitted import cap_installed, section_rating
from outer_test.rules.capacitors.replacement import CapacitorNeed, cap_fit
from outer_test.rules.capacitors.start import cap_start
from outer_test.visit import SECTIONS, Section, Visit

NO_CAPACITOR = {
    "herm": "An inverter compressor has no run capacitor: this does not apply.",
    "fan": "An electronic fan motor has no run capacitor: this does not apply.",
}


def capacitor_findings(visit: Visit, by_point: Mapping[str, Measured]) -> Iterator[Finding]:
    """Each measured section, new part and start capacitor, judged; a bad section carries what fits from the van."""
    for section in SECTIONS:
        for point, rule in ((f"cap.{section}.uf", "cap-bench"), (f"cap.new_{section}.uf", "cap-new")):
            if point in by_point:
                yield _section(visit, section, by_point[point], point, rule)
    if "cap.start.uf" in by_point:
        yield _start(visit, by_point["cap.start.uf"])


def fitted_findings(visit: Visit) -> Iterator[Finding]:
    """`cap-installed` for each section that has a part recorded."""
    for section in SECTIONS:
        found = cap_installed(section, visit.plate, visit.fitted, visit.rules)
        if found is not None:
            yield found


def _section(visit: Visit, section: Section, reading: Measured, point: str, rule: str) -> Finding:
    if is_electronic(visit.plate, section):
        return unjudged(point, rule, NO_CAPACITOR[section], shown=reading.value.text, unit="µF")
    fitted = () if rule == "cap-new" else visit.fitted
    rating = section_rating(section, visit.plate, fitted)
    if rating is None:
        field = f"run_capacitor.{section}_uf"
        return unjudged(
            point, rule, why_missing(visit.plate, field), (field,), shown=reading.value.text, unit="µF",
            next="Look the value up by model and serial, and enter it on the plate.",
        )  # fmt: skip
    if rule == "cap-new":
        return cap_new(reading, rating.uf, rating.tolerance_pct, visit.rules, point)
    found = cap_bench(reading, rating.uf, rating.tolerance_pct, visit.rules, point, against=rating.against)
    return _not_the_end(_with_replacement(found, visit), visit) if found.verdict is Verdict.BAD else found


_NO_START = ("hums-no-start", "nothing-at-all", "compressor-stopped", "trips-breaker")


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
        return unjudged("cap.start.uf", "cap-start", why_missing(visit.plate, *needs), needs, shown=reading.value.text, unit="µF")
    return cap_start(reading, start.low_uf, start.high_uf, visit.rules)
