"""House rules: where the trade disagrees, which school a company follows. The default comes first in each."""

from dataclasses import dataclass
from enum import StrEnum
from typing import Literal

from outer_test.measurement import DecisionSchool, Record

CapacitorSchool = Literal["label", "5", "6", "10", "tiered"]
ContactSchool = Literal["volts", "strict-volts", "heat"]
PlateAmpsSchool = Literal["ceiling", "computed"]
ReplacementSchool = Literal["same", "within-10"]
ConductorSchool = Literal["60", "75"]
ScrollKitSchool = Literal["after-ladder", "freely", "never"]
StartKitSchool = Literal["relay", "two-wire"]
IntervalSchool = Literal["climate", "as-shipped", "ninety"]
BoardKitSchool = Literal["kit", "failed-only"]
BoardPowerSchool = Literal["both-off", "plug-pulled"]
ExperienceSchool = Literal["table", "own"]


class Upkeep(StrEnum):
    """What a maintenance call can record, by its key."""

    LOOK_OVER = "look-over"
    CAPACITORS = "capacitors"
    CONTACTOR_COIL = "contactor-coil"
    GROUNDS = "grounds"
    PAIRS = "pairs"
    LINE = "line"
    CONTROL = "control"
    POLES = "poles"
    START = "start"
    AMPS = "amps"
    SENSORS = "sensors"
    RECORD = "record"
    BUTTON_UP = "button-up"


# Short: what wears, what drifts, and that all is put back. Source: common practice, no source.
SHORT_UPKEEP = (Upkeep.LOOK_OVER, Upkeep.CAPACITORS, Upkeep.AMPS, Upkeep.BUTTON_UP)


@dataclass(frozen=True, slots=True)
class HouseRules(Record):
    """One company's choice of schools (handbook sections 2 to 6, 8 and 13), and what its maintenance calls record."""

    capacitor_limit: CapacitorSchool = "label"
    contact_drop: ContactSchool = "volts"
    plate_amps: PlateAmpsSchool = "ceiling"
    decision: DecisionSchool = "shared-risk"
    replacement: ReplacementSchool = "same"
    conductor_column: ConductorSchool = "60"
    board_power: BoardPowerSchool = "both-off"
    start_kit: StartKitSchool = "relay"
    scroll_kit: ScrollKitSchool = "after-ladder"
    interval: IntervalSchool = "climate"
    board_kit: BoardKitSchool = "kit"
    experience: ExperienceSchool = "table"
    maintenance: tuple[Upkeep, ...] = SHORT_UPKEEP


DEFAULT = HouseRules()

# What each school of a choice means, in the words the screens and the sheet use.
SCHOOLS: dict[str, dict[str, str]] = {
    "capacitor_limit": {
        "label": "label tolerance, 6 % where none is printed",
        "5": "5 % either way",
        "6": "6 % either way",
        "10": "10 % either way",
        "tiered": "to 5 % good, to 10 % low watch, beyond bad",
    },
    "contact_drop": {
        "volts": "by volts, 0.2 V is bad",
        "strict-volts": "by volts, 0.1 V is bad",
        "heat": "by heat, 9 BTU/h is bad",
    },
    "plate_amps": {"ceiling": "the plate is a ceiling", "computed": "the plate is a computed figure"},
    "decision": {"shared-risk": "shared risk", "guarded": "guarded: the whole band must lie inside"},
    "replacement": {"same": "same microfarads only", "within-10": "within ±10 % as a stopgap"},
    "conductor_column": {"60": "60 °C column", "75": "75 °C column, where terminals and wire allow"},
    "board_power": {
        "both-off": "outdoor and indoor power off for board work",
        "plug-pulled": "outdoor off and the board's low-voltage plug pulled first",
    },
    "interval": {
        "climate": "90 where frost is rare or gas backs it up, 60 all-electric, 30 in long damp cold",
        "as-shipped": "as shipped",
        "ninety": "90 everywhere unless it ices",
    },
    "board_kit": {"kit": "a board comes with its switch or both sensors", "failed-only": "only what failed"},
    "start_kit": {"relay": "relay and capacitor, three wires", "two-wire": "two-wire, all in one"},
    "scroll_kit": {
        "after-ladder": "on a scroll only after everything before it on the ladder",
        "freely": "on a scroll freely, it spares the compressor",
        "never": "never on a scroll",
    },
    "experience": {
        "table": "the usual shares of each complaint alone",
        "own": "causes proved on the company's own visits weigh in",
    },
}
