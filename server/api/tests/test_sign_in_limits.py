"""How often a password may be tried: by name and address, in bursts, behind proxies, and few at a time."""

import threading
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta
from typing import Any
from unittest.mock import patch

from django.contrib.auth.hashers import check_password, make_password
from django.db import connections
from django.test import SimpleTestCase, TestCase, TransactionTestCase, override_settings
from django.utils import timezone

from accounts.attempts import BY_ADDRESS, BY_PAIR, BY_STRANGERS, TooManyAttempts, attempt
from accounts.hashers import AT_ONCE, TooBusy, room_to_hash
from accounts.models import Attempts
from config.few_sign_ins import PATH, FewSignIns
from testing.fixtures import PASSWORD, Caller, Fixture

HERE, ELSEWHERE = "192.0.2.1", "198.51.100.9"


class Limits(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Limits")
        self.name = self.mine.member.username

    def sign_in(self, password: str, address: str = HERE, name: str = "") -> int:
        caller = Caller(REMOTE_ADDR=address)
        return int(caller.send("POST", "/session", {"username": name or self.name, "password": password}).status_code)

    def test_one_name_from_one_address(self) -> None:
        self.assertEqual([self.sign_in("wrong") for _ in range(BY_PAIR)], [401] * BY_PAIR)
        self.assertEqual(self.sign_in(PASSWORD), 429, "even the right one")
        self.assertEqual(self.sign_in(PASSWORD, ELSEWHERE), 200)
        Attempts.objects.update(until=timezone.now() - timedelta(seconds=1))
        self.assertEqual(self.sign_in(PASSWORD), 200, "a quarter of an hour later")

    def test_one_address_under_many_names(self) -> None:
        codes = [self.sign_in("wrong", name=f"nobody{count}") for count in range(BY_ADDRESS)]
        self.assertEqual(set(codes), {401})
        self.assertEqual(self.sign_in("wrong", name="another"), 429)

    def test_a_name_is_not_locked_where_it_has_signed_in_from(self) -> None:
        self.assertEqual(self.sign_in(PASSWORD), 200)
        for count in range(BY_STRANGERS):
            with attempt(self.name, f"203.0.113.{count}"):
                pass  # somebody elsewhere, with a wrong password
        self.assertEqual(self.sign_in(PASSWORD, ELSEWHERE), 429, "an address that it never used")
        self.assertEqual(self.sign_in(PASSWORD), 200, "its own")

    def test_right_ones_use_nothing_up(self) -> None:
        for _ in range(BY_PAIR + 1):
            self.assertEqual(self.sign_in(PASSWORD), 200)
        self.assertEqual(set(Attempts.objects.values_list("count", flat=True)), {0})

    def test_no_name_or_address_is_kept(self) -> None:
        self.sign_in("wrong")
        kept = " ".join(Attempts.objects.values_list("key", flat=True))
        self.assertNotIn(self.name, kept)
        self.assertNotIn(HERE, kept)

    def test_the_address_is_the_one_the_trusted_proxy_saw(self) -> None:
        def sign_in(said: str) -> int:
            caller = Caller(REMOTE_ADDR="10.0.0.1", HTTP_X_FORWARDED_FOR=said)
            return int(caller.send("POST", "/session", {"username": self.name, "password": "wrong"}).status_code)

        with override_settings(TRUSTED_HOPS=1):
            codes = [sign_in(f"203.0.113.{count}, {HERE}") for count in range(BY_PAIR + 1)]
            self.assertEqual(codes[-1], 429, "what the stranger put before it is not believed")
            self.assertEqual(sign_in(ELSEWHERE), 401)
        with override_settings(TRUSTED_HOPS=0):
            codes = [sign_in(f"203.0.113.{count}") for count in range(BY_PAIR + 1)]
            self.assertEqual(codes[-1], 429, "without a proxy the header is nobody's word")


class Bursts(TransactionTestCase):
    def test_of_a_burst_no_more_are_looked_at_than_one_after_the_other(self) -> None:
        together = threading.Barrier(12)

        def one(_: int) -> bool:
            try:
                together.wait()
                with attempt("burst", HERE):
                    return True
            except TooManyAttempts:
                return False
            finally:
                connections.close_all()

        with ThreadPoolExecutor(12) as pool:
            self.assertEqual(sum(pool.map(one, range(12))), BY_PAIR)


class FewAtATime(TestCase):
    def test_one_hash_at_a_time_a_few_waiting_the_rest_refused_at_once(self) -> None:
        holding, at_work = threading.Event(), threading.Event()

        def hold() -> None:
            with room_to_hash():
                at_work.set()
                holding.wait(10)

        first = threading.Thread(target=hold)
        first.start()
        at_work.wait(10)
        with patch("accounts.hashers.WAIT_S", 0.2), self.assertRaises(TooBusy):
            make_password("waited too long")
        holding.set()
        first.join()
        self.assertTrue(check_password(PASSWORD, make_password(PASSWORD)))

    def test_whoever_is_refused_is_told_to_try_again(self) -> None:
        mine = Fixture("Busy")
        with patch("accounts.hashers._WAITING.acquire", return_value=False):
            for _ in range(BY_PAIR + 1):  # and what was not looked at does not count
                got = Caller().send("POST", "/session", {"username": mine.member.username, "password": PASSWORD})
        self.assertEqual((got.status_code, "Try again" in got.json()["errors"][0]["message"]), (503, True))


class Flood(SimpleTestCase):
    """Before the application: so many at once go through, the rest are told at once, and everything else passes."""

    def test_the_rest_are_turned_away_unread(self) -> None:
        held, inside = threading.Event(), threading.Semaphore(0)

        def application(environ: dict[str, Any], start_response: Any) -> list[bytes]:
            if environ["PATH_INFO"] == PATH and environ["REQUEST_METHOD"] == "POST":
                inside.release()
                held.wait(10)
            return [b"through"]

        door = FewSignIns(application)
        said: list[str] = []

        def ask(method: str = "POST", path: str = PATH) -> bytes:
            return b"".join(door({"REQUEST_METHOD": method, "PATH_INFO": path}, lambda status, _: said.append(status)))

        threads = [threading.Thread(target=ask) for _ in range(AT_ONCE)]
        for one in threads:
            one.start()
        for _ in threads:
            inside.acquire(timeout=10)
        self.assertIn(b"Try again", ask())
        self.assertEqual(said, ["503 Service Unavailable"])
        for method, path in (("GET", PATH), ("DELETE", PATH), ("POST", "/api/v1/sync")):
            self.assertEqual(ask(method, path), b"through")
        held.set()
        for one in threads:
            one.join()
        self.assertEqual(ask(), b"through", "there is room again")
