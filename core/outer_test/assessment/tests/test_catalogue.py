"""The catalogue holds together: every point can be reached, said, titled and judged; every rule can be heard; hazards are said."""

import unittest
from collections import Counter
from dataclasses import replace

from outer_test.assessment import assess
from outer_test.assessment.tests.cuts import DEMAND, PLATE
from outer_test.circuit.tests.test_circuit import every_unit
from outer_test.entry import AT_STATION, SAYINGS, parse_line
from outer_test.judgement import Verdict
from outer_test.nameplate import AuxHeat, BlowerCapacitor, Compressor, Contactor, Element, Fan, Plate
from outer_test.procedure import stations
from outer_test.rules import RULES
from outer_test.rules.defrost import swap_guide
from outer_test.visit import (
    POINTS,
    STATION_TITLE,
    Baseline,
    BoardWire,
    DefrostEvent,
    FittedCapacitor,
    Lifted,
    LiftedEnd,
    Reading,
    Visit,
    title_of,
)

UNITS = [
    *every_unit(),
    Visit(plate=replace(PLATE, blower_capacitor=BlowerCapacitor(uf=10, tolerance_pct=5))),
    Visit(plate=replace(DEMAND, compressor=Compressor(rla=17.9, lra=96, kind="scroll", stages=2))),
    Visit(plate=replace(PLATE, phase=3, contactor=Contactor(poles=3))),
    Visit(plate=replace(PLATE, aux_heat=AuxHeat(kind="electric", elements=(Element(kw=4.8, volts=240),) * 4))),
    Visit(plate=PLATE, board_wires=(BoardWire("Y"),)),
    Visit(plate=PLATE, complaint="fan-stopped"),
]
STEPS = {
    step.point: step
    for unit in UNITS
    for station in stations(unit, {"cap.herm.uf": Verdict.BAD, "cap.fan.uf": Verdict.BAD})
    for step in station.steps
}


class Points(unittest.TestCase):
    def test_every_point_is_a_step_of_some_units_round(self) -> None:
        guided = {step.point for step in swap_guide(Visit(plate=PLATE, board_wires=(BoardWire("Y"),)), "dead-proved").steps}
        self.assertEqual(set(POINTS) - set(STEPS) - guided, set())

    def test_every_step_says_how_in_a_sentence(self) -> None:
        for step in STEPS.values():
            with self.subTest(step.point):
                self.assertGreater(len(step.how), 10)
                self.assertIn(step.how[-1], ".?!)")
                self.assertFalse(step.title.endswith("."))
                self.assertTrue(step.short)
                self.assertEqual(step.title, title_of(step.point))

    def test_titles_tell_points_apart(self) -> None:
        twice = [title for title, count in Counter(step.title for step in STEPS.values()).items() if count > 1]
        self.assertEqual(twice, [])

    def test_stations_stand_in_working_order(self) -> None:
        # Handbook section 1.
        titles = [
            "Plate",
            "Make safe",
            "Look over",
            "Capacitors",
            "Contactor",
            "Windings",
            "Power up",
            "Start and run",
            "Defrost",
            "Button up",
        ]
        self.assertEqual(list(STATION_TITLE.values()), titles)

    def test_dead_work_and_live_work(self) -> None:
        # Handbook section 1: every ohm, microfarad and beep is dead work; volts, amps and runs are live.
        for point in POINTS.values():
            with self.subTest(point.name):
                if point.unit in ("uf", "ohm", "mohm") and not point.name.startswith("defrost."):
                    self.assertEqual(point.power, "dead")
                if point.unit in ("v", "a") and not point.name.startswith("safe."):
                    self.assertEqual(point.power, "live")

    def test_capacitors_and_compressor_terminals_carry_their_caution(self) -> None:
        for point in (
            "cap.herm.uf",
            "cap.fan.uf",
            "safe.c_herm.vdc",
            "safe.line.v",
            "winding.c_r.ohm",
            "winding.c_ground.ohm",
            "winding.insulation.mohm",
        ):
            with self.subTest(point):
                self.assertTrue(STEPS[point].caution)

    def test_a_single_pole_contactor_is_warned_of_wherever_it_is_opened(self) -> None:
        visit = Visit(plate=replace(PLATE, contactor=Contactor(poles=1)))
        said = [step for station in stations(visit, {}) for step in station.steps if "single-pole" in step.caution.lower()]
        self.assertTrue(said)
        self.assertFalse(
            [step for station in stations(Visit(plate=PLATE), {}) for step in station.steps if "single-pole" in step.caution.lower()]
        )


