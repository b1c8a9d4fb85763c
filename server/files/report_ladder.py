"""The ladder drawn for paper: the same places as on the screen, as SVG, without probes."""

from html import escape

from files.report_tape import BRICK, FAINT, INK, PANEL
from outer_test.circuit import Ladder
from outer_test.circuit.ladder import Section, Shape, Stroke
from outer_test.circuit.ladder.drawn import WIDE, Symbol, Words

_SIZE, _SMALLER, _SUSPECT_FILL = 12, 3, "#f7dedb"


def ladder(drawn: Ladder) -> str:
    """Both sections beside each other, as SVG.

    >>> from outer_test.circuit import ladder_of
    >>> from outer_test.visit import Visit
    >>> ladder(ladder_of(Visit(), (), "unknown")).count("<svg")
    2
    """
    return "".join(_section(section) for section in drawn.sections)


def _section(section: Section) -> str:
    spots = "".join(f'<circle cx="{one.x}" cy="{one.y}" r="3" fill="{PANEL}" stroke="{INK}"/>' for one in section.spots)
    letters = "".join(_words(one.letter) for one in section.spots if one.letter is not None)
    parts = "".join(_wire(one) for one in section.strokes) + "".join(_symbol(one) for one in section.symbols) + spots + letters
    return f'<svg class="ladder" viewBox="0 0 {WIDE} {section.height}" width="330">{parts}</svg>'


def _wire(stroke: Stroke) -> str:
    way = "L".join(f"{place.x} {place.y}" for place in stroke.places)
    dash = ' stroke-dasharray="2 7"' if stroke.off else ' stroke-dasharray="5 4"' if stroke.state == "not-yet" else ""
    tone, wide = (BRICK, 2.2) if stroke.state == "suspect" else (INK, 2.2) if stroke.state == "proven" else (INK, 1.2)
    return f'<path d="M{way}" fill="none" stroke="{tone}" stroke-width="{wide}"{dash}/>'


def _symbol(symbol: Symbol) -> str:
    suspect = symbol.state == "suspect"
    line = f'stroke="{BRICK if suspect else INK}" stroke-width="{1.2 if symbol.state == "not-yet" else 2}"'
    fill = _SUSPECT_FILL if suspect else PANEL
    x, y, wide, high = symbol.x, symbol.y, symbol.w, symbol.h
    match symbol.shape:
        case Shape.MOTOR | Shape.COIL:
            shape = f'<circle cx="{x}" cy="{y}" r="{wide / 2}" fill="{fill}" {line}/>'
        case Shape.CONTACT | Shape.BAR | Shape.GROUND:
            shape = ""
        case _:
            shape = f'<rect x="{x - wide / 2}" y="{y - high / 2}" width="{wide}" height="{high}" fill="{fill}" {line}/>'
    lines = f'<path d="{symbol.path}" fill="none" {line}/>' if symbol.path else ""
    return shape + lines + "".join(_words(words) for words in symbol.words)


def _words(words: Words) -> str:
    weight, size, tone = (700, _SIZE + 2, INK) if words.figure else (500, _SIZE, FAINT if words.faint else INK)
    size -= _SMALLER if words.small else 0
    style = f'font-size="{size}" font-weight="{weight}" fill="{tone}" text-anchor="{words.anchor}"'
    return f'<text x="{words.x}" y="{words.y}" {style}>{escape(words.text)}</text>'
