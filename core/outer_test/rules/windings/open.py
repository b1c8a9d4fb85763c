"""Open windings, and the overload that opens when hot: the rule `winding-open` (handbook section 7)."""

from collections.abc import Sequence
from dataclasses import dataclass

from outer_test.judgement import Finding, Rule, Verdict, judged, unjudged
from outer_test.measurement import Measured, exact, say
from outer_test.rules.windings.pairs import WINDING_SUM

WINDING_OPEN = Rule("winding-open", "Open windings", "the windings' common point; 10 °F and 2 h are common practice", "D T")

NEAR_F, COLD_H = 10, 2
LEAST_RANGE_OHM = 50


@dataclass(frozen=True, slots=True)
class Shell:
    """What tells a cool compressor: shell and outdoor temperature in °F, hours off; None where not known."""

    shell_f: float | None = None
    outdoor_f: float | None = None
    off_h: float | None = None

    @property
    def missing(self) -> tuple[str, ...]:
        """What is not on record."""
        known = {"winding.shell.f": self.shell_f, "conditions.outdoor_f": self.outdoor_f, "winding.off_h": self.off_h}
        return tuple(name for name, value in known.items() if value is None)

    @property
    def cold(self) -> bool | None:
        """Whether it has cooled down: no more than 10 °F above outdoor air, and off 2 h or more; None where that is not known."""
        if self.shell_f is None or self.outdoor_f is None or self.off_h is None:
            return None
        return self.shell_f <= self.outdoor_f + NEAR_F and self.off_h >= COLD_H


@dataclass(frozen=True, slots=True)
class OpenTest:
    """How the pairs were read: at the terminals themselves, with leads that were shown to work, on a three-phase motor."""

    at_terminals: bool
    leads_work: bool = True
    three_phase: bool = False


def is_overload(opened: Sequence[bool], alike: bool) -> bool:
    """Whether only what common has in it is open, the internal overload; three like windings have it in all pairs.

    opened: C–R, C–S and R–S. alike: three phase or inverter. Source: [D] from the windings' common point.

    >>> is_overload([True, True, False], alike=False), is_overload([True, True, True], alike=False)
    (True, False)
    """
    return all(opened) if alike else list(opened) == [True, True, False]


def is_start_winding(opened: Sequence[bool], alike: bool) -> bool:
    """Whether it is the start winding alone that is open; three like windings have none.

    opened: C–R, C–S and R–S. alike: three phase or inverter. Source: [D] from the windings' common point.

    >>> is_start_winding([False, True, True], alike=False), is_start_winding([True, False, True], alike=False)
    (True, False)
    """
    return not alike and list(opened) == [False, True, True]


def winding_open(pairs: Sequence[Measured], how: OpenTest, shell: Shell | None = None, motor: str = "winding") -> Finding | None:
    """Judge the pattern of open pairs; None where no pair is open.

    pairs: C–R, C–S and R–S, Ω or OL. Elsewhere than at the terminals every pattern is only `watch`; without leads shown to work
    `unsure`. shell: temperatures and hours off, for the internal overload.
    Source: [D] from the three windings' common point; [T] for 10 °F and 2 h.

    >>> from outer_test.measurement import measure
    >>> ol, through = measure("OL"), measure("2.5")
    >>> winding_open([ol, ol, through], OpenTest(True), Shell(62, 60, 3)).verdict.value
    'bad'
    """
    opened = [pair.is_open for pair in pairs]
    if not any(opened):
        return None
    point, part = f"{motor}.r_s.ohm", "compressor" if motor == "winding" else "fan motor"
    tops = [pair.top for pair in pairs if pair.value.kind == "OL" and pair.top is not None]
    if any(top < LEAST_RANGE_OHM for top in tops):
        return judged(
            point, WINDING_OPEN, Verdict.UNSURE, f"OL on a range that ends at {say(min(tops))} Ω does not say open.",
            next="Measure again on a range of 200 Ω or more.",
        )  # fmt: skip
    if not how.leads_work:
        return judged(
            point, WINDING_OPEN, Verdict.UNSURE, "OL counts once the test leads have read through on this visit.",
            needs=("winding.leads.ohm",),
            next="Touch the meter's leads together: a broken lead reads OL everywhere.",
        )  # fmt: skip
    if not how.at_terminals:
        return judged(
            point, WINDING_OPEN, Verdict.WATCH, "Open at the plug or the wires: a wire or the plug can be what is open.",
            next="Measure each lead, and the pairs again at the terminals themselves, dead and discharged.",
        )  # fmt: skip
    if sum(opened) == 1:
        return judged(
            point, WINDING_OPEN, Verdict.UNSURE, "Exactly one open pair cannot be: the other two would read through it.",
            next="Measure all three again on clean terminals.",
        )  # fmt: skip
    if is_overload(opened, how.three_phase):
        return _overload(point, part, shell or Shell(), how.three_phase)
    if how.three_phase:
        what = "Two pairs are open and one is through: the phase common to the two is open."
    else:
        what = {
            (True, False, True): "Everything to run is open: the run winding.",
            (False, True, True): "Everything to start is open: the start winding.",
            (True, True, True): "All three pairs are open.",
        }[opened[0], opened[1], opened[2]]
    return judged(point, WINDING_OPEN, Verdict.BAD, what, next=f"The {part} is done: plan its replacement.")


def _overload(point: str, part: str, shell: Shell, three_phase: bool) -> Finding:
    pattern = "All three pairs are open" if three_phase else "Both pairs from common are open and run to start is through"
    why = f"{pattern}: the internal overload is open."
    if shell.cold is None:
        names = {
            "winding.shell.f": "the shell's temperature",
            "conditions.outdoor_f": "the outdoor air",
            "winding.off_h": "how long it has been off",
        }
        lacks = " and ".join(names[name] for name in shell.missing)
        return judged(
            point, WINDING_OPEN, Verdict.UNSURE, f"{why} Hot or failed: {lacks} would tell.", needs=shell.missing,
            next="Measure the shell and the outdoor air; let it cool an hour or more, then measure again.",
        )  # fmt: skip
    if shell.cold:
        return judged(
            point, WINDING_OPEN, Verdict.BAD, f"{why} The shell is cold and it has been off {say(shell.off_h or 0)} h: it stays open.",
            next=f"The {part} is done: plan its replacement.",
        )  # fmt: skip
    return judged(
        point, WINDING_OPEN, Verdict.WATCH, f"{why} The shell is not cold yet, or not off for 2 h.",
        next="Let it cool an hour or more, then measure again; find what made it hot.",
    )  # fmt: skip


def pairs_missing(point: str, missing: tuple[str, ...]) -> Finding:
    """What is said while a pair is still to be measured.

    >>> pairs_missing("winding.r_s.ohm", ("winding.c_s.ohm",)).needs
    ('winding.c_s.ohm',)
    """
    return unjudged(point, WINDING_SUM, f"{len(missing)} of three pairs still to measure.", missing)


def shell_from(shell: Measured | None, off: Measured | None, outdoor_f: float | None) -> Shell:
    """The shell's state from readings, °F and hours.

    >>> from outer_test.measurement import measure
    >>> shell_from(measure("71"), measure("3"), 64).cold
    True
    """
    number = None if shell is None or shell.number is None else float(shell.number)
    hours = None if off is None or off.number is None else float(off.number)
    return Shell(number, None if outdoor_f is None else float(exact(outdoor_f)), hours)
