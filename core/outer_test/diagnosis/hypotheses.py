"""The hypotheses of one unit: the faults it can have, the pairs that go together, what is on the list, and nothing wrong."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from math import exp, fsum, log, prod

from outer_test.diagnosis.control_unknown import hangs_on_it
from outer_test.diagnosis.experience import with_experience
from outer_test.diagnosis.observations import Observed
from outer_test.diagnosis.predict import Slice, Table, Way
from outer_test.diagnosis.proofs import PROOFS
from outer_test.diagnosis.shares import NEVER_SUDDEN, NOTHING_WRONG, SHARES, SLOW, STOPS_IT, WEARS_OUT
from outer_test.diagnosis.things_tested import SEEN_ONLY, TESTED, Test
from outer_test.judgement import Part
from outer_test.rules import SetAside
from outer_test.twin import Fault, FaultKey
from outer_test.visit import Lifted, Visit, group_of, open_lines

NOTHING = "nothing wrong"
# Faults that go together: the second comes of the first.
_PAIRS = (
    (FaultKey.HERM_WEAK, FaultKey.START_OPEN),
    (FaultKey.COIL_SHORTED, FaultKey.CONTROL_FUSE_BLOWN),
    (FaultKey.PITTED, FaultKey.LOCKED),
)
# Faults that nothing measured shows on its own, so that only their part tells whether a unit can have them.
_ONLY_SEEN = frozenset({FaultKey.WELDED, FaultKey.LOW_CHARGE, FaultKey.HIGH_CHARGE, FaultKey.DIRTY_COIL})
# An inverter's contactor carries little and is not judged by its heat: nothing read there would tell.
_NO_HEAT = frozenset({FaultKey.WORN})
_PAIR_SHARE = 0.04
_LISTED_SHARE = 12.0
_OLD_YEARS, _OLD_TIMES = 12, 1.6
_UNSEEN = 0.25  # of its share, where a fault would have been complained of
Evidence = Mapping[Test, Observed]
# The chance that any one reading is simply wrong, and that something looked at or watched was taken for something else.
SLIP, SEEN_SLIP = 0.01, 0.003


@dataclass(frozen=True, slots=True)
class Hypothesis:
    """Something that may be so: its faults (none where nothing is wrong), the ways it can be there, and its share beforehand."""

    key: str
    faults: tuple[Fault, ...]
    says: str
    ways: tuple[Way, ...]
    share: float

    @property
    def part(self) -> Part | None:
        """The part it is in; None where it is in none."""
        return self.faults[0].part if self.faults else None

    def touches(self, test: Test) -> bool:
        """Whether a test turns out otherwise under it than on a sound unit."""
        return any(test in way.shows for way in self.ways)

    def chances(self, test: Test) -> Mapping[str, float]:
        """How likely each outcome of a test is, over its ways."""
        if not self.touches(test):
            return with_slips(test, TESTED[test].sound)
        whole = fsum(way.weight for way in self.ways)
        shown = [(way.weight / whole, with_slips(test, way.shows.get(test, TESTED[test].sound))) for way in self.ways]
        return {outcome: fsum(weight * one[outcome] for weight, one in shown) for outcome in TESTED[test].sound}

    def log_weight(self, evidence: Evidence) -> float:
        """The logarithm of its share and of how likely all this evidence is under it."""
        logs = [log(weight) for weight in self._weights(evidence)]
        top = max(logs)
        return log(self.share) + top + log(fsum(exp(one - top) for one in logs))

    def given(self, evidence: Evidence) -> "Hypothesis":
        """The same with its ways weighed by the evidence: which of the contactor's poles it is, how weak the capacitor."""
        if len(self.ways) < 2:
            return self
        return replace(self, ways=tuple(Way(weight, way.shows) for weight, way in zip(self._weights(evidence), self.ways, strict=True)))

    def _weights(self, evidence: Evidence) -> list[float]:
        if not self.ways:
            return [_of_a_sound_unit(evidence)]
        whole = fsum(way.weight for way in self.ways)
        sound = [
            (test, seen.outcome, seen.times, chance_of(TESTED[test].sound, seen.outcome, seen.times, slip_of(test)))
            for test, seen in evidence.items()
        ]
        return [
            way.weight
            / whole
            * prod(
                chance_of(way.shows[test], outcome, times, slip_of(test)) if test in way.shows else usual
                for test, outcome, times, usual in sound
            )
            for way in self.ways
        ]


def chance_of(chances: Mapping[str, float], outcome: str, times: int = 1, slip: float = SLIP) -> float:
    """The chance of an outcome, with the chance that a reading is simply wrong: a slip does not come twice.

    >>> round(chance_of({"good": 1.0, "bad": 0.0}, "bad"), 3), round(chance_of({"good": 1.0, "bad": 0.0}, "bad", 2), 5)
    (0.005, 5e-05)
    """
    slip = slip ** min(times, 2)
    return (1 - slip) * chances[outcome] + slip / len(chances)


def with_slips(test: Test, chances: Mapping[str, float]) -> Mapping[str, float]:
    """Every outcome's chance, with the chance that any reading is simply wrong."""
    return {outcome: chance_of(chances, outcome, 1, slip_of(test)) for outcome in chances}


