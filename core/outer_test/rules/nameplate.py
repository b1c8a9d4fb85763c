"""Does the plate agree with itself, and do fuse and wire agree with the plate (handbook section 3)."""

from collections.abc import Iterator
from decimal import Decimal
from functools import lru_cache

from outer_test.judgement import DEFAULT, Finding, HouseRules, Verdict, judged, unjudged
from outer_test.measurement import exact, say
from outer_test.nameplate import Plate, why_missing

# NEC 240.6(A), from memory.
STANDARD_SIZES = (15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400)
# NEC Table 310.16, copper, 60 °C and 75 °C columns by AWG, from memory.
AMPACITY = {14: (15, 20), 12: (20, 25), 10: (30, 35), 8: (40, 50), 6: (55, 65), 4: (70, 85)}


def computed_mca(rla: float, others_fla: float = 0, branch_selection_a: float | None = None) -> Decimal:
    """Minimum circuit ampacity in A: 1.25 × RLA (or the branch-circuit selection current) + the other motors' FLA.

    Source: [P: NEC 440.33; UL 60335-2-40].

    >>> computed_mca(17.9, 1.2)
    Decimal('23.575')
    """
    largest = rla if branch_selection_a is None else branch_selection_a
    return Decimal("1.25") * exact(largest) + exact(others_fla)


def computed_mop(rla: float, others_fla: float = 0, mca: float | None = None) -> int:
    """Largest allowed fuse or breaker in A: 2.25 × RLA + others, down to a standard size, not below 15 A or MCA.

    Where rounding down would fall below MCA the next standard size up is taken.
    Source: [P: NEC 440.22, 240.6(A)].

    >>> computed_mop(17.9, 1.2, 23.6)
    40
    """
    ceiling = Decimal("2.25") * exact(rla) + exact(others_fla)
    floor = max(Decimal(15), Decimal(0) if mca is None else exact(mca))
    below = [size for size in STANDARD_SIZES if floor <= size <= ceiling]
    if below:
        return below[-1]
    return next((size for size in STANDARD_SIZES if size >= floor), STANDARD_SIZES[-1])


def plate_mca(plate: Plate) -> Finding:
    """Printed MCA differing from the computed one by more than 1 A is `watch`: a digit is likely misread.

    Source: [P: NEC 440.33; UL 60335-2-40, from memory].

    >>> from outer_test.nameplate import Compressor, Fan
    >>> plate_mca(Plate(mca=28.6, compressor=Compressor(rla=17.9), fan=Fan(fla=1.2))).verdict.value
    'watch'
    """
    missing = _absent(plate, "mca", "fan.fla")
    if plate.compressor.rla is None and plate.branch_selection_a is None:
        missing.append("compressor.rla")
    if missing or plate.mca is None:
        return unjudged("plate.mca", "plate-mca", why_missing(plate, *missing), tuple(missing), unit="A")
    computed = computed_mca(plate.compressor.rla or 0, plate.fan.fla or 0, plate.branch_selection_a)
    apart = abs(exact(plate.mca) - computed)
    sound = apart <= 1
    basis = "the branch-circuit selection current" if plate.branch_selection_a is not None else "RLA"
    why = f"1.25 × {basis} + fan FLA is {say(computed)} A; the plate prints {say(plate.mca)} A."
    return judged(
        "plate.mca",
        "plate-mca",
        Verdict.GOOD if sound else Verdict.WATCH,
        why if sound else f"{why} They are {say(apart)} A apart: a digit is likely misread.",
        unit="A",
        value=plate.mca,
        watch_low=float(computed - 1),
        watch_high=float(computed + 1),
        nominal=float(computed),
        next="" if sound else "Read RLA, FLA and MCA on the plate again.",
    )


def plate_mop(plate: Plate) -> Finding:
    """Printed MOP above the computed one is `watch`.

    Source: [P: NEC 440.22, 240.6(A), from memory]. The branch-circuit selection current is used where it is the greater.

    >>> from outer_test.nameplate import Compressor, Fan
    >>> plate_mop(Plate(mop=50, compressor=Compressor(rla=17.9), fan=Fan(fla=1.2))).nominal
    40.0
    """
    missing = _absent(plate, "mop", "compressor.rla", "fan.fla")
    if missing or plate.mop is None:
        return unjudged("plate.mop", "plate-mop", why_missing(plate, *missing), tuple(missing), unit="A")
    largest = max(plate.compressor.rla or 0, plate.branch_selection_a or 0)
    mca = plate.mca if plate.mca is not None else float(computed_mca(largest, plate.fan.fla or 0))
    computed = computed_mop(largest, plate.fan.fla or 0, mca)
    sound = plate.mop <= computed
    return judged(
        "plate.mop",
        "plate-mop",
        Verdict.GOOD if sound else Verdict.WATCH,
        f"2.25 × RLA + fan FLA rounds down to {computed} A; the plate prints {say(plate.mop)} A.",
        unit="A",
        value=plate.mop,
        watch_high=float(computed),
        nominal=float(computed),
        next="" if sound else "Read MOP, RLA and FLA on the plate again.",
    )


