"""What a technician types for one reading, understood or answered with what is wrong: the field's own reader."""

import re
from dataclasses import dataclass
from decimal import Decimal

from outer_test.measurement import ValueProblem, exact, parse_value, say
from outer_test.visit import MAY_BE_NEGATIVE, POINTS, Point

_OL = {"ol", "o.l", "o.l.", "0l", "0.l", "0.l.", "oloh", "overload", "open line", "inf", "∞", "over"}
_BEEP = {"closed": "closed", "beep": "closed", "open": "open", "no beep": "open"}
_SHAPE = re.compile(r"([+-]?[\d.,]*\d[.,]?|[+-]?[.,]\d+)\s*([^\d\s.,].*)?")
# Unit words a meter shows or a technician says: the point's unit, and the power of ten to reach it.
_PREFIXES = {
    "uf": {"uf": 0, "µf": 0, "μf": 0, "mfd": 0, "mf": 3, "nf": -3, "pf": -6, "f": 6},
    "v": {"v": 0, "vac": 0, "mv": -3, "kv": 3, "volts": 0},
    "vdc": {"v": 0, "vdc": 0, "v d.c.": 0, "mv": -3, "volts": 0},
    "a": {"a": 0, "amps": 0, "ma": -3},
    "ohm": {"ω": 0, "Ω": 0, "ohm": 0, "ohms": 0, "kω": 3, "k": 3, "kohm": 3, "kohms": 3, "mω": 6, "m": 6, "meg": 6, "mohm": 6, "megohm": 6},
    "mohm": {"mω": 0, "m": 0, "meg": 0, "mohm": 0, "megohm": 0, "gω": 3, "g": 3, "gohm": 3, "kω": -3, "k": -3, "kohm": -3},
    "f": {"f": 0, "°f": 0, "c": 0, "°c": 0},
    "s": {"s": 0, "sec": 0, "ms": -3},
    "h": {"h": 0, "hours": 0},
    "psi": {"psi": 0, "psig": 0},
    "dif": {"f": 0, "°f": 0, "c": 0, "°c": 0},
    "flashes": {"flashes": 0, "flash": 0, "x": 0},
}
_COUNTED = ("flashes",)
_WHAT = {"uf": "a run capacitor", "a": "this circuit", "v": "a residential unit", "vdc": "a residential unit"}


@dataclass(frozen=True, slots=True)
class Typed:
    """A reading understood: the exact text that is kept, and whether its unit was said with it."""

    value: str
    unit_said: bool = False


class TypedProblem(ValueError):
    """Typing that is no reading at this point; the message is shown beside the field, the typing stays."""


