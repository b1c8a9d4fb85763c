"""Tests that valid numbers settle by themselves, without a rule's limits: what is alive, where, and what is lost on the way."""

from collections.abc import Iterable

from outer_test.assessment import Judged
from outer_test.diagnosis.classes import (
    CONTROL_POINTS,
    FED_POINTS,
    LINE_DEAD_V,
    LONG_S,
    control_class,
    drop_class,
    fed_class,
    line_class,
    peak_class,
)
from outer_test.diagnosis.things_tested import Test
from outer_test.rules.start_and_run.aux_heat import NOTHING_A
from outer_test.rules.start_and_run.kit import STILL_IN_A
from outer_test.rules.start_and_run.start import PEAK

DRAWS = 0.3  # of its rated amps: the compressor loads what feeds it
_LOW, _START_LOW, _USUAL_V = 0.9, 0.81, 208.0


def capital(words: str) -> str:
    """Words as a sentence begins.

    >>> capital("run capacitor, HERM")
    'Run capacitor, HERM'
    """
    return words[:1].upper() + words[1:]


def by_numbers(judged: Judged) -> Iterable[tuple[str, Test, str]]:
    """Tests that a valid number settles by itself, without a rule's limits: what is alive, and where."""
    inputs, least = judged.inputs, min(judged.inputs.visit.plate.volts or (_USUAL_V,))

    def number(point: str) -> float | None:
        reading = inputs.number(point)
        return None if reading is None or reading.number is None else abs(float(reading.number))

    for point, test in CONTROL_POINTS.items():
        if (volts := number(point)) is not None:
            yield point, test, control_class(volts)
    for point, test in FED_POINTS.items():
        if (volts := number(point)) is not None:
            yield point, test, fed_class(volts)
    for point, test in (("line.disconnect.v", Test.DISCONNECT), ("contactor.load.v", Test.LOAD_SIDE)):
        if (volts := number(point)) is not None:
            yield point, test, line_class(volts, _LOW * least)
    if (volts := number("line.starting.v")) is not None:
        yield "line.starting.v", Test.STARTING_V, "normal" if volts >= _START_LOW * least else "sags" if volts >= LINE_DEAD_V else "dead"
    if (seconds := number("amps.compressor.start_s")) is not None and inputs.visit.saw("start.result") in (None, "started"):
        yield "amps.compressor.start_s", Test.START_TIME, "long" if seconds > LONG_S else "good"
    if (amps := number("aux.idle.a")) is not None:
        yield "aux.idle.a", Test.AUX_IDLE, "off" if amps < NOTHING_A else "on"
    if (amps := number("amps.kit.a")) is not None:
        yield "amps.kit.a", Test.KIT_A, "stays" if amps > STILL_IN_A else "out"
    peak, lra = number(PEAK), inputs.visit.plate.compressor.lra
    if inputs.visit.saw("line.reset") == "trips" and peak is not None and lra:
        yield PEAK, Test.PEAK, peak_class(peak / lra, True)
    for point, test in (("relay.coil.ohm", Test.RELAY_COIL), ("relay.contact.ohm", Test.RELAY_CONTACT)):
        reading = inputs.get(point)
        if reading is not None:
            yield point, test, "open" if reading.is_open else "good"


# Places on the line one after the other, and what is between them.
_ALONG = (
    ("line.disconnect.v", "line.l1_l2.v", Test.DISCONNECT_DROP),
    ("line.l1_l2.v", "contactor.line.v", Test.WHIP_DROP),
)


def lost_on_the_way(judged: Judged) -> Iterable[tuple[Test, str, str, str]]:
    """Volts lost between two places that both are alive, with the compressor drawing: test, outcome, the later place, and words."""
    inputs = judged.inputs
    amps, rla = inputs.number("amps.compressor.run_a"), inputs.visit.plate.compressor.rla
    draws = amps is not None and amps.number is not None and rla is not None and float(amps.number) >= DRAWS * rla
    if not draws and inputs.visit.saw("start.result") not in ("started", "hummed"):
        return
    for before, after, test in _ALONG:
        first, second = inputs.number(before), inputs.number(after)
        if first is None or second is None or first.number is None or second.number is None:
            continue
        volts = float(first.number), float(second.number)
        if min(volts) >= LINE_DEAD_V:
            yield test, drop_class(*volts), after, f"{capital(test.value)}: {volts[0]:g} V before, {volts[1]:g} V after"
