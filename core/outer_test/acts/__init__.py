"""What a person does on a screen: each act a dataclass, and what it writes on the visit, the same on server and device."""

from outer_test.acts.act import Act, Body, Moment, named
from outer_test.acts.apply import ACTS, ROOM, AnyAct, Outcome, Wrong, outcome_of, outcome_refused, read_act, with_act, written
from outer_test.acts.board_swap import NewWire
from outer_test.acts.defrost import ConditionsRead, NewAnswer, NewStamp, Undo
from outer_test.acts.done import Doer, Done, time_of, with_all
from outer_test.acts.off import LiftedHow, LiftedWhat, PowerSaid
from outer_test.acts.opening import AddUnit, OpenVisit
from outer_test.acts.parts import NewPart, TakenOff
from outer_test.acts.planning import CancelVisit, CorrectUnit, CorrectVisit, PlanVisit
from outer_test.acts.readings import Entry, TypedLine, TypedReading, entry_of
from outer_test.acts.visit import FinishVisit, NewNote, PlateTyped, ReopenVisit, SignVisit

__all__ = [
    "ACTS",
    "ROOM",
    "Act",
    "AddUnit",
    "AnyAct",
    "Body",
    "CancelVisit",
    "ConditionsRead",
    "CorrectUnit",
    "CorrectVisit",
    "Doer",
    "Done",
    "Entry",
    "FinishVisit",
    "LiftedHow",
    "LiftedWhat",
    "Moment",
    "NewAnswer",
    "NewNote",
    "NewPart",
    "NewStamp",
    "NewWire",
    "OpenVisit",
    "Outcome",
    "PlanVisit",
    "PlateTyped",
    "PowerSaid",
    "ReopenVisit",
    "SignVisit",
    "TakenOff",
    "TypedLine",
    "TypedReading",
    "Undo",
    "Wrong",
    "entry_of",
    "named",
    "outcome_of",
    "outcome_refused",
    "read_act",
    "time_of",
    "with_act",
    "with_all",
    "written",
]