class Sayings(unittest.TestCase):
    def test_every_saying_gives_its_point(self) -> None:
        for said, points in SAYINGS.items():
            point = POINTS[points[0]]
            value = "5" if point.unit == "flashes" else "5.5" if point.kind == "number" else point.choices[0]
            with self.subTest(said):
                parsed = parse_line(f"{said} {value}", "")
                self.assertEqual([one.point for one in parsed.items], list(points), parsed.rest)
                self.assertEqual([one.value for one in parsed.items], [value] * len(points))

    def test_a_station_may_hear_another_point(self) -> None:
        for station, words in AT_STATION.items():
            for said, point in words.items():
                with self.subTest(f"{said} at {station}"):
                    self.assertEqual([one.point for one in parse_line(f"{said} 5.5", station).items], [point])


def everything() -> list[Visit]:
    """Visits that between them give every rule something to say."""
    base = Visit(plate=replace(PLATE, blower_capacitor=BlowerCapacitor(uf=10, tolerance_pct=5)))
    number = [name for name, point in POINTS.items() if point.kind == "number"]
    seen = [
        {name: point.choices[place % len(point.choices)] for name, point in POINTS.items() if point.kind == "seen"} for place in range(6)
    ]
    visits = []
    for plate in (base.plate, replace(DEMAND, valve="B"), replace(PLATE, phase=3), Plate()):
        for value in ("5.5", "OL", "240"):
            readings = tuple(Reading(name, value) for name in number if value != "OL" or POINTS[name].unit in ("ohm", "uf", "mohm"))
            visits += [replace(base, plate=plate, readings=readings, seen=words) for words in seen]
    whole = replace(
        base,
        fitted=(FittedCapacitor("both", uf=55, fan_uf=7.5, vac=440), FittedCapacitor("herm", uf=5, vac=440, add_on=True)),
        contactor_fitted=Contactor(poles=2, amps=30, coil_v=24),
        baseline=(Baseline("winding.c_r.ohm", "0.60", 70), Baseline("winding.c_s.ohm", "1.90", 70)),
        readings=(
            Reading("winding.c_r.ohm", "0.50"), Reading("winding.c_s.ohm", "1.90"), Reading("winding.r_s.ohm", "2.40"), Reading("winding.shell.f", "70"),
            Reading("cap.new_herm.uf", "55.0"), Reading("cap.new_fan.uf", "7.5"), Reading("cap.start.uf", "200"),
            Reading("amps.compressor.peak_a", "90", by="inrush", fitted="none"), Reading("amps.compressor.peak_a", "60", by="inrush", fitted="relay"),
            Reading("contactor.pole1.drop_v", "238"),
        ),
        seen={"contactor.armature": "in", "look.wiring": "sound"},
        lifted=(Lifted("Board wire Y (yellow)", end=LiftedEnd("back")),),
        board_wires=(BoardWire("Y", "yellow", "thermostat", "Y1"),),
        defrost_run=(DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(2, "fan-off"), DefrostEvent(200, "ended")),
        defrost_watched_s=240,
    )  # fmt: skip
    lost = replace(
        base, readings=(Reading("control.r_c.v", "26.0"), Reading("control.y_in.v", "25.8"), Reading("control.y_out.v", "0.2"))
    )  # fmt: skip
    pairs = tuple(Reading(f"winding.{pair}.ohm", "1.20") for pair in ("c_r", "c_s", "r_s"))
    worn = replace(base, plate=Plate(mca=23.6, mop=40, fan=Fan(fla=1.2), unreadable=("compressor.rla",)))
    across = tuple(Reading(f"winding.{pair}.ohm", "0.02") for pair in ("c_r", "c_s", "r_s"))
    return [*visits, whole, lost, worn, replace(base, readings=across), replace(base, plate=replace(PLATE, phase=3), readings=pairs)]


class Rules(unittest.TestCase):
    # Asked for by themselves and not found in a visit's assessment: sums of parts, choices of a replacement, and advice.
    ASKED_BY_THEMSELVES = frozenset({"cap-fit"})

    def test_every_rule_can_be_heard(self) -> None:
        heard = {found.rule for visit in everything() for found in assess(visit).findings}
        self.assertEqual(set(RULES) - heard - self.ASKED_BY_THEMSELVES, set())

    def test_every_verdict_can_be_heard(self) -> None:
        self.assertEqual({found.verdict for visit in everything() for found in assess(visit).findings}, {None, *Verdict})

    def test_published_rules_name_a_publication_and_others_say_they_are_none(self) -> None:
        for rule in RULES.values():
            with self.subTest(rule.name):
                if "P" not in rule.mark.split():
                    self.assertRegex(rule.source, "common practice|from |=|derived|[Oo]hm|handbook|series|circuit|the unit's own")
                else:
                    self.assertRegex(rule.source, r"\b(NEC|NFPA|UL|IEC|EIA|NEMA|IEEE|JCGM|ILAC|CFR)\b")
