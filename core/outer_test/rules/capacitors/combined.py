"""Capacitors joined: the rule `cap-parallel` (handbook section 5)."""

from collections.abc import Iterable
from decimal import Decimal


def cap_parallel(sections_uf: Iterable[Decimal]) -> Decimal:
    """Capacitance of parts in parallel, µF: the sum. Source: [D].

    >>> cap_parallel([Decimal("50"), Decimal("5")])
    Decimal('55')
    """
    return sum(sections_uf, Decimal(0))
