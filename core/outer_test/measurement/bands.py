"""Bands of derived values: how sure a sum, a difference, a product or a quotient of readings is (handbook section 2)."""

from collections.abc import Sequence
from dataclasses import replace
from decimal import Decimal

from outer_test.measurement.meter import Measured
from outer_test.measurement.value import Value, parse_value, say

_DIGITS = 5


def _derived(number: Decimal, half: Decimal, usual: bool = False) -> Measured:
    shown = parse_value(say(number, _DIGITS))
    return Measured(Value(shown.text, "number", number, shown.resolution), number, half, usual=usual)


def product(over: Sequence[Measured], under: Sequence[Measured] = (), factor: Decimal = Decimal(1)) -> Measured:
    """factor × the product of `over` ÷ the product of `under`; the relative parts combine in root-sum-square.

    Every reading must be a number, those in `under` not 0. Raises ValueError else.
    Source: [P: JCGM 100:2008 (GUM), section 5.1, from memory].

    >>> from outer_test.measurement.meter import measure
    >>> watts = product([measure("0.20"), measure("14.2")])
    >>> round(watts.number, 3), round(watts.half, 4)
    (Decimal('2.840'), Decimal('0.0717'))
    """
    number, relative = factor, Decimal(0)
    for one, is_over in [*((one, True) for one in over), *((one, False) for one in under)]:
        value = numeric(one)
        if not is_over and value == 0:
            raise ValueError("cannot divide by a reading of 0")
        number = number * value if is_over else number / value
        relative += (one.half / value) ** 2 if value != 0 else Decimal(0)
    half = abs(number) * relative.sqrt()
    if number == 0:  # a factor of 0: its own band, scaled by the others, is all there is
        half = abs(factor) * max((one.half for one in over if one.number == 0), default=Decimal(0))
    return _derived(number, half, any(one.usual for one in (*over, *under)))


def total(plus: Sequence[Measured], minus: Sequence[Measured] = ()) -> Measured:
    """The sum of `plus` less the sum of `minus`; the absolute parts combine in root-sum-square.

    Source: [P: JCGM 100:2008 (GUM), section 5.1, from memory].

    >>> from outer_test.measurement.meter import measure
    >>> total([measure("13.5")], [measure("12.4"), measure("0.9")]).number
    Decimal('0.2')
    """
    number = sum((numeric(one) for one in plus), Decimal(0)) - sum((numeric(one) for one in minus), Decimal(0))
    half = sum((one.half**2 for one in (*plus, *minus)), Decimal(0)).sqrt()
    return _derived(number, half, any(one.usual for one in (*plus, *minus)))


def by_one_meter(plus: Sequence[Measured], minus: Sequence[Measured] = ()) -> Measured:
    """The sum of `plus` less the sum of `minus`, read with one meter on one range: each adds half its last digit, and the %
    counts on the result only, for the meter is off by the same share in all of them.

    Source: handbook section 2 [D].

    >>> from outer_test.measurement.meter import measure
    >>> residue = by_one_meter([measure("0.6", unit="ohm"), measure("1.9", unit="ohm")], [measure("2.4", unit="ohm")])
    >>> residue.number, residue.half
    (Decimal('0.1'), Decimal('0.151'))
    """
    number = sum((numeric(one) for one in plus), Decimal(0)) - sum((numeric(one) for one in minus), Decimal(0))
    readings = (*plus, *minus)
    digits = sum((reading.digit for reading in readings), Decimal(0))
    share = max((reading.relative for reading in readings), default=Decimal(0))
    return replace(_derived(number, digits + share * abs(number)), digit=digits, relative=share)


def arithmetic_band(readings: Sequence[Measured]) -> Decimal:
    """The plain sum of the half-widths, for readings of several meters.

    >>> from outer_test.measurement.meter import measure
    >>> arithmetic_band([measure("0.6"), measure("1.9"), measure("2.5")])
    Decimal('0.15')
    """
    return sum((reading.half for reading in readings), Decimal(0))


def numeric(reading: Measured) -> Decimal:
    """The reading's number. Raises ValueError for a word such as OL."""
    if reading.number is None:
        raise ValueError(f"{reading.value.text} is no number")
    return reading.number
