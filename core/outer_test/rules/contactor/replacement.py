"""A contactor against what the plate asks: the rule `contactor-fit` (handbook section 6)."""

from decimal import Decimal

from outer_test.judgement import Finding, Rule, Verdict, does_not_apply, judged, unjudged
from outer_test.measurement import exact, say
from outer_test.nameplate import Contactor, Plate

CONTACTOR_FIT = Rule("contactor-fit", "Contactor against the plate", "NFPA 70 (NEC) 440.41, from memory; common practice", "P T")


def contactor_fit(fitted: Contactor, plate: Plate) -> Finding:
    """Poles and coil volts the same; full-load amps at least RLA (or the selection current) plus the fans, locked-rotor amps at
    least LRA, and neither under the plate's own; less is `bad`, more poles `watch`.

    A rating that is not entered is named and not held against it. Source: [P: NEC 440.41, from memory].

    >>> from outer_test.nameplate import Compressor
    >>> contactor_fit(Contactor(poles=2, amps=15, coil_v=24), Plate(compressor=Compressor(rla=17.9))).verdict.value
    'bad'
    """
    point, asked = "contactor.fitted", plate.contactor
    if plate.hz == 50:
        return does_not_apply(point, CONTACTOR_FIT, "At a 50 Hz site no NEC rule applies.")
    wrong: list[str] = []
    more: list[str] = []
    if fitted.poles is not None and asked.poles is not None and fitted.poles != asked.poles:
        poles = f"{fitted.poles} pole{'s' * (fitted.poles != 1)} where {asked.poles} are asked"
        (wrong if fitted.poles < asked.poles else more).append(poles)
    carries = _carries(plate)
    if fitted.amps is not None and carries is not None and exact(fitted.amps) < carries:
        wrong.append(f"{say(fitted.amps)} A where it carries {say(carries)} A")
    elif fitted.amps is not None and asked.amps is not None and fitted.amps < asked.amps:
        wrong.append(f"{say(fitted.amps)} A where the plate asks {say(asked.amps)} A")
    lra = max((one for one in (plate.compressor.lra, asked.lra) if one is not None), default=None)
    if fitted.lra is not None and lra is not None and fitted.lra < lra:
        wrong.append(f"a locked-rotor rating of {say(fitted.lra)} A where {say(lra)} A is drawn")
    if fitted.coil_v is not None and asked.coil_v is not None and fitted.coil_v != asked.coil_v:
        wrong.append(f"a {say(fitted.coil_v)} V coil where {say(asked.coil_v)} V is asked")
    if wrong:
        return judged(point, CONTACTOR_FIT, Verdict.BAD, f"Fitted: {'; '.join(wrong)}.", next="Fit one that matches poles, amps and coil.")
    missing = tuple(
        name
        for name, known in (
            ("contactor.poles", fitted.poles is not None and asked.poles is not None),
            ("compressor.rla", fitted.amps is not None and carries is not None),
            ("contactor.coil_v", fitted.coil_v is not None and asked.coil_v is not None),
        )
        if not known
    )
    if missing:
        return unjudged(point, CONTACTOR_FIT, "Needs poles, amps and coil volts of both the plate and the fitted part.", missing)
    if more:
        return judged(point, CONTACTOR_FIT, Verdict.WATCH, f"Fitted: {more[0]}.", next="See that every leg is wired through its pole.")
    unknown = "" if fitted.lra is not None else " Its locked-rotor rating is not entered."
    return judged(point, CONTACTOR_FIT, Verdict.GOOD, f"Poles, amps and coil volts match the plate.{unknown}")


def _carries(plate: Plate) -> Decimal | None:
    largest = plate.branch_selection_a if plate.branch_selection_a is not None else plate.compressor.rla
    if largest is None:
        return None
    return exact(largest) + exact(plate.fan.fla or 0) * plate.fan.count
