"""Which parts on the van replace a run capacitor: the rule `cap-fit` (handbook section 5)."""

from collections.abc import Iterator
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Replacement, ReplacementSchool, Rule
from outer_test.measurement import exact, say
from outer_test.rules.capacitors.combined import cap_parallel
from outer_test.visit import StockPart

CAP_FIT = Rule("cap-fit", "A replacement that fits", "common practice, no source", "T", choice="replacement")

STOPGAP = Decimal("0.10")
MOST_OFFERED = 5


@dataclass(frozen=True, slots=True)
class CapacitorNeed:
    """What is to be replaced: the sections in µF (None where there is none) and the volts it must stand, V a.c."""

    herm_uf: float | None
    fan_uf: float | None
    vac: float

    def words(self) -> str:
        """As a technician orders it.

        >>> CapacitorNeed(55, 7.5, 440).words()
        '55 + 7.5 µF at 440 V or more, run duty'
        """
        sections = [say(uf) for uf in (self.herm_uf, self.fan_uf) if uf is not None]
        return f"{' + '.join(sections)} µF at {say(self.vac)} V or more, run duty"


@dataclass(frozen=True, slots=True)
class _Choice:
    """Parts taken from the stock, with the µF each section gets."""

    parts: tuple[StockPart, ...]
    herm: Decimal
    fan: Decimal
    note: str = ""


def cap_fit(need: CapacitorNeed, stock: tuple[StockPart, ...], school: ReplacementSchool = "same") -> tuple[Replacement, ...]:
    """Replacements from a stock list, best first, at most five.

    need: sections in µF and V a.c. stock: the van's capacitors. school: `same` (the very value) or `within-10`
    (within ±10 % as a stopgap, said as such). Volts at least the original's, run duty only; one part, two singles for
    a dual, or parallel sums of two, ranked by the worst section's error and then by the number of parts.
    Source: [T] common practice, no source.

    >>> singles = [StockPart(uf=uf, vac=440) for uf in (50, 5, 7.5)]
    >>> van = (StockPart(uf=55, vac=370, fan_uf=7.5), *singles)
    >>> cap_fit(CapacitorNeed(55, 7.5, 440), van)[0].parts
    ('50 µF 440 V', '5 µF 440 V', '7.5 µF 440 V')
    >>> cap_fit(CapacitorNeed(25, None, 370), (StockPart(uf=20, vac=440), StockPart(uf=30, vac=440)), "within-10")
    ()
    """
    usable = [part for part in stock if part.duty == "run" and part.count > 0 and part.vac >= need.vac]
    room = STOPGAP if school == "within-10" else Decimal(0)
    offers: dict[tuple[str, ...], Replacement] = {}
    for choice in _choices(need, usable, room):
        if any(choice.parts.count(part) > part.count for part in choice.parts):
            continue
        error = _worst_error(need, choice)
        names = tuple(_name(part) for part in choice.parts)
        offers.setdefault(tuple(sorted(names)), Replacement(names, float(round(error * 100, 2)), error != 0, _note(choice, error)))
    ranked = sorted(offers.values(), key=lambda offer: (abs(offer.error_pct), len(offer.parts), offer.parts))
    return tuple(ranked[:MOST_OFFERED])


def _choices(need: CapacitorNeed, usable: list[StockPart], room: Decimal) -> Iterator[_Choice]:
    singles = [part for part in usable if part.fan_uf is None]
    duals = [part for part in usable if part.fan_uf is not None]
    if need.herm_uf is None or need.fan_uf is None:
        target = need.herm_uf if need.herm_uf is not None else need.fan_uf
        if target is not None:
            yield from _single_section(exact(target), need.herm_uf is not None, singles, duals, room)
        return
    herm, fan = exact(need.herm_uf), exact(need.fan_uf)
    for dual in duals:
        yield from _dual_with_add_on(dual, herm, fan, singles, room)
    for for_herm in _sums(herm, singles, room):
        for for_fan in _sums(fan, singles, room):
            yield _Choice((*for_herm, *for_fan), _total(for_herm), _total(for_fan), "separate parts in place of a dual")


def _single_section(target: Decimal, is_herm: bool, singles: list[StockPart], duals: list[StockPart], room: Decimal) -> Iterator[_Choice]:
    options = [(parts, "") for parts in _sums(target, singles, room)]
    options += [((dual,), "its FAN terminal stays unused") for dual in duals if _near(exact(dual.uf), target, room)]
    for parts, note in options:
        total = _total(parts)
        yield _Choice(parts, total if is_herm else Decimal(0), Decimal(0) if is_herm else total, note)


def _dual_with_add_on(dual: StockPart, herm: Decimal, fan: Decimal, singles: list[StockPart], room: Decimal) -> Iterator[_Choice]:
    own_herm, own_fan = exact(dual.uf), exact(dual.fan_uf or 0)
    if _near(own_herm, herm, room) and _near(own_fan, fan, room):
        yield _Choice((dual,), own_herm, own_fan)
    for extra in singles:
        uf = exact(extra.uf)
        if own_herm < herm and _near(own_herm + uf, herm, room) and _near(own_fan, fan, room):
            yield _Choice((dual, extra), own_herm + uf, own_fan, f"{say(uf)} µF in parallel on HERM")
        if own_fan < fan and _near(own_fan + uf, fan, room) and _near(own_herm, herm, room):
            yield _Choice((dual, extra), own_herm, own_fan + uf, f"{say(uf)} µF in parallel on FAN")


def _sums(target: Decimal, singles: list[StockPart], room: Decimal) -> Iterator[tuple[StockPart, ...]]:
    """One single, or two in parallel, that make the target."""
    for index, first in enumerate(singles):
        if _near(exact(first.uf), target, room):
            yield (first,)
        for second in singles[index:]:
            if _near(exact(first.uf) + exact(second.uf), target, room):
                yield (first, second)


def _near(uf: Decimal, target: Decimal, room: Decimal) -> bool:
    return abs(uf - target) <= room * target


def _total(parts: tuple[StockPart, ...]) -> Decimal:
    return cap_parallel(exact(part.uf) for part in parts)


def _worst_error(need: CapacitorNeed, choice: _Choice) -> Decimal:
    wanted = ((need.herm_uf, choice.herm), (need.fan_uf, choice.fan))
    errors = [uf / exact(target) - 1 for target, uf in wanted if target is not None]
    return max(errors, key=abs)


def _name(part: StockPart) -> str:
    uf = say(part.uf) if part.fan_uf is None else f"{say(part.uf)} + {say(part.fan_uf)}"
    return f"{uf} µF {say(part.vac)} V"


def _note(choice: _Choice, error: Decimal) -> str:
    notes = [choice.note] if choice.note else []
    if error:
        notes.append(f"stopgap, {say(error * 100, 2)} % off: fit the right value soon")
    return "; ".join(notes)
