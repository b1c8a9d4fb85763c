"""What a board's lights mean, by the unit's own legend (handbook section 9)."""

from outer_test.judgement import Finding, Rule, Verdict, judged, unjudged
from outer_test.nameplate import Light

BOARD_LIGHTS = Rule("board-lights", "Board lights", "the unit's own legend", "T")

POINT, RULE = "look.board.flashes", BOARD_LIGHTS


def board_lights(legend: tuple[Light, ...], flashes: int, colour: str | None) -> Finding:
    """The meaning of a colour and a count of flashes; 0 is lit and steady. A line that is a fault is `watch`: it is a hint to
    what to measure, and accuses nothing. Where the legend has two colours with this count, the colour is asked for.

    Source: [T] the legend is the unit's own.

    >>> board_lights((Light(3, "Ambient sensor out of range", "red"),), 3, "red").verdict.value
    'watch'
    """
    shown = f"{flashes}"
    if not legend:
        why = "This unit's legend is not recorded: enter it once in its board profile."
        return unjudged(POINT, RULE, why, ("defrost.lights",), shown=shown)
    alike = [line for line in legend if line.flashes == flashes and colour in (None, line.colour)]
    said = f"{flashes} flash{'es' if flashes != 1 else ''}" if flashes else "Lit and steady"
    if not alike:
        return unjudged(
            POINT, RULE, f"{said}{f', {colour}' if colour else ''}: the unit's legend has no such line. Count again.", shown=shown
        )
    if len(alike) > 1:
        colours = " or ".join(line.colour for line in alike)
        return unjudged(POINT, RULE, f"{said}: {colours} mean different things. Which colour?", ("look.board.colour",), shown=shown)
    line = alike[0]
    verdict = Verdict.WATCH if line.fault else Verdict.GOOD
    step = "A code is a hint, not a proof: measure what it names." if line.fault else ""
    return judged(POINT, RULE, verdict, f"{said}, {line.colour}: {line.meaning or 'no meaning recorded'}.", shown=shown, next=step)
