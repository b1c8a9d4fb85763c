"""A watched run: what this board should do and when, and the events that were stamped (handbook section 9)."""

from collections.abc import Sequence
from dataclasses import dataclass

from outer_test.nameplate import Defrost, has_shift_delay
from outer_test.visit import DefrostEvent

SHIFT_DELAY_S = 30.0
START_WITHIN_S = 15.0


@dataclass(frozen=True, slots=True)
class Expected:
    """When an event should come, in s after the event `after`; `least` to `most`."""

    event: str
    after: str
    least: float
    most: float


def expected_events(defrost: Defrost, aux_fitted: bool) -> tuple[Expected, ...]:
    """What this board should do, event by event. Times in s. Source: [T] common practice; the profile's own tolerance.

    >>> [one.event for one in expected_events(Defrost(control="demand"), True)][:3]
    ['valve-shift', 'fan-off', 'aux-on']
    """
    slack = defrost.tolerance_s
    delay = SHIFT_DELAY_S if has_shift_delay(defrost) else 0.0
    start: list[Expected] = []
    if has_shift_delay(defrost):
        start = [
            Expected("contactor-open", "forced", 0, START_WITHIN_S),
            Expected("contactor-close", "contactor-open", delay - slack, delay + slack),
        ]
    start.append(Expected("valve-shift", "forced", 0, START_WITHIN_S + delay + slack))
    start.append(Expected("fan-off", "valve-shift", -slack - delay, slack))
    if aux_fitted:
        start.append(Expected("aux-on", "valve-shift", -slack - delay, slack))
    limit = (defrost.limit_min or 10) * 60
    start.append(Expected("ended", "forced", 0, limit + delay + slack))
    back = [Expected("fan-on", "ended", -slack, slack), Expected("valve-back", "ended", -slack, defrost.fan_first_s + delay + slack)]
    if aux_fitted:
        back.append(Expected("aux-off", "ended", -slack, defrost.fan_first_s + delay + slack))
    return (*start, *back)


# A stamp that was missed: what came later tells that it happened.
_TELLS = (
    ("fan-on", "fan-off"), ("aux-off", "aux-on"), ("valve-back", "valve-shift"), ("outdoor-line-warm", "valve-shift"), ("fan-on", "ended"),
    ("valve-back", "ended"), ("aux-off", "ended"),
)  # fmt: skip


class Run:
    """A run's events by name: the first of each, in s after it was forced; below 0 for W that was on before.

    `inferred` were not stamped, but must have come.
    """

    def __init__(self, events: Sequence[DefrostEvent], watched_s: float) -> None:
        self.at: dict[str, float] = {}
        forced = max((one.s for one in events if one.event == "forced"), default=0.0)
        for one in sorted(events, key=lambda one: one.s):
            if one.s >= forced:
                self.at.setdefault(one.event, one.s - forced)
            elif one.event == "aux-on":  # W from before: it counts where it was still on as the defrost was forced
                self.at["aux-on"] = one.s - forced
            elif one.event == "aux-off":
                self.at.pop("aux-on", None)
        self.inferred = frozenset(early for late, early in _TELLS if late in self.at and early not in self.at)
        back = [self.at[name] for name in ("fan-on", "valve-back", "aux-off") if name in self.at]
        for name in self.inferred:
            self.at[name] = min(back) if name == "ended" else self.at.get("valve-shift", 0.0)
        self.watched = max([watched_s - forced, *self.at.values()], default=0.0)

    def has(self, event: str) -> bool:
        """Whether the event came, or must have."""
        return event in self.at

    def over(self, seconds: float) -> bool:
        """Whether the run was watched beyond this many seconds."""
        return self.watched > seconds
