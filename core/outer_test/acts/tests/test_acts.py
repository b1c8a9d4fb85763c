"""What acts write: the same events wherever they are made, each once, and nothing where they cannot be so."""

from random import Random
from typing import Any
from unittest import TestCase
from uuid import NAMESPACE_URL, UUID, uuid5

from hypothesis import given
from hypothesis import strategies as st

from outer_test.acts import ACTS, Doer, Done, read_act, with_all
from outer_test.acts.act import named
from outer_test.ledger import Kind, Recorded
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.plain_data import ReadProblem
from outer_test.visit import Visit

UNIT = Visit(plate=Plate(run_capacitor=RunCapacitor(herm_uf=40, fan_uf=5, vac=440, tolerance_pct=6)))
SPACE = uuid5(NAMESPACE_URL, "acts")
HERM = {"kind": "reading", "point": "cap.herm.uf", "typed": "39.9"}


def done(act: dict[str, Any], place: int = 1, **more: Any) -> Done:
    told: dict[str, Any] = {"at": f"2027-01-04T09:{place:02}:00Z", "seq": place, "after": 0} | more
    return Done(str(uuid5(SPACE, str(place))), act=act, **told)


def after(*acts: Done, doer: Doer | None = None) -> tuple[Recorded, list[list[str]]]:
    """What is on record, and the fields that were wrong, act by act."""
    recorded, outcomes = with_all(Recorded(UNIT, ()), acts, doer or Doer(7, "phone"))
    return recorded, [[wrong.field for wrong in outcome.wrong] for outcome in outcomes]


class Acts(TestCase):
    def test_every_act_is_known_by_its_own_kind(self) -> None:
        self.assertEqual({shape.__dataclass_fields__["kind"].default for shape in ACTS.values()}, set(ACTS))  # type: ignore[attr-defined]
        wrong: tuple[Any, ...] = (None, [], {}, {"kind": 3}, {"kind": "dance"})
        for raw in wrong:
            with self.assertRaises(ReadProblem):
                read_act(raw)

    def test_a_reading_lifts_what_taking_it_lifts_once_and_before_it(self) -> None:
        recorded, wrong = after(done(HERM), done(HERM | {"typed": "39.8"}, 2))
        self.assertEqual(wrong, [[], []])
        self.assertEqual([event.kind for event in recorded.of(*Kind)], [Kind.LIFTED, Kind.READING, Kind.READING])
        self.assertEqual([event.body.words for event in recorded.of(Kind.LIFTED)], ["HERM wires off"])
        self.assertEqual({event.by for event in recorded.events}, {7})

    def test_done_twice_it_is_there_once(self) -> None:
        once = done(HERM)
        recorded, _ = after(
            once, once, done({"kind": "line", "text": "herm 40 fan 5"}, 2), done({"kind": "line", "text": "herm 40 fan 5"}, 2)
        )
        self.assertEqual(len(recorded.of(Kind.READING)), 3)

    def test_what_is_wrong_is_said_at_its_field_and_writes_nothing(self) -> None:
        wrongs: tuple[tuple[dict[str, Any], str], ...] = (
            (HERM | {"typed": "abc"}, "typed"), (HERM | {"point": "cap.nose.uf"}, "point"), (HERM | {"meter": "stick"}, "meter"),
            (HERM | {"supersedes": "x"}, "supersedes"), (HERM | {"turns": 3}, "turns"), (HERM | {"fitted": "relay"}, "fitted"),
            ({"kind": "power", "state": "dead-proved"}, "state"), ({"kind": "lifted", "what": "  "}, "what"),
            ({"kind": "end", "line": "x", "how": "back"}, "line"), ({"kind": "end", "line": "x", "how": "left"}, "why"),
            ({"kind": "stamp", "event": "valve-shift"}, "event"), ({"kind": "stamp", "event": "explodes"}, "event"),
            ({"kind": "answer", "event": "fan-off", "answer": "no"}, "event"), ({"kind": "undo", "stamp": "x"}, "stamp"),
            ({"kind": "part-undo", "part": "x"}, "part"), ({"kind": "note", "text": " "}, "text"), ({"kind": "wire", "terminal": ""}, "terminal"),
            ({"kind": "part", "repair": {"part": "contactor"}, "in_hand": {"herm": "much"}}, "in_hand.herm"),
            ({"kind": "part", "repair": {"part": "contactor"}, "in_hand": {"nose": "5"}}, "in_hand"),
            ({"kind": "signature", "name": "R", "strokes": []}, "strokes"), ({"kind": "reopen", "reason": ""}, "reason"),
            ({"kind": "plate", "plate": {"mca": -3}}, "plate.mca"), ({"kind": "conditions", "conditions": {"outdoor_f": 900}}, "conditions.outdoor_f"),
            ({"kind": "unit", "site": "", "address": "x", "label": "y"}, "site"), ({"kind": "open", "unit": "u", "complaint": "haunted"}, "complaint"),
        )  # fmt: skip
        for act, field in wrongs:
            with self.subTest(act=act):
                recorded, wrong = after(done(act))
                self.assertEqual((recorded.events, wrong), ((), [[field]]))

    def test_a_wrong_time_is_told_and_one_that_cannot_be_so_is_taken_as_it_is(self) -> None:
        self.assertEqual(after(done(HERM, at="yesterday"))[1], [["at"]])
        self.assertEqual(after(done(HERM, at="2027-01-04T09:00:00"))[1], [["at"]])
        recorded, wrong = after(done(HERM, at="0001-01-01T00:00:00Z"))
        self.assertEqual((len(recorded.of(Kind.READING)), wrong), (1, [[]]))

    def test_a_plate_read_here_is_what_the_next_reading_is_judged_by(self) -> None:
        plate = {"kind": "plate", "plate": {"run_capacitor": {"herm_uf": 55, "vac": 440}}}
        recorded, _ = after(done(plate), done(HERM, 2))
        capacitor = recorded.visit.plate.run_capacitor
        self.assertEqual(capacitor and capacitor.herm_uf, 55)

    def test_stamps_count_by_the_clock_of_the_device_that_forced_it(self) -> None:
        """A device two hours fast stamps ten seconds after it forced: ten seconds, whatever the server's clock says."""
        forced, later = {"kind": "stamp", "event": "forced"}, {"kind": "stamp", "event": "fan-off"}
        acts = done(forced, 1), done(later, 2, at="2027-01-04T09:01:10Z")
        recorded, wrong = after(*acts, doer=Doer(7, "phone", ahead_s=7200))
        self.assertEqual((wrong, [stamp.body.s for stamp in recorded.of(Kind.STAMP)]), ([[], []], [0.0, 10.0]))

    def test_the_end_needs_its_reason_only_for_what_this_device_knows_is_off(self) -> None:
        finish = {"kind": "finish", "reason": ""}
        self.assertEqual(after(done({"kind": "lifted", "what": "fan wire"}), done(finish, 2))[1], [[], ["reason"]])
        recorded, wrong = after(done(finish), done(HERM, 2))
        self.assertEqual((wrong, [event.kind for event in recorded.closing.waiting]), ([[], []], [Kind.LIFTED, Kind.READING]))

    def test_what_of_a_line_is_not_understood_is_given_back(self) -> None:
        recorded, outcomes = with_all(Recorded(UNIT, ()), [done({"kind": "line", "text": "herm 39.9 wobble 3"})], Doer(7, "phone"))
        self.assertEqual((len(recorded.of(Kind.READING)), outcomes[0].rest, outcomes[0].refused), (1, "wobble 3", False))


