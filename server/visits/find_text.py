"""What a visit is found by."""

from visits.models import Visit


def find_text_of(row: Visit, technician: str) -> str:
    """The unit's words, the day, the complaint, the technician, and the notes of a visit."""
    words = (row.unit.find_text, f"{row.scheduled_for:%Y-%m-%d}", row.complaint.replace("-", " "), technician, row.notes)
    return " ".join(filter(None, words))
