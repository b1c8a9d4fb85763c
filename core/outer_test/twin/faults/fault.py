"""A fault as the twin has it put in: what it changes of a unit, what is seen of it, how it is proved and what mends it."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from outer_test.judgement import Part
from outer_test.twin.faults.key import FaultKey
from outer_test.twin.unit import Unit

# Figures that change what a defrost does.
_OF_A_DEFROST = ("board.", "switch.", "sensor.", "ambient.", "valve", "fan.relay", "charge", "coil.dirty", "blower.", "no.flow", "stat.")
Changes = Callable[[Unit], Mapping[str, float]]
Looks = Mapping[str, Mapping[str, float]]


@dataclass(frozen=True, slots=True)
class Variant:
    """One way the fault can be there: its weight beside the others, and what it changes of a unit. The first is at full strength."""

    weight: float
    changes: Changes


@dataclass(frozen=True, slots=True)
class Fault:
    """Something that can be wrong: the part it is in, and in plain words what it is, how it is proved, what mends it.

    part: None where it is in none, as charge. variants: its ways and strengths, the fullest first. looks: how a thing that is only
    seen turns out, by point: word and chance [M].
    """

    key: FaultKey
    part: Part | None
    says: str
    proved: str
    mends: str
    variants: tuple[Variant, ...]
    looks: Looks


def of_a_defrost(changes: Mapping[str, float]) -> bool:
    """Whether changed figures are such as a defrost depends on.

    >>> of_a_defrost({"switch.open": 1.0}), of_a_defrost({"uf.herm": 20.0})
    (True, False)
    """
    return any(name.startswith(_OF_A_DEFROST) for name in changes)


def fault(
    key: FaultKey, part: Part | None, says: str, proved: str, mends: str, *variants: Variant, looks: Looks | None = None
) -> Fault:  # fmt: skip
    """A fault; one without variants is only seen."""
    return Fault(key, part, says, proved, mends, variants or (Variant(1.0, _nothing),), looks or {})


def _nothing(_: Unit) -> Mapping[str, float]:
    return {}


def way(values: Mapping[str, float], weight: float = 1.0) -> Variant:
    """A variant that sets figures to these.

    >>> way({"float.open": 1}).weight
    1.0
    """
    return Variant(weight, lambda _: values)


def times(name: str, *factors: float) -> tuple[Variant, ...]:
    """Variants that multiply a figure by each factor; a unit that lacks the figure is left as it is.

    >>> len(times("uf.herm", 0.3, 0.5, 0.8))
    3
    """
    return tuple(Variant(1.0, _times(name, factor)) for factor in factors)


def _times(name: str, factor: float) -> Changes:
    return lambda unit: {name: unit.values[name] * factor} if name in unit.values else {}


def each(ohm: float, *branches: str) -> tuple[Variant, ...]:
    """A variant a branch: the same ohms in this wire or that.

    >>> len(each(2.0, "a–b", "b–c"))
    2
    """
    return tuple(way({name: ohm}) for name in branches)
