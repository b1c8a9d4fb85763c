"""Reading plain data: every wrong thing is named at its place, every right thing comes back as it was."""

import json
import unittest
from datetime import date, datetime
from typing import Any

from hypothesis import given, settings

from outer_test.nameplate import Plate
from outer_test.plain_data import ReadProblem, parse, plain, present, read_as, read_text, sparse
from outer_test.visit import Conditions, Lifted, Reading, Thing, Visit, read_visit, write_visit
from visit_samples.any_visits import visits

V1: dict[str, Any] = {"format": "outer-test-visit", "version": 1}


def wrong(shape: Any, raw: Any) -> list[tuple[str, str]]:
    try:
        read_as(shape, raw)
    except ReadProblem as problem:
        return problem.found
    return []


class Reader(unittest.TestCase):
    def test_each_kind_of_wrong_value_is_named_at_its_place(self) -> None:
        for shape, raw, place, word in (
            (Conditions, {"outdoor_f": "31"}, "outdoor_f", "number"),
            (Conditions, {"outdoor_f": True}, "outdoor_f", "number"),
            (Conditions, {"outdoor_f": 900}, "outdoor_f", "from -60 to 140"),
            (Conditions, {"outdoor_f": 10**400}, "outdoor_f", "large"),
            (Conditions, {"nose": 1}, "nose", "no field"),
            (Conditions, [], "", "object"),
            (Visit, V1 | {"version": True}, "version", "one of"),
            (Visit, V1 | {"version": 3}, "version", "one of"),
            (Visit, V1 | {"readings": {}}, "readings", "list"),
            (Visit, V1 | {"readings": [{"value": "5"}]}, "readings.0.point", "missing"),
            (Visit, V1 | {"readings": [{"point": "cap.herm.uf", "value": 5}]}, "readings.0.value", "string"),
            (Visit, V1 | {"readings": [{"point": "cap.herm.uf", "value": "5", "turns": 1.5}]}, "readings.0.turns", "whole number"),
            (Visit, V1 | {"readings": [{"point": "cap.herm.uf", "value": "5", "unit_said": 1}]}, "readings.0.unit_said", "true or false"),
            (Visit, V1 | {"power": [{"state": "dead-proved"}]}, "power.0.state", "one of"),
            (Visit, V1 | {"lifted": [{"what": "x", "thing": "roof"}]}, "lifted.0.thing", "one of"),
            (Visit, V1 | {"complaint": "\ud800"}, "complaint", "one of"),
            (Lifted, {"what": "\ud800"}, "what", "half of a character"),
            (Lifted, {"what": "a\0b"}, "what", "NUL"),
            (Visit, V1 | {"seen": {"look.case": 5}}, "seen.look.case", "must be text"),
        ):
            with self.subTest(place=place, raw=str(raw)[:60]):
                found = wrong(shape, raw)
                self.assertEqual([one[0] for one in found], [place])
                self.assertIn(word, found[0][1])

    def test_everything_wrong_is_told_not_only_the_first(self) -> None:
        found = wrong(Visit, V1 | {"complaint": "cold", "readings": [{"point": "nose", "value": "5"}], "nose": 1})
        self.assertEqual({place for place, _ in found}, {"complaint", "readings.0.point", "nose"})
        self.assertTrue(str(ReadProblem(found)).endswith("(and 2 more)"))

    def test_a_time_is_a_time_of_this_century(self) -> None:
        for text in ("0001-01-01T00:00:00+14:00", "1999-12-31T23:59:00", "2100-01-01T00:00:00", "2026-01-15", "noon", 5, "20260115"):
            with self.subTest(text):
                self.assertEqual(len(wrong(datetime, text)), 1)
        self.assertEqual(read_as(datetime, "2026-01-15T08:22:00Z").isoformat(), "2026-01-15T08:22:00+00:00")
        self.assertEqual([len(wrong(date, text)) for text in ("2026-01-15", "2026-1-5", "0001-01-01", "20260115")], [0, 1, 1, 1])

    def test_what_is_no_json_is_said_in_one_line(self) -> None:
        for text, word in (
            (b"\xff\xfe", "UTF-8"),
            ("", "JSON"),
            ("[" * 100_000, "deeply"),
            ('{"a": Infinity}', "Infinity"),
            ("{'a': 1}", "JSON"),
        ):
            with self.subTest(str(text)[:20]), self.assertRaises(ReadProblem) as caught:
                parse(text)
            self.assertIn(word, str(caught.exception))
            self.assertEqual(len(str(caught.exception).splitlines()), 1)
        self.assertEqual(parse(b'\xef\xbb\xbf{"a": 1}'), {"a": 1})


class Writer(unittest.TestCase):
    @settings(max_examples=200, deadline=None)
    @given(visits)
    def test_any_visit_comes_back_as_it_was(self, visit: Visit) -> None:
        once = read_visit(write_visit(visit))
        self.assertEqual((once.readings, once.power, dict(once.seen)), (visit.readings, visit.power, dict(visit.seen)))
        self.assertEqual([line.what for line in once.lifted], [line.what for line in visit.lifted])
        self.assertEqual(read_visit(write_visit(once)), once)

    def test_what_is_left_out(self) -> None:
        day = Conditions(outdoor_f=31)
        self.assertEqual(plain(day), {"outdoor_f": 31, "indoor_f": None, "outdoor_rh": None})
        self.assertEqual(present(day), {"outdoor_f": 31})
        reading = Reading("cap.herm.uf", "50.40")
        self.assertEqual(sparse(reading), {"point": "cap.herm.uf", "value": "50.40"})
        self.assertEqual(present(reading)["turns"], 1)

    def test_floats_have_nine_digits(self) -> None:
        self.assertEqual(plain([0.1 + 0.2, 1 / 3, 123456789.123456]), [0.3, 0.333333333, 123456789])


class Versions(unittest.TestCase):
    def test_sentences_of_version_1_become_things(self) -> None:
        lines = [{"what": "FAN wire off"}, {"what": "Compressor plug"}, {"what": "dog in the yard"}]
        visit = read_text(Visit, json.dumps(V1 | {"lifted": lines}))
        self.assertEqual([line.thing for line in visit.lifted], [None] * 3)
        visit = read_visit(json.dumps(V1 | {"lifted": lines}))
        self.assertEqual([line.thing for line in visit.lifted], [Thing.FAN_WIRE, Thing.COMPRESSOR_PLUG, None])
        self.assertEqual((visit.version, json.loads(write_visit(visit))["version"]), (2, 2))
        self.assertEqual(json.loads(write_visit(visit))["lifted"][0], {"what": "FAN wire off", "thing": "fan-capacitor-wire"})

    def test_a_key_alone_is_enough(self) -> None:
        visit = read_visit(json.dumps(V1 | {"version": 2, "lifted": [{"thing": "compressor-plug"}]}))
        self.assertEqual(visit.lifted[0].words, "Compressor plug off")

    def test_a_plate_of_every_shape_is_read_as_written(self) -> None:
        plate = Plate(volts=(208, 230), phase=1, hz=60, mca=24.4)
        self.assertEqual(read_as(Plate, present(plate)), plate)
