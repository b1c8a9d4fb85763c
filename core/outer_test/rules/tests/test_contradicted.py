"""Which record contradicts which reading (handbook 1, `taken`), try by try. Common practice, no source."""

import unittest
from datetime import UTC, datetime, timedelta

from outer_test.rules.taken import SetAside, set_aside, taken_findings
from outer_test.visit import Lifted, LiftedEnd, PowerEvent, Reading, Seen, Visit, inputs_of

NOON = datetime(2027, 1, 14, 12, tzinfo=UTC)


def at(minutes: float) -> datetime:
    return NOON + timedelta(minutes=minutes)


def aside(
    point: str, value: str, minute: float = 5, proved: float | None = None, power: str | None = None, **of: object
) -> SetAside | None:
    """What becomes of one reading on a visit; proved: when it was proved dead."""
    reading = Reading(point, value, at=at(minute), power=power)  # type: ignore[arg-type]
    visit = Visit(readings=(reading,), **of)  # type: ignore[arg-type]
    found = set_aside(inputs_of(visit), None if proved is None else at(proved))
    return next((one for one in found if one.point == point), None)


LIVE, CLAIMED = (PowerEvent("live", at(0)),), (PowerEvent("dead-claimed", at(0)),)


class Contradicted(unittest.TestCase):
    def said(self, found: SetAside | None, why: str | None, record_wrong: bool = False, stays: bool = False) -> None:
        self.assertEqual(found is not None, why is not None, found)
        if found is not None:
            self.assertIn(why or "", found.why)
            self.assertEqual((found.record_wrong, found.stays), (record_wrong, stays))

    def test_dead_work_while_live(self) -> None:
        for point, value in (("cap.herm.uf", "12.0"), ("winding.c_r.ohm", "0.6"), ("line.fuse1.ohm", "OL")):
            self.said(aside(point, value, power="live"), "while the unit was live")
            self.said(aside(point, value, power=None), None)
            self.said(aside(point, value, power="dead-proved"), None)
        self.said(aside("cap.herm.uf", "12.0", power="unknown"), None)
        self.said(aside("cap.new_herm.uf", "12.0", power="live"), None)

    def test_a_path_to_ground_stays(self) -> None:
        for point, value, stays in (
            ("winding.c_ground.ohm", "499999", True), ("winding.c_ground.ohm", "500000", False), ("winding.c_ground.ohm", "closed", True), ("winding.c_ground.ohm", "OL", False),
            ("winding.insulation.mohm", "0.49", True), ("winding.insulation.mohm", "0.50", False), ("winding.c_r.ohm", "0.2", False),
        ):  # fmt: skip
            self.said(aside(point, value, power="live"), "while the unit was live", stays=stays)

    def test_line_volts_on_a_unit_recorded_dead(self) -> None:
        for value, why, wrong in (
            ("30.0", "the record is wrong, it is live", True),
            ("29.9", "this is live work", False),
            ("0.3", "this is live work", False),
        ):
            self.said(aside("line.l1_l2.v", value, power="dead-proved"), why, record_wrong=wrong)
            self.said(aside("line.l1_l2.v", value, power="dead-claimed"), why, record_wrong=wrong)
            self.said(aside("line.l1_l2.v", value, power="live"), None)
        self.said(aside("amps.compressor.run_a", "0.0", power="dead-proved"), "this is live work")
        self.said(aside("control.r_c.v", "26", power="dead-proved"), None)

    def test_by_the_records_own_times(self) -> None:
        for minute, why in ((-1, None), (1, "this is live work")):
            reading = Reading("line.l1_l2.v", "0.3", at=at(minute))
            found = set_aside(inputs_of(Visit(readings=(reading,), power=CLAIMED)), None)
            self.said(found[0] if found else None, why)

    def test_a_record_that_was_wrong_is_settled_by_a_power_up(self) -> None:
        reading = Reading("line.l1_l2.v", "240", at=at(5))
        for events, settled in (
            ((), False),
            ((PowerEvent("live", at(4)),), None),
            ((PowerEvent("live", at(6)),), True),
            ((PowerEvent("live", None),), True),
        ):
            found = set_aside(inputs_of(Visit(readings=(reading,), power=(*CLAIMED, *events))), None)
            if settled is None:
                self.assertEqual(found, (), events)
            else:
                self.said(found[0], "the record is wrong", record_wrong=not settled)

    def test_or_by_a_proof_made_anew(self) -> None:
        reading = Reading("line.l1_l2.v", "240", at=at(5), power="dead-claimed")
        for began, proved, settled in ((6, 8, True), (5, 8, False), (4, 8, False), (None, 8, False), (6, None, False)):
            seen = {} if began is None else {"safe.tester_before": Seen("yes", at(began))}
            found = set_aside(inputs_of(Visit(readings=(reading,), seen=seen)), None if proved is None else at(proved))
            self.said(found[0], "the record is wrong", record_wrong=not settled)

    def test_what_is_out(self) -> None:
        def out(what: str, end: LiftedEnd | None = None, minute: float = 1) -> tuple[Lifted, ...]:
            return (Lifted(what, at=at(minute), end=end),)

        pulled = out("Disconnect pulled")
        self.said(aside("contactor.line.v", "0.4", lifted=pulled), "was on the list")
        self.said(aside("contactor.line.v", "30.0", lifted=pulled), "the record is wrong", record_wrong=True)
        self.said(aside("contactor.line.v", "29.9", lifted=pulled), "was on the list")
        self.said(aside("line.disconnect.v", "0.4", lifted=pulled), None)
        self.said(aside("contactor.line.v", "0.4", lifted=out("Disconnect pulled", minute=6)), None)
        self.said(aside("amps.compressor.run_a", "0.0", lifted=out("Compressor plug off")), "was on the list")
        self.said(aside("amps.fan.run_a", "0.0", lifted=out("Compressor plug off")), None)
        self.said(aside("cap.herm.uf", "55.0", lifted=pulled), None)
        # One fuse out leaves the other leg alive: what reads live there contradicts nothing, and it was pulled to be measured itself.
        fuse = out("Fuse 1 pulled")
        self.said(aside("contactor.line.v", "0.4", lifted=fuse), "was on the list")
        self.said(aside("contactor.line.v", "121", lifted=fuse), None)
        self.said(aside("line.l1_l2.v", "0.4", lifted=fuse), None)

    def test_a_switch_through_its_own_jumper(self) -> None:
        jumper = (Lifted("Coil switch jumper in", at=at(1)),)
        self.said(aside("defrost.switch.ohm", "0.1", 5, lifted=jumper), "its own jumper")
        self.said(aside("defrost.switch.ohm", "0.1", 0, lifted=jumper), None)
        self.said(aside("defrost.coil_sensor.ohm", "32600", 5, lifted=jumper), None)

    def test_a_drop_with_the_armature_out(self) -> None:
        for value, state, why in (
            ("0.50", "out", "the contactor is open"),
            ("0.49", "out", None),
            ("118", "in", None),
            ("118", None, None),
        ):
            seen = {} if state is None else {"contactor.armature": state}
            self.said(aside("contactor.pole1.drop_v", value, seen=seen), why)
        self.said(aside("contactor2.pole1.drop_v", "118", seen={"contactor.armature": "out"}), None)
        self.said(aside("contactor2.pole1.drop_v", "118", seen={"contactor2.armature": "out"}), "the contactor is open")

    def test_what_was_seen(self) -> None:
        def seen(power: tuple[PowerEvent, ...], *lifted: Lifted) -> list[str]:
            visit = Visit(
                seen={"start.result": Seen("nothing", at(5)), "look.contactor.faces": Seen("clean", at(5))}, power=power, lifted=lifted
            )
            return [one.point for one in set_aside(inputs_of(visit), None)]

        self.assertEqual(seen(CLAIMED), ["start.result"])
        self.assertEqual(seen(LIVE), [])
        self.assertEqual(seen((), Lifted("Disconnect pulled", at=at(1))), ["start.result"])
        self.assertEqual(seen((), Lifted("Disconnect pulled", at=at(6))), [])

    def test_what_is_said_of_it(self) -> None:
        reading = Reading("line.l1_l2.v", "240")
        told = list(
            taken_findings((SetAside("line.l1_l2.v", "why", reading, True), SetAside("winding.c_ground.ohm", "why", None, stays=True)))
        )
        self.assertEqual(
            [(one.point, one.verdict, one.shown) for one in told], [("line.l1_l2.v", "unjudged", "240"), ("safe.dead", "stop", "")]
        )
        self.assertEqual([one.verdict for one in taken_findings((SetAside("start.result", "why"),))], ["unjudged"])
