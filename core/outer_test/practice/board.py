"""The simulated board: a defrost of a unit with a hidden fault is watched, stamped and called, then the fault is shown."""

import random
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from outer_test.assessment import assess
from outer_test.judgement import Finding, Verdict
from outer_test.nameplate import AuxHeat, Compressor, Defrost, Fan, Plate, RunCapacitor
from outer_test.rules.defrost import QUESTIONS, Lane, run_lanes
from outer_test.twin import Fault, FaultKey, defrost_faults, fault_of, make_unit, watch_defrost, with_fault
from outer_test.visit import DefrostEvent, RunEvent, Visit

NOTHING_WRONG = "nothing wrong"
_NOTHING = "Nothing is wrong: the board did what this unit's board should do."
_RUN = "defrost.run."
_UNIT = Plate(
    volts=(208.0, 230.0), hz=60, mca=24.3, mop=40, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2),
    run_capacitor=RunCapacitor(herm_uf=45, fan_uf=5, vac=440), valve="O", aux_heat=AuxHeat(kind="electric"),
)  # fmt: skip
_APART_S = 20.0  # what a person who watches takes for the same moment [M]


@dataclass(frozen=True, slots=True)
class Rehearsal:
    """What the unit does after it is forced: its events, s after that, and how long it is watched, s."""

    events: tuple[DefrostEvent, ...]
    watched_s: float


@dataclass(frozen=True, slots=True)
class MarkedStamp:
    """One change: when it happened, s after it was forced, and when it was stamped. None: it did not."""

    event: RunEvent
    happened_s: float | None
    stamped_s: float | None


@dataclass(frozen=True, slots=True)
class Marked:
    """How a watched defrost was called.

    fault: what was hidden. says, proved, mends: of it, in words. right: whether it was named, or one that shows the same.
    alike: the others that show the same, which only a meter parts. findings and lanes: what the stamps come to, as far as they tell.
    """

    fault: str
    says: str
    proved: str
    mends: str
    right: bool
    alike: tuple[str, ...]
    stamps: tuple[MarkedStamp, ...]
    findings: tuple[Finding, ...]
    lanes: tuple[Lane, ...]


def unit_of(board: Defrost) -> Plate:
    """The unit that a board is practised on: a made-up one of three tons, valve energised in cooling, electric aux heat [M].

    >>> unit_of(Defrost(control="demand")).valve
    'O'
    """
    return replace(_UNIT, defrost=replace(board, confirmed=True))


def faults_to_hide(plate: Plate) -> tuple[Fault, ...]:
    """The faults that show in a defrost of this plate's unit; empty without a defrost control.

    >>> from outer_test.nameplate import Defrost
    >>> "fan relay stuck" in {one.key for one in faults_to_hide(Plate(defrost=Defrost(control="demand")))}
    True
    """
    return tuple(fault_of(key) for key in defrost_faults(plate))


def drawn(plate: Plate, seed: int) -> str:
    """What is hidden in the unit by this seed: one of its faults, or nothing wrong. Raises ValueError without a defrost control.

    >>> from outer_test.nameplate import Defrost
    >>> drawn(Plate(defrost=Defrost(control="demand")), 7) == drawn(Plate(defrost=Defrost(control="demand")), 7)
    True
    """
    if not defrost_faults(plate):
        raise ValueError("this plate names no defrost control")
    return random.Random(seed).choice(_every(plate))


@lru_cache(maxsize=64)
def rehearse(plate: Plate, fault: str) -> Rehearsal:
    """The defrost of this plate's unit with a fault in it. Raises ValueError for a fault there is not.

    >>> from outer_test.nameplate import Defrost
    >>> rehearse(Plate(defrost=Defrost(control="demand")), NOTHING_WRONG).events[0].event
    'forced'
    """
    unit = make_unit(plate)
    return Rehearsal(*watch_defrost(unit if fault == NOTHING_WRONG else with_fault(unit, FaultKey(fault))))


def mark(plate: Plate, fault: str, stamps: Sequence[DefrostEvent], named: str) -> Marked:
    """What the stamps of a watched defrost come to, and whether the fault was named. Raises ValueError for a fault there is not.

    The first stamp of a change counts. What did not happen and was not stamped counts as looked at: the board is watched whole.

    >>> from outer_test.nameplate import Defrost
    >>> plate = Plate(defrost=Defrost(control="demand"))
    >>> mark(plate, "fan relay stuck", rehearse(plate, "fan relay stuck").events, "fan relay stuck").right
    True
    """
    hidden_run = rehearse(plate, fault)
    happened, stamped = _first(hidden_run.events), _first(stamps)
    alike = tuple(other for other in _every(plate) if other != fault and _looks_alike(_first(rehearse(plate, other).events), happened))
    run = tuple(DefrostEvent(at, event) for event, at in sorted({"forced": 0.0, **stamped}.items(), key=lambda one: one[1]))
    visit = Visit(
        plate=plate,
        seen={"defrost.call": "yes", "defrost.pins": "right"},
        defrost_run=run,
        defrost_watched_s=hidden_run.watched_s,
        defrost_seen={event: "no" for event in QUESTIONS if event not in happened and event not in stamped},
    )
    findings = tuple(one for one in assess(visit).findings if one.point.startswith(_RUN) and one.verdict is not Verdict.UNJUDGED)
    hidden = None if fault == NOTHING_WRONG else fault_of(FaultKey(fault))
    changes = dict.fromkeys([*happened, *stamped])
    changes.pop("forced", None)
    return Marked(
        fault=fault,
        says=_NOTHING if hidden is None else hidden.says,
        proved="" if hidden is None else hidden.proved,
        mends="" if hidden is None else hidden.mends,
        right=named in (fault, *alike),
        alike=alike,
        stamps=tuple(MarkedStamp(event, happened.get(event), stamped.get(event)) for event in changes),
        findings=findings,
        lanes=run_lanes(visit.plate.defrost, bool(plate.aux_heat.fitted), run, findings),
    )


def _every(plate: Plate) -> tuple[str, ...]:
    return (NOTHING_WRONG, *(fault.value for fault in defrost_faults(plate)))


def _looks_alike(one: dict[RunEvent, float], other: dict[RunEvent, float]) -> bool:
    return one.keys() == other.keys() and all(abs(at - other[event]) <= _APART_S for event, at in one.items())


def _first(events: Sequence[DefrostEvent]) -> dict[RunEvent, float]:
    """When each change came first."""
    first: dict[RunEvent, float] = {}
    for one in events:
        first.setdefault(one.event, one.s)
    return first
