"""Figures that are computed from readings and shown, but that no rule judges (handbook section 8, record-only)."""

from collections.abc import Iterator
from dataclasses import dataclass

from outer_test.measurement import numeric, product, total
from outer_test.visit import Inputs


@dataclass(frozen=True, slots=True)
class Figure:
    """A computed figure: its name, the points it rests on, its value with the half-width of its band, in `unit`."""

    name: str
    points: tuple[str, ...]
    value: float
    half: float
    unit: str


def figures(inputs: Inputs) -> Iterator[Figure]:
    """The air split, and what the unit draws in volt-amperes, where their readings are there.

    >>> from outer_test.visit import inputs_of
    >>> from outer_test.visit import Reading, Visit
    >>> air = (Reading("record.air_in.f", "70.0"), Reading("record.air_out.f", "88.5"))
    >>> [(one.name, one.value) for one in figures(inputs_of(Visit(readings=air)))]
    [('Air split', 18.5)]
    """
    air = inputs.number("record.air_in.f"), inputs.number("record.air_out.f")
    if air[0] is not None and air[1] is not None:
        split = total([air[1]], [air[0]])
        yield Figure("Air split", ("record.air_in.f", "record.air_out.f"), float(abs(numeric(split))), float(round(split.half, 3)), "°F")
    line, amps = inputs.number("line.l1_l2.v"), inputs.number("amps.total.run_a")
    if line is not None and amps is not None:
        drawn = product([line, amps])
        yield Figure(
            "Apparent power",
            ("line.l1_l2.v", "amps.total.run_a"),
            float(round(drawn.number or 0)),
            float(round(drawn.half)),
            "VA",
        )
