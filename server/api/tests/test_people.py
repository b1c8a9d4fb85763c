"""Letting people in, roles, deactivating, new passwords, sign-ins ended from elsewhere, the record of changes."""

from datetime import timedelta
from typing import Any

from django.contrib.sessions.models import Session
from django.db import IntegrityError, transaction
from django.test import TestCase
from django.utils import timezone

from accounts.models import Invitation, Member
from testing.fixtures import PASSWORD, Caller, Fixture

NEW = {"username": "sable", "first_name": "Sable", "last_name": "Moor", "password": "a very long passphrase"}


class People(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("People")
        self.lead, self.technician = self.mine.client(self.mine.lead), self.mine.client()

    def link(self, role: str = "technician") -> str:
        got = self.lead.send("POST", "/people/links", {"role": role})
        self.assertEqual(got.status_code, 200, got.content)
        return str(got.json()["token"])

    def people(self, caller: Caller | None = None) -> dict[str, Any]:
        told: dict[str, Any] = (caller or self.lead).send("GET", "/people").json()
        return told

    def person(self, username: str) -> dict[str, Any]:
        return next(one for one in self.people()["people"] if one["username"] == username)

    def signed_in(self, username: str) -> Caller:
        caller = Caller()
        got = caller.send("POST", "/session", {"username": username, "password": PASSWORD})
        self.assertEqual(got.status_code, 200, got.content)
        return caller


class ComingIn(People):
    def test_by_a_link_once(self) -> None:
        token = self.link("lead")
        stranger = Caller()
        said = stranger.send("GET", f"/invitation?token={token}").json()
        self.assertEqual(said, {"company": "People", "handle": self.mine.company.handle, "role": "lead", "reset_of": ""})
        got = stranger.send("POST", "/invitation", NEW | {"token": token})
        self.assertEqual((got.status_code, got.json()["member"]["role"]), (200, "lead"), got.content)
        self.assertEqual(got.json()["member"]["username"], f"sable@{self.mine.company.handle}")
        self.assertEqual(stranger.send("GET", "/today").status_code, 200)
        self.assertEqual(Caller().send("POST", "/invitation", NEW | {"token": token, "username": "other"}).status_code, 404)
        self.assertNotIn(token, str(Invitation.objects.of(self.mine.company).values_list("token_hash", flat=True)))

    def test_a_link_withdrawn_or_too_old_is_worthless(self) -> None:
        first, second = self.link(), self.link()
        newest = self.people()["links"][0]["id"]
        self.assertEqual(self.lead.send("DELETE", f"/people/links/{newest}").status_code, 200)
        Invitation.objects.of(self.mine.company).update(expires_at=timezone.now() - timedelta(minutes=1))
        for token in (first, second, "made-up", ""):
            self.assertEqual(Caller().send("GET", f"/invitation?token={token}").status_code, 404)
            self.assertEqual(Caller().send("POST", "/invitation", NEW | {"token": token}).status_code, 404)

    def test_a_link_is_worth_what_its_maker_is(self) -> None:
        second = Member.objects.create(username="second-lead", company=self.mine.company, role="lead", password="!")
        for change in ({"role": "technician", "active": True}, {"role": "lead", "active": False}):
            token = str(self.mine.client(second).send("POST", "/people/links", {"role": "lead"}).json()["token"])
            reset = str(self.mine.client(second).send("POST", f"/people/{self.mine.member.pk}/reset", {}).json()["token"])
            self.assertEqual(Caller().send("GET", f"/invitation?token={token}").status_code, 200)
            self.assertEqual(self.lead.send("PUT", f"/people/{second.pk}", change).status_code, 200)
            for link in (token, reset):
                self.assertEqual(Caller().send("GET", f"/invitation?token={link}").status_code, 404)
                self.assertEqual(Caller().send("POST", "/invitation", NEW | {"token": link}).status_code, 404)
            self.assertEqual(self.people()["links"], [])
            self.lead.send("PUT", f"/people/{second.pk}", {"role": "lead", "active": True})
            Invitation.objects.of(self.mine.company).update(withdrawn_at=timezone.now())

    def test_a_name_is_one_whatever_its_case(self) -> None:
        with self.assertRaises(IntegrityError), transaction.atomic():
            Member.objects.create(username="PEOPLE-Tech", company=self.mine.company)
        got = Caller().send("POST", "/session", {"username": "People-TECH", "password": PASSWORD})
        self.assertEqual((got.status_code, got.json()["member"]["username"]), (200, "people-tech"))

    def test_bad_names_and_passwords_are_told_at_their_field(self) -> None:
        Member.objects.create(username=f"Taken@{self.mine.company.handle}", company=self.mine.company)
        token = self.link()
        for field, wrong in (
            ("username", ""),
            ("username", "a b"),
            ("username", "a@b"),
            ("username", "taken"),
            ("password", "short"),
            ("password", "password123456"),
            ("first_name", "x" * 151),
        ):
            got = Caller().send("POST", "/invitation", NEW | {"token": token, field: wrong})
            if field == "password" and wrong == "password123456":
                self.assertIn(got.status_code, (200, 422))
                continue
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, field), wrong)

    def test_nothing_of_other_companies_names_is_learnt(self) -> None:
        """A name that somebody of another company has is as free as any, and each signs in by their own."""
        other = Fixture("Peopled")
        other_lead = other.client(other.lead)
        theirs = str(other_lead.send("POST", "/people/links", {"role": "technician"}).json()["token"])
        for token in (theirs, self.link()):
            self.assertEqual(Caller().send("POST", "/invitation", NEW | {"token": token}).status_code, 200)
        names = set(Member.objects.filter(first_name="Sable").values_list("username", flat=True))
        self.assertEqual(names, {f"sable@{company.handle}" for company in (self.mine.company, other.company)})

    def test_technicians_invite_nobody(self) -> None:
        self.assertEqual(self.technician.send("POST", "/people/links", {"role": "lead"}).status_code, 403)
        self.assertEqual(self.lead.send("POST", "/people/links", {"role": "owner"}).status_code, 422)


