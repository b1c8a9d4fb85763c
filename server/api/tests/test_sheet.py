"""The sheet and the letterhead through the API: whose they are, and what is too long."""

from uuid import uuid4

from django.test import TestCase, override_settings

from testing.fixtures import Caller, Fixture, fresh, own_files
from testing.made import sheet


class Letterhead(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Head", letterhead="12 Mill Lane")
        self.lead, self.tech = self.mine.client(self.mine.lead), self.mine.client()

    def test_a_lead_writes_it_and_everybody_reads_it(self) -> None:
        got = self.lead.send("PUT", "/company/letterhead", {"letterhead": " 9 Weir Road\nLicence 4 \n"})
        self.assertEqual((got.status_code, got.json()["letterhead"]), (200, "9 Weir Road\nLicence 4"))
        shown = self.tech.send("GET", "/company/letterhead").json()
        self.assertEqual((shown["letterhead"], shown["may_change"], shown["name"]), ("9 Weir Road\nLicence 4", False, "Head"))

    def test_a_technician_does_not(self) -> None:
        self.assertEqual(self.tech.send("PUT", "/company/letterhead", {"letterhead": "mine"}).status_code, 403)
        self.assertEqual(self.tech.send("GET", "/company/letterhead").json()["letterhead"], "12 Mill Lane")

    def test_a_page_of_text_is_too_much(self) -> None:
        got = self.lead.send("PUT", "/company/letterhead", {"letterhead": "x" * 2001})
        self.assertEqual((got.status_code, got.json()["errors"][0]["field"].split(".")[-1]), (422, "letterhead"))


@override_settings(WORK_AT_ONCE=True)
class Pages(TestCase):
    def setUp(self) -> None:
        own_files(self)
        self.mine = Fixture("Pages", {"run_capacitor": {"herm_uf": 55, "vac": 440, "tolerance_pct": 6}})
        self.path = f"/visits/{self.mine.visit.id}"

    def test_nobody_elses(self) -> None:
        stranger, other = Caller(), Fixture("Else").client()
        for method, path in (("GET", "/visits/{}/report"), ("POST", "/files/sheet/{}")):
            body = None if method == "GET" else {"id": fresh()}
            self.assertEqual(stranger.send(method, path.format(self.mine.visit.id), body).status_code, 401)
            self.assertEqual(other.send(method, path.format(self.mine.visit.id), body).status_code, 404)
            self.assertEqual(other.send(method, path.format(uuid4()), body).status_code, 404)

    def test_an_empty_visit_has_its_pages_too(self) -> None:
        caller = self.mine.client()
        page = caller.send("GET", f"{self.path}/report")
        self.assertEqual(page.status_code, 200)
        self.assertIn("Nothing was measured on this visit.", page.content.decode())
        self.assertTrue(sheet(caller, self.mine.visit.id).startswith(b"%PDF"))

    def test_the_page_runs_nothing_and_asks_for_nothing_elsewhere(self) -> None:
        caller = self.mine.client()
        caller.read(self.mine.visit, "cap.herm.uf", "49.0")
        got = caller.send("GET", f"{self.path}/report")
        text = got.content.decode()
        for word in ("<script", "http://", "https://", "javascript:"):
            self.assertNotIn(word, text.replace('xmlns="http://www.w3.org/2000/svg"', ""))
        self.assertIn("default-src", got["Content-Security-Policy"])

    def test_a_superseded_reading_and_its_correction_stand_on_the_technical_page(self) -> None:
        caller = self.mine.client()
        first = caller.read(self.mine.visit, "cap.herm.uf", "94.0").json()["entries"][-1]["id"]
        caller.read(self.mine.visit, "cap.herm.uf", "49.0", supersedes=first)
        text = caller.send("GET", f"{self.path}/report").content.decode()
        self.assertIn("Superseded: 94.0 µF", text)
        self.assertIn("It needs work: the run capacitor", text)
