"""One reading judged under each school of a choice, so that a lead sees what the choice changes."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import cache

from outer_test.assessment import assess
from outer_test.diagnosis import USUAL_VISITS
from outer_test.judgement import SCHOOLS, Finding, HouseRules
from outer_test.measurement import Accuracy
from outer_test.nameplate import Compressor, Fan, Plate, RunCapacitor
from outer_test.rules.start_and_run import kit_offer
from outer_test.visit import FittedCapacitor, Reading, Visit

_PLATE = Plate(
    compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2), mca=23.6, conductor_awg=10,
    run_capacitor=RunCapacitor(herm_uf=40, fan_uf=5, vac=440),
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class SchoolExample:
    """A school in words, and what it makes of the example."""

    school: str
    words: str
    finding: Finding | None
    says: str = ""


@dataclass(frozen=True, slots=True)
class ChoiceExample:
    """A choice of the house rules, the example in words, and its schools, the default first."""

    choice: str
    title: str
    example: str
    schools: tuple[SchoolExample, ...]


_TITLE = {
    "capacitor_limit": "Capacitor limits", "contact_drop": "Contactor drop", "plate_amps": "Running amps and the plate",
    "decision": "Readings near a limit", "replacement": "Replacement capacitors", "conductor_column": "Conductor ampacity",
    "board_power": "Power off for board work", "interval": "Defrost interval", "board_kit": "Ordering a board",
    "start_kit": "Start kit to fit", "scroll_kit": "Start kit on a scroll", "experience": "What is likely before anything is read",
}  # fmt: skip


def _visit(*readings: Reading, **more: object) -> Visit:
    return Visit(**({"plate": _PLATE, "readings": readings} | more))  # type: ignore[arg-type]


# For each choice: the example in words, the visit it is, and the point that is judged.
_EXAMPLES: dict[str, tuple[str, Visit, str]] = {
    "capacitor_limit": ("HERM reads 37.2 µF against 40 µF, no tolerance printed", _visit(Reading("cap.herm.uf", "37.2")), "cap.herm.uf"),
    "contact_drop": (
        "0.12 V across a closed pole at 14.0 A",
        _visit(Reading("contactor.pole1.drop_v", "0.12"), Reading("contactor.pole1.a", "14.0")), "contactor.pole1.drop_v",
    ),
    "plate_amps": ("The compressor draws 19.0 A, RLA 17.9 A", _visit(Reading("amps.compressor.run_a", "19.0")), "amps.compressor.run_a"),
    "decision": (
        "HERM reads 37.9 µF against 40 µF ±6 % with a meter of 1.9 % + 2 counts",
        _visit(Reading("cap.herm.uf", "37.9", meter="m"), meters={"m": {"uf": Accuracy(1.9, 2)}}), "cap.herm.uf",
    ),
    "replacement": (
        "A 37.5 µF part is fitted where 40 µF is asked",
        _visit(fitted=(FittedCapacitor("herm", uf=37.5, vac=440),)), "cap.herm.fitted",
    ),
    "conductor_column": ("10 AWG copper where MCA is 32 A", _visit(plate=replace(_PLATE, mca=32)), "plate.conductor_awg"),
}  # fmt: skip
_SAYS: dict[str, dict[str, str]] = {
    "board_power": {
        "both-off": "Make safe asks for the indoor breaker too before the board is touched.",
        "plug-pulled": "Make safe asks for the board's low-voltage plug to be pulled first.",
    },
    "interval": {
        "climate": "All-electric house: set the pin to 60.",
        "as-shipped": "The pin stays as shipped.",
        "ninety": "Set the pin to 90; go lower only if it ices.",
    },
    "board_kit": {"kit": "A bad board is ordered with its switch or sensors.", "failed-only": "A bad board is ordered alone."},
    "experience": {
        "table": "Every company starts from the same shares.",
        "own": f"The usual shares count as {USUAL_VISITS} visits; each of your own with a proved repair counts as one.",
    },
    "start_kit": {"relay": "The kit to fit as a test has three wires.", "two-wire": "The kit to fit as a test has two wires."},
}
_LADDER = "Locked rotor on a scroll, nothing else measured yet"


@cache
def school_examples() -> tuple[ChoiceExample, ...]:
    """Every choice of the house rules, its example judged under each of its schools.

    >>> drop = next(one for one in school_examples() if one.choice == "contact_drop")
    >>> [(one.school, one.finding.verdict.value) for one in drop.schools]
    [('volts', 'watch'), ('strict-volts', 'bad'), ('heat', 'watch')]
    """
    return tuple(_choice(name, words) for name, words in SCHOOLS.items())


def _choice(name: str, words: dict[str, str]) -> ChoiceExample:
    judge: Callable[[str], SchoolExample]
    if name in _EXAMPLES:
        about, visit, point = _EXAMPLES[name]

        def judge(school: str) -> SchoolExample:
            rules = HouseRules(**{name: school})  # type: ignore[arg-type]
            found = assess(replace(visit, rules=rules)).findings
            return SchoolExample(school, words[school], next(one for one in found if one.point == point))
    elif name == "scroll_kit":
        about = _LADDER

        def judge(school: str) -> SchoolExample:
            return SchoolExample(school, words[school], None, kit_offer(HouseRules(scroll_kit=school), is_scroll=True))  # type: ignore[arg-type]
    else:
        about = ""

        def judge(school: str) -> SchoolExample:
            return SchoolExample(school, words[school], None, _SAYS[name][school])

    return ChoiceExample(name, _TITLE[name], about, tuple(judge(school) for school in words))
