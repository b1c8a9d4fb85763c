"""What a meter shows, kept as its decimal text because its digits carry the resolution."""

import re
from dataclasses import dataclass
from decimal import Decimal
from functools import lru_cache
from typing import Literal

ValueKind = Literal["number", "OL", "closed", "open"]
_DECIMAL = re.compile(r"-?(?:\d{1,9}(?:\.\d{0,9})?|\.\d{1,9})")
_WORDS: dict[str, ValueKind] = {"OL": "OL", "closed": "closed", "open": "open"}


class ValueProblem(ValueError):
    """A text that is no reading; the message says what would be."""


@dataclass(frozen=True, slots=True)
class Value:
    """One shown value: its text, its kind, and for a number the exact decimal."""

    text: str
    kind: ValueKind
    number: Decimal | None = None
    resolution: Decimal = Decimal(0)  # the weight of the last digit shown, in the reading's own unit; 0 for a word


@lru_cache(maxsize=4096)
def parse_value(text: str) -> Value:
    """Read the exact text of a value: decimal digits, `OL`, `closed` or `open`.

    Raises ValueProblem for anything else. Looser typing is `typed.parse_typed`'s work.

    >>> parse_value("50.40").resolution
    Decimal('0.01')
    >>> parse_value("OL").kind
    'OL'
    >>> parse_value("fifty")
    Traceback (most recent call last):
    ...
    outer_test.measurement.value.ValueProblem: "fifty" is not a reading: give decimal digits, OL, closed or open
    """
    if text in _WORDS:
        return Value(text, _WORDS[text])
    if not text.isascii() or not _DECIMAL.fullmatch(text):
        raise ValueProblem(f'"{text[:40]}" is not a reading: give decimal digits, OL, closed or open')
    number = Decimal(text)
    exponent = number.as_tuple().exponent
    return Value(text, "number", number, Decimal(1).scaleb(exponent if isinstance(exponent, int) else 0))


@lru_cache(maxsize=4096)
def exact(number: float) -> Decimal:
    """The decimal a float was written as, so that limits such as 55 × 0.94 come out exact.

    >>> exact(7.5) * exact(0.94)
    Decimal('7.050')
    """
    return Decimal(repr(number))


@lru_cache(maxsize=8192)
def say(number: Decimal | float, digits: int = 4) -> str:
    """A number in the fewest digits that still say it, at most `digits` significant ones.

    >>> say(Decimal("51.70")), say(Decimal("9.2424")), say(Decimal("0")), say(1234567.0)
    ('51.7', '9.242', '0', '1234567')
    """
    value = number if isinstance(number, Decimal) else exact(number)
    if value == 0:
        return "0"
    places = max(digits - 1 - value.adjusted(), 0)
    text = f"{value:.{places}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text
