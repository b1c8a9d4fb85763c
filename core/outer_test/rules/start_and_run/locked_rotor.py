"""The locked-rotor ladder: what is next for a compressor that does not start, given what is known (handbook section 8)."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from outer_test.judgement import DEFAULT, Finding, HouseRules, Verdict

RungState = Literal["done", "found", "next", "later", "skipped"]


@dataclass(frozen=True, slots=True)
class Rung:
    """One rung: what to do, whether it is done, and the point where it is entered."""

    title: str
    state: RungState
    point: str
    why: str = ""


# Each rung: its title, the points that settle it (any finding there), and where it is entered.
_RUNGS: tuple[tuple[str, tuple[str, ...], str], ...] = (
    ("Run capacitor, measured", ("cap.herm.uf",), "cap.herm.uf"),
    ("Compressor leads through", ("lead.c.ohm", "lead.r.ohm", "lead.s.ohm"), "lead.c.ohm"),
    ("Windings and ground", ("winding.r_s.ohm", "winding.c_ground.ohm"), "winding.c_ground.ohm"),
    ("Volts at the contactor's load side while it starts", ("line.starting.v",), "line.starting.v"),
    ("Pressures equalised, five minutes waited", ("start.equalised",), "start.equalised"),
)
_KIT, _GIVE_UP = "A start kit, as a test", "Give it up: replace the compressor, acid test first"


def locked_rotor_ladder(
    found: Mapping[str, Finding], seen: Mapping[str, str], kit_tried: bool, is_scroll: bool, rules: HouseRules = DEFAULT
) -> tuple[Rung, ...]:
    """The rungs in order with their state; the first that is open is `next`, and below a `bad` one nothing is.

    found: findings by point. seen: what was seen by point. kit_tried: a peak with a kit was read.
    Schools for a start kit on a scroll: only after everything before it; freely; never. Source: [T], no source.

    >>> [rung.title for rung in locked_rotor_ladder({}, {}, False, True) if rung.state == "next"]
    ['Run capacitor, measured']
    """
    rungs: list[Rung] = []
    settled = False
    for title, points, entry in _RUNGS:
        if title.startswith("Pressures"):
            rung = Rung(title, "done" if seen.get(entry) == "yes" else "later", entry)
        else:
            rung = _by_findings(title, points, entry, found)
        rungs.append(rung)
        settled = settled or rung.state == "found"
    rungs.append(_kit_rung(rungs, kit_tried, is_scroll, rules))
    rungs.append(Rung(_GIVE_UP, "later", "", "freed by knocking or by a kit it runs: plan its replacement all the same"))
    return tuple(rungs) if settled else _with_next(rungs, is_scroll, rules)


def _by_findings(title: str, points: tuple[str, ...], entry: str, found: Mapping[str, Finding]) -> Rung:
    there = [found[point] for point in points if point in found and found[point].verdict is not Verdict.UNJUDGED]
    bad = next((one for one in there if one.verdict in (Verdict.BAD, Verdict.STOP)), None)
    if bad is not None:
        return Rung(title, "found", entry, bad.why)
    undecided = any(one.verdict is Verdict.UNSURE for one in there)
    if len(there) == len(points) and not undecided:
        return Rung(title, "done", entry)
    missing = next((point for point in points if point not in found), entry)
    return Rung(title, "later", missing, "not sure yet" if undecided else "")


def _kit_rung(rungs: list[Rung], tried: bool, is_scroll: bool, rules: HouseRules) -> Rung:
    point = "amps.compressor.peak_a"
    if is_scroll and rules.scroll_kit == "never":
        return Rung(_KIT, "skipped", point, "the house rule: never on a scroll")
    why = {"relay": "relay and capacitor, three wires", "two-wire": "two-wire, all in one"}[rules.start_kit]
    if is_scroll and rules.scroll_kit == "after-ladder":
        why += "; a scroll starts unloaded, so needing a kit is itself a sign: only after everything above"
    return Rung(_KIT, "done" if tried else "later", point, why)


def _with_next(rungs: list[Rung], is_scroll: bool, rules: HouseRules) -> tuple[Rung, ...]:
    for index, rung in enumerate(rungs):
        if rung.state == "later":
            rungs[index] = Rung(rung.title, "next", rung.point, rung.why)
            break
    if is_scroll and rules.scroll_kit == "freely":
        kit = next(index for index, rung in enumerate(rungs) if rung.title == _KIT)
        if rungs[kit].state == "later":
            rungs[kit] = Rung(_KIT, "next", rungs[kit].point, "the house rule: freely, it spares the compressor")
    return tuple(rungs)
