"""Does the plate agree with itself, and do fuse and wire agree with the plate (handbook section 3)."""

from collections.abc import Iterator
from decimal import Decimal

from outer_test.judgement import DEFAULT, Finding, HouseRules, Limits, Rule, Verdict, does_not_apply, judged, unjudged
from outer_test.measurement import exact, say
from outer_test.nameplate import STANDARD_SIZES, Plate, Recovered, last_digit, recovered_fla, recovered_rla, why_missing

PLATE_MCA = Rule("plate-mca", "Printed MCA against the computed one", "NFPA 70 (NEC) 440.33; UL 60335-2-40, from memory", "P")
PLATE_MOP = Rule("plate-mop", "Printed MOP against the computed one", "NFPA 70 (NEC) 440.22, 240.6(A), from memory", "P")
PLATE_LRA = Rule("plate-lra", "LRA against RLA", "common practice, no source", "T")
PLATE_INFER = Rule("plate-infer", "A plate figure recovered from the others", "from NEC 440.33 and 440.22", "D")
PROTECTION = Rule("protection", "Installed fuse or breaker", "NFPA 70 (NEC) 440.22, from memory", "P")
CONDUCTOR = Rule("conductor", "Copper conductor", "NFPA 70 (NEC) Table 310.16, from memory", "P", choice="conductor_column")

_FIFTY = "At a 50 Hz site no NEC rule applies."
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
    """Printed MCA differing from the computed one by more than 1 A is `watch`: a digit misread, or a motor that was not entered.

    Source: [P: NEC 440.33; UL 60335-2-40, from memory].

    >>> from outer_test.nameplate import Compressor, Fan
    >>> plate_mca(Plate(mca=28.6, compressor=Compressor(rla=17.9), fan=Fan(fla=1.2))).verdict.value
    'watch'
    """
    point = "plate.mca"
    if plate.hz == 50:
        return does_not_apply(point, PLATE_MCA, _FIFTY)
    missing = _absent(plate, "mca", "fan.fla")
    if plate.compressor.rla is None and plate.branch_selection_a is None:
        missing.append("compressor.rla")
    if missing or plate.mca is None:
        return unjudged(point, PLATE_MCA, why_missing(plate, *missing), tuple(missing), unit="A")
    fans = (plate.fan.fla or 0) * plate.fan.count
    computed = computed_mca(plate.compressor.rla or 0, fans, plate.branch_selection_a)
    apart = abs(exact(plate.mca) - computed)
    sound = apart <= 1
    basis = "the branch-circuit selection current" if plate.branch_selection_a is not None else "RLA"
    why = f"1.25 × {basis} + fan FLA is {say(computed)} A; the plate prints {say(plate.mca)} A."
    step = "" if sound else "Read RLA, FLA and MCA on the plate again. Is there a second fan?"
    if not sound and (mend := _one_digit(plate)):
        step = f"{step} One digit would mend it: {mend}."
    return judged(
        point,
        PLATE_MCA,
        Verdict.GOOD if sound else Verdict.WATCH,
        why if sound else f"{why} They are {say(apart)} A apart: a digit misread, or a motor (a second fan) not entered.",
        unit="A",
        value=plate.mca,
        limits=Limits(watch_low=float(computed - 1), watch_high=float(computed + 1)),
        nominal=float(computed),
        next=step,
    )


def _one_digit(plate: Plate) -> str:
    """The single-digit change of MCA, RLA or FLA that mends the plate, where there is exactly one; empty else."""
    fields = {"MCA": plate.mca, "RLA": plate.compressor.rla, "FLA": plate.fan.fla}
    if plate.branch_selection_a is not None or any(value is None for value in fields.values()):
        return ""
    mends = []
    for name, value in fields.items():
        text = say(value or 0, 6)
        for place, old in enumerate(text):
            for digit in "0123456789" if old.isdigit() else "":
                changed = fields | {name: float(text[:place] + digit + text[place + 1 :])}
                mca, rla, fla = (exact(changed[key] or 0) for key in ("MCA", "RLA", "FLA"))
                exactly = abs(mca - (Decimal("1.25") * rla + fla * plate.fan.count)) <= exact(last_digit(plate.mca or 1))
                if digit != old and exactly:
                    mends.append(f"{name} {text[:place] + digit + text[place + 1 :]} A")
    return mends[0] if len(mends) == 1 else ""


