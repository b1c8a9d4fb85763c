"""A whole company as one zip of open files: JSON, the visit files, the photos, and a manifest with a checksum for each."""

import hashlib
import json
import zipfile
from collections.abc import Callable, Iterator
from datetime import datetime
from typing import IO, Any

from accounts.models import Company
from fleet.models import Unit
from ledger.models import EventRow
from outer_test.ledger import Kind
from outer_test.plain_data import plain
from outer_test.visit import write_visit
from visits.load import load_visit
from visits.models import Photo, Visit
from visits.van import every_van

FORMAT, VERSION = "outer-test-company", 1


def parts_in_zip(company: Company) -> int:
    """How many files its zip will hold, so that it can be said how far it is."""
    visits, photos = Visit.objects.of(company).count(), Photo.objects.of(company).filter(removed_at=None).count()
    return 3 + 2 * (visits + photos)


def write_company(company: Company, into: IO[bytes], now: datetime, beat: Callable[[int], None] = lambda _: None) -> None:
    """Write the zip. Nothing of another company is in it, and no password or session. beat: hears how many files are written."""
    manifest: list[dict[str, Any]] = []
    with zipfile.ZipFile(into, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in _files(company):
            archive.writestr(name, content)
            beat(len(manifest))
            manifest.append({"name": name, "bytes": len(content), "sha256": hashlib.sha256(content).hexdigest()})
        heading = {"format": FORMAT, "version": VERSION, "company": company.name, "made_at": now.isoformat(), "files": manifest}
        archive.writestr("manifest.json", _json(heading))


def _json(value: Any) -> bytes:
    return json.dumps(value, ensure_ascii=False, indent=1, default=str).encode()


def _files(company: Company) -> Iterator[tuple[str, bytes]]:
    about = {name: getattr(company, name) for name in ("name", "letterhead", "rules", "meters", "boards")}
    about["van_stock"] = plain(every_van(company))
    yield "company.json", _json(about)
    units = Unit.objects.of(company).filter(same_as=None).select_related("site").order_by("id")
    yield "units.json", _json([_unit(unit) for unit in units])
    yield "parts.json", _json(list(_parts(company)))
    for row in Visit.objects.of(company).select_related("unit__site", "technician").order_by("scheduled_for", "id").iterator():
        yield f"visits/{row.id}.json", write_visit(load_visit(company, row).visit)
        yield f"visits/{row.id}.about.json", _json(_visit(row))
    for photo in Photo.objects.of(company).filter(removed_at=None).order_by("id"):
        with photo.file.open("rb") as file:
            yield f"photos/{photo.uuid}.jpg", file.read()
        yield f"photos/{photo.uuid}.about.json", _json(_photo(photo))


def _parts(company: Company) -> Iterator[dict[str, Any]]:
    """The parts recorded by themselves; those put in on a visit are in its file."""
    same = dict(Unit.objects.of(company).exclude(same_as=None).values_list("pk", "same_as_id"))
    for row in EventRow.objects.of(company).filter(kind=Kind.FITTED.value).order_by("place"):
        at = row.body.get("at") or row.at.isoformat()
        yield {"id": row.uuid, "unit": same.get(row.unit, row.unit), "part": row.body["part"], "at": at, "note": row.body.get("note", "")}


def _unit(one: Unit) -> dict[str, Any]:
    return {
        "id": one.id, "site": one.site.name, "address": one.site.address, "label": one.label, "serial": one.serial, "plate": one.plate,
        "fitted": one.fitted, "contactor_fitted": one.contactor_fitted, "notes": one.notes, "archived": one.archived,
        "tag": one.tag,
    }  # fmt: skip


def _photo(one: Photo) -> dict[str, Any]:
    return {
        "id": one.uuid, "unit": one.unit_id, "visit": one.visit_id, "part": one.part, "at": one.at.isoformat(),
        "about": one.about,
    }  # fmt: skip


def _visit(row: Visit) -> dict[str, Any]:
    return {
        "unit": row.unit_id, "technician": row.technician.shown_name, "scheduled_for": row.scheduled_for.isoformat(), "notes": row.notes,
        "finished_at": None if row.finished_at is None else row.finished_at.isoformat(), "finish_reason": row.finish_reason,
        "return_of": row.return_of_id,
    }  # fmt: skip
