"""A signature drawn on the screen."""

from dataclasses import dataclass
from math import isfinite
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from outer_test.measurement import FieldProblem
from visits.load import find_visit
from visits.models import Signature

MOST_STROKES, MOST_POINTS = 200, 5000


@dataclass(frozen=True, slots=True)
class Signed:
    """Who signed, and the strokes: points (x, y) from 0 to 1 in a box one wide and a third high."""

    id: UUID
    name: str
    strokes: tuple[tuple[tuple[float, float], ...], ...]


def sign(member: Member, visit_id: UUID, signed: Signed) -> None:
    """Keep a signature; a later one takes its place, and the old stays on record. A finished visit can be signed.

    Raises NoSuchVisit, FieldProblem.
    """
    if not signed.name.strip() or len(signed.name.strip()) > 80:
        raise FieldProblem("name", "Say who signs. Use up to 80 characters.")
    points = [point for stroke in signed.strokes for point in stroke]
    if not points:
        raise FieldProblem("strokes", "Sign in the box first.")
    if len(signed.strokes) > MOST_STROKES or len(points) > MOST_POINTS:
        raise FieldProblem("strokes", "That is more than a signature.")
    if not all(isfinite(x) and isfinite(y) and 0 <= x <= 1 and 0 <= y <= 1 for x, y in points):
        raise FieldProblem("strokes", "Part of it lies outside the box.")
    with transaction.atomic():
        row = find_visit(member.company, visit_id, lock=True)
        Signature.objects.of(member.company).get_or_create(
            company=member.company, uuid=signed.id, visit=row,
            defaults={
                "member": member, "at": timezone.now(), "name": signed.name.strip(),
                "strokes": [[[round(x, 4), round(y, 4)] for x, y in stroke] for stroke in signed.strokes],
            },
        )  # fmt: skip