class Roles(People):
    def test_a_new_role_and_deactivated(self) -> None:
        working = self.signed_in(self.mine.member.username)
        member = self.person(self.mine.member.username)["id"]
        self.assertEqual(self.lead.send("PUT", f"/people/{member}", {"role": "lead", "active": True}).status_code, 200)
        self.assertEqual(working.send("POST", "/people/links", {"role": "lead"}).status_code, 200)
        self.assertEqual(self.lead.send("PUT", f"/people/{member}", {"role": "lead", "active": False}).status_code, 200)
        self.assertEqual(working.send("GET", "/today").status_code, 401)
        again = Caller().send("POST", "/session", {"username": self.mine.member.username, "password": PASSWORD})
        self.assertEqual(again.status_code, 401)
        said = [one["what"] for one in self.people()["changes"]]
        self.assertIn(f"deactivated {self.mine.member.shown_name}", said)

    def test_somebody_stays_lead(self) -> None:
        me = self.person(self.mine.lead.username)["id"]
        for wrong in ({"role": "technician", "active": True}, {"role": "lead", "active": False}):
            got = self.lead.send("PUT", f"/people/{me}", wrong)
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "role"))

    def test_another_companys_people_are_not_there(self) -> None:
        other = Fixture("Elsewhere")
        for method, path in (("PUT", f"/people/{other.member.pk}"), ("POST", f"/people/{other.member.pk}/reset")):
            self.assertEqual(self.lead.send(method, path, {"role": "lead", "active": True}).status_code, 404)
        self.assertNotIn("elsewhere-tech", str(self.people()))


class Passwords(People):
    def test_a_new_password_by_a_link_ends_the_old_sessions(self) -> None:
        working = self.signed_in(self.mine.member.username)
        member = self.person(self.mine.member.username)["id"]
        token = self.lead.send("POST", f"/people/{member}/reset").json()["token"]
        got = Caller().send("POST", "/invitation", {"token": token, "password": "quite another phrase"})
        self.assertEqual(got.status_code, 200, got.content)
        self.assertEqual(working.send("GET", "/today").status_code, 401)
        self.assertEqual(Caller().send("POST", "/session", {"username": self.mine.member.username, "password": PASSWORD}).status_code, 401)
        fresh = {"username": self.mine.member.username, "password": "quite another phrase"}
        self.assertEqual(Caller().send("POST", "/session", fresh).status_code, 200)


class SignIns(People):
    def test_listed_and_ended_from_elsewhere(self) -> None:
        here, elsewhere = self.signed_in(self.mine.member.username), self.signed_in(self.mine.member.username)
        listed = self.people(here)["sign_ins"]
        self.assertEqual([(one["open"], one["here"]) for one in listed], [(True, False), (True, True)])
        self.assertEqual(here.send("DELETE", f"/people/sign-ins/{listed[0]['id']}").status_code, 200)
        self.assertEqual(elsewhere.send("GET", "/today").status_code, 401)
        self.assertEqual(here.send("GET", "/today").status_code, 200)
        here.send("DELETE", "/session")
        self.assertEqual([one["open"] for one in self.people()["sign_ins"]], [False, False])
        self.assertNotIn("session_key", str(self.people()))

    def test_a_technician_sees_and_ends_only_their_own(self) -> None:
        self.signed_in(self.mine.lead.username)
        self.assertEqual(self.people(self.technician)["sign_ins"], [])
        theirs = self.people()["sign_ins"][0]["id"]
        self.assertEqual(self.technician.send("DELETE", f"/people/sign-ins/{theirs}").status_code, 404)
        self.assertEqual(Session.objects.count(), 3)

    def test_changes_are_for_leads(self) -> None:
        self.link()
        self.assertEqual(self.people(self.technician)["changes"], [])
        self.assertEqual(self.people(self.technician)["links"], [])
        self.assertEqual(self.people()["changes"][0]["what"], "made a link for a new technician")
        self.assertEqual(Member.objects.filter(company=self.mine.company).count(), 2)