class Converge(TestCase):
    @given(st.randoms(use_true_random=False), st.lists(st.sampled_from(["39.9", "31", "41.2", "power", "fan"]), min_size=2, max_size=8))
    def test_two_devices_and_the_server_come_to_the_same_visit_in_whatever_order_it_reaches_them(
        self, chance: Random, what: list[str]
    ) -> None:
        acts = [_act(word) for word in what]
        phone, tablet = Doer(1, "phone"), Doer(2, "tablet")
        here = with_all(Recorded(UNIT, ()), [done(act, place, after=0) for place, act in enumerate(acts, 1)], phone)[0]
        there = with_all(Recorded(UNIT, ()), [done(act, place + 20, after=0) for place, act in enumerate(acts, 1)], tablet)[0]
        every = [*here.events, *there.events, *here.events]  # delivered twice
        visits = []
        for _ in range(3):
            chance.shuffle(every)
            visits.append(Recorded(UNIT, tuple(every)).visit)
        self.assertEqual(visits[0], visits[1])
        self.assertEqual(visits[0], visits[2])


def _act(word: str) -> dict[str, Any]:
    if word == "power":
        return {"kind": "power", "state": "live"}
    return {"kind": "line", "text": "fan 5.0"} if word == "fan" else HERM | {"typed": word}


class Names(TestCase):
    def test_the_id_of_what_an_act_writes_besides_itself_is_made_from_its_own(self) -> None:
        act = str(uuid5(SPACE, "x"))
        self.assertEqual(named(act, " lifted"), str(uuid5(UUID(act), " lifted")))
