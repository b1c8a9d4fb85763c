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


# What a board does by itself, whichever comes first: from there its own times count, not from the tap on *forced*.
_ACTS = ("fan-off", "valve-shift")
_NEAR_START_S = 20.0


class Run:
    """A run's events by name: the first of each, in s after it was forced; below 0 for W that was on before.

    `inferred` were not stamped, but must have come. `begin` is the board's own first act, None where nothing shows one.
    `openings` are the contactor's, each with when it closed again.
    """

    def __init__(self, events: Sequence[DefrostEvent], watched_s: float) -> None:
        self.at: dict[str, float] = {}
        forced = max((event.s for event in events if event.event == "forced"), default=0.0)
        opened: list[float] = []
        self.openings: list[tuple[float, float | None]] = []
        for event in sorted(events, key=lambda event: event.s):
            when = event.s - forced
            if when >= 0:
                self.at.setdefault(event.event, when)
                if event.event == "contactor-open":
                    opened.append(when)
                elif event.event == "contactor-close" and opened:
                    self.openings.append((opened.pop(), when))
            elif event.event == "aux-on":  # W from before: it counts where it was still on as the defrost was forced
                self.at["aux-on"] = when
            elif event.event == "aux-off":
                self.at.pop("aux-on", None)
        self.openings = sorted([*self.openings, *((when, None) for when in opened)])
        self.inferred = frozenset(early for late, early in _TELLS if late in self.at and early not in self.at)
        back = [self.at[name] for name in ("fan-on", "valve-back", "aux-off") if name in self.at]
        for name in self.inferred:
            self.at[name] = min(back) if name == "ended" else self.at.get("valve-shift", 0.0)
        self.watched = max([watched_s - forced, *self.at.values()], default=0.0)
        self.begin = self._begin()

    def _begin(self) -> float | None:
        acts = [self.at[name] for name in _ACTS if name in self.at and name not in self.inferred]
        if not acts:
            return 0.0 if self.inferred & {"fan-off", "valve-shift"} else None
        first = min(acts)
        waits = [opened for opened, _ in self.openings if 0 <= first - opened <= SHIFT_DELAY_S]
        return min([first, *waits])

    def near_start(self, when: float) -> bool:
        """Whether something came as this board began, so that it belongs to its shift delay."""
        return self.begin is not None and abs(when - self.begin) <= _NEAR_START_S

    def near_end(self, when: float) -> bool:
        """Whether something came as this defrost ended."""
        return self.has("ended") and abs(when - self.at["ended"]) <= _NEAR_START_S

    def has(self, event: str) -> bool:
        """Whether the event came, or must have."""
        return event in self.at

    def over(self, seconds: float) -> bool:
        """Whether the run was watched beyond this many seconds."""
        return self.watched > seconds
