"""Finding units and visits by a few words: as they stand, and, where a word is misspelt, by likeness."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from django.contrib.postgres.search import SearchQuery, SearchVector, TrigramWordSimilarity
from django.db import connection, transaction
from django.db.models import F, QuerySet

from accounts.models import Company
from fleet.models import Unit
from visits.models import Visit

MOST, LONGEST, MANY = 12, 80, 1000
_SHOWN = ("id", "scheduled_for", "complaint", "unit__label", "unit__site__name")  # a visit's row is wide, and little of it is shown
ALIKE = "0.4"  # a word with one letter wrong is still this like


@dataclass(frozen=True, slots=True)
class FoundUnit:
    """A unit that the words fit."""

    id: UUID
    site: str
    address: str
    unit: str
    serial: str
    archived: bool


@dataclass(frozen=True, slots=True)
class FoundVisit:
    """A visit that the words fit."""

    id: UUID
    site: str
    unit: str
    at: datetime
    complaint: str


@dataclass(frozen=True, slots=True)
class Found:
    """What the words fit, the likeliest first."""

    units: tuple[FoundUnit, ...]
    visits: tuple[FoundVisit, ...]


def find(company: Company, text: str) -> Found:
    """Units and visits of this company that `text` fits. Fewer than two letters or digits fit nothing."""
    words = " ".join(text.split())[:LONGEST]
    if len(_plain(words)) < 2:
        return Found((), ())
    all_units = Unit.objects.of(company).filter(same_as=None).select_related("site")
    all_visits = Visit.objects.of(company).select_related("unit", "unit__site").only(*_SHOWN)
    units, visits = _by_words(all_units, words), []
    if not units:
        # Words that fit units mean their visits. What fits no unit may say a complaint, a day or a note; else it is misspelt.
        strange = [word for word in words.split() if _plain(word) and not _is_there(all_units, word)]
        if all(_is_there(all_visits, word) for word in strange):
            visits = _by_words(all_visits, words, "-scheduled_for")
        units = [] if visits else _misspelt(all_units, words, strange)
    visits = visits or _latest_of(units, Visit.objects.of(company))
    return Found(
        tuple(FoundUnit(unit.id, unit.site.name, unit.site.address, unit.label, unit.serial, unit.archived != "") for unit in units),
        tuple(FoundVisit(visit.id, visit.unit.site.name, visit.unit.label, visit.scheduled_for, visit.complaint) for visit in visits),
    )


def _latest_of(units: list[Unit], visits: QuerySet[Any]) -> list[Visit]:
    """The units' latest visits; the units themselves are here already."""
    here = {unit.id: unit for unit in units}
    rows = list(visits.filter(unit__in=here).only("id", "unit_id", "scheduled_for", "complaint").order_by("-scheduled_for")[:MOST])
    for row in rows:
        row.unit = here[row.unit_id]
    return rows


def _by_words(rows: QuerySet[Any], words: str, *then: str) -> list[Any]:
    """By whole and begun words. What few rows have is looked up in the index first: asked for in order at once, the database
    would go through all rows in that order. A word that very many have is soon met in any order."""
    few = _some(rows, words)
    fitting = _with_words(rows, words) if len(few) == MANY else rows.filter(pk__in=few)
    return list(fitting.order_by(*then, "id")[:MOST]) if few else []


def _some(rows: QuerySet[Any], words: str) -> list[Any]:
    return list(_with_words(rows, words).order_by().values_list("pk", flat=True)[:MANY])


def _is_there(rows: QuerySet[Any], word: str) -> bool:
    """Whether any row has this word. Asked for one row only, the database would look for it through all of them."""
    return _with_words(rows, word).order_by()[:MANY].count() > 0


def _with_words(rows: QuerySet[Any], words: str) -> QuerySet[Any]:
    begun = " & ".join(f"{_plain(word)}:*" for word in words.split() if _plain(word))
    query = SearchQuery(begun, config="simple", search_type="raw")
    fitting: QuerySet[Any] = rows.annotate(words=SearchVector("find_text", config="simple")).filter(words=query)
    return fitting


def _misspelt(rows: QuerySet[Any], words: str, strange: list[str]) -> list[Any]:
    """The words that are known as they stand, the strange ones by likeness: in a large fleet half of the streets are alike in one
    word."""
    known = [word for word in words.split() if _plain(word) and word not in strange]
    found = _by_likeness(_with_words(rows, " ".join(known)), " ".join(strange)) if known and strange else []
    return found or _by_likeness(rows, words)


def _by_likeness(rows: QuerySet[Any], words: str) -> list[Any]:
    """By likeness of their letters, answered from an index; the likest first."""
    with transaction.atomic(), connection.cursor() as cursor:
        cursor.execute("SELECT set_config('pg_trgm.word_similarity_threshold', %s, true)", [ALIKE])
        alike = rows.filter(find_text__trigram_word_similar=words).annotate(alike=TrigramWordSimilarity(words, "find_text"))
        return list(alike.order_by(F("alike").desc(), "id")[:MOST])


def _plain(word: str) -> str:
    return "".join(letter for letter in word if letter.isalnum())
