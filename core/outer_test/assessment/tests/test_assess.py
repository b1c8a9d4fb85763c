"""The one question, asked of whole visits."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime

from hypothesis import given
from hypothesis import strategies as st

from outer_test.assessment import assess
from outer_test.judgement import SCHOOLS, WORST_FIRST, Verdict, worst
from outer_test.measurement import FieldProblem
from outer_test.nameplate import Compressor, Fan, Plate, RunCapacitor, StartCapacitor
from outer_test.procedure import FinishProblem, check_finish, stations
from outer_test.rules import RULES
from outer_test.visit import (
    POINTS,
    FittedCapacitor,
    Lifted,
    LiftedEnd,
    PowerEvent,
    Reading,
    Seen,
    StockPart,
    Visit,
    open_lines,
    standing_readings,
)

PLATE = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6))


def judged(visit: Visit) -> dict[str, str | None]:
    return {finding.point: finding.verdict for finding in assess(visit).findings}


class Order(unittest.TestCase):
    def test_worst_first(self) -> None:
        # Handbook section 1: stop > bad > unsure > watch > unjudged > good.
        self.assertEqual([one.value for one in WORST_FIRST], ["stop", "bad", "unsure", "watch", "unjudged", "good"])
        self.assertEqual(worst([Verdict.UNJUDGED, Verdict.GOOD]), Verdict.UNJUDGED)

    def test_overall_is_the_worst_finding(self) -> None:
        visit = Visit(plate=PLATE, readings=(Reading("cap.herm.uf", "50.4"), Reading("cap.fan.uf", "7.4")))
        self.assertEqual(judged(visit)["cap.fan.uf"], "good")
        self.assertEqual(assess(visit).overall.value, "bad")

    @given(st.permutations(["cap.herm.uf", "cap.fan.uf", "safe.line.v", "safe.c_herm.vdc"]))
    def test_the_order_of_readings_at_different_points_does_not_matter(self, order: list[str]) -> None:
        readings = [Reading(point, "7.4") for point in order]
        self.assertEqual(
            judged(Visit(plate=PLATE, readings=tuple(readings))),
            judged(Visit(plate=PLATE, readings=tuple(sorted(readings, key=lambda r: r.point)))),
        )

    def test_every_finding_names_a_rule_that_exists(self) -> None:
        visit = Visit(
            plate=replace(PLATE, mca=24, mop=40, protection_a=40, conductor_awg=8, unreadable=("compressor.rla",)),
            fitted=(FittedCapacitor("both", uf=55, fan_uf=7.5, vac=440),),
            readings=tuple(Reading(name, "5.5") for name, point in POINTS.items() if point.kind == "number"),
            seen={name: point.choices[-1] for name, point in POINTS.items() if point.kind == "seen"},
        )  # fmt: skip
        for found in assess(visit).findings:
            self.assertIn(found.rule, RULES)
            self.assertTrue(found.why and found.source)
            self.assertIn(found.school, {"", *(school for schools in SCHOOLS.values() for school in schools)})
            self.assertIn(found.decision, {"", *SCHOOLS["decision"]})


class Standing(unittest.TestCase):
    def test_the_latest_stands_and_a_superseded_one_never_does(self) -> None:
        first = Reading("cap.herm.uf", "50.4", id="a")
        mended = Reading("cap.herm.uf", "54.0", id="b", supersedes="a")
        self.assertEqual(standing_readings(Visit(readings=(mended, first)))["cap.herm.uf"].value, "54.0")

    def test_time_before_place(self) -> None:
        late = Reading("cap.herm.uf", "54.0", at=datetime(2027, 1, 2, tzinfo=UTC))
        early = Reading("cap.herm.uf", "50.4", at=datetime(2027, 1, 1, tzinfo=UTC))
        self.assertEqual(standing_readings(Visit(readings=(late, early)))["cap.herm.uf"].value, "54.0")

    def test_tags_tell_readings_apart(self) -> None:
        bare = Reading("amps.compressor.peak_a", "88", fitted="none")
        kit = Reading("amps.compressor.peak_a", "60", fitted="relay")
        self.assertEqual(len(standing_readings(Visit(readings=(bare, kit)))), 2)


class NotDead(unittest.TestCase):
    """Handbook section 1: the stop `not dead` stands until a power-up is recorded."""

    def test_volts_where_the_record_says_dead(self) -> None:
        def at(minute: int) -> datetime:
            return datetime(2027, 1, 1, 9, minute, tzinfo=UTC)

        pulled = Visit(
            plate=PLATE, power=(PowerEvent("dead-claimed", at(0)),), lifted=(Lifted("Disconnect pulled", at(0)),),
            readings=(Reading("line.l1_l2.v", "238", at=at(10)),),
        )  # fmt: skip
        self.assertEqual(assess(pulled).overall, Verdict.STOP)
        for when in (5, 15):
            live = replace(pulled, power=(*pulled.power, PowerEvent("live", at(when))))
            found = next(finding for finding in assess(live).findings if finding.point == "line.l1_l2.v")
            self.assertEqual((assess(live).stops, found.verdict), ((), Verdict.UNJUDGED), f"powered up at {when}")


class Shape(unittest.TestCase):
    def points(self, visit: Visit, station: str) -> list[str]:
        return [step.point for one in stations(visit, {}) if one.name == station for step in one.steps]

    def test_an_inverter_and_an_electronic_fan_have_no_run_capacitor(self) -> None:
        plate = Plate(compressor=Compressor(kind="inverter"), fan=Fan(kind="electronic"))
        self.assertEqual(self.points(Visit(plate=plate), "capacitors"), [])
        found = assess(Visit(plate=plate, readings=(Reading("cap.herm.uf", "40"),))).findings
        self.assertEqual([one.verdict for one in found], [None], "its rule does not apply")
        self.assertIn("nverter", found[0].why)

    def test_singles_have_no_herm_to_fan_pair(self) -> None:
        plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=5, form="singles"), start_capacitor=StartCapacitor(189, 227))
        pairs = [point for point in self.points(Visit(plate=plate), "safe") if point.endswith("vdc")]
        self.assertEqual(pairs, ["safe.c_herm.vdc", "safe.c_fan.vdc", "safe.start.vdc"])

    def test_nothing_measured_is_unjudged_whatever_the_plate_says(self) -> None:
        """Common practice, no source: a plate that agrees with itself says nothing of the unit."""
        plate = Plate(compressor=Compressor(rla=17.9, lra=96), fan=Fan(fla=1.2), mca=23.6, protection_a=40, mop=40)
        bare, read = Visit(plate=plate), Visit(plate=plate, readings=(Reading("contactor.coil.ohm", "11.4"),))
        self.assertEqual((assess(bare).overall, assess(bare).as_found, assess(read).overall), ("unjudged", "unjudged", "good"))
        above = Visit(plate=replace(plate, protection_a=60))
        self.assertEqual(assess(above).overall, "bad", "what is wrong on the plate is said all the same")

    def test_an_unreadable_label_is_unjudged_and_says_which_field(self) -> None:
        plate = Plate(run_capacitor=RunCapacitor(vac=370), unreadable=("run_capacitor.herm_uf",))
        found = assess(Visit(plate=plate, readings=(Reading("cap.herm.uf", "33"),))).findings[-1]
        self.assertEqual((found.verdict, found.needs), ("unjudged", ("run_capacitor.herm_uf",)))
        self.assertIn("unreadable", found.why)

    def test_a_bad_section_says_what_fits_from_the_van(self) -> None:
        stock = (StockPart(uf=55, fan_uf=7.5, vac=440), StockPart(uf=55, fan_uf=7.5, vac=370))
        found = assess(Visit(plate=PLATE, van_stock=stock, readings=(Reading("cap.herm.uf", "50.4"),))).findings[-1]
        self.assertEqual([fit.parts for fit in found.fits], [("55 + 7.5 µF 440 V",)])
        self.assertIn("55 + 7.5 µF at 440 V or more", found.next)


class PutBack(unittest.TestCase):
    """Handbook section 10."""

    def test_a_line_ends_as_back_retired_or_left(self) -> None:
        lines = (
            Lifted("HERM wires"), Lifted("Panel", end=LiftedEnd("back")), Lifted("Old switch", end=LiftedEnd("retired", why="new board")),
            Lifted("Panel screw", end=LiftedEnd("left", why="part ordered")),
        )  # fmt: skip
        self.assertEqual([line.what for line in open_lines(Visit(lifted=lines))], ["HERM wires"])

    def test_all_but_back_need_a_reason(self) -> None:
        for how in ("retired", "left"):
            with self.assertRaises(FieldProblem):
                LiftedEnd(how, why=" ")

    def test_finish_only_by_force_with_a_reason(self) -> None:
        visit = Visit(lifted=(Lifted("HERM wires"),))
        with self.assertRaises(FinishProblem):
            check_finish(visit)
        check_finish(visit, "customer sent us off")
        check_finish(Visit())


class Bounds(unittest.TestCase):
    def test_bad_readings_are_refused_with_their_field(self) -> None:
        cases = (
            (lambda: Reading("cap.nose.uf", "5"), "point"),
            (lambda: Reading("look.wiring", "5"), "point"),
            (lambda: Reading("cap.herm.uf", "fifty"), "value"),
            (lambda: Reading("cap.herm.uf", "-5"), "value"),
            (lambda: Reading("cap.herm.uf", "closed"), "value"),
            (lambda: Reading("cap.herm.uf", "5", turns=0), "turns"),
            (lambda: Reading("cap.herm.uf", "5", at=datetime(2027, 1, 1)), "at"),
            (lambda: PowerEvent("live", datetime(2027, 1, 1)), "at"),
            (lambda: Visit(seen={"look.wiring": "spaghetti"}), "look.wiring"),
            (lambda: Visit(readings=(Reading("cap.herm.uf", "5", meter="m1"),)), "readings.0.meter"),
            (lambda: Seen("flat", datetime(2027, 1, 1)), "at"),
        )
        for make, field in cases:
            with self.subTest(field), self.assertRaises(FieldProblem) as caught:
                make()
            self.assertEqual(caught.exception.field, field)
