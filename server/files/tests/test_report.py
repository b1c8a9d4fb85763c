"""The sheet to hand over. The PDF's text and pages are read back by pypdf."""

from io import BytesIO

from django.test import TestCase, override_settings
from pypdf import PdfReader

from testing.fixtures import Fixture, fresh, own_files
from testing.made import sheet

PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}}


@override_settings(WORK_AT_ONCE=True)
class Sheet(TestCase):
    def setUp(self) -> None:
        own_files(self)
        self.mine = Fixture("Sheet", PLATE, letterhead="12 Mill Lane\nLicence H-100")
        self.caller = self.mine.client()
        self.path = f"/visits/{self.mine.visit.id}"
        self.caller.read(self.mine.visit, "cap.herm.uf", "49.0")
        self.caller.read(self.mine.visit, "cap.herm.uf", "48.7")
        self.caller.read(self.mine.visit, "cap.fan.uf", "7.5")

    def pdf(self) -> str:
        reader = PdfReader(BytesIO(sheet(self.caller, self.mine.visit.id)))
        self.assertGreaterEqual(len(reader.pages), 2)
        fonts = str([page["/Resources"]["/Font"] for page in reader.pages])  # type: ignore[index]
        self.assertTrue(fonts)
        return "\n".join(page.extract_text() for page in reader.pages)

    def test_customer_page_and_technical_page_in_the_pdf(self) -> None:
        text = " ".join(self.pdf().split())
        for words in (
            "12 Mill Lane", "Licence H-100", "It needs work: the run capacitor", "The capacitor that helps the compressor start and run",
            "The capacitor that runs the outdoor fan", "Compressor section, C to HERM", "48.7 µF", "Superseded: 49.0 µF", "cap-bench",
            "HERM wires off", "NOT PUT BACK", "licensed people", "not finished",
        ):  # fmt: skip
            self.assertIn(words, text)

    def test_the_page_says_the_same_and_runs_nothing(self) -> None:
        self.mine.site.name = "<script>alert(1)</script>"
        self.mine.site.save()
        self.mine.visit.notes = "<img src=x onerror=alert(1)>"
        self.mine.visit.save()
        page = self.caller.send("GET", f"{self.path}/report").content.decode()
        self.assertIn("&lt;script&gt;alert(1)", page)
        self.assertNotIn("<script", page)
        self.assertNotIn("<img", page)
        self.assertIn("It needs work: the run capacitor", page)
        self.assertIn("<svg", page)

    def test_a_forced_finish_prints_its_reason(self) -> None:
        self.caller.do(self.path, "finish", {"id": fresh(), "reason": "rain stopped the work"})
        text = " ".join(self.pdf().split())
        self.assertIn("Reason: rain stopped the work", text)
        self.assertIn("HERM wires off: not put back", text)

    def test_signature(self) -> None:
        body = {"id": fresh(), "name": "R. Holder", "strokes": [[[0.1, 0.1], [0.4, 0.2], [0.6, 0.1]]]}
        self.assertEqual(self.caller.do(self.path, "signature", body).status_code, 200)
        self.assertIn("R. Holder", self.pdf())
        cases: tuple[tuple[str, dict[str, object]], ...] = (
            ("name", {"name": " "}),
            ("strokes", {"strokes": []}),
            ("strokes", {"strokes": [[[2, 0]]]}),
            ("strokes", {"strokes": [[[0.1, 0.1]] * 6000]}),
        )
        for field, wrong in cases:
            got = self.caller.do(self.path, "signature", body | {"id": fresh()} | wrong)
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, field))

    def test_what_the_visit_before_read(self) -> None:
        self.caller.do(self.path, "finish", {"id": fresh(), "reason": "x"})
        opened = fresh()
        self.caller.do(f"/visits/{opened}", "open", {"unit": str(self.mine.unit.id), "complaint": "maintenance"})
        body = {"id": fresh(), "point": "cap.herm.uf", "typed": "55.1"}
        self.assertEqual(self.caller.do(f"/visits/{opened}", "reading", body).status_code, 200)
        self.assertIn("Before: 48.7 µF on", self.caller.send("GET", f"/visits/{opened}/report").content.decode())
