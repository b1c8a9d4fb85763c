"""What each point is called on screens, sheets and files: the titles of its own step in the round."""

from functools import cache

from outer_test.procedure.every import EVERY_STEP


@cache
def _titles() -> dict[str, str]:
    return {step.point: step.title for step in EVERY_STEP}


def title_of(point: str) -> str:
    """A point's title; for what has no step of its own, its name in words.

    >>> title_of("cap.herm.uf"), title_of("plate.mca")
    ('Compressor section, C to HERM', 'Plate: mca')
    """
    known = _titles().get(point)
    if known is not None:
        return known
    first, _, rest = point.partition(".")
    return f"{first.replace('_', ' ').capitalize()}: {rest.replace('.', ' ').replace('_', ' ')}" if rest else first.capitalize()
