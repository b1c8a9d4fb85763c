"""What the kind of system changes in a defrost. Common practice, no source."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.nameplate import AuxHeat, Compressor, Defrost, Plate
from outer_test.visit import DefrostEvent, Reading, Seen, Visit

FORCED = datetime(2027, 1, 14, 9, tzinfo=UTC)
RUN = (DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(3, "fan-off"), DefrostEvent(240, "ended"))
DROPPED = (*RUN[:3], DefrostEvent(90, "contactor-open"), DefrostEvent(120, "contactor-close"), RUN[3])
PLATE = Plate(
    compressor=Compressor(kind="scroll"),
    aux_heat=AuxHeat(kind="electric"),
    defrost=Defrost(control="demand", limit_min=10, shift_delay=False),
)
NO_W = Visit(plate=PLATE, defrost_run=RUN, defrost_watched_s=300, defrost_seen={"aux-on": "no"}, defrost_forced_at=FORCED)


def lane(visit: Visit, name: str) -> Finding | None:
    return next((one for one in assess(visit).findings if one.point == f"defrost.run.{name}"), None)


class Systems(unittest.TestCase):
    def test_an_inverter_stops_itself_and_may_call_no_aux(self) -> None:
        inverter = replace(PLATE, compressor=Compressor(kind="inverter"))
        for plate, aux, contactor in ((PLATE, "unsure", "watch"), (inverter, "unjudged", "unjudged")):
            found = lane(replace(NO_W, plate=plate), "aux")
            assert found is not None
            self.assertEqual(found.verdict, aux)
            dropped = lane(replace(NO_W, plate=plate, defrost_run=DROPPED), "contactor")
            assert dropped is not None
            self.assertEqual(dropped.verdict, contactor)

    def test_dual_fuel_calls_the_furnace_and_may_stop(self) -> None:
        for plate in (replace(PLATE, aux_heat=AuxHeat(kind="gas")), replace(PLATE, system=("dual-fuel",))):
            found, dropped = lane(replace(NO_W, plate=plate), "aux"), lane(replace(NO_W, plate=plate, defrost_run=DROPPED), "contactor")
            assert found is not None
            assert dropped is not None
            self.assertIn("furnace", found.why)
            self.assertEqual(dropped.verdict, "unjudged")

    def test_what_stands_in_w_is_named(self) -> None:
        for kind, words in (("zone-panel", "zone panel"), ("outdoor-thermostat", "outdoor thermostat")):
            found = lane(replace(NO_W, plate=replace(PLATE, system=(kind,))), "aux")  # type: ignore[arg-type]
            assert found is not None
            self.assertIn(words, found.why)
            self.assertNotEqual(found.verdict, "bad")
        fed = (Reading("defrost.aux_call.v", "24.6", at=FORCED + timedelta(seconds=30)),)
        held = lane(replace(NO_W, plate=replace(PLATE, system=("zone-panel",)), readings=fed), "aux")
        assert held is not None
        self.assertIn("a zone panel may hold it off", held.why)

    def test_two_stages_defrost_in_high(self) -> None:
        two = replace(PLATE, compressor=Compressor(kind="scroll", stages=2))
        for plate, stage, seconds, told in (
            (two, "low", 60, True),
            (two, "high", 60, False),
            (two, "low", 900, False),
            (PLATE, "low", 60, False),
        ):
            seen = {"amps.stage": Seen(stage, FORCED + timedelta(seconds=seconds))}
            self.assertEqual(lane(replace(NO_W, plate=plate, seen=seen), "stage") is not None, told, (stage, seconds))