def parse_typed(text: str, point: str) -> Typed:
    """Understand what was typed for a point, or say what is wrong with it.

    text: as typed or pasted. point: a measured point's name. Decimal commas, unit words and prefixes (`33,6 uF`,
    `33600 nF`, `55 MFD`) and ways to say OL are understood; the digits stay, as they carry the resolution.
    Temperatures are kept in °F; `21.5 C` is turned into them.
    Raises TypedProblem; KeyError for a point that does not exist.

    >>> parse_typed(" 33,6 uF ", "cap.herm.uf").value
    '33.6'
    >>> parse_typed("33600 nF", "cap.herm.uf").value
    '33.600'
    >>> parse_typed("5.2 meg", "winding.c_ground.ohm")
    Typed(value='5200000', unit_said=True)
    >>> parse_typed("21.5 C", "winding.shell.f").value
    '70.7'
    >>> parse_typed("5.0.4", "cap.herm.uf")
    Traceback (most recent call last):
    ...
    outer_test.entry.field.TypedProblem: "5.0.4" has two decimal points: which one is it?
    """
    about = POINTS[point]
    said = " ".join(text.split())
    if not said:
        raise TypedProblem(f"Type what the meter shows, in {about.sign}, or OL.")
    if len(said) > 60:
        raise TypedProblem("That is too long for one reading.")
    word = said.lower()
    if about.unit in _COUNTED and not re.fullmatch(r"\d+ ?[a-z]*", word):
        raise TypedProblem(f'"{said}" is no count: type how many, or 0 for lit and steady.')
    if word in _OL or word.rstrip(" µuωvfa") in _OL:
        return Typed("OL")
    if word in _BEEP:
        if about.unit != "ohm":
            raise TypedProblem(f"{_BEEP[word]} is a beep test's answer; here it takes {about.sign} or OL.")
        return Typed(_BEEP[word])
    match = _SHAPE.fullmatch(said)
    if match is None:
        raise TypedProblem(f'"{said}" is not a number. Type what the meter shows, in {about.sign}, or OL.')
    digits, unit = _digits(match.group(1)), (match.group(2) or "").strip()
    try:
        value = parse_value(digits)
    except ValueProblem:
        raise TypedProblem(f'"{said}" is not a number. Type what the meter shows, in {about.sign}, or OL.') from None
    number = value.number if value.number is not None else Decimal(0)
    scale = _scale(unit, about, said)
    if about.unit in ("f", "dif") and unit.lower().lstrip("°") == "c":
        digits = f"{_fahrenheit(number, about.unit == 'dif'):.{_decimals(digits)}f}"
        number = Decimal(digits)
    shifted = number.scaleb(scale)
    _check_size(shifted, about, said)
    return Typed(digits if scale == 0 else f"{shifted:f}", bool(unit))


def _fahrenheit(celsius: Decimal, difference: bool) -> Decimal:
    return celsius * 9 / 5 + (0 if difference else 32)


def _decimals(digits: str) -> int:
    """Decimals typed: a temperature turned to °F keeps as many."""
    return len(digits.partition(".")[2])


def _digits(number: str) -> str:
    points, commas = number.count("."), number.count(",")
    if points + commas > 1:
        if points > 1 or (commas > 1 and points == 0) or number.find(",") > number.find(".") > -1 or commas > 1:
            raise TypedProblem(f'"{number}" has two decimal points: which one is it?')
        number = number.replace(",", "")
    elif commas and re.fullmatch(r"[+-]?[1-9]\d{0,2},\d{3}", number):
        raise TypedProblem(f'"{number}" can be read two ways. Type it with a point, or without the comma.')
    number = number.replace(",", ".").removeprefix("+")
    sign, bare = ("-", number[1:]) if number.startswith("-") else ("", number)
    bare = f"0{bare}" if bare.startswith(".") else bare.removesuffix(".")
    return sign + bare


def _scale(unit: str, about: Point, said: str) -> int:
    if not unit:
        return 0
    known = _PREFIXES[about.unit]
    folded = unit if unit in known else unit.lower().replace("ω", "ω")
    if unit.startswith("m") and about.unit == "ohm" and folded == "mω":
        return -3  # milliohm: a small m is not the megohm's capital
    if folded not in known:
        raise TypedProblem(f'"{unit}" in "{said}" is not {about.sign}, which this reading takes.')
    return known[folded]


def _check_size(number: Decimal, about: Point, said: str) -> None:
    if number < 0 and about.unit not in MAY_BE_NEGATIVE:
        raise TypedProblem(f"{said}: {about.sign} cannot be negative. Did the minus slip in?")
    if about.ceiling is None or abs(number) <= exact(about.ceiling):
        return
    hint = f" {say(number)} nF would be {say(number / 1000)} µF." if about.unit == "uf" else ""
    what = _WHAT.get(about.unit, "this reading") if about.name != "cap.start.uf" else "a start capacitor"
    raise TypedProblem(
        f"{say(number, 6)} {about.sign} is far beyond {what} (to {say(about.ceiling)} {about.sign}). "
        f"Check the decimal point and the meter's prefix.{hint}"
    )
