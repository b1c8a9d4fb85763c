"""The record over the years. Theil–Sen and its band against scipy.stats.theilslopes; winding correction by IEEE 112, from memory."""

import math
import unittest
from datetime import UTC, date, datetime, timedelta

from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.stats import theilslopes

from outer_test.history import CarriedPart, PartChanged, Told, histories, part_of, standing, theil_sen, told_of, trend
from outer_test.judgement import Verdict
from outer_test.nameplate import AuxHeat, Element, Plate, RunCapacitor
from outer_test.visit import POINTS, Reading, Visit, title_of

START = datetime(2020, 5, 1, tzinfo=UTC)
POINT = "cap.herm.uf"


class TheilSen(unittest.TestCase):
    @given(st.lists(st.tuples(st.integers(0, 4000), st.integers(300, 600)), min_size=3, max_size=25))
    def test_against_scipy(self, points: list[tuple[int, int]]) -> None:
        days, values = [float(day) for day, _ in points], [value / 10 for _, value in points]
        assume(len(set(days)) > 1)
        expected = theilslopes(values, days, 0.95)
        assume(not math.isnan(float(expected.low_slope)))  # scipy gives no band where all values tie
        found = theil_sen(days, values)
        for one, other in zip(found, (expected.slope, expected.intercept, expected.low_slope, expected.high_slope), strict=True):
            self.assertAlmostEqual(one, float(other), places=9)

    def test_one_wild_reading_does_not_turn_it(self) -> None:
        days = [date(2018 + year, 6, 1) for year in range(8)]
        values = [55 - 0.4 * year for year in range(8)]
        values[5] = 20.0
        found = trend(list(zip(days, values, strict=True)), 51.7, 58.3)
        assert found.slope is not None
        self.assertAlmostEqual(found.slope.per_year, -0.4, delta=0.02)

    def test_the_day_it_meets_the_limit(self) -> None:
        days = [date(2018, 1, 1) + timedelta(days=365 * year) for year in range(5)]
        found = trend([(day, 55.0 - 0.5 * year) for year, day in enumerate(days)], 51.7, 58.3)
        expected = days[-1] + timedelta(days=365 * (53.0 - 51.7) / 0.5)
        assert found.crosses is not None
        self.assertLessEqual(abs((found.crosses - expected).days), 2)
        assert found.earliest is not None
        self.assertLessEqual(found.earliest, found.crosses)

    def test_when_nothing_is_said(self) -> None:
        few = [(date(2020, 1, 1), 55.0), (date(2021, 1, 1), 54.0), (date(2022, 1, 1), 53.0)]
        short = [(date(2020, 1, day), 55.0 - day) for day in (1, 2, 3, 4, 5)]
        for readings in (few, short, []):
            self.assertIn("Too few", trend(readings, 51.7, 58.3).why)
        scatter = [(date(2018 + place, 1, 1), value) for place, value in enumerate((55.0, 54.6, 55.1, 54.8, 55.2, 54.9))]
        self.assertIsNone(trend(scatter, 51.7, 58.3).crosses)
        up = [(date(2018 + place, 1, 1), 1.0 + place) for place in range(6)]
        self.assertIn("no limit", trend(up, 0.5, None).why)


def read(years: int, value: str, **more: object) -> tuple[datetime, str, tuple[Told, ...]]:
    plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6))
    visit = Visit(plate=plate, readings=(Reading(POINT, value),), **more)  # type: ignore[arg-type]
    return START + timedelta(days=365 * years), f"visit {years}", told_of(visit)


