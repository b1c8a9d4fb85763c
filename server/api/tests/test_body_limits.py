"""How much a request may bring: held to before anything of it is read, by who asks and by the path."""

from typing import Any
from unittest.mock import patch

from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import OperationalError
from django.test import Client, RequestFactory, TestCase, override_settings

from config.body_limits import BodyLimits
from testing.fixtures import Fixture, fresh, own_files


class NeverRead:
    """A body that fails the test where somebody reads it."""

    def read(self, *_: Any) -> bytes:
        """Fail."""
        raise AssertionError("the body was read")

    readline = read


class BodiesAreNotRead(TestCase):
    def setUp(self) -> None:
        own_files(self)
        self.mine = Fixture("Bodies")
        self.photos = f"/api/v1/files/units/{self.mine.unit.id}/photos"

    def sent(self, path: str, length: int, member: Any = None, **more: Any) -> int:
        """The status for a body of this length, of which nothing may be read."""
        request = RequestFactory().generic("POST", path, content_type="multipart/form-data; boundary=x", CONTENT_LENGTH=str(length), **more)
        request.META["wsgi.input"] = NeverRead()
        request.user = member
        return BodyLimits(lambda _: self.fail("it was let through"))(request).status_code

    def test_a_strangers_file_is_turned_away_unread(self) -> None:
        for path in (self.photos, "/api/v1/imports", "/api/v1/files/company-zip", "/api/v1/sync", "/api/v1/session"):
            self.assertEqual(self.sent(path, 600_000_000), 413, path)

    def test_a_members_is_held_to_its_path(self) -> None:
        for path, most in ((self.photos, 12_200_000), ("/api/v1/imports", 60_200_000), ("/api/v1/sync", 1_000_001)):
            self.assertEqual(self.sent(path, most, self.mine.member), 413, path)
        self.assertEqual(self.sent("/api/v1/files/company-zip", 1000, self.mine.member), 403, "leads alone")

    def test_a_body_says_how_long_it_is(self) -> None:
        self.assertEqual(self.sent("/api/v1/sync", 0, self.mine.member, HTTP_TRANSFER_ENCODING="chunked", HTTP_CONTENT_LENGTH=""), 411)
        request = RequestFactory().generic("POST", "/api/v1/sync", CONTENT_LENGTH="ten")
        request.user = self.mine.member
        self.assertEqual(BodyLimits(lambda _: self.fail("it was let through"))(request).status_code, 400)

    def test_where_nobody_can_be_known_it_is_sent_again(self) -> None:
        request = RequestFactory().post("/api/v1/sync", {}, content_type="application/json")
        with patch("config.body_limits._refused", side_effect=OperationalError("away")):
            got = BodyLimits(lambda _: self.fail("it was let through"))(request)
        self.assertEqual((got.status_code, b"sent again" in got.content), (503, True))

    def test_no_more_is_read_than_it_said(self) -> None:
        """Against the whole app: of a body longer than its length nothing beyond it is taken."""
        body = b'{"username": "x", "password": "y"}'
        got = Client().generic(
            "POST", "/api/v1/session", body + b"z" * 1000, content_type="application/json", CONTENT_LENGTH=str(len(body))
        )
        self.assertEqual(got.status_code, 401)

    @override_settings(UPLOADS_A_DAY={"member": 150_000, "company": 250_000})
    def test_a_day_takes_so_much_of_a_member_and_of_a_company(self) -> None:
        def photo(member: Any) -> int:
            file = SimpleUploadedFile("p.jpg", b"0" * 100_000)
            return self.mine.client(member).post(self.photos, {"id": fresh(), "photo": file}).status_code

        self.assertEqual([photo(self.mine.member), photo(self.mine.member)], [422, 413], "no picture, then too much of one member")
        self.assertEqual([photo(self.mine.lead), photo(self.mine.lead)], [422, 413], "the company's own measure")
        with patch("django.utils.timezone.localdate", return_value="2099-01-01"):
            self.assertEqual(photo(self.mine.member), 422, "the next day begins anew")
