"""A contactor against what the plate asks: the rule `contactor-fit` (handbook section 6)."""

from outer_test.judgement import Finding, Verdict, judged, unjudged
from outer_test.measurement import say
from outer_test.nameplate import Contactor, Plate


def contactor_fit(fitted: Contactor, plate: Plate) -> Finding:
    """Judge a fitted or replacement contactor: poles, amps at least MCA, coil volts the same.

    fitted: its own label. Fewer poles, fewer amps or another coil is `bad`; a pole more is `watch`.
    Source: [T] common practice, no source.

    >>> contactor_fit(Contactor(poles=2, amps=30, coil_v=24), Plate(mca=32)).verdict.value
    'bad'
    """
    point, rule, asked = "contactor.fitted", "contactor-fit", plate.contactor
    wrong: list[str] = []
    more: list[str] = []
    if fitted.poles is not None and asked.poles is not None and fitted.poles != asked.poles:
        (wrong if fitted.poles < asked.poles else more).append(f"{fitted.poles} poles where {asked.poles} are asked")
    if fitted.amps is not None and plate.mca is not None and fitted.amps < plate.mca:
        wrong.append(f"{say(fitted.amps)} A where MCA is {say(plate.mca)} A")
    if fitted.coil_v is not None and asked.coil_v is not None and fitted.coil_v != asked.coil_v:
        wrong.append(f"a {say(fitted.coil_v)} V coil where {say(asked.coil_v)} V is asked")
    if wrong:
        return judged(point, rule, Verdict.BAD, f"Fitted: {'; '.join(wrong)}.", next="Fit one that matches poles, amps and coil.")
    missing = tuple(
        name
        for name, known in (
            ("contactor.poles", fitted.poles is not None and asked.poles is not None),
            ("mca", fitted.amps is not None and plate.mca is not None),
            ("contactor.coil_v", fitted.coil_v is not None and asked.coil_v is not None),
        )
        if not known
    )
    if missing:
        return unjudged(point, rule, "Needs poles, amps and coil volts of both the plate and the fitted part.", missing)
    if more:
        return judged(point, rule, Verdict.WATCH, f"Fitted: {more[0]}.", next="See that every leg is wired through its pole.")
    return judged(point, rule, Verdict.GOOD, "Poles, amps and coil volts match the plate.")
