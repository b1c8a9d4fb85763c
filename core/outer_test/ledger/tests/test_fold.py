"""A visit from its events and back: any visit unfolds into events that add up to it; ends, what waits, and what two did at once."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import assess, power_of
from outer_test.ledger import (
    KINDS,
    ConflictKind,
    Ended,
    Event,
    Finished,
    Kind,
    PlateRead,
    Recorded,
    Reopened,
    SeenAt,
    Signature,
    Stamp,
    TakenBack,
    Wire,
    closing,
    conflicts,
    kind_of,
    latest_run,
    read_body,
    renamed,
    standing,
    unfold,
    visit_of,
)
from outer_test.measurement import FieldProblem
from outer_test.nameplate import Defrost, Plate
from outer_test.plain_data import plain, sparse
from outer_test.visit import Lifted, Note, PowerEvent, Reading, Repair, Seen, Thing, Visit, absence_points
from visit_samples.any_visits import visits

NOON = datetime(2027, 1, 14, 12, tzinfo=UTC)
ABSENCE = absence_points(Visit())


def event(name: str, body: Any, minutes: int = 0, device: str = "a", place: int = 0, after: int | None = None) -> Event:
    return Event(name, kind_of(body), body, NOON + timedelta(minutes=minutes), device, minutes, place or minutes + 1, after)


class ThereAndBack(TestCase):
    @settings(max_examples=80, deadline=None)
    @given(visits)
    def test_any_visit_unfolds_into_events_that_add_up_to_it(self, visit: Visit) -> None:
        timed = replace(
            visit,
            readings=tuple(replace(one, at=NOON, power="unknown", id=str(place)) for place, one in enumerate(visit.readings)),
            seen={name: Seen(visit.saw(name) or "", NOON) for name in visit.seen},
            power=tuple(replace(one, at=NOON) for one in visit.power),
            lifted=tuple(replace(one, at=NOON, id=f"l{place}") for place, one in enumerate(visit.lifted)),
        )
        events = [
            Event(one.name, kind_of(one.body), renamed(one.body, str), one.at, "file", seq)
            for seq, one in enumerate(unfold(timed, NOON), 1)
        ]
        again = visit_of(events, Visit(plate=visit.plate, fitted=visit.fitted, meters=visit.meters))
        self.assertEqual(again, timed)
        self.assertEqual(plain(assess(again)), plain(assess(timed)))

    def test_every_kind_is_written_and_read_the_same(self) -> None:
        bodies = [
            Reading("cap.herm.uf", "50.40", turns=1, unit_said=True), Ended("x", "left", "board on order"), Stamp("r", "stopped", 4.5),
            Wire("Y", "yellow", "stat", "Y1", True, "w", False), Finished("storm"), Reopened("second phone"), Note("dog"),
            Signature("R. Hill", (((0.1, 0.2), (0.3, 0.25)),)), PlateRead(Plate(volts=(230.0,)), why="label found"),
            Lifted("FAN wire off", thing=Thing.FAN_WIRE),
        ]  # fmt: skip
        for body in bodies:
            with self.subTest(type(body).__name__):
                self.assertEqual(read_body(kind_of(body), plain(sparse(body))), body)
        self.assertEqual(set(KINDS), set(Kind))

    def test_what_a_body_may_not_be(self) -> None:
        for make in (
            lambda: Reopened(" "), lambda: Finished("x" * 301), lambda: Ended("x", "retired"), lambda: Wire("x" * 21),
            lambda: Signature("", (((0, 0),),)), lambda: Signature("R", ()), lambda: Signature("R", (((0, 1.5),),)),
        ):  # fmt: skip
            with self.assertRaises(FieldProblem):
                make()


POWER_EVENTS = st.one_of(
    st.sampled_from(["dead-claimed", "live", "unknown"]).map(lambda state: PowerEvent(state)),  # type: ignore[arg-type]
    st.builds(
        Reading,
        st.sampled_from(["line.l1_l2.v", "line.l1_ground.v", "control.r_c.v", "contactor.coil.v", "cap.herm.uf", *ABSENCE]),
        st.sampled_from(["0.3", "12", "26.1", "238", "OL"]),
    ),
    st.sampled_from([SeenAt("safe.tester_before", "yes"), SeenAt("safe.tester_after", "yes"), SeenAt("contactor.armature", "in")]),
    st.sampled_from([Lifted("Disconnect pulled", thing=Thing.DISCONNECT), Lifted("FAN wire off", thing=Thing.FAN_WIRE)]),
    st.integers(0, 9).map(lambda line: Ended(str(line), "back")),
    st.just(None),
)


class PowerOfAReading(TestCase):
    @settings(max_examples=150, deadline=None)
    @given(st.lists(st.tuples(POWER_EVENTS, st.integers(0, 12)), max_size=24), st.booleans())
    def test_it_is_the_power_that_everything_before_it_adds_up_to(self, bodies: list[tuple[Any, int]], proved: bool) -> None:
        before = [SeenAt("safe.tester_before", "yes"), *(Reading(point, "0.2") for point in ABSENCE), SeenAt("safe.tester_after", "yes")]
        events: list[Event] = []
        for body, other in [*((one, 0) for one in before if proved), *bodies]:
            # Only the latest is corrected here: then what stood before a correction is what is written before it.
            corrected = events and events[-1].kind is Kind.READING and other % 4 == 0 and isinstance(body, Reading)
            same = replace(body, point=events[-1].body.point, supersedes=events[-1].id) if corrected else body
            if same is not None:
                events.append(event(str(len(events)), same, len(events)))
        visit = visit_of(events, Visit())
        for reading in visit.readings:
            place = int(str(reading.id))
            first = place - 1 if events[place].body.supersedes else place
            while events[first].body.supersedes:
                first -= 1
            self.assertEqual(reading.power, power_of(visit_of(events[:first], Visit())).state, reading)
        known = Visit()
        for count in range(len(events)):
            grown = Recorded(known, tuple(events[:count])).with_events(events[count : count + 1]).with_events(events[count + 1 :])
            self.assertEqual(grown.visit, visit)


class Folding(TestCase):
    def test_a_stamp_and_a_part_taken_back_stand_no_more(self) -> None:
        events = [
            event("r", Stamp("r", "forced", 0.0)), event("s", Stamp("r", "fan-off", 2.0), 1), event("t", Stamp("r", "aux-on", 3.0), 2),
            event("u", TakenBack("s"), 3), event("p", Repair("contactor"), 4), event("q", TakenBack("p"), 5),  # type: ignore[arg-type]
        ]  # fmt: skip
        self.assertEqual([one.id for one in latest_run(events)], ["r", "t"])
        self.assertEqual(standing(events, Kind.PART), [])
        visit = visit_of(events, Visit(plate=Plate(defrost=Defrost(control="demand"))))
        self.assertEqual([one.event for one in visit.defrost_run], ["forced", "aux-on"])
        self.assertEqual(visit.repairs, ())

    def test_the_latest_line_of_a_wire_stands(self) -> None:
        events = [
            event("w", Wire("Y")),
            event("x", Wire("O"), 1),
            event("y", Wire("Y", "yellow", of="w"), 2),
            event("z", Wire(of="x", gone=True), 3),
        ]
        self.assertEqual([(one.terminal, one.colour, one.id) for one in visit_of(events, Visit()).board_wires], [("Y", "yellow", "w")])

    def test_a_line_ends_by_what_was_said_first(self) -> None:
        events = [event("l", Lifted("FAN wire off")), event("e", Ended("l", "left", "dark"), 1), event("f", Ended("l", "back"), 2)]
        end = visit_of(events, Visit()).lifted[0].end
        self.assertEqual(end and (end.how, end.why), ("left", "dark"))


class Ends(TestCase):
    def test_what_was_done_before_the_end_is_folded_in_and_what_was_done_after_waits(self) -> None:
        before = event("a", Reading("cap.herm.uf", "40"), 0, place=1)
        end = event("b", Finished(), 30, place=2)
        earlier = event("c", Reading("cap.fan.uf", "5"), 5, "other", place=3)
        signed = event("d", Signature("R", (((0.0, 0.0),),)), 31, place=4)
        late = event("f", Reading("cap.fan.uf", "4"), 30, "other", place=5)
        wrong = replace(event("g", Reading("cap.fan.uf", "4"), 2, "third", place=6), clock_wrong=True)
        closed = closing([before, end, earlier, signed, late, wrong])
        self.assertEqual((closed.finish, [one.id for one in closed.waiting]), (end, ["f", "g"]))
        again = closing([before, end, earlier, signed, late, wrong, event("e", Reopened("the second phone"), 40, place=7)])
        self.assertEqual((again.finish, again.waiting, len(again.counting)), (None, (), 7))

    def test_a_second_end_closes_it_again(self) -> None:
        events = [event("a", Finished(), 1), event("b", Reopened("why"), 2), event("c", Finished("now"), 3), event("d", Note("late"), 4)]
        closed = closing(events)
        self.assertEqual((closed.finish and closed.finish.id, [one.id for one in closed.waiting]), ("c", ["d"]))


class TwoAtOnce(TestCase):
    def kinds(self, *events: Event) -> list[ConflictKind]:
        return [one.kind for one in conflicts(events)]

    def test_two_plates(self) -> None:
        one = event("a", PlateRead(Plate(phase=1)), 0, "a", place=1, after=0)
        other = event("b", PlateRead(Plate(phase=3)), 1, "b", place=2, after=0)
        self.assertEqual(self.kinds(one, other), [ConflictKind.TWO_PLATES])
        self.assertEqual(self.kinds(one, replace(other, after=1)), [])  # it knew of the first
        self.assertEqual(self.kinds(one, replace(other, body=one.body)), [])  # both read the same

    def test_one_wire_lifted_twice(self) -> None:
        one = event("a", Lifted("FAN wire off"), 0, "a", place=1, after=0)
        other = event("b", Lifted("fan wire"), 1, "b", place=2, after=0)
        self.assertEqual(self.kinds(one, other), [ConflictKind.LIFTED_TWICE])
        self.assertEqual(self.kinds(one, replace(other, device="a")), [])
        back = [event(f"e{line}", Ended(line, "back"), 5, "c", place=5, after=4) for line in "ab"]
        self.assertEqual(self.kinds(one, other, back[0]), [ConflictKind.LIFTED_TWICE])
        self.assertEqual(self.kinds(one, other, *back), [])

    def test_an_end_that_did_not_know_of_what_was_lifted(self) -> None:
        lifted = event("a", Lifted("FAN wire off"), 0, "a", place=1, after=0)
        end = event("b", Finished(), 1, "b", place=2, after=0)
        self.assertEqual(self.kinds(lifted, end), [ConflictKind.LIFTED_AS_FINISHED])
        self.assertEqual(self.kinds(lifted, replace(end, after=1)), [])

    def test_one_line_ended_in_two_ways(self) -> None:
        line = event("l", Lifted("FAN wire off"), 0)
        events = [line, event("a", Ended("l", "back"), 1, "b", after=1), event("b", Ended("l", "left", "dark"), 2, "c", after=1)]
        self.assertEqual(self.kinds(*events), [ConflictKind.ENDED_TWICE])
