"""Files that the worker makes, as a person asks for them; with the work done at once."""

from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile

from testing.fixtures import Caller, fresh


def zipped(lead: Caller) -> bytes:
    """The company's zip."""
    return _made(lead, "/files/company-zip/out")


def sheet(member: Caller, visit: object) -> bytes:
    """A visit's sheet as PDF."""
    return _made(member, f"/files/sheet/{visit}")


def _made(asker: Caller, path: str) -> bytes:
    job = asker.send("POST", path, {"id": fresh()}).json()
    got = asker.get(f"/api/v1/files/made/{job['id']}/file")
    return b"".join(got.streaming_content)  # type: ignore[attr-defined]


def take_in(lead: Caller, content: bytes, job: str = "") -> dict[str, Any]:
    """What became of a zip that was brought."""
    file = SimpleUploadedFile("company.zip", content)
    told: dict[str, Any] = lead.post("/api/v1/files/company-zip", {"id": job or fresh(), "file": file}).json()
    return told
