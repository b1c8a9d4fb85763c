"""Air, refrigerant, frost and a winter's day: against psychrolib and CoolProp, and against what is seen in life (no source)."""

import unittest
from dataclasses import replace

import CoolProp.CoolProp as CoolProp
import psychrolib

from outer_test.nameplate import AuxHeat, Defrost, Plate
from outer_test.twin import FaultKey, Weather, a_day, make_unit, watch_defrost, with_fault
from outer_test.twin.air import celsius, dew_point, fahrenheit, humidity_ratio, saturation_pa
from outer_test.twin.coil import MELTS_J_KG, Coil, coil_size
from outer_test.twin.refrigerant import pressure_psig, saturation_c

K = FaultKey
TIMED = Plate(
    defrost=Defrost(control="time-temperature", minutes=90, closes_f=30, opens_f=55, limit_min=10, shift_delay=False),
    aux_heat=AuxHeat(kind="electric"),
)
DEMAND = Plate(defrost=Defrost(control="demand", limit_min=14, shift_delay=False), aux_heat=AuxHeat(kind="electric"))
DAMP, COLD, DRY, MILD = Weather(34, 0.9), Weather(20, 0.8), Weather(5, 0.6), Weather(48, 0.7)


class References(unittest.TestCase):
    def test_moist_air_against_psychrolib(self) -> None:
        """Reference: the library psychrolib, ASHRAE's formulae."""
        psychrolib.SetUnitSystem(psychrolib.SI)
        for air in (-20.0, -5.0, 1.0, 8.0, 20.0):
            self.assertAlmostEqual(saturation_pa(air) / psychrolib.GetSatVapPres(air), 1, delta=0.01)
            for share in (0.5, 0.9):
                self.assertAlmostEqual(humidity_ratio(air, share) / psychrolib.GetHumRatioFromRelHum(air, share, 101_325), 1, delta=0.012)
                self.assertAlmostEqual(dew_point(air, share), psychrolib.GetTDewPointFromRelHum(air, share), delta=0.25)

    def test_saturation_against_coolprop(self) -> None:
        """Reference: the library CoolProp."""
        for plate, fluid in (("R-410A", "R410A"), ("R-22", "R22"), ("R-32", "R32"), ("R-134a", "R134a"), ("R-407C", "R407C")):
            for temperature in (-40.0, -20.0, 0.0, 25.0, 50.0, 65.0):
                theirs = CoolProp.PropsSI("P", "T", temperature + 273.15, "Q", 1, fluid)
                own = (pressure_psig(plate, temperature) + 14.696) * 6894.757
                self.assertAlmostEqual(own / theirs, 1, delta=0.01, msg=f"{fluid} at {temperature} °C")
                self.assertAlmostEqual(saturation_c(plate, pressure_psig(plate, temperature)), temperature, places=6)

    def test_degrees(self) -> None:
        self.assertEqual((fahrenheit(-40.0), celsius(212.0)), (-40.0, 100.0))


class Frost(unittest.TestCase):
    def test_melting_takes_the_heat_that_ice_takes(self) -> None:
        """334 kJ a kilogram: a physical constant."""
        coil = Coil(coil_size(8000), 0.0, frost_kg=1.0)
        coil.warm(0.5 * MELTS_J_KG)
        self.assertAlmostEqual(coil.frost_kg, 0.5)
        self.assertEqual(coil.celsius, 0.0)
        coil.warm(0.5 * MELTS_J_KG + 10 * coil.size.capacity)
        self.assertAlmostEqual(coil.frost_kg, 0.0, places=12)
        self.assertAlmostEqual(coil.celsius, 10.0)

    def test_frost_grows_only_below_freezing_and_below_the_dew_point(self) -> None:
        for air, humidity, grows in ((1.0, 0.9, True), (1.0, 0.3, False), (15.0, 0.9, False)):
            coil = Coil(coil_size(8000), air - 6.0)
            for _ in range(600):
                coil.heating(1.0, air, humidity, 1.0, fan=True)
            self.assertEqual(coil.frost_kg > 0.01, grows, f"{air} °C, {humidity}")

    def test_a_frosted_coil_runs_colder(self) -> None:
        clear, frosted = Coil(coil_size(8000), -4.0), Coil(coil_size(8000), -4.0, frost_kg=2.0)
        for coil in (clear, frosted):
            for _ in range(900):
                coil.heating(1.0, 1.0, 0.3, 1.0, fan=True)
        self.assertLess(frosted.celsius, clear.celsius - 2)


class ADay(unittest.TestCase):
    """What a unit left alone does in life: common practice, no source."""

    def test_a_sound_unit_defrosts_by_itself_and_stays_clear(self) -> None:
        for plate in (TIMED, DEMAND):
            for weather in (DAMP, COLD):
                day = a_day(make_unit(plate), weather, seconds=10)
                self.assertGreater(day.defrosts, 2)
                self.assertEqual(day.ended_by_time, 0)
                self.assertLess(day.most_frost_kg, 0.85 * day.coil.size.covered)

    def test_a_demand_board_lets_a_clear_coil_be_and_a_timer_does_not(self) -> None:
        self.assertEqual(a_day(make_unit(DEMAND), DRY, seconds=10).defrosts, 0)
        self.assertGreater(a_day(make_unit(TIMED), DRY, seconds=10).defrosts, 10)
        for plate in (TIMED, DEMAND):
            self.assertEqual(a_day(make_unit(plate), MILD, seconds=10).defrosts, 0, "nothing freezes")

    def test_each_fault_ices_or_wastes(self) -> None:
        sound = {plate: a_day(make_unit(plate), DAMP, seconds=10) for plate in (TIMED, DEMAND)}
        for plate, keys in (
            (TIMED, (K.NEVER_STARTS, K.STUCK_OPEN_SWITCH, K.VALVE_STUCK)),
            (DEMAND, (K.NEVER_STARTS, K.OPEN_SENSOR, K.SLIPPED, K.VALVE_COIL_OPEN)),
        ):
            for key in keys:
                day = a_day(with_fault(make_unit(plate), key), DAMP, seconds=10)
                self.assertGreater(day.coil.frost_kg, day.coil.size.covered, f"{key} ices it solid")
        for plate, key in ((TIMED, K.STUCK_CLOSED_SWITCH), (DEMAND, K.DRIFTED), (TIMED, K.FAN_RELAY_STUCK)):
            day = a_day(with_fault(make_unit(plate), key), DAMP, seconds=10)
            self.assertGreater(day.ended_by_time, 0.8 * day.defrosts, f"{key} ends by time")
            self.assertGreaterEqual(day.ended_by_time, 10)
        self.assertEqual([day.ended_by_time for day in sound.values()], [0, 0])

    def test_a_defrost_lasts_as_long_as_there_is_frost(self) -> None:
        lengths = []
        for frost in (0.3, 1.0, 2.0):
            events, _ = watch_defrost(make_unit(TIMED), DAMP, frost)
            lengths.append(next(one.s for one in events if one.event == "ended"))
        self.assertEqual(lengths, sorted(lengths))
        self.assertGreater(lengths[2], lengths[0] + 60)

    def test_a_dead_blower_trips_the_compressor_in_defrost(self) -> None:
        events, _ = watch_defrost(with_fault(make_unit(TIMED), K.BLOWER_DEAD), DAMP)
        self.assertIn("contactor-open", [one.event for one in events])
        healthy, _ = watch_defrost(make_unit(replace(TIMED, refrigerant="R-22")), DAMP)
        self.assertNotIn("contactor-open", [one.event for one in healthy])
