"""Capacitors joined: the rules `cap-parallel` and `cap-series` (handbook section 5)."""

from collections.abc import Iterable
from decimal import Decimal


def cap_parallel(sections_uf: Iterable[Decimal]) -> Decimal:
    """Capacitance of parts in parallel, µF: the sum. Source: [D].

    >>> cap_parallel([Decimal("50"), Decimal("5")])
    Decimal('55')
    """
    return sum(sections_uf, Decimal(0))


def cap_series(sections_uf: Iterable[Decimal]) -> Decimal:
    """Capacitance of parts in series, µF: 1 ÷ Σ(1/C). Source: [D].

    Raises ValueError where there is no part, or one of 0 µF or less.

    >>> cap_series([Decimal("10"), Decimal("10")])
    Decimal('5')
    """
    parts = list(sections_uf)
    if not parts or any(part <= 0 for part in parts):
        raise ValueError("series needs at least one part, each above 0 µF")
    return 1 / sum((1 / part for part in parts), Decimal(0))
