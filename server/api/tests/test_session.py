"""Signing in: Argon2, CSRF, lock-out, and what a session shows."""

from django.test import Client, TestCase, override_settings

from accounts.models import Member
from testing.fixtures import PASSWORD, Caller, Fixture


class Session(TestCase):
    mine: Fixture

    @classmethod
    def setUpTestData(cls) -> None:
        cls.mine = Fixture("First")

    def sign_in(self, caller: Caller, password: str = PASSWORD, name: str = "first-tech") -> int:
        return int(caller.send("POST", "/session", {"username": name, "password": password}).status_code)

    def test_in_and_out(self) -> None:
        caller = Caller()
        self.assertIsNone(caller.get("/api/v1/session").json()["member"])
        self.assertEqual(self.sign_in(caller), 200)
        self.assertEqual(caller.get("/api/v1/session").json()["member"]["company"], "First")
        self.assertEqual(caller.send("DELETE", "/session").status_code, 200)
        self.assertEqual(caller.get("/api/v1/today").status_code, 401)

    def test_passwords_are_kept_by_argon2(self) -> None:
        self.assertTrue(Member.objects.get(username="first-tech").password.startswith("argon2"))

    def test_a_wrong_password_says_nothing_about_the_name(self) -> None:
        known = Caller().send("POST", "/session", {"username": "first-tech", "password": "wrong"})
        unknown = Caller().send("POST", "/session", {"username": "nobody", "password": "wrong"})
        self.assertEqual((known.status_code, known.json()), (unknown.status_code, unknown.json()))

    def test_five_wrong_passwords_lock_even_the_right_one_out(self) -> None:
        caller = Caller()
        codes = [self.sign_in(caller, "wrong") for _ in range(5)]
        self.assertEqual(codes[:4], [401] * 4)
        self.assertEqual(self.sign_in(caller), 429)
        self.assertEqual(self.sign_in(caller, name="first-lead"), 200)

    def test_writes_need_the_csrf_token(self) -> None:
        caller = Client(enforce_csrf_checks=True)
        caller.force_login(self.mine.member, backend="accounts.backend.MemberBackend")
        path = "/api/v1/sync"
        self.assertEqual(caller.post(path, {}, content_type="application/json").status_code, 403)
        stranger = Client(enforce_csrf_checks=True)
        body = {"username": "first-tech", "password": PASSWORD}
        self.assertEqual(stranger.post("/api/v1/session", body, content_type="application/json").status_code, 403)

    def test_ones_own_password_is_changed_with_the_old_one_and_signs_out_elsewhere(self) -> None:
        here, elsewhere = Caller(), Caller()
        for caller in (here, elsewhere):
            self.assertEqual(self.sign_in(caller), 200)
        new = "another long enough one"
        for body, field in (
            ({"old": "wrong", "new": new}, "old"),
            ({"old": PASSWORD, "new": "short"}, "new"),
            ({"old": PASSWORD, "new": "x" * 1001}, "new"),
        ):
            got = here.send("POST", "/session/password", body)
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, field))
        self.assertEqual(here.send("POST", "/session/password", {"old": PASSWORD, "new": new}).status_code, 200)
        self.assertEqual(here.send("GET", "/today").status_code, 200)
        self.assertEqual(elsewhere.send("GET", "/today").status_code, 401)
        self.assertEqual((self.sign_in(Caller()), self.sign_in(Caller(), new)), (401, 200))

    def test_the_old_password_cannot_be_guessed_at(self) -> None:
        caller = Caller()
        self.sign_in(caller)
        codes = [caller.send("POST", "/session/password", {"old": "wrong", "new": "another long enough one"}).status_code for _ in range(6)]
        self.assertEqual(codes[-1], 429)

    def test_somebody_disabled_is_out(self) -> None:
        caller = self.mine.client()
        Member.objects.filter(pk=self.mine.member.pk).update(is_active=False)
        self.assertEqual(caller.get("/api/v1/today").status_code, 401)

    def test_the_demo_sign_in_is_offered_only_where_the_demo_is(self) -> None:
        with override_settings(DEMO=True):
            self.assertIsNotNone(Caller().get("/api/v1/session").json()["demo"])
        with override_settings(DEMO=False):
            self.assertIsNone(Caller().get("/api/v1/session").json()["demo"])

    def test_the_api_documents_itself(self) -> None:
        caller = self.mine.client()
        self.assertEqual(caller.get("/api/v1/openapi.json").status_code, 200)
        self.assertEqual(caller.get("/api/v1/docs").status_code, 200)
