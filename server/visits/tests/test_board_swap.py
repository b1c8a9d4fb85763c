"""A board's wire map on a visit: kept, corrected, one wire off at a time, and exported with the visit."""

from uuid import UUID

from django.test import TestCase

from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, finding, fresh
from visits.load import find_visit, load_visit

PLATE = {"defrost": {"control": "time-temperature", "minutes": 60, "closes_f": 30, "opens_f": 55}, "aux_heat": {"kind": "electric"}}


class Swap(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Swap", PLATE)
        self.caller = self.mine.client()
        self.path = f"/visits/{self.mine.visit.id}"

    def wire(self, terminal: str, status: int = 200, **more: object) -> dict[str, object]:
        got = self.caller.do(self.path, "wire", {"id": fresh(), "terminal": terminal} | more)
        self.assertEqual(got.status_code, status, got.body)
        told: dict[str, object] = got.json()
        return told

    def lift(self, what: str, status: int = 200) -> str:
        line = fresh()
        got = self.caller.do(self.path, "lifted", {"id": line, "what": what})
        self.assertEqual(got.status_code, status, got.body)
        return line

    def end(self, line: str, how: str = "back", why: str = "") -> dict[str, object]:
        told: dict[str, object] = self.caller.do(self.path, "end", {"line": line, "id": fresh(), "how": how, "why": why}).json()
        return told

    def test_a_whole_swap(self) -> None:
        self.wire("Y", colour="yellow", goes_to="thermostat")
        shown = self.wire("O", colour="orange")
        self.assertEqual([one["state"] for one in shown["defrost"]["swap"]["wires"]], ["mapped", "mapped"])  # type: ignore[index]
        first = self.lift("Board wire Y (yellow)")
        refused = self.caller.do(self.path, "lifted", {"id": fresh(), "what": "Board wire O (orange)"})
        self.assertEqual(refused.status_code, 422)
        self.assertIn("ne wire at a time", refused.json()["errors"][0]["message"])
        self.end(first)
        told = self.end(self.lift("Board wire O (orange)"), "retired", "the new board takes no O")
        self.assertEqual([one["state"] for one in told["defrost"]["swap"]["wires"]], ["moved", "retired"])  # type: ignore[index]
        self.assertEqual(finding(told, "swap.proved")["verdict"], "watch")
        for event in ("forced", "valve-shift", "ended"):
            told = self.caller.do(self.path, "stamp", {"id": fresh(), "event": event}).json()
        self.assertEqual(finding(told, "swap.proved")["verdict"], "good")

    def test_a_line_is_corrected_until_its_wire_is_off(self) -> None:
        wire = fresh()
        self.wire("Y", colour="blue", id=wire)
        shown = self.wire("Y", colour="yellow", of=wire)
        self.assertEqual([one["wire"]["colour"] for one in shown["defrost"]["swap"]["wires"]], ["yellow"])  # type: ignore[index]
        self.lift("Board wire Y (yellow)")
        self.wire("Y", 422, colour="white", of=wire)
        self.wire("Y", 422, colour="yellow", of=wire, gone=True)
        self.wire("Y", colour="yellow", of=wire, new_terminal="Y1")
        self.wire("X", 422, gone=True)
        self.wire("X", 422, of=fresh())
        self.assertEqual(len(events(self.mine.company, Kind.WIRE)), 3)

    def test_two_wires_on_one_terminal_are_two(self) -> None:
        self.wire("R", colour="red", goes_to="transformer")
        shown = self.wire("R", colour="red", goes_to="thermostat")
        lines = [one["line"] for one in shown["defrost"]["swap"]["wires"]]  # type: ignore[index]
        self.assertEqual(lines, ["Board wire R (red)", "Board wire R (red) 2"])

    def test_only_a_change_that_renames_a_wire_that_is_off_is_refused(self) -> None:
        first, second, other = fresh(), fresh(), fresh()
        self.wire("R", colour="red", id=first)
        self.wire("R", colour="red", id=second)
        self.wire("R", id=other)
        self.lift("Board wire R (red) 2")
        self.wire("RX", of=other)  # begins alike, is another wire
        self.wire("R", 422, colour="red", of=first, gone=True)
        self.wire("R", 422, colour="blue", of=first)
        self.wire("R", 422, colour="blue", of=second)

    def test_a_wire_is_not_renamed_into_the_place_of_one_that_is_off(self) -> None:
        first = fresh()
        self.wire("Y", colour="yellow", id=first)
        self.wire("R", colour="red")
        self.lift("Board wire R (red)")
        self.wire("R", 422, colour="red", of=first)

    def test_back_on_the_old_board(self) -> None:
        wire = fresh()
        self.wire("Y", colour="yellow", id=wire)
        line = self.lift("Board wire Y (yellow)")
        self.wire("Y", colour="yellow", of=wire, on_old=True)
        told = self.end(line)
        self.assertEqual([one["state"] for one in told["defrost"]["swap"]["wires"]], ["mapped"])  # type: ignore[index]

    def test_no_board_wire_is_touched_live(self) -> None:
        self.wire("Y", colour="yellow")
        self.caller.do(self.path, "power", {"id": fresh(), "state": "live"})
        refused = self.caller.do(self.path, "lifted", {"id": fresh(), "what": "Board wire Y (yellow)"})
        self.assertEqual(refused.status_code, 422)
        self.assertIn("live", refused.json()["errors"][0]["message"])

    def test_bad_lines_are_refused_at_their_field(self) -> None:
        for wrong, field in (
            ({"terminal": " "}, "terminal"),
            ({"terminal": "Y" * 21}, "terminal"),
            ({"terminal": "Y", "colour": "x" * 21}, "colour"),
        ):
            got = self.caller.do(self.path, "wire", {"id": fresh()} | wrong)
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, field), got.body)

    def test_sent_twice_is_one_line_and_the_map_is_in_the_visit(self) -> None:
        body = {"id": fresh(), "terminal": "W", "colour": "white"}
        for _ in range(2):
            self.assertEqual(self.caller.do(self.path, "wire", body).status_code, 200)
        row = find_visit(self.mine.company, UUID(str(self.mine.visit.id)))
        self.assertEqual([one.terminal for one in load_visit(self.mine.company, row).visit.board_wires], ["W"])
        self.assertEqual(
            self.caller.send("GET", f"{self.path}/file").json()["board_wires"], [{"terminal": "W", "colour": "white", "id": body["id"]}]
        )
