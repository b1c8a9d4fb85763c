"""A device that a lead shut out hands over what it had not sent; a lead says whether it counts."""

from io import BytesIO
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import TestCase
from PIL import Image

from accounts.models import Member, SignIn
from config.device_key import COOKIE, ENDED
from outer_test.ledger import Kind
from testing.fixtures import PASSWORD, Caller, Fixture, events, fresh, own_files
from visits.models import HeldEntries, HeldPhoto, Photo


class Held(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First")
        self.lead = self.mine.client(self.mine.lead)
        signed_in = Caller()
        signed_in.send("GET", "/session")
        got = signed_in.send(
            "POST", "/session", {"username": "first-tech", "password": PASSWORD}, HTTP_X_CSRFTOKEN=signed_in.cookies["csrftoken"].value
        )
        self.assertEqual(got.status_code, 200)
        self.key = signed_in.cookies[COOKIE].value

    def device(self) -> Caller:
        caller = Caller()
        caller.send("GET", "/session")
        caller.cookies[COOKIE] = self.key
        return caller

    def shut_out(self) -> None:
        body = {"role": "technician", "active": False}
        self.assertEqual(self.lead.send("PUT", f"/people/{self.mine.member.pk}", body).status_code, 200)

    def entry(self, seq: int, typed: str = "39.9") -> dict[str, Any]:
        act = {"kind": "reading", "point": "cap.herm.uf", "typed": typed}
        return {"id": fresh(), "visit": str(self.mine.visit.id), "seq": seq, "after": None, "at": "2027-01-14T09:00:00Z", "act": act}

    def hand_over(self, device: Caller, *entries: dict[str, Any], status: int = 200, **more: Any) -> Any:
        got = device.send("POST", "/held", {"entries": entries} | more)
        self.assertEqual(got.status_code, status, got.content)
        return got

    def readings(self) -> list[str]:
        return [one.body.get("value", "") for one in events(self.mine.company, Kind.READING)]

    def test_handed_over_held_and_taken_in_as_who_made_them(self) -> None:
        self.shut_out()
        device = self.device()
        told = device.send("GET", "/today")
        self.assertEqual((told.status_code, told[ENDED]), (401, "hand-over first-tech"))
        first, second = self.entry(1), self.entry(2, "5.1")
        self.hand_over(device, first, last=False)
        self.hand_over(device, first, second)  # the answer to the first was lost
        self.assertEqual(device.cookies[COOKIE].value, "", "its key opens nothing any more")
        self.assertEqual(self.readings(), [], "nothing counts without a yes")
        listed = self.lead.send("GET", "/held").json()
        self.assertEqual([(one["count"], one["kinds"]) for one in listed], [(2, {"reading": 2})])
        settled = self.lead.send("POST", f"/held/{listed[0]['id']}", {"take": True})
        self.assertEqual(settled.json(), {"saved": 2, "refused": 0})
        self.assertEqual(sorted(self.readings()), ["39.9", "5.1"])
        self.assertEqual({one.member_id for one in events(self.mine.company, Kind.READING)}, {self.mine.member.pk})
        self.assertEqual(self.lead.send("POST", f"/held/{listed[0]['id']}", {"take": True}).status_code, 404)
        self.assertEqual(self.lead.send("GET", "/held").json(), [])

    def test_left_out_for_good(self) -> None:
        self.shut_out()
        self.hand_over(self.device(), self.entry(1))
        held = self.lead.send("GET", "/held").json()[0]["id"]
        self.assertEqual(self.lead.send("POST", f"/held/{held}", {"take": False}).json(), {"saved": 0, "refused": 0})
        self.assertEqual(self.readings(), [])
        self.assertIsNotNone(HeldEntries.objects.of(self.mine.company).get().settled_at)

    def photo(self, device: Caller, photo_id: str, status: int = 200, **of: Any) -> None:
        picture = BytesIO()
        Image.new("RGB", (40, 30), "grey").save(picture, "PNG")
        fields = {"id": photo_id, "unit": str(self.mine.unit.id), "photo": SimpleUploadedFile("p.png", picture.getvalue())} | of
        got = device.post("/api/v1/held/photos", fields)
        self.assertEqual(got.status_code, status, got.content)

    def test_photos_are_held_with_it_and_kept_by_a_yes(self) -> None:
        folder = own_files(self)
        self.shut_out()
        device, photo = self.device(), fresh()
        self.photo(device, photo, visit=str(self.mine.visit.id), about="the label")
        self.photo(device, photo)  # the answer to the first was lost
        self.photo(device, fresh(), unit=fresh())  # of a unit that nobody knows
        self.photo(device, fresh(), photo=SimpleUploadedFile("p.png", b"no picture"), status=422)
        self.hand_over(device, self.entry(1))
        listed = self.lead.send("GET", "/held").json()
        self.assertEqual([(one["count"], one["photos"]) for one in listed], [(1, 2)])
        self.assertEqual(Photo.objects.of(self.mine.company).count(), 0, "nothing counts without a yes")
        settled = self.lead.send("POST", f"/held/{listed[0]['id']}", {"take": True})
        self.assertEqual(settled.json(), {"saved": 2, "refused": 1})
        kept = Photo.objects.of(self.mine.company).get()
        self.assertEqual(
            (str(kept.uuid), kept.member_id, kept.visit_id, kept.about), (photo, self.mine.member.pk, self.mine.visit.id, "the label")
        )
        self.assertEqual((HeldPhoto.objects.of(self.mine.company).count(), len(list((folder / "held").iterdir()))), (0, 0))

    def test_photos_left_out_are_gone(self) -> None:
        folder = own_files(self)
        self.shut_out()
        self.photo(self.device(), fresh())
        held = self.lead.send("GET", "/held").json()[0]
        self.assertEqual((held["count"], held["photos"]), (0, 1))
        self.assertEqual(self.lead.send("POST", f"/held/{held['id']}", {"take": False}).json(), {"saved": 0, "refused": 0})
        self.assertEqual((Photo.objects.of(self.mine.company).count(), len(list((folder / "held").iterdir()))), (0, 0))

    def test_nobody_else_hands_a_photo_over(self) -> None:
        own_files(self)
        self.photo(self.device(), fresh(), status=401)

    def test_one_device_that_a_lead_ended(self) -> None:
        row = SignIn.objects.of(self.mine.company).get(member=self.mine.member)
        self.lead.send("DELETE", f"/people/sign-ins/{row.pk}")
        self.assertEqual(self.device().send("GET", "/today")[ENDED], "hand-over first-tech")
        self.hand_over(self.device(), self.entry(1))
        self.assertEqual(len(self.lead.send("GET", "/held").json()), 1)

    def test_nobody_else_hands_anything_over(self) -> None:
        self.hand_over(self.device(), self.entry(1), status=401)  # not shut out: it sends
        stranger = Caller()
        stranger.send("GET", "/session")
        self.hand_over(stranger, self.entry(1), status=401)
        self.shut_out()
        self.hand_over(self.device(), {"nose": 1}, status=422)
        self.hand_over(self.device(), *(self.entry(place) for place in range(201)), status=413)
        other = Fixture("Other")
        self.hand_over(self.device(), self.entry(1))
        held = self.lead.send("GET", "/held").json()[0]["id"]
        self.assertEqual(other.client(other.lead).send("POST", f"/held/{held}", {"take": True}).status_code, 404)
        self.assertEqual(
            self.mine.client(Member.objects.create_user("first-two", company=self.mine.company)).send("GET", "/held").status_code, 403
        )