def plate_lra(plate: Plate) -> Finding:
    """LRA ÷ RLA outside 3 to 10 is `watch`: read the plate again. Does not apply to an inverter compressor.

    Source: [T] common practice, no source.

    >>> from outer_test.nameplate import Compressor
    >>> plate_lra(Plate(compressor=Compressor(rla=17.9, lra=196))).verdict.value
    'watch'
    """
    point, rule = "plate.compressor.lra", "plate-lra"
    missing = _absent(plate, "compressor.lra", "compressor.rla")
    if plate.compressor.kind == "inverter":
        return unjudged(point, rule, "An inverter compressor starts slowly and has no locked-rotor surge: this does not apply.")
    rla, lra = plate.compressor.rla, plate.compressor.lra
    if rla is None or lra is None:
        return unjudged(point, rule, why_missing(plate, *missing), tuple(missing))
    ratio = exact(lra) / exact(rla)
    sound = 3 <= ratio <= 10
    return judged(
        point,
        rule,
        Verdict.GOOD if sound else Verdict.WATCH,
        f"LRA is {say(ratio, 3)} times RLA; compressors lie between 3 and 10.",
        unit="× RLA",
        value=float(round(ratio, 3)),
        watch_low=3.0,
        watch_high=10.0,
        next="" if sound else "Read RLA and LRA on the plate again.",
    )


def protection(plate: Plate) -> Finding:
    """Installed fuse or breaker above MOP is `bad` (fire), below MCA `bad` (nuisance trips).

    A plate whose MOP is below its MCA contradicts itself: `unsure`, a digit is misread.

    Source: [P: NEC 440.22, from memory].

    >>> protection(Plate(mca=23.6, mop=40, protection_a=50)).verdict.value
    'bad'
    """
    point, rule, fuse = "plate.protection_a", "protection", plate.protection_a
    missing = _absent(plate, "protection_a", "mop", "mca")
    if fuse is not None and plate.mca is not None and plate.mop is not None and plate.mca > plate.mop:
        why = f"MOP {say(plate.mop)} A is below MCA {say(plate.mca)} A, which no plate says: one of them is misread."
        return judged(point, rule, Verdict.UNSURE, why, None, next="Read MCA and MOP again.", unit="A", value=fuse)
    limits: dict[str, object] = {"unit": "A", "value": fuse, "low": plate.mca, "high": plate.mop}
    if fuse is not None and plate.mop is not None and fuse > plate.mop:
        why = f"{say(fuse)} A is installed where the plate allows {say(plate.mop)} A at most: the wire can burn before it opens."
        return judged(point, rule, Verdict.BAD, why, None, next="Have it changed to the plate's MOP or less, to local code.", **limits)
    if fuse is not None and plate.mca is not None and fuse < plate.mca:
        why = f"{say(fuse)} A is installed where the circuit must carry {say(plate.mca)} A: it will trip for nothing."
        return judged(point, rule, Verdict.BAD, why, None, next="Have it sized between MCA and MOP, to local code.", **limits)
    if missing:
        return unjudged(point, rule, why_missing(plate, *missing), tuple(missing), **limits)
    why = f"{say(fuse or 0)} A lies between MCA {say(plate.mca or 0)} and MOP {say(plate.mop or 0)} A."
    return judged(point, rule, Verdict.GOOD, why, None, **limits)


def conductor(plate: Plate, rules: HouseRules = DEFAULT) -> Finding:
    """Copper ampacity must be at least MCA, by the 60 °C column (default) or, where allowed, the 75 °C one.

    Between the two columns: `watch` under the 60 °C school. Source: [P: NEC Table 310.16, from memory].

    >>> conductor(Plate(mca=23.6, conductor_awg=12)).verdict.value
    'watch'
    """
    point, rule = "plate.conductor_awg", "conductor"
    missing = _absent(plate, "conductor_awg", "mca")
    if plate.conductor_awg is None or plate.mca is None:
        return unjudged(point, rule, why_missing(plate, *missing), tuple(missing), unit="A")
    cool, warm = AMPACITY[plate.conductor_awg]
    limit = warm if rules.conductor_column == "75" else cool
    what = f"{plate.conductor_awg} AWG copper carries {cool} A (60 °C) or {warm} A (75 °C); MCA is {say(plate.mca)} A."
    verdict, step = Verdict.GOOD, ""
    if plate.mca > warm:
        verdict, step = Verdict.BAD, "Too thin for this unit: an electrician's work, to local code."
    elif plate.mca > limit:
        verdict, step = Verdict.WATCH, "Enough only if terminals and wire are rated 75 °C: check both."
    return judged(
        point,
        rule,
        verdict,
        what,
        unit="A",
        value=float(limit),
        low=plate.mca if rules.conductor_column == "75" else None,
        watch_low=plate.mca,
        school=rules.conductor_column,
        next=step,
    )


# A visit is judged at every key, and its plate stays the same.
@lru_cache(maxsize=256)
def plate_findings(plate: Plate, rules: HouseRules) -> tuple[Finding, ...]:
    """Each plate rule whose own subject is printed, installed or marked unreadable."""
    return tuple(_plate_findings(plate, rules))


def _plate_findings(plate: Plate, rules: HouseRules) -> Iterator[Finding]:
    known = set(plate.unreadable)
    if plate.mca is not None or "mca" in known:
        yield plate_mca(plate)
    if plate.mop is not None or "mop" in known:
        yield plate_mop(plate)
    if plate.compressor.lra is not None or "compressor.lra" in known:
        yield plate_lra(plate)
    if plate.protection_a is not None:
        yield protection(plate)
    if plate.conductor_awg is not None:
        yield conductor(plate, rules)


def _absent(plate: Plate, *names: str) -> list[str]:
    absent = []
    for name in names:
        value: object = plate
        for part in name.split("."):
            value = getattr(value, part, None)
        if value is None:
            absent.append(name)
    return absent
