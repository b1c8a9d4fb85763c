"""A company's days, its calibration day and its paper go by its own time zone."""

from datetime import UTC, datetime

from django.test import TestCase

from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, finding, fresh

# 23:30 on 14 January in Denver, which is 06:30 on the 15th in UTC.
LATE = datetime(2026, 1, 15, 6, 30, tzinfo=UTC)


class CompanyTime(TestCase):
    def setUp(self) -> None:
        meters = {"m": {"accuracy": {"uf": [{"pct": 2, "counts": 2}]}, "due": "2026-01-14", "retired": False}}
        self.mine = Fixture("First", plate={"run_capacitor": {"herm_uf": 40, "vac": 440, "tolerance_pct": 6}}, meters=meters)
        self.mine.member.role = "lead"
        self.mine.member.save()
        self.caller = self.mine.client()
        self.path = f"/visits/{self.mine.visit.id}"

    def set_zone(self, zone: str) -> int:
        return int(self.caller.send("PUT", "/company/letterhead", {"letterhead": "", "time_zone": zone}).status_code)

    def read_late(self) -> dict[str, object]:
        body = {"id": fresh(), "point": "cap.herm.uf", "typed": "39.9", "meter": "m", "at": LATE.isoformat()}
        told: dict[str, object] = self.caller.do(self.path, "reading", body).json()
        return told

    def test_a_zone_is_named_or_refused(self) -> None:
        self.assertEqual([self.set_zone(zone) for zone in ("America/Denver", "", "Denver", "../etc/passwd")], [200, 200, 422, 422])

    def test_the_calibration_day_is_the_companys(self) -> None:
        self.assertIn("calibration was due", finding(self.read_late(), "cap.herm.uf")["caution"])
        self.assertEqual(self.set_zone("America/Denver"), 200)
        shown = self.caller.send("GET", self.path).json()["round"]
        self.assertNotIn("calibration was due", finding(shown, "cap.herm.uf")["caution"])

    def test_paper_is_in_one_zone(self) -> None:
        self.set_zone("America/Denver")
        self.read_late()
        self.caller.do(self.path, "lifted", {"id": fresh(), "what": "Panel off", "at": LATE.isoformat()})
        page = self.caller.send("GET", f"{self.path}/report").content.decode()
        self.assertIn("23:30", page)
        self.assertIn("Panel off, 23:30", page)
        self.assertNotIn("06:30", page.partition("All readings")[2])  # above them stands when the visit was opened

    def test_what_is_kept_stays_in_utc(self) -> None:
        self.set_zone("America/Denver")
        self.read_late()
        kept = next(one for one in events(self.mine.company, Kind.READING) if one.body["point"] == "cap.herm.uf")
        self.assertEqual((kept.device_at, kept.at.replace(microsecond=0)), (LATE, LATE))


class Licences(TestCase):
    def test_what_ships_is_named_with_its_licence(self) -> None:
        told = Fixture("First").client().send("GET", "/licences").json()
        by_name = {one["name"].lower(): one for one in told}
        for name, licence in (("django", "BSD"), ("psycopg", "LGPL"), ("pillow", "MIT"), ("whitenoise", "MIT")):
            self.assertIn(licence, by_name[name]["licence"], name)
        self.assertIn("Redistribution and use", by_name["django"]["text"])
