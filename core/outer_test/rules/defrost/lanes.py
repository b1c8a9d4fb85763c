"""A watched run as lanes over time: what each part should do under what it was seen to do (handbook section 9)."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from outer_test.judgement import Finding, Verdict, worst
from outer_test.nameplate import Defrost, has_shift_delay
from outer_test.rules.defrost.run import Expected, Run, expected_events
from outer_test.visit import DefrostEvent


@dataclass(frozen=True, slots=True)
class Edge:
    """A change in a lane: when, in s after it was forced, and to which level. Where expected, `least` to `most` is its window."""

    event: str
    s: float
    up: bool
    least: float | None = None
    most: float | None = None


@dataclass(frozen=True, slots=True)
class Lane:
    """One lane: what its low and high level are called, where it starts, and its edges as expected and as seen.

    `findings` are the points of the findings that judge it, `verdict` the worst of them; None where none is made yet.
    """

    name: str
    low: str
    high: str
    starts_high: bool
    expected: tuple[Edge, ...]
    observed: tuple[Edge, ...]
    findings: tuple[str, ...]
    verdict: Verdict | None = None


Only = Literal["always", "with-aux", "with-shift-delay"]


@dataclass(frozen=True, slots=True)
class _Plan:
    name: str
    low: str
    high: str
    starts_high: bool
    edges: tuple[tuple[str, bool], ...]
    findings: tuple[str, ...] = ()
    only: Only = "always"


_PLANS = (
    _Plan("call", "no call", "heating call", True, ()),
    _Plan(
        "contactor",
        "open",
        "closed",
        True,
        (("contactor-open", False), ("contactor-close", True)),
        ("contactor", "start"),
        "with-shift-delay",
    ),
    _Plan("valve", "heating", "shifted", False, (("valve-shift", True), ("valve-back", False)), ("valve", "valve-back")),
    _Plan("outdoor fan", "off", "on", True, (("fan-off", False), ("fan-on", True)), ("fan", "fan-back")),
    _Plan("aux call", "off", "24 V on W", False, (("aux-on", True), ("aux-off", False)), ("aux", "aux-back"), "with-aux"),
    _Plan("coil", "cold", "warm", False, (("outdoor-line-warm", True), ("switch-open", True), ("ended", True)), ("end",)),
)


def run_lanes(
    defrost: Defrost, aux_fitted: bool, events: Sequence[DefrostEvent], findings: Sequence[Finding] = ()
) -> tuple[Lane, ...]:  # fmt: skip
    """The lanes of a run. An expected edge stands where its own reference was seen, else where that was expected.

    >>> run = [DefrostEvent(0, "forced"), DefrostEvent(3, "valve-shift")]
    >>> fan = next(one for one in run_lanes(Defrost(control="demand"), False, run) if one.name == "outdoor fan")
    >>> fan.expected[0].event, fan.expected[0].least, fan.expected[0].most
    ('fan-off', -2.0, 8)
    """
    run = Run(events, 0.0)
    seen = {name: at for name, at in run.at.items() if name not in run.inferred}
    expected = _placed(expected_events(defrost, aux_fitted), seen)
    shown = []
    for plan in (plan for plan in _PLANS if _has(plan.only, defrost, aux_fitted, seen)):
        came = sorted((seen[event], event, up) for event, up in plan.edges if event in seen)
        should = tuple(_edge(event, up, *expected[event]) for event, up in plan.edges if event in expected)
        observed = tuple(Edge(event, at, up) for at, event, up in came)
        judged_by = tuple(f"defrost.run.{name}" for name in plan.findings)
        own = [finding.verdict for finding in findings if finding.point in judged_by]
        verdict = worst(own) if own else None
        shown.append(Lane(plan.name, plan.low, plan.high, plan.starts_high, should, observed, judged_by, verdict))
    return tuple(shown)


def _has(only: Only, defrost: Defrost, aux_fitted: bool, seen: dict[str, float]) -> bool:
    if only == "with-aux":
        return aux_fitted or "aux-on" in seen
    if only == "with-shift-delay":
        return bool(has_shift_delay(defrost)) or "contactor-open" in seen
    return True


def _edge(event: str, up: bool, least: float, most: float) -> Edge:
    # The end has no time of its own before its limit: it is expected where its window closes.
    return Edge(event, most if event == "ended" else (least + most) / 2, up, least, most)


def _placed(expected: Sequence[Expected], seen: dict[str, float]) -> dict[str, tuple[float, float]]:
    """Each event's window in s after it was forced."""
    windows: dict[str, tuple[float, float]] = {"forced": (0.0, 0.0)}
    for one in expected:
        if one.after in seen or one.after == "forced":
            at = seen.get(one.after, 0.0)
            windows[one.event] = (at + one.least, at + one.most)
        elif one.after != "ended":  # what follows an end that has not come has no time yet
            low, high = windows[one.after]
            windows[one.event] = (low + one.least, high + one.most)
    del windows["forced"]
    return windows
