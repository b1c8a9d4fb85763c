"""A link for the customer: it shows one finished visit's page to whoever has it, for a while, and nothing else to anybody."""

from datetime import timedelta
from uuid import uuid4

from django.test import Client, TestCase
from django.utils import timezone

from testing.fixtures import Caller, Fixture, fresh
from visits.models import CustomerLink


class Link(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Shared", {"run_capacitor": {"herm_uf": 55, "vac": 440, "tolerance_pct": 6}}, customer_links=True)
        self.caller, self.path = self.mine.client(), f"/visits/{self.mine.visit.id}"
        self.caller.read(self.mine.visit, "cap.herm.uf", "41.7")

    def finish(self) -> None:
        self.caller.do(self.path, "finish", {"id": fresh(), "reason": "to be read"})

    def made(self) -> str:
        answer = self.caller.send("POST", f"{self.path}/links")
        self.assertEqual(answer.status_code, 200, answer.content)
        return str(answer.json()["address"]).removeprefix("http://testserver")

    def status(self, address: str) -> int:
        return Client().get(address).status_code

    def test_a_stranger_reads_the_customers_page_and_no_more(self) -> None:
        self.finish()
        got = Client().get(self.made())
        text = got.content.decode()
        self.assertEqual((got.status_code, got["Cache-Control"], got["Referrer-Policy"]), (200, "no-store", "no-referrer"))
        self.assertIn("noindex", got["X-Robots-Tag"])
        self.assertIn("It needs work: the run capacitor", text)
        for hidden in ("<script", "41.7 µF</div>", "All readings", "cap-bench", "/api/"):
            self.assertNotIn(hidden, text)
        self.assertNotIn("sessionid", got.cookies)
        kept = CustomerLink.objects.of(self.mine.company).get()
        self.assertNotIn(kept.token_hash, text)

    def test_only_where_a_lead_allows_it_and_it_ends_with_the_leave(self) -> None:
        self.finish()
        address = self.made()
        lead = self.mine.client(self.mine.lead)
        self.assertEqual(self.caller.send("PUT", "/company/letterhead", {"letterhead": "", "customer_links": False}).status_code, 403)
        self.assertTrue(lead.send("PUT", "/company/letterhead", {"letterhead": "x"}).json()["customer_links"], "not said, not changed")
        lead.send("PUT", "/company/letterhead", {"letterhead": "", "customer_links": False})
        self.assertEqual(self.status(address), 404)
        self.assertEqual(self.caller.send("POST", f"{self.path}/links").status_code, 422)
        self.assertEqual(self.caller.send("GET", f"{self.path}/links").json(), {"allowed": False, "links": [], "address": ""})

    def test_it_ends(self) -> None:
        self.assertEqual(self.caller.send("POST", f"{self.path}/links").status_code, 422, "not before the visit is finished")
        self.finish()
        by_hand, by_time, by_leaving, by_work = (self.made() for _ in range(4))
        shown = self.caller.send("GET", f"{self.path}/links").json()["links"]
        self.assertEqual(len(shown), 4)
        rows = list(CustomerLink.objects.of(self.mine.company).order_by("pk"))
        for _ in range(2):
            left = self.caller.send("POST", f"{self.path}/links/{rows[0].pk}/end").json()["links"]
            self.assertEqual(len(left), 3)
        CustomerLink.objects.of(self.mine.company).filter(pk=rows[1].pk).update(expires_at=timezone.now() - timedelta(seconds=1))
        self.assertEqual([self.status(one) for one in (by_hand, by_time, by_leaving, by_work)], [404, 404, 200, 200])
        CustomerLink.objects.of(self.mine.company).filter(pk=rows[2].pk).update(made_by=self.mine.lead)
        self.mine.lead.is_active = False
        self.mine.lead.save()
        self.assertEqual(self.status(by_leaving), 404)
        self.caller.do(self.path, "reopen", {"id": fresh(), "reason": "one more reading"})
        self.assertEqual(self.status(by_work), 404, "nobody reads a visit that is being worked on")

    def test_nobody_elses_and_no_guess(self) -> None:
        self.finish()
        self.made()
        other, stranger = Fixture("Else", customer_links=True).client(), Caller()
        row = CustomerLink.objects.of(self.mine.company).get()
        for method, path in (("GET", "links"), ("POST", "links"), ("POST", f"links/{row.pk}/end")):
            self.assertEqual(other.send(method, f"{self.path}/{path}").status_code, 404)
            self.assertEqual(stranger.send(method, f"{self.path}/{path}").status_code, 401)
        self.assertEqual(self.caller.send("POST", f"{self.path}/links/0/end").status_code, 404)
        for guess in ("x", str(uuid4()), row.token_hash, "%00"):
            self.assertEqual(self.status(f"/shared/{guess}"), 404)
