"""Open windings, and the overload that opens when hot: the rule `winding-open` (handbook section 7)."""

from dataclasses import dataclass

from outer_test.judgement import Finding, Verdict, judged, unjudged
from outer_test.measurement import Measured, exact, say

NEAR_F, COLD_H = 10, 2
LEAST_RANGE_OHM = 50


@dataclass(frozen=True, slots=True)
class Shell:
    """What tells a cool compressor: shell and outdoor temperature in °F, hours off; None where not known."""

    shell_f: float | None = None
    outdoor_f: float | None = None
    off_h: float | None = None

    @property
    def cold(self) -> bool | None:
        """Whether it has cooled down; None where the temperatures do not tell."""
        if self.shell_f is None or self.outdoor_f is None:
            return None
        return abs(self.shell_f - self.outdoor_f) <= NEAR_F and self.off_h is not None and self.off_h >= COLD_H


def is_open(pair: Measured) -> bool:
    """Whether a pair shows OL, or does not beep."""
    return pair.value.kind in ("OL", "open")


def winding_open(
    c_r: Measured, c_s: Measured, r_s: Measured, at_terminals: bool, shell: Shell | None = None, motor: str = "winding"
) -> Finding | None:
    """Judge the pattern of open pairs; None where no pair is open.

    c_r, c_s, r_s: Ω, OL or a beep. at_terminals: whether they were measured at the terminals themselves: at the plug or
    the wires every pattern is only `watch`. shell: temperatures and hours off, for the internal overload.
    Source: [D] from the three windings' common point; [T] for 10 °F and 2 h.

    >>> from outer_test.measurement import measure
    >>> ol, through = measure("OL"), measure("2.5")
    >>> winding_open(ol, ol, through, True, Shell(62, 60, 3)).verdict.value
    'bad'
    """
    opened = [is_open(pair) for pair in (c_r, c_s, r_s)]
    if not any(opened):
        return None
    point, rule, part = f"{motor}.r_s.ohm", "winding-open", "compressor" if motor == "winding" else "fan motor"
    known_tops = [pair.top for pair in (c_r, c_s, r_s) if is_open(pair) and pair.top is not None]
    if any(top < LEAST_RANGE_OHM for top in known_tops):
        return judged(
            point, rule, Verdict.UNSURE, f"OL on a range that ends at {say(min(known_tops))} Ω does not say open.",
            next="Measure again on a range of 200 Ω or more.",
        )  # fmt: skip
    if not at_terminals:
        return judged(
            point, rule, Verdict.WATCH, "Open at the plug or the wires: a wire or the plug can be what is open.",
            next="Measure again at the terminals themselves, dead and discharged.",
        )  # fmt: skip
    if opened == [True, True, False]:
        return _overload(point, rule, part, shell or Shell())
    if sum(opened) == 1:
        return judged(
            point, rule, Verdict.UNSURE, "Exactly one open pair cannot be: the other two would read through it.",
            next="Measure all three again on clean terminals.",
        )  # fmt: skip
    what = {
        (True, False, True): "Everything to run is open: the run winding.",
        (False, True, True): "Everything to start is open: the start winding.",
        (True, True, True): "All three pairs are open.",
    }[opened[0], opened[1], opened[2]]
    return judged(point, rule, Verdict.BAD, what, accuses=part, next=f"The {part} is done.")


def _overload(point: str, rule: str, part: str, shell: Shell) -> Finding:
    why = "Both pairs from common are open and run to start is through: the internal overload is open."
    if shell.cold is None:
        return judged(
            point, rule, Verdict.UNSURE, f"{why} Hot or failed, the shell's temperature would tell.", needs=("winding.shell.f",),
            next="Measure the shell and the outdoor air; let it cool an hour or more, then measure again.",
        )  # fmt: skip
    if shell.cold:
        return judged(
            point, rule, Verdict.BAD, f"{why} The shell is cold and it has been off {say(shell.off_h or 0)} h: it stays open.",
            accuses=part, next=f"The {part} is done.",
        )  # fmt: skip
    return judged(
        point, rule, Verdict.WATCH, f"{why} The shell is not cold yet, or not off for 2 h.",
        next="Let it cool an hour or more, then measure again; find what made it hot.",
    )  # fmt: skip


def pairs_missing(point: str, missing: tuple[str, ...]) -> Finding:
    """What is said while a pair is still to be measured.

    >>> pairs_missing("winding.r_s.ohm", ("winding.c_s.ohm",)).needs
    ('winding.c_s.ohm',)
    """
    return unjudged(point, "winding-sum", f"{len(missing)} of three pairs still to measure.", missing)


def shell_from(shell: Measured | None, off: Measured | None, outdoor_f: float | None) -> Shell:
    """The shell's state from readings, °F and hours.

    >>> from outer_test.measurement import measure
    >>> shell_from(measure("71"), measure("3"), 64).cold
    True
    """
    number = None if shell is None or shell.number is None else float(shell.number)
    hours = None if off is None or off.number is None else float(off.number)
    return Shell(number, None if outdoor_f is None else float(exact(outdoor_f)), hours)
