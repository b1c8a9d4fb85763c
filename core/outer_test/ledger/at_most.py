"""How long a text may be."""

from outer_test.measurement import FieldProblem


def at_most(name: str, text: str, most: int, least: int = 0) -> None:
    """Refuse a text that is too long, or, blanks aside, too short. Raises FieldProblem.

    >>> at_most("site", "Mill Lane 3", 120, least=1)
    """
    if not least <= len(text.strip()) <= most or len(text) > most:
        raise FieldProblem(name, f"Use {f'{least} to' if least else 'up to'} {most} characters.")
