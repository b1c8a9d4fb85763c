"""A visit in plain words, for the person whose unit it is: what was found, done and left, and what to be careful with."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from outer_test.assessment import Assessment
from outer_test.diagnosis import Accused
from outer_test.judgement import Finding, Verdict
from outer_test.visit import POINTS, Visit, group_of

# What is judged at no point of the round: by the beginning of its key.
_ELSEWHERE = {
    "defrost.run": "The defrost, watched from start to end",
    "swap.": "The new defrost board",
    "plate.": "The unit's nameplate against what is installed",
    "cap.herm": POINTS["cap.herm.uf"].plain_words,
    "cap.fan": POINTS["cap.fan.uf"].plain_words,
    "contactor": POINTS["contactor.coil.ohm"].plain_words,
}
_HOW = {
    Verdict.STOP: "is dangerous",
    Verdict.BAD: "is not as it should be",
    Verdict.UNSURE: "could not be decided",
    Verdict.WATCH: "is working, and worth watching",
}


@dataclass(frozen=True, slots=True)
class Said:
    """One thing said to the customer: in plain words, the measurement behind it, and how bad it is."""

    words: str
    measured: str
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class CustomerPage:
    """The customer's page. `sound` names what was tested and found right."""

    headline: str
    found: tuple[Said, ...]
    sound: tuple[str, ...]
    done: tuple[str, ...]
    left: tuple[str, ...]
    cautions: tuple[str, ...]


def customer_page(
    visit: Visit, judged: Assessment, blamed: Sequence[Accused] = (), parts: Sequence[str] = (), forced: str = ""
) -> CustomerPage:  # fmt: skip
    """The visit for its customer. blamed: the parts accused, which alone are named as the cause. parts: the names of those put in on
    this visit. forced: the reason it was finished with lines still open.

    >>> from outer_test.assessment import assess
    >>> customer_page(Visit(), assess(Visit())).headline
    'Nothing was measured on this visit.'
    """
    telling = [finding for finding in judged.findings if finding.verdict in _HOW and group_of(finding.point) != "safe"]
    found = tuple(said for verdict in _HOW for one in telling if one.verdict is verdict and (said := _said(one, verdict)))
    groups = {plain_words(one.point) for one in telling}
    good = [finding for finding in judged.findings if finding.verdict is Verdict.GOOD and group_of(finding.point) not in ("safe", "plate")]
    sound = tuple(dict.fromkeys(words for one in good if (words := plain_words(one.point)) not in groups))
    return CustomerPage(
        _headline(blamed, found, sound), found, sound, tuple(_done(visit, parts)), tuple(_left(visit, forced)), tuple(_cautions(judged))
    )  # fmt: skip


def plain_words(point: str) -> str:
    """What a point belongs to, in words that need no trade; `The unit` for what is only kept for the record.

    >>> plain_words("cap.fan.load_a"), plain_words("record.suction.psi")
    ('The capacitor that runs the outdoor fan', 'The unit as a whole')
    """
    known = POINTS.get(point)
    if known is not None:
        return known.plain_words
    return next((words for prefix, words in _ELSEWHERE.items() if point.startswith(prefix)), "The unit")


def _said(finding: Finding, verdict: Verdict) -> Said:
    return Said(f"{plain_words(finding.point)} {_HOW[verdict]}.", finding.why, verdict)


def _headline(blamed: Sequence[Accused], found: Sequence[Said], sound: Sequence[str]) -> str:
    verdicts = {one.verdict for one in found}
    if Verdict.STOP in verdicts:
        return "Do not run this unit: something is dangerous."
    if blamed:
        parts = " and ".join(dict.fromkeys(one.part.value for one in blamed))
        return f"It needs work: the {parts}."
    if Verdict.BAD in verdicts:
        return "Something is not as it should be."
    if found:
        return "It works; a few things are worth watching."
    return "Everything that was measured is as it should be." if sound else "Nothing was measured on this visit."


def _done(visit: Visit, parts: Sequence[str]) -> Iterator[str]:
    for part in parts:
        yield f"New part put in: {part}."
    if visit.saw("record.cleaning") == "done":
        yield "The coil was cleaned."
    back = sum(1 for line in visit.lifted if line.end is not None and line.end.how == "back")
    if back:
        yield f"{back} wire{'s' if back > 1 else ''} or part{'s' if back > 1 else ''} taken off for measuring, and put back."
    for line in visit.lifted:
        if line.end is not None and line.end.how == "retired":
            yield f"{line.words}: not needed any more ({line.end.why})."


def _left(visit: Visit, forced: str) -> Iterator[str]:
    for line in visit.lifted:
        if line.end is None:
            yield f"{line.words}: not put back" + (f". Reason: {forced}" if forced else "") + "."
        elif line.end.how == "left":
            yield f"{line.words}: left until the return visit ({line.end.why})."


def _cautions(judged: Assessment) -> Iterator[str]:
    if any(finding.verdict is Verdict.STOP for finding in judged.findings):
        yield "Keep the unit switched off, and do not reset its breaker, until it has been repaired."
    yield "Do not open the outdoor unit: parts inside stay charged with the power off."
    yield "Work on it is for licensed people, under the local code."
