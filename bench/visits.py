"""The 45-reading visit that the measurements use: a whole healthy round, recorded as the server records it."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from pathlib import Path
from uuid import NAMESPACE_URL, uuid5

from outer_test.measurement import Accuracy
from outer_test.visit import POINTS, MeterUnit, PowerEvent, Reading, Seen, Visit, read_visit

EXAMPLE = Path(__file__).resolve().parents[1] / "docs" / "example-visit.json"
START = datetime(2027, 1, 14, 9, 0, tzinfo=UTC)
ROUND = {
    "safe.line.v": "0.2", "safe.l1_ground.v": "0.1", "safe.l2_ground.v": "0.1", "safe.load.v": "0.0",
    "safe.load_l1_ground.v": "0.1", "safe.load_l2_ground.v": "0.1", "safe.c_herm.vdc": "0.4", "safe.c_fan.vdc": "0.1",
    "safe.herm_fan.vdc": "0.3", "safe.start.vdc": "0.2", "cap.herm.uf": "54.1", "cap.fan.uf": "7.4", "cap.start.uf": "208",
    "contactor.coil.ohm": "11.4", "winding.c_ground.ohm": "OL", "winding.r_ground.ohm": "OL", "winding.s_ground.ohm": "OL",
    "winding.c_r.ohm": "0.82", "winding.c_s.ohm": "2.05", "winding.r_s.ohm": "2.87", "lead.c.ohm": "0.2", "lead.r.ohm": "0.2",
    "lead.s.ohm": "0.2", "winding.shell.f": "61", "line.l1_l2.v": "238", "line.l1_ground.v": "119", "line.l2_ground.v": "119",
    "control.r_c.v": "26.2", "control.y_in.v": "25.9", "control.y_out.v": "25.7", "contactor.coil.v": "25.5",
    "contactor.pole1.drop_v": "0.03", "contactor.pole1.a": "14.2", "contactor.pole2.drop_v": "0.04", "contactor.pole2.a": "14.1",
    "amps.compressor.peak_a": "88", "amps.compressor.start_s": "0.3", "amps.compressor.run_a": "13.4", "amps.fan.run_a": "0.9",
    "amps.total.run_a": "14.2", "cap.herm.load_a": "7.4", "cap.herm.load_v": "361", "cap.fan.load_a": "1.0",
    "cap.fan.load_v": "360", "amps.element1.a": "19.6",
}  # fmt: skip
# Between the last dead reading and the first live one; readings are 20 s apart.
POWERED_UP = timedelta(seconds=20 * (list(ROUND).index("line.l1_l2.v") + 1) - 10)


def big_visit() -> Visit:
    """Forty-five readings on the documentation's plate, with a meter profile and the unit proved dead before the dead work."""
    example = read_visit(EXAMPLE.read_bytes())
    taken = tuple(
        Reading(
            point, value, meter="m1", at=START + timedelta(seconds=20 * (place + 1)), id=str(uuid5(NAMESPACE_URL, point)),
            power="live" if POINTS[point].power == "live" else "dead-proved",
        )
        for place, (point, value) in enumerate(ROUND.items())
    )  # fmt: skip
    seen: dict[str, str | Seen] = {
        "safe.tester_before": Seen("yes", START), "safe.tester_after": Seen("yes", START + timedelta(minutes=2, seconds=5)),
        "contactor.armature": Seen("in", START + POWERED_UP), "start.result": Seen("started", START + POWERED_UP),
    }  # fmt: skip
    ranges: dict[MeterUnit, Accuracy | tuple[Accuracy, ...]] = {
        "uf": Accuracy(1.9, 2, top=4000), "a": Accuracy(2, 5), "v": Accuracy(1, 3), "ohm": Accuracy(0.9, 2, top=4e7),
    }  # fmt: skip
    power = (PowerEvent("dead-claimed", START), PowerEvent("live", START + POWERED_UP))
    return replace(example, readings=taken, seen=seen, meters={"m1": ranges}, power=power, lifted=())