def plate_mop(plate: Plate) -> Finding:
    """Printed MOP above the computed one, or no standard size, is `watch`.

    Source: [P: NEC 440.22, 240.6(A), from memory]. The branch-circuit selection current is used where it is the greater.

    >>> from outer_test.nameplate import Compressor, Fan
    >>> plate_mop(Plate(mop=50, compressor=Compressor(rla=17.9), fan=Fan(fla=1.2))).nominal
    40.0
    """
    point = "plate.mop"
    if plate.hz == 50:
        return does_not_apply(point, PLATE_MOP, _FIFTY)
    missing = _absent(plate, "mop", "compressor.rla", "fan.fla")
    if plate.mop is not None and plate.mop not in STANDARD_SIZES:
        why = f"{say(plate.mop)} A is no standard size."
        return judged(point, PLATE_MOP, Verdict.WATCH, why, unit="A", value=plate.mop, next="Read MOP on the plate again.")
    if missing or plate.mop is None:
        return unjudged(point, PLATE_MOP, why_missing(plate, *missing), tuple(missing), unit="A")
    largest = max(plate.compressor.rla or 0, plate.branch_selection_a or 0)
    fans = (plate.fan.fla or 0) * plate.fan.count
    mca = plate.mca if plate.mca is not None else float(computed_mca(largest, fans))
    computed = computed_mop(largest, fans, mca)
    sound = plate.mop <= computed
    return judged(
        point,
        PLATE_MOP,
        Verdict.GOOD if sound else Verdict.WATCH,
        f"2.25 × RLA + fan FLA rounds down to {computed} A; the plate prints {say(plate.mop)} A.",
        unit="A",
        value=plate.mop,
        limits=Limits(watch_high=float(computed)),
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
    point = "plate.compressor.lra"
    if plate.compressor.kind == "inverter":
        return does_not_apply(point, PLATE_LRA, "An inverter compressor starts slowly and has no locked-rotor surge.")
    rla, lra = plate.compressor.rla, plate.compressor.lra
    if rla is None or lra is None:
        missing = _absent(plate, "compressor.lra", "compressor.rla")
        return unjudged(point, PLATE_LRA, why_missing(plate, *missing), tuple(missing))
    ratio = exact(lra) / exact(rla)
    sound = 3 <= ratio <= 10
    return judged(
        point,
        PLATE_LRA,
        Verdict.GOOD if sound else Verdict.WATCH,
        f"LRA is {say(ratio, 3)} times RLA; compressors lie between 3 and 10.",
        unit="× RLA",
        value=float(round(ratio, 3)),
        limits=Limits(watch_low=3.0, watch_high=10.0),
        next="" if sound else "Read RLA and LRA on the plate again.",
    )


def plate_infer(plate: Plate) -> list[Finding]:
    """RLA and FLA that cannot be read, as far as the other figures give them back; an empty interval says only that they disagree.

    Nothing of a figure that is there, or that nothing gives. Source: [D from NEC 440.33, 440.22].

    >>> from outer_test.nameplate import Fan
    >>> [found.verdict.value for found in plate_infer(Plate(mca=23.6, fan=Fan(fla=1.2), unreadable=("compressor.rla",)))]
    ['watch']
    """
    lost = (
        ("compressor.rla", "RLA", plate.compressor.rla, recovered_rla(plate), "FLA"),
        ("fan.fla", "FLA", plate.fan.fla, recovered_fla(plate), "RLA"),
    )
    return [
        _inferred(f"plate.{name}", figure, found, other)
        for name, figure, printed, found, other in lost
        if printed is None and name in plate.unreadable and found is not None
    ]


def _inferred(point: str, figure: str, found: Recovered, other: str) -> Finding:
    if not found.agrees:
        why = f"{figure} cannot be read, and MCA, MOP and {other} disagree about it."
        return judged(point, PLATE_INFER, Verdict.UNSURE, why, unit="A", next=f"Read MCA, MOP and {other} on the plate again.")
    shown = f"{say(found.low, 3)} to {say(found.high, 3)} A"
    return judged(point, PLATE_INFER, Verdict.WATCH, f"{figure} cannot be read; {found.how} it is {shown}.", unit="A", shown=shown)


def protection(plate: Plate) -> Finding:
    """Installed fuse or breaker above MOP is `bad` (fire), below MCA `bad` (nuisance trips).

    A plate whose MOP is below its MCA contradicts itself: `unsure`, a digit is misread.

    Source: [P: NEC 440.22, from memory].

    >>> protection(Plate(mca=23.6, mop=40, protection_a=50)).verdict.value
    'bad'
    """
    point, fuse = "plate.protection_a", plate.protection_a
    if plate.hz == 50:
        return does_not_apply(point, PROTECTION, _FIFTY)

    def found(verdict: Verdict, why: str, step: str = "") -> Finding:
        limits = Limits(low=plate.mca, high=plate.mop)
        return judged(point, PROTECTION, verdict, why, unit="A", value=fuse, limits=limits, next=step)

    if fuse is not None and plate.mca is not None and plate.mop is not None and plate.mca > plate.mop:
        why = f"MOP {say(plate.mop)} A is below MCA {say(plate.mca)} A, which no plate says: one of them is misread."
        return judged(point, PROTECTION, Verdict.UNSURE, why, unit="A", value=fuse, next="Read MCA and MOP again.")
    if fuse is not None and plate.mop is not None and fuse > plate.mop:
        why = f"{say(fuse)} A is installed where the plate allows {say(plate.mop)} A at most: the wire can burn before it opens."
        return found(Verdict.BAD, why, "Have it changed to the plate's MOP or less, to local code.")
    if fuse is not None and plate.mca is not None and fuse < plate.mca:
        why = f"{say(fuse)} A is installed where the circuit must carry {say(plate.mca)} A: it will trip for nothing."
        return found(Verdict.BAD, why, "Have it sized between MCA and MOP, to local code.")
    missing = _absent(plate, "protection_a", "mop", "mca")
    if missing:
        return unjudged(point, PROTECTION, why_missing(plate, *missing), tuple(missing), unit="A", value=fuse)
    return found(Verdict.GOOD, f"{say(fuse or 0)} A is between MCA {say(plate.mca or 0)} and MOP {say(plate.mop or 0)} A.")


def conductor(plate: Plate, rules: HouseRules = DEFAULT) -> Finding:
    """Copper ampacity must be at least MCA, by the 60 °C column (default) or, where allowed, the 75 °C one.

    Between the two columns: `watch` under the 60 °C school; under both `bad`; aluminium `unjudged`.
    Source: [P: NEC Table 310.16, from memory].

    >>> conductor(Plate(mca=23.6, conductor_awg=12)).verdict.value
    'watch'
    """
    point = "plate.conductor_awg"
    if plate.hz == 50:
        return does_not_apply(point, CONDUCTOR, _FIFTY)
    if plate.conductor_awg is None or plate.mca is None:
        missing = _absent(plate, "conductor_awg", "mca")
        return unjudged(point, CONDUCTOR, why_missing(plate, *missing), tuple(missing), unit="A")
    if plate.conductor_metal == "aluminium":
        return unjudged(
            point, CONDUCTOR, "The table here is for copper: aluminium carries less.", unit="A", next="Look it up in the local code."
        )
    cool, warm = AMPACITY[plate.conductor_awg]
    limit = warm if rules.conductor_column == "75" else cool
    what = f"{plate.conductor_awg} AWG copper carries {cool} A by the 60 °C column, {warm} A by 75 °C; MCA is {say(plate.mca)} A."
    verdict, step = Verdict.GOOD, ""
    if warm < plate.mca:
        verdict, step = Verdict.BAD, "The wire is too thin: an electrician's work, to local code."
    elif limit < plate.mca:
        verdict, step = Verdict.WATCH, "It holds only where terminals and wire are rated 75 °C: read their marks."
    return judged(
        point, CONDUCTOR, verdict, what, unit="A", value=float(limit), limits=Limits(watch_low=plate.mca), school=rules.conductor_column,
        next=step,
    )  # fmt: skip


def plate_findings(plate: Plate, rules: HouseRules) -> Iterator[Finding]:
    """Each plate rule whose own subject is printed, installed or marked unreadable."""
    known = set(plate.unreadable)
    if plate.mca is not None or "mca" in known:
        yield plate_mca(plate)
    if plate.mop is not None or "mop" in known:
        yield plate_mop(plate)
    if plate.compressor.lra is not None or "compressor.lra" in known:
        yield plate_lra(plate)
    yield from plate_infer(plate)
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
