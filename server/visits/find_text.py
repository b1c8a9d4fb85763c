"""What a visit is found by."""

from django.utils import timezone

from visits.models import Visit


def find_text_of(row: Visit, technician: str) -> str:
    """The unit's words, the day, the complaint, the technician, and the notes of a visit.

    The day stands there as it is typed without its dashes or strokes, year first and month first, and in words.
    """
    day = f"{timezone.localtime(row.scheduled_for):%Y%m%d %m%d%Y %B %d %Y}"
    words = (row.unit.find_text, day, row.complaint.replace("-", " "), technician, row.notes)
    return " ".join(filter(None, words))
