"""A unit's baseline: its windings as they read on the earliest visit that also has the shell's temperature."""

from collections.abc import Iterable, Sequence

from outer_test.measurement import parse_value
from outer_test.visit import Baseline, Reading

PAIRS = ("winding.c_r.ohm", "winding.c_s.ohm", "winding.r_s.ohm")
SHELL = "winding.shell.f"
BASELINE_POINTS = (*PAIRS, SHELL)


def baseline_of(visits: Iterable[Sequence[Reading]]) -> tuple[Baseline, ...]:
    """The baseline from each finished visit's readings, the earliest visit first; empty where none has a pair and the shell.

    Of one visit the later reading of a point stands.

    >>> first = [Reading("winding.c_r.ohm", "0.60"), Reading("winding.shell.f", "70")]
    >>> [(one.point, one.value, one.shell_f) for one in baseline_of([[Reading("winding.c_r.ohm", "0.58")], first])]
    [('winding.c_r.ohm', '0.60', 70.0)]
    """
    for readings in visits:
        number = {reading.point: reading for reading in readings if parse_value(reading.value).number is not None}
        shell, pairs = number.get(SHELL), [number[point] for point in PAIRS if point in number]
        if shell is not None and pairs:
            return tuple(Baseline(pair.point, pair.value, float(shell.value), pair.at) for pair in pairs)  # type: ignore[arg-type]
    return ()