def slip_of(test: Test) -> float:
    """The chance that one result of a test is simply wrong: a look misleads less than a number.

    >>> slip_of(Test.CAP_HERM) > slip_of(Test.FLOAT)
    True
    """
    return SEEN_SLIP if test in SEEN_ONLY else SLIP


def _of_a_sound_unit(evidence: Evidence) -> float:
    return prod(chance_of(TESTED[test].sound, seen.outcome, seen.times, slip_of(test)) for test, seen in evidence.items())


def hypotheses(visit: Visit, table: Table, aside: tuple[SetAside, ...] = (), beside: Sequence[str] = ()) -> tuple[Hypothesis, ...]:
    """Every hypothesis of this unit, with its share beforehand by complaint. Shares add up to anything.

    table: what this unit's faults would show. aside: readings that something on the list explains. beside: what reads bad and no
    fault here brings about, by its title. Source: [M] a table of ours.

    >>> from outer_test.diagnosis.predict import table_of
    >>> [str(one.key) for one in hypotheses(Visit(), table_of(Visit().plate))][:2]
    ['nothing wrong', 'breaker tripped']
    """
    says = f"Nothing is wrong with this unit beside what reads bad: {', '.join(beside)}." if beside else "Nothing is wrong with this unit."
    nothing = Hypothesis(NOTHING, (), says, (), _by_complaint(NOTHING_WRONG, visit))
    return (nothing, *_faulty(visit, table, aside))


def _faulty(visit: Visit, table: Table, aside: tuple[SetAside, ...]) -> Iterator[Hypothesis]:
    none = _NO_HEAT if visit.plate.compressor.kind == "inverter" else frozenset()
    hangs = hangs_on_it(visit.plate, table.rows)
    own = {key: row for key, row in table.rows.items() if key not in none and (row.measured or key in _ONLY_SEEN or key in hangs)}
    shares = with_experience({key: _share(row.fault, visit) * hangs.get(key, 1.0) for key, row in own.items()}, visit)
    for key, row in own.items():
        yield Hypothesis(key, (row.fault,), row.fault.says, row.ways, shares[key])
    for first, second in _PAIRS:
        if first in own and second in own:
            both = (own[first].fault, own[second].fault)
            share = shares[first] * _PAIR_SHARE
            yield Hypothesis(
                f"{first} and {second}", both, f"{both[0].says} {both[1].says}", tuple(_together(own[first], own[second])), share
            )
    for line in _explaining(visit, aside):
        yield Hypothesis(f"on the list: {line.words}", (), f"{line.words}: it is on the not-put-back list.", (), _LISTED_SHARE)


def _together(first: Slice, second: Slice) -> Iterator[Way]:
    """Both at once: the first rules what both change, but for the tests that confirm the second."""
    confirms = {test for proof in PROOFS.get(second.fault.key, ()) for test in proof}
    other = second.ways[0].shows
    for way in first.ways:
        yield Way(way.weight, {**other, **way.shows, **{test: other[test] for test in confirms if test in other}})


def _explaining(visit: Visit, aside: tuple[SetAside, ...]) -> Iterator[Lifted]:
    """The open lines that took a reading's meaning away."""
    explains = {one.by for one in aside if one.by is not None}
    for line in open_lines(visit):
        if line in explains:
            yield line


# What a defrost is watched, or its parts are measured, for.
_DEFROST_PARTS = frozenset({
    Part.DEFROST_BOARD, Part.BOARD_FAN_RELAY, Part.COIL_SWITCH, Part.COIL_SENSOR, Part.AMBIENT_SENSOR, Part.VALVE_COIL, Part.REVERSING_VALVE
})  # fmt: skip


def _by_complaint(shares: Mapping[str | None, float], visit: Visit) -> float:
    return shares.get(visit.complaint, shares[None])


def _share(fault: Fault, visit: Visit) -> float:
    """A fault's share by the complaint, how it began and the unit's age.

    Where no complaint is told, a defrost looked into tells as much: nobody watches one for nothing.
    """
    shares = SHARES[fault.key]
    if visit.complaint is None and fault.part in _DEFROST_PARTS and _defrost_looked_into(visit):
        return max(shares.values())
    share = _by_complaint(shares, visit)
    if visit.complaint == "maintenance" and fault.key in STOPS_IT:
        share *= _UNSEEN
    if visit.began == "slowly" and fault.key in SLOW:
        share *= 2
    if visit.began == "suddenly" and fault.key in NEVER_SUDDEN:
        share /= 2
    if fault.key in WEARS_OUT and _years(visit) >= _OLD_YEARS:
        share *= _OLD_TIMES
    return share


def _years(visit: Visit) -> float:
    """The unit's age, as far as plate and times tell."""
    made, times = visit.plate.made_year, [reading.at for reading in visit.readings if reading.at is not None]
    return max(times).year - made if made is not None and times else 0.0


def _defrost_looked_into(visit: Visit) -> bool:
    return bool(visit.defrost_run) or any(group_of(reading.point) == "defrost" for reading in visit.readings)
