"""From evidence to suspects: hypotheses by probability, each with what speaks for and against it (handbook section 13)."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from math import exp, fsum

from outer_test.diagnosis.hypotheses import Hypothesis
from outer_test.diagnosis.observations import Observed
from outer_test.diagnosis.things_tested import SELDOM, TESTED, Test
from outer_test.judgement import Part

_COUNTS, _LEAST_CHANGE = 0.01, 0.2  # a suspect that others are held against; how far apart a test must part it from them
SPEAKS = 3.0  # evidence that is this many times likelier under one than under nothing wrong


@dataclass(frozen=True, slots=True)
class Suspect:
    """A hypothesis with its probability and the evidence for and against it, in words. `part` is None where it is in none.

    would_change: the point whose reading would change its probability most; empty where none is open.
    """

    fault: str
    part: Part | None
    says: str
    probability: float
    evidence_for: tuple[str, ...]
    evidence_against: tuple[str, ...]
    would_change: str = ""


def weigh(among: Sequence[Hypothesis], evidence: Mapping[Test, Observed]) -> tuple[float, ...]:
    """The probability of each hypothesis given all evidence; they add up to 1, and the order of the evidence does not matter.

    >>> from outer_test.diagnosis.hypotheses import hypotheses
    >>> from outer_test.diagnosis.predict import table_of
    >>> from outer_test.visit import Visit
    >>> round(sum(weigh(hypotheses(Visit(), table_of(Visit().plate)), {})), 9)
    1.0
    """
    logs = [one.log_weight(evidence) for one in among]
    top = max(logs)
    weights = [exp(one - top) for one in logs]
    whole = fsum(weights)
    return tuple(weight / whole for weight in weights)


def suspects(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], most: int, open_: Collection[str] = ()
) -> tuple[Suspect, ...]:  # fmt: skip
    """The likeliest hypotheses as suspects, and *nothing wrong*, which among[0] is, wherever it stands.

    among: their ways weighed by the evidence already. open_: the points that can still be read.
    """
    sound = among[0]
    ranked = sorted(zip(among, chances, strict=True), key=lambda pair: (-pair[1], pair[0].key))
    kept = [pair for place, pair in enumerate(ranked) if place < most or pair[0] is sound]
    rest = [pair for pair in ranked if pair[1] > _COUNTS]
    return tuple(_with_change(_suspect(one, chance, sound, evidence), one, rest, evidence, open_) for one, chance in kept)


def _with_change(
    suspect: Suspect, own: Hypothesis, rest: Sequence[tuple[Hypothesis, float]], evidence: Mapping[Test, Observed], open_: Collection[str]
) -> Suspect:  # fmt: skip
    """The suspect with the test that parts it best from what else may be so."""
    best, found = _LEAST_CHANGE, ""
    others = [(one, chance) for one, chance in rest if one is not own]
    whole = fsum(chance for _, chance in others)
    for test, how in TESTED.items():
        point = next((name for name in how.points if name in open_), "")
        if not point or test in evidence or whole <= 0:
            continue
        here = own.chances(test)
        shown = [(chance / whole, one.chances(test)) for one, chance in others]
        apart = 0.5 * fsum(abs(chance - fsum(weight * one[outcome] for weight, one in shown)) for outcome, chance in here.items())
        if apart > best:
            best, found = apart, point
    return replace(suspect, would_change=found)


def odd_results(sound: Hypothesis, evidence: Mapping[Test, Observed]) -> dict[Test, Observed]:
    """The evidence that units with nothing wrong, which `sound` is, hardly give."""
    return {test: seen for test, seen in evidence.items() if sound.chances(test)[seen.outcome] < SELDOM}


def spoken_for(
    weighed: Sequence[tuple[Hypothesis, float]], sound: Hypothesis, evidence: Mapping[Test, Observed]
) -> list[tuple[Hypothesis, float]]:  # fmt: skip
    """Those of the weighed hypotheses with a fault that a result speaks for which sound units hardly give."""
    odd = odd_results(sound, evidence)
    return [pair for pair in weighed if pair[0].faults and any(ratio >= SPEAKS for ratio in _likelier(pair[0], sound, odd).values())]


def _likelier(one: Hypothesis, sound: Hypothesis, evidence: Mapping[Test, Observed]) -> dict[Test, float]:
    """How many times likelier each result is under a hypothesis than with nothing wrong."""
    return {test: one.chances(test)[seen.outcome] / sound.chances(test)[seen.outcome] for test, seen in evidence.items()}


def _suspect(one: Hypothesis, chance: float, sound: Hypothesis, evidence: Mapping[Test, Observed]) -> Suspect:
    if one is sound:
        return Suspect(one.key, None, one.says, chance, (), tuple(seen.says for seen in odd_results(sound, evidence).values()))
    ratios = _likelier(one, sound, evidence)
    speaks = tuple(evidence[test].says for test, ratio in sorted(ratios.items(), key=lambda item: -item[1]) if ratio >= SPEAKS)
    against = tuple(evidence[test].says for test, ratio in sorted(ratios.items(), key=lambda item: item[1]) if ratio <= 1 / SPEAKS)
    return Suspect(one.key, one.part, one.says, chance, speaks, against)