class Record(unittest.TestCase):
    def test_a_points_readings_with_their_limits_as_they_stood(self) -> None:
        (history,) = [history for history in histories([read(1, "54.0"), read(0, "55.1")]) if history.point == POINT]
        self.assertEqual([reading.told.value for reading in history.readings], ["55.1", "54.0"])
        told = history.readings[0].told
        self.assertEqual((told.low, told.high, told.nominal), (51.7, 58.3, 55.0))

    def test_a_new_part_starts_a_new_line(self) -> None:
        visits = [read(year, f"{55 - year}.0") for year in range(5)]
        new = [read(year, "55.2") for year in (5, 6)]
        change = PartChanged("run capacitor, HERM", START + timedelta(days=365 * 4 + 100))
        whole = next(history for history in histories([*visits, *new], [change]) if history.point == POINT)
        self.assertEqual([reading.line for reading in whole.readings], [0] * 5 + [1] * 2)
        self.assertIn("Too few", whole.trend.why)
        before = next(history for history in histories(visits) if history.point == POINT)
        self.assertIsNotNone(before.trend.crosses)

    def test_windings_are_followed_at_25_degrees(self) -> None:
        hot = Visit(readings=(Reading("winding.c_r.ohm", "0.66"), Reading("winding.shell.f", "131")))
        told = next(one for one in told_of(hot) if one.point == "winding.c_r.ohm")
        # 131 °F is 55 °C: 0.66 × (234.5 + 25) ÷ (234.5 + 55).
        self.assertAlmostEqual(told.number or 0, 0.66 * 259.5 / 289.5, places=4)
        self.assertEqual((told.value, told.corrected), ("0.66", "at 25 °C"))

    def test_amps_that_follow_their_volts_are_followed_at_rated_volts(self) -> None:
        plate = Plate(volts=(208, 230), aux_heat=AuxHeat("electric", (Element(4.8, 240),)))
        readings = (
            Reading("amps.element1.a", "19.0"), Reading("aux.line.v", "228"), Reading("amps.compressor.peak_a", "70"), Reading("line.starting.v", "200"),
        )  # fmt: skip
        told = {one.point: one for one in told_of(Visit(plate=plate, readings=readings))}
        self.assertAlmostEqual(told["amps.element1.a"].number or 0, 20.0)
        self.assertAlmostEqual(told["amps.compressor.peak_a"].number or 0, 70 * 230 / 200)
        self.assertEqual(told["amps.element1.a"].corrected, "at rated volts")

    def test_ol_and_things_seen_are_kept_too(self) -> None:
        told = {one.point: one for one in told_of(Visit(readings=(Reading("winding.c_ground.ohm", "OL"),), seen={"look.wiring": "rubbed"}))}
        self.assertEqual((told["winding.c_ground.ohm"].value, told["winding.c_ground.ohm"].number), ("OL", None))
        self.assertEqual(told["look.wiring"].verdict, Verdict.WATCH)

    def test_every_part_and_title(self) -> None:
        self.assertEqual(part_of("contactor2.pole1.drop_v"), "second contactor")
        self.assertEqual(part_of("cap.new_herm.uf"), "")
        for name in POINTS:
            self.assertTrue(title_of(name))


class Ranks(unittest.TestCase):
    PLATE = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6))

    def test_open_findings_before_drifts(self) -> None:
        bad = standing(Visit(plate=self.PLATE), histories([read(0, "49.0")]))
        self.assertEqual((bad.overall, bad.watched[0].carry), (Verdict.BAD, CarriedPart(55, 7.5, 440)))
        drifts = standing(Visit(plate=self.PLATE), histories([read(year, f"{55.6 - 0.2 * year:.1f}") for year in range(6)]))
        self.assertEqual((drifts.overall, drifts.watched[0].verdict), (Verdict.GOOD, None))
        self.assertIsNotNone(drifts.crosses)
        self.assertEqual(standing(Visit(), histories([read(0, "55.0")])).watched, ())

    def test_what_a_van_would_carry_is_named_from_the_plate_or_not_at_all(self) -> None:
        cases = (
            (RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440), "dual 55 + 7.5 µF 440 V"),
            (RunCapacitor(herm_uf=55, fan_uf=7.5), "dual 55 + 7.5 µF"),
            (RunCapacitor(herm_uf=55, fan_uf=7.5, vac=370, form="singles"), "single 55 µF 370 V"),
            (RunCapacitor(herm_uf=55), "single 55 µF"),
            (RunCapacitor(fan_uf=7.5), None),
            (None, None),
        )
        record = histories([read(0, "49.0")])
        for asked, part in cases:
            with self.subTest(part):
                found = standing(Visit(plate=Plate(run_capacitor=asked)), record).watched[0].carry
                self.assertEqual(None if found is None else found.words, part)
