"""What is on each technician's van: counted by hand, and counted down by what is put in."""

from collections.abc import Iterable
from dataclasses import replace

from django.db import transaction

from accounts.models import Company, Member
from accounts.versions import change_from, count_change
from outer_test.ledger import Event, Kind
from outer_test.measurement import FieldProblem
from outer_test.plain_data import plain, read_as
from outer_test.visit import Repair, StockPart, left_on_van

MOST_KINDS = 200


def van_of(member: Member) -> tuple[StockPart, ...]:
    """What is on this member's van."""
    return read_as(tuple[StockPart, ...], member.van_stock)


def every_van(company: Company) -> tuple[StockPart, ...]:
    """What all of a company's vans carry, added up."""
    counts: dict[StockPart, int] = {}
    for member in Member.objects.filter(company=company).order_by("pk"):
        for part in van_of(member):
            kind = replace(part, count=1)
            counts[kind] = counts.get(kind, 0) + part.count
    return tuple(replace(kind, count=count) for kind, count in counts.items())


def subject_of(member: Member) -> str:
    """What `accounts.versions` calls a van's stock."""
    return f"van {member.pk}"


def stock_van(member: Member, parts: tuple[StockPart, ...], seen: int) -> None:
    """Keep what a member counted on their van, made from version `seen` of it. Raises FieldProblem, Overtaken."""
    if len(parts) > MOST_KINDS:
        raise FieldProblem("parts", f"Use up to {MOST_KINDS} kinds of parts.")
    ratings = [(part.duty, part.uf, part.fan_uf, part.vac) for part in parts]
    for place, rating in enumerate(ratings):
        if rating in ratings[:place]:
            raise FieldProblem(f"parts.{place}.uf", "This part is on the list already. Change its count there.")
    with transaction.atomic():
        there = van_of(_locked(member.company, member.pk))
        change_from(member, subject_of(member), seen, f"{sum(part.count for part in there)} parts")
        Member.objects.filter(pk=member.pk).update(van_stock=plain(parts))
    member.van_stock = plain(parts)


def _locked(company: Company, key: int) -> Member:
    """A member, whose van nobody else changes meanwhile: locked before its version is, by whoever changes it."""
    member: Member = Member.objects.select_for_update(no_key=True).get(company=company, pk=key)
    return member


def count_down(company: Company, every: Iterable[Event], new: Iterable[Event]) -> None:
    """Take what was put in off the van of whoever put it in; what is taken off the record again is on the van again.

    every: the visit's events, the new ones too.
    """
    for event in new:
        if event.kind is Kind.PART:
            _take(company, event, 1)
        elif event.kind is Kind.TAKEN_BACK:
            for part in (one for one in every if one.kind is Kind.PART and one.id == event.body.of):
                _take(company, part, -1)


def _take(company: Company, event: Event, taken: int) -> None:
    repair: Repair = event.body
    if repair.put_back or event.by is None:
        return
    member = _locked(company, event.by)
    stock = van_of(member)
    left = left_on_van(stock, repair, taken)
    if left != stock:
        member.van_stock = plain(left)
        member.save(update_fields=["van_stock"])
        count_change(member, subject_of(member))
