"""How a unit of the twin would turn out at the tests of a defrost: its switch or sensors, its valve, and a whole forced run."""

from collections.abc import Iterator

from outer_test.diagnosis.outcomes import Chances, surely
from outer_test.diagnosis.things_tested import Test as T
from outer_test.rules.defrost.valve_coil import FEEDS_V
from outer_test.twin import Unit, defrost_parts, watch_defrost

_LOOKS_S = 2  # seconds between two looks: enough for which events come, and in which order


def defrost_outcomes(unit: Unit) -> dict[T, Chances]:
    """What a forced defrost, and the parts it leans on, turn out to be on this unit.

    >>> from outer_test.nameplate import Defrost, Plate
    >>> from outer_test.twin import make_unit
    >>> defrost_outcomes(make_unit(Plate(defrost=Defrost(control="demand"))))[T.RUN_START]
    {'yes': 1.0}
    """
    if unit.plate.defrost.control is None:  # what it reads, and how it runs, is not known
        return dict(_valve(unit))
    return dict((*_sensed(unit), *_valve(unit), *_fed_in_a_run(unit), *_run(unit)))


def _sensed(unit: Unit) -> Iterator[tuple[T, Chances]]:
    """Its switch, or its sensors."""
    if unit.plate.defrost.control == "time-temperature":
        moved = unit.value("switch.shift_f")
        yield (
            T.SWITCH_COLD,
            surely("stuck open" if unit.value("switch.open") else "good") if moved > -10 else {"stuck open": 0.95, "good": 0.05},
        )
        yield (
            T.SWITCH_WARM,
            surely("stuck closed" if unit.value("switch.closed") else "good") if moved < 10 else {"stuck closed": 0.95, "good": 0.05},
        )
    else:
        for name, test in (("sensor", T.COIL_SENSOR), ("ambient", T.AMBIENT_SENSOR)):
            opened, drift = unit.value(f"{name}.open"), abs(unit.value(f"{name}.drift_f"))
            yield (
                test,
                surely("shorted" if unit.value(f"{name}.shorted") else "open" if opened else "off" if drift > 6 else "good")
                if not unit.value(f"{name}.slipped")
                else {"off": 0.5, "good": 0.5},
            )


def _valve(unit: Unit) -> Iterator[tuple[T, Chances]]:
    """The valve and its volts while it heats, whichever control it is."""
    reads, on_in_defrost = defrost_parts(unit), _on_in_defrost(unit)
    for point, test in (("defrost.valve_heating.v", T.VALVE_REST), ("control.stat_valve.v", T.STAT_VALVE)):
        yield test, surely("no" if (float(reads[point]) >= FEEDS_V) is on_in_defrost else "yes")
    moves = not (unit.value("valve.stuck") or unit.value("valve.half") or unit.value("valve.coil_dead"))
    yield T.VALVE_PROOF, surely("shifts" if moves else "no")


def _fed_in_a_run(unit: Unit) -> Iterator[tuple[T, Chances]]:
    fed = float(defrost_parts(unit)["defrost.valve_coil.v"]) >= FEEDS_V
    yield T.VALVE_FED, surely("yes" if fed is _on_in_defrost(unit) else "no")
    if unit.plate.aux_heat.fitted:
        yield T.W_FED, surely("no" if unit.value("board.no_w") else "yes")


def _on_in_defrost(unit: Unit) -> bool:
    return (unit.plate.valve or "O") == "O"


def _run(unit: Unit) -> Iterator[tuple[T, Chances]]:
    events, watched = watch_defrost(unit, step=_LOOKS_S)
    names = [one.event for one in events]
    began = "fan-off" in names or "valve-shift" in names or "aux-on" in names
    yield T.RUN_START, surely("yes" if began else "no")
    if not began:
        return
    shift = {"contactor-open": names.count("contactor-open")}
    usual = 2 if unit.plate.defrost.shift_delay else 0
    yield T.RUN_CONTACTOR, surely("drops" if shift["contactor-open"] > usual else "stays")
    yield T.RUN_VALVE, surely("yes" if "valve-shift" in names else "no")
    yield T.RUN_FAN, surely("yes" if "fan-off" in names else "no")
    if unit.plate.aux_heat.fitted:
        yield T.RUN_AUX, surely("yes" if "aux-on" in names else "no")
    ended = next((one.s for one in events if one.event == "ended"), None)
    begun = next(one.s for one in events if one.event not in ("forced", "switch-open"))
    limit = (unit.plate.defrost.limit_min or 10) * 60
    if ended is None:
        yield T.RUN_END, surely("ran on" if watched > limit else "good")
    elif shift["contactor-open"] <= usual:
        opened = next((one.s for one in events if one.event == "switch-open"), None)
        ran_on = opened is not None and ended > opened + 15
        yield T.RUN_END, surely("ran on" if ran_on or ended - begun > limit + 60 else "by time" if ended - begun >= limit - 15 else "good")
